import { build } from 'esbuild';

// Own code in one file; packages stay outside, since some read their own data files.
await build({
  entryPoints: ['src/main.ts'],
  outfile: 'dist/main.js',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  sourcemap: true,
  external: [
    'express',
    'express-static-gzip',
    'pg',
    'joi',
    'pino',
    'pino-http',
    'helmet',
    'compression',
    'pdfkit',
    'csv-stringify',
    'csv-parse',
    'rfc6902',
    'better-sse',
    'sharp',
    'file-type',
    'p-retry',
    'lru-cache',
    '@fontsource/*',
  ],
  logLevel: 'warning',
});
