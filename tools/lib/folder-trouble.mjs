import { statSync } from 'node:fs';
import { join } from 'node:path';

/** What the system says of a folder, in words. */
const WHY = {
  EACCES: [
    'this user may not write there',
    'Give it to this user, or set INTERVEX_DATA_DIR to a folder of his own.',
  ],
  EPERM: [
    'this user may not write there',
    'Give it to this user, or set INTERVEX_DATA_DIR to a folder of his own.',
  ],
  EROFS: ['it can only be read', 'Mount it to be written, or set INTERVEX_DATA_DIR to another folder.'],
  ENOSPC: ['its disk is full', 'Make room on it, and start again.'],
  EDQUOT: ['its disk is full for this user', 'Make room on it, and start again.'],
  ENOTDIR: ['it is no folder', 'Set INTERVEX_DATA_DIR to a folder.'],
};

/** What of a data folder is a file, and what a folder, where it is there. */
const FILES = [
  'database-password',
  'database.log',
  ...['PG_VERSION', 'global/pg_control', 'postgresql.conf', 'pg_hba.conf', 'pg_ident.conf'].map(
    (n) => `pg/${n}`,
  ),
  'pg/postmaster.pid',
];
const FOLDERS = ['pg', 'pg/base', 'pg/global', 'pg/pg_wal'];

/** Refuses a folder where a file should be, and a file where a folder should be. @param {string} folder */
export function refuseKinds(folder) {
  for (const [names, is, should] of /** @type {const} */ ([
    [FOLDERS, 'file', 'folder'],
    [FILES, 'folder', 'file'],
  ]))
    for (const name of names) {
      const path = join(folder, name);
      const found = statSync(path, { throwIfNoEntry: false });
      if (found && found.isDirectory() !== (should === 'folder'))
        throw new Error(
          `${path} is a ${is}, and should be a ${should}. Nothing was changed. Move it away, and put the ${should} back from a backup if there was one.`,
        );
    }
}

/**
 * One sentence about a data folder that cannot be used; other errors stay as they are.
 *
 * @param {unknown} error @param {string} folder @returns {unknown}
 */
export function folderTrouble(error, folder) {
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  const [why, todo] = WHY[/** @type {keyof typeof WHY} */ (code)] ?? [];
  if (why === undefined) return error;
  return new Error(`The data folder ${folder} cannot be used: ${why}. Nothing in it was changed. ${todo}`);
}

/** What PostgreSQL’s programs say of a start that failed. @type {readonly (readonly [RegExp, string])[]} */
const SAID = [
  [/No space left on device|disk quota exceeded/i, 'ENOSPC'],
  [/Read-only file system/i, 'EROFS'],
  [/wrong ownership|Permission denied/i, 'EACCES'],
];

/**
 * What a program of PostgreSQL said when it failed, as one sentence.
 *
 * @param {string} said @param {string} folder @param {string} what it was to do
 */
export function programTrouble(said, folder, what) {
  const code = SAID.find(([pattern]) => pattern.test(said))?.[1];
  if (code) return folderTrouble(Object.assign(new Error(), { code }), folder);
  const line =
    said.split('\n').find((l) => /FATAL|PANIC|ERROR|error:/.test(l)) ?? said.trim().split('\n').at(-1) ?? '';
  return new Error(
    `${what} in ${folder}: ${line.replace(/^.*?(FATAL|PANIC|ERROR|error):\s*/, '').trim()}. Nothing in it was changed. All it said stands in database.log beside it.`,
  );
}
