import { fileURLToPath } from 'node:url';

/**
 * Own code bundled; packages stay outside, since some read their own data files.
 *
 * @type {import('esbuild').BuildOptions}
 */
export const OPTIONS = {
  absWorkingDir: fileURLToPath(new URL('.', import.meta.url)),
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
    'content-disposition',
    'http-terminator',
    'piscina',
    'qrcode',
    'selfsigned',
    'express-session',
    'connect-pg-simple',
    'rate-limiter-flexible',
    'pg-copy-streams',
    'tar-stream',
    '@expo-google-fonts/*',
    '@fontsource/*',
    'dejavu-fonts-ttf',
    'fontkit',
    'cookie',
  ],
  logLevel: 'warning',
};
