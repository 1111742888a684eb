import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What a stand-in remembers over its end. */
export interface Book<T> {
  readonly read: () => readonly T[];
  readonly write: (all: readonly T[]) => void;
}

/** A book that is forgotten at the end. */
export const noBook = <T>(): Book<T> => ({ read: () => [], write: () => undefined });

/**
 * A book in the data folder, so that a restart forgets nothing; one that cannot be read begins anew.
 *
 * @param folder undefined where nothing is kept
 * @param name of the file, without its ending
 */
export function bookIn<T>(folder: string | undefined, name: string): Book<T> {
  if (!folder) return noBook();
  const file = join(folder, `${name}.json`);
  return {
    read: () => {
      try {
        const found: unknown = JSON.parse(readFileSync(file, 'utf8'));
        return Array.isArray(found) ? (found as T[]) : [];
      } catch {
        return [];
      }
    },
    write: (all) => {
      mkdirSync(folder, { recursive: true });
      writeFileSync(`${file}.new`, JSON.stringify(all));
      renameSync(`${file}.new`, file);
    },
  };
}
