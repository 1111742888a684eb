import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { ROOT } from './lib/paths.mjs';

// Prints figures as JSON, each beside a yardstick measured in the same run. What is measured is bundled as the
// server is, so that it runs as it ships.
ensurePackages(['database', 'browser']);
ensureNpmPackages();
const { build } = await import('esbuild');
const outfile = join(ROOT, 'tools/dist/bench.mjs');
await build({
  entryPoints: [join(ROOT, 'tools/bench/main.ts')],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: ['@playwright/test', 'joi', 'pg', 'express', 'get-port'],
  logLevel: 'warning',
});
const { status } = spawnSync(process.execPath, [outfile], {
  cwd: ROOT,
  stdio: ['ignore', 'inherit', 'inherit'],
});
process.exitCode = status ?? 1;
