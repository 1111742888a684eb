import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { lookOver, reachableFolder, startCluster } from './cluster.mjs';
import { ensurePackages } from './debian-packages.mjs';
import { lockFolder } from './folder-lock.mjs';
import { folderTrouble } from './folder-trouble.mjs';
import { healthOf } from './health.mjs';
import { keepAlive } from './keep-alive.mjs';
import { ensureNode } from './node-version.mjs';
import { ensureNpmPackages } from './npm-packages.mjs';
import { dataFolder, ROOT } from './paths.mjs';
import { say } from './say.mjs';
import { startStandins } from './standins.mjs';

/** So many looks, a tenth of a second each, until it is said again what is waited for. */
const SAY_EVERY = 150;

/**
 * What a command that keeps the application running works with.
 *
 * @typedef {{
 *   port: string,
 *   address: string,
 *   instance: string,
 *   started: (() => Promise<unknown>)[],
 *   end: (code: number) => Promise<void>,
 *   ending: () => boolean,
 *   signal: AbortSignal,
 * }} Running what was started is stopped in the opposite order
 */

/** Starts the database, or uses the one the environment names. */
async function database(/** @type {AbortSignal} */ signal) {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, alive: () => true, stop: async () => undefined, restart: undefined };
  return startCluster(dataFolder(), { signal });
}

/**
 * Starts what the server stands on, database and stand-ins, and keeps them running.
 *
 * @param {Running} of
 * @returns what keeps the database up, the stand-ins, and the server’s environment
 */
export async function startBelow({ port, instance, started, ending, signal }) {
  const starting = database(signal);
  // One that is given up while it starts is ended too before all this ends.
  started.push(() => starting.then((made) => made.stop()).catch(() => undefined));
  const first = await starting;
  const cluster = keepAlive(first, ending);
  started.push(() => cluster.stop());
  const standins = await startStandins(Number(port), {
    ...process.env,
    INTERVEX_DATA_DIR: dataFolder(),
    NODE_ENV: 'production',
  });
  started.push(() => standins.stop());
  const watch = setInterval(() => void cluster.revive(), 1000);
  started.push(async () => clearInterval(watch));
  const env = {
    ...process.env,
    ...standins.addresses,
    PORT: port,
    DATABASE_URL: first.url,
    INTERVEX_INSTANCE: instance,
    INTERVEX_DATA_DIR: dataFolder(),
    NODE_ENV: 'production',
  };
  return { cluster, standins, env };
}

/**
 * Waits until it is this server that answers, and not another on its port; however long it takes, as long as it is not given
 * up.
 *
 * @param {string} url @param {string} instance @param {() => boolean} ending
 */
export async function waitFor(url, instance, ending) {
  for (let i = 1; !ending(); i += 1) {
    const health = await healthOf(url);
    if (health?.instance === instance) return;
    // Ours, while its database is away, cannot say which it is.
    if (health !== undefined && !health.away)
      throw new Error(`Something else answers at ${url}. Stop it, or set PORT to another port.`);
    if (i % SAY_EVERY === 0) say('The server is still starting. Waiting for it.');
    await sleep(100);
  }
}

/** Takes the folder, or says who has it; the process that has it is left alone. */
async function takeFolder(/** @type {string} */ instance, /** @type {string} */ address) {
  const wanted = dataFolder();
  const { folder, moved } = reachableFolder(wanted);
  if (moved) say(`The database’s user cannot reach ${wanted}; its data is kept in ${folder} instead.`);
  const lock = locked(folder, { instance, address });
  if ('release' in lock) return lock.release;
  const { pid, address: there, instance: theirs } = lock.holder;
  const up = (await healthOf(there))?.instance === theirs;
  say(
    up
      ? `Intervex is running already: ${there} (process ${pid}). Nothing was started.`
      : `Intervex is being started or stopped by process ${pid}; it answers at ${there} once it is up. Nothing was started.`,
  );
  return undefined;
}

/** Takes the lock, or says why the folder cannot be used. @param {string} folder @param {{ instance: string, address: string }} as */
function locked(folder, as) {
  try {
    return lockFolder(folder, as);
  } catch (error) {
    throw folderTrouble(error, folder);
  }
}

/** Looks whether the database that was given can be used, before anything is built. It says itself why not. */
function checkDatabase() {
  const args = ['--import', 'tsx', join(ROOT, 'server/src/db/check.ts')];
  const { status, stderr } = spawnSync(process.execPath, args, { cwd: ROOT, encoding: 'utf8' });
  if (status !== 0) throw new Error(stderr.trim().split('\n').at(-1));
}

/**
 * Runs the application on a data folder that nobody else has, until somebody stops it: says what is in the way, stops in
 * order all that was started.
 *
 * @param {string} port
 * @param {() => void} prepare what is built before anything starts
 * @param {(of: Running) => Promise<void>} run
 */
export async function runUntilStopped(port, prepare, run) {
  ensureNode();
  const address = `http://127.0.0.1:${port}`;
  const instance = process.env.INTERVEX_INSTANCE ?? randomUUID();
  const release = await takeFolder(instance, address);
  if (!release) return;
  /** @type {Running['started']} */
  const started = [];
  let ending = false;
  const given = new AbortController();
  const end = async (/** @type {number} */ code) => {
    if (ending) return;
    ending = true;
    given.abort(new Error('The start was given up.'));
    for (const stop of started.reverse()) await stop();
    release();
    process.exit(code);
  };
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  try {
    if ((await healthOf(address)) !== undefined)
      throw new Error(`Something else answers at ${address}. Stop it, or set PORT to another port.`);
    ensurePackages(process.env.DATABASE_URL ? [] : ['database']);
    ensureNpmPackages();
    // What is in the way is said before anything is built.
    if (process.env.DATABASE_URL) checkDatabase();
    else lookOver(dataFolder());
    prepare();
    await run({ port, address, instance, started, end, ending: () => ending, signal: given.signal });
  } catch (error) {
    if (ending) return;
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    await end(1);
  }
}
