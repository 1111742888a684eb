import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { ROOT } from './lib/paths.mjs';

// Prints figures as JSON, each beside a yardstick measured in the same run.
ensurePackages(['database', 'browser']);
ensureNpmPackages();
const file = join(ROOT, 'tools/bench/main.ts');
const { status } = spawnSync(process.execPath, ['--import', 'tsx', file], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit'],
});
process.exitCode = status ?? 1;
