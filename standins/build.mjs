import { build } from 'esbuild';
import { existsSync, readdirSync } from 'node:fs';

// Each stand-in is one file, named by its folder; packages stay outside.
const ids = readdirSync('src').filter((id) => existsSync(`src/${id}/standin.json`));
await build({
  entryPoints: Object.fromEntries(ids.map((id) => [id, `src/${id}/main.ts`])),
  outdir: 'dist',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external: ['express', 'http-terminator', 'joi'],
  loader: { '.html': 'text' },
  logLevel: 'warning',
});
