import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The repository's folder. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
