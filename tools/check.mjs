import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

/** What was looked at before and has not changed since is not looked at again. */
const CACHE = 'node_modules/.cache/check';
const PROJECTS = ['contract', 'server', 'tools', 'e2e', 'web/tsconfig.app.json', 'web/tsconfig.spec.json'];
const ROOMS = ['core/src', 'contract/src', 'server/src', 'standins/src', 'web/src', 'tools'];

const types = PROJECTS.map((project) => {
  const known = join(CACHE, `${project.replaceAll('/', '-')}.tsbuildinfo`);
  return [`Types of ${project}`, 'tsc', '-p', project, '--noEmit', '--incremental', '--tsBuildInfoFile', known];
});
const LINT = ['Lint', 'eslint', '.', '--max-warnings', '0', '--cache', '--cache-location', `${CACHE}/eslint/`];
const ARROWS = ['Arrows between rooms', 'depcruise', ...ROOMS, '--config', '.dependency-cruiser.cjs'];

/** Runs one check, and shows what it says where it is not in order. @param {readonly string[]} of @returns {Promise<boolean>} */
function inOrder([name = '', ...args]) {
  const began = Date.now();
  const child = spawn('npx', args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (/** @type {Buffer} */ part) => (said += part));
  return new Promise((done) => {
    child.once('close', (code) => {
      const seconds = Math.round((Date.now() - began) / 1000);
      say(
        `${code === 0 ? 'ok    ' : 'FAILED'} ${name}, ${seconds} s${code === 0 ? '' : `\n${said.trimEnd()}`}`,
      );
      done(code === 0);
    });
  });
}

/** One after the other. @param {readonly (readonly string[])[]} checks */
async function allOf(checks) {
  let well = true;
  for (const check of checks) well = (await inOrder(check)) && well;
  return well;
}

// Two at a time: each needs one processor.
const well = await Promise.all([allOf(types), allOf([LINT, ARROWS])]);
process.exitCode = well.every(Boolean) ? 0 : 1;
