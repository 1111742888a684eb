import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { minify } from 'terser';
import { ROOT } from './lib/paths.mjs';

/** Smaller files are not worth a second one. */
const LEAST_BYTES = 1000;
const PAGE = join(ROOT, 'web/dist/browser');

/**
 * Scripts as short as they get: each is a module of its own, whose inner names nobody sees.
 *
 * @type {import('terser').MinifyOptions}
 */
const SHORT = { module: true, ecma: 2022, compress: { passes: 3 }, format: { comments: false } };

// Once at the build as small as it gets, so that no server does it over and over and less well.
for (const file of readdirSync(PAGE, { recursive: true, encoding: 'utf8' })) {
  if (!/\.(js|css|svg)$/.test(file)) continue;
  if (file.endsWith('.js')) {
    const { code = '' } = await minify(readFileSync(join(PAGE, file), 'utf8'), SHORT);
    writeFileSync(join(PAGE, file), code);
  }
  const bytes = readFileSync(join(PAGE, file));
  if (bytes.length < LEAST_BYTES) continue;
  const packed = brotliCompressSync(bytes, {
    params: {
      [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    },
  });
  writeFileSync(join(PAGE, `${file}.br`), packed);
}
