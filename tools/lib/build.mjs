import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { say } from './say.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'server/build.mjs',
  'server/build-options.mjs',
  'standins/src',
  'web/src',
  'web/angular.json',
  'web/public',
  'examples',
  'package-lock.json',
];
export const PAGE = join(ROOT, 'web/dist/browser');
export const SERVER = join(ROOT, 'server/dist/main.js');
export const DATA = join(ROOT, 'server/dist/data.js');
const STANDIN = join(ROOT, 'standins/dist/bench.js');
const STAMP = join(ROOT, 'server/dist/built');

/**
 * Newest time anything under this place was written.
 *
 * @param {string} path @returns {number}
 */
function newest(path) {
  // What an editor put there for a moment may be gone by now.
  const stat = statSync(path, { throwIfNoEntry: false });
  if (!stat) return 0;
  if (!stat.isDirectory()) return stat.mtimeMs;
  return readdirSync(path).reduce((max, name) => Math.max(max, newest(join(path, name))), 0);
}

/** Builds the stand-ins where they were not built yet. */
export function buildStandins() {
  if (existsSync(STANDIN)) return;
  const result = spawnSync('npm', ['run', '-s', 'build', '-w', 'standins'], { cwd: ROOT, stdio: 'inherit' });
  if (result.status !== 0) throw new Error('The build of the stand-ins failed; see above.');
}

/** Builds page, server and stand-ins where a source is newer than what was built. */
export function buildIfNeeded() {
  const sources = Math.max(
    ...SOURCES.map((s) => join(ROOT, s))
      .filter(existsSync)
      .map(newest),
  );
  const built = [STAMP, PAGE, SERVER, DATA, STANDIN].every((path) => existsSync(path))
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
