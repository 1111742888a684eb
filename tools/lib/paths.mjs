import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The repository's folder. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..');

/** Where the application keeps what is its own. */
export const dataFolder = () => process.env.INTERVEX_DATA_DIR ?? resolve(ROOT, '.intervex');
