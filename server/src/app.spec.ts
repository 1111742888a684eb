import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync } from 'node:zlib';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from './app';
import type { Pool } from './db/pool';
import type { Backups } from './backup/backups';
import type { Workshop } from './share/workshop';
import type { WorkPool } from './work/pool';

const SCRIPT = `export const width = ${'1402.4 + '.repeat(400)}0;`;
const HASHED = 'chunk-AB12CD34.js';
const SMALL = ['chunk-6iPJf1bZ.js', 'chunk-B_gCP0YK.js', 'chunk-Bx-9tq0w.js', 'styles-hpb7l3w4.css'];
let root: string;
let server: Server;

beforeAll(async () => {
  root = mkdtempSync(join(tmpdir(), 'intervex-page-'));
  writeFileSync(join(root, 'index.html'), '<h1>Intervex</h1>');
  writeFileSync(join(root, 'plain.js'), 'export {};');
  for (const name of SMALL) writeFileSync(join(root, name), 'export {};');
  writeFileSync(join(root, HASHED), SCRIPT);
  writeFileSync(join(root, `${HASHED}.br`), brotliCompressSync(SCRIPT));
  // The page alone: nothing here asks the database.
  const app = createApp({
    pool: {} as Pool,
    log: pino({ enabled: false }),
    webRoot: root,
    work: {} as WorkPool,
    workshop: {} as Workshop,
    backups: {} as Backups,
    migrations: '',
  });
  await new Promise<void>((listening) => {
    server = app.listen(0, '127.0.0.1', () => {
      listening();
    });
  });
});
afterAll(async () => {
  await new Promise((closed) => server.close(closed));
  rmSync(root, { recursive: true });
});

/** An answer as it came over the wire, still packed. */
async function ask(path: string, encoding = 'identity'): Promise<{ message: IncomingMessage; body: Buffer }> {
  const { port } = server.address() as AddressInfo;
  const message = await new Promise<IncomingMessage>((resolve, reject) => {
    get({ port, path, headers: { 'accept-encoding': encoding } }, resolve).on('error', reject);
  });
  const chunks: Buffer[] = [];
  for await (const chunk of message) chunks.push(chunk as Buffer);
  return { message, body: Buffer.concat(chunks) };
}

describe('the built page', () => {
  it('goes out as the build compressed it, to be kept for long', async () => {
    const { message, body } = await ask(`/${HASHED}`, 'gzip, br');
    expect(message.headers).toMatchObject({
      'content-encoding': 'br',
      'content-type': expect.stringContaining('javascript'),
      'cache-control': expect.stringContaining('immutable'),
    });
    expect(body.equals(brotliCompressSync(SCRIPT))).toBe(true);
    expect(brotliDecompressSync(body).toString()).toBe(SCRIPT);
  });

  it('goes out plain to whoever cannot unpack it', async () => {
    const { message, body } = await ask(`/${HASHED}`);
    expect(message.headers['content-encoding']).toBeUndefined();
    expect(body.toString()).toBe(SCRIPT);
  });

  it('is asked for again where a name does not change with its content', async () => {
    expect((await ask('/plain.js')).message.headers['cache-control']).toBe('no-cache');
    // A hash may have small letters, lines and dashes.
    for (const name of SMALL)
      expect([name, (await ask(`/${name}`)).message.headers['cache-control']]).toEqual([
        name,
        expect.stringContaining('immutable'),
      ]);
    const page = await ask('/plan/7/cut', 'br');
    expect(page.message.headers['cache-control']).toBe('no-cache');
    expect(page.body.toString()).toContain('Intervex');
  });

  it('has no file that is not there, and leaves its folder to nobody', async () => {
    const gone = await ask('/chunk-ZZ99ZZ99.js', 'br');
    expect(gone.message.statusCode).toBe(404);
    expect(JSON.parse(gone.body.toString())).toMatchObject({ error: 'notFound' });
    expect((await ask('/../package.json')).body.toString()).not.toContain('express');
  });
});
