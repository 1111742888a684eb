import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { reachableFolder, startCluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';
import { startStandins } from './lib/standins.mjs';
import { supervise } from './lib/supervise.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'server/build.mjs',
  'standins/src',
  'web/src',
  'web/angular.json',
  'web/public',
  'examples',
  'package-lock.json',
];
const PAGE = join(ROOT, 'web/dist/browser');
const SERVER = join(ROOT, 'server/dist/main.js');
const STANDIN = join(ROOT, 'standins/dist/bench.js');
const STAMP = join(ROOT, 'server/dist/built');

/**
 * Newest time anything under this place was written.
 *
 * @param {string} path @returns {number}
 */
function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((max, name) => Math.max(max, newest(join(path, name))), 0);
}

function buildIfNeeded() {
  const sources = Math.max(
    ...SOURCES.map((s) => join(ROOT, s))
      .filter(existsSync)
      .map(newest),
  );
  const built = [STAMP, PAGE, SERVER, STANDIN].every((path) => existsSync(path))
    ? Number(readFileSync(STAMP, 'utf8'))
    : 0;
  if (built >= sources) return;
  say('Building (about half a minute)');
  const result = spawnSync('npm', ['run', '-s', 'build'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  if (result.status !== 0) throw new Error('The build failed; see above.');
  writeFileSync(STAMP, String(sources));
}

/** Where this application keeps what is its own. */
const dataFolder = () => process.env.INTERVEX_DATA_DIR ?? join(ROOT, '.intervex');

/** Starts the database, or uses the one the environment names. */
async function database() {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, alive: () => true, stop: async () => undefined, restart: undefined };
  const wanted = dataFolder();
  const { folder, moved } = reachableFolder(wanted);
  if (moved) say(`The database’s user cannot reach ${wanted}; its data is kept in ${folder} instead.`);
  return startCluster(wanted);
}

async function waitFor(/** @type {string} */ url) {
  for (let i = 0; i < 300; i += 1) {
    const answer = await fetch(`${url}/api/health`).catch(() => undefined);
    if (answer?.ok) return;
    await sleep(100);
  }
  throw new Error('The server does not answer.');
}

async function main() {
  ensurePackages(process.env.DATABASE_URL ? [] : ['database']);
  ensureNpmPackages();
  buildIfNeeded();
  const port = process.env.PORT ?? '4300';
  let cluster = await database();
  const revive = async () => {
    if (!cluster.alive() && cluster.restart) cluster = await cluster.restart();
  };
  let ending = false;
  const end = async (/** @type {number} */ code) => {
    if (ending) return;
    ending = true;
    clearInterval(watch);
    await server.stop();
    await standins.stop();
    await cluster.stop();
    process.exit(code);
  };
  const standins = await startStandins(Number(port), {
    ...process.env,
    INTERVEX_DATA_DIR: dataFolder(),
    NODE_ENV: 'production',
  });
  const env = {
    ...process.env,
    ...standins.addresses,
    PORT: port,
    DATABASE_URL: cluster.url,
    INTERVEX_WEB_ROOT: PAGE,
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    NODE_ENV: 'production',
  };
  const server = supervise(SERVER, {
    env,
    before: revive,
    onGiveUp: (message) => {
      say(`The server does not stay up. ${message} Is port ${port} taken? Set PORT to another.`);
      void end(1);
    },
  });
  let reviving = false;
  const watch = setInterval(() => {
    if (reviving || cluster.alive() || ending) return;
    reviving = true;
    say('The database went away; starting it again.');
    void revive().finally(() => (reviving = false));
  }, 1000);
  process.on('SIGINT', () => void end(0));
  process.on('SIGTERM', () => void end(0));
  await waitFor(`http://127.0.0.1:${port}`);
  say(`Intervex is ready: http://127.0.0.1:${port}`);
  for (const { what, url } of standins.pages) say(`${what}, simulated, to be set by hand: ${url}`);
  say('Ctrl-C stops it and all it started. Your plans stay.');
}

main().catch((error) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
