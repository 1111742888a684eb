import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { randomUUID } from 'node:crypto';
import { buildIfNeeded, DATA } from './lib/build.mjs';
import { isRunning, reachableFolder, startCluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/debian-packages.mjs';
import { lockFolder } from './lib/folder-lock.mjs';
import { folderTrouble } from './lib/folder-trouble.mjs';
import { ensureNode } from './lib/node-version.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { dataFolder } from './lib/paths.mjs';

/**
 * `backup.mjs backup [FILE]` and `backup.mjs restore FILE [aside] [revive]`: everything into one file and back, whether the
 * application runs or not.
 */
const [what = '', file, ...said] = process.argv.slice(2);
ensureNode();

/** @returns {string} */
function wantedFile() {
  if (file) return resolve(file);
  if (what !== 'backup') throw new Error('Name the backup that is to be restored: npm run restore -- FILE');
  return resolve(`intervex-${new Date().toISOString().slice(0, 19).replaceAll(':', '')}.intervex-backup`);
}

/** Does it on a database. @returns {number} */
function work(/** @type {string} */ url, /** @type {string} */ name) {
  const env = { ...process.env, DATABASE_URL: url };
  return spawnSync(process.execPath, [DATA, what, name, ...said], { env, stdio: 'inherit' }).status ?? 1;
}

/** On the data folder, which nobody else may start meanwhile. @returns {Promise<number>} */
async function onFolder(/** @type {string} */ name) {
  const { folder } = reachableFolder(dataFolder());
  if (what === 'backup' && !existsSync(`${folder}/pg`))
    throw new Error(
      `There is no database in ${folder}. Nothing was written. Set INTERVEX_DATA_DIR to where it is.`,
    );
  const running = isRunning(folder);
  const lock = running ? undefined : taken(folder);
  try {
    const cluster = await startCluster(dataFolder());
    try {
      return work(cluster.url, name);
    } finally {
      if (!running) await cluster.stop();
    }
  } finally {
    lock?.();
  }
}

/** @returns {() => void} */
function taken(/** @type {string} */ folder) {
  try {
    const lock = lockFolder(folder, { instance: randomUUID(), address: '' });
    if ('release' in lock) return lock.release;
    throw new Error(
      `The folder ${folder} is being started or stopped by process ${lock.holder.pid}. Try again in a moment.`,
    );
  } catch (error) {
    throw folderTrouble(error, folder);
  }
}

try {
  const name = wantedFile();
  if (what === 'restore' && !existsSync(name))
    throw new Error(`There is no file ${name}. Nothing was changed.`);
  const given = process.env.DATABASE_URL;
  ensurePackages(given ? [] : ['database']);
  ensureNpmPackages();
  buildIfNeeded();
  process.exitCode = given ? work(given, name) : await onFolder(name);
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
}
