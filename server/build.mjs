import { build } from 'esbuild';
import { OPTIONS } from './build-options.mjs';

// The process that answers, and the script of its workers.
await build({
  ...OPTIONS,
  entryPoints: { main: 'src/main.ts', worker: 'src/work/worker.ts', data: 'src/backup/command.ts' },
  outdir: 'dist',
  splitting: true,
  chunkNames: 'part-[hash]',
});
