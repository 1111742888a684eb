import express from 'express';
import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { sendList } from './send-list';

let server: Server;
let failed = 0;
const url = () => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

beforeAll(async () => {
  const app = express();
  app.get('/:count', async (request, response) => {
    const entries = Array.from({ length: Number(request.params.count) }, (_, n) =>
      JSON.stringify({ n, text: 'å'.repeat(30_000) }),
    );
    await sendList(response, entries).catch(() => (failed += 1));
  });
  server = createServer(app);
  await new Promise<void>((on) => server.listen(0, '127.0.0.1', on));
});
afterAll(() => new Promise((done) => server.close(done)));

it.each([0, 1, 37])('a list of %i comes as it is', async (count) => {
  const answer = await fetch(`${url()}/${count}`);
  expect(answer.headers.get('content-type')).toContain('application/json');
  const list = (await answer.json()) as { n: number; text: string }[];
  expect(list.map(({ n }) => n)).toEqual(Array.from({ length: count }, (_, n) => n));
  expect(list.every(({ text }) => text.length === 30_000)).toBe(true);
});

it('whoever hangs up in the middle is no failure', async () => {
  await new Promise<void>((done) => {
    const asked = get(`${url()}/900`, (answer) => {
      answer.once('data', () => asked.destroy());
      answer.once('close', done);
    });
    asked.on('error', () => undefined);
  });
  expect((await fetch(`${url()}/1`)).status).toBe(200);
  expect(failed).toBe(0);
});
