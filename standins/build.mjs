import { build } from 'esbuild';

// Each stand-in is one file; packages stay outside.
await build({
  entryPoints: {
    bench: 'src/bench/main.ts',
    'parts-counter': 'src/parts-counter/main.ts',
    'shaft-maker': 'src/shaft-maker/main.ts',
  },
  outdir: 'dist',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external: ['express', 'joi'],
  loader: { '.html': 'text' },
  logLevel: 'warning',
});
