import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { Others, waitsOf } from './others';

let server: Server;
/** As long the server keeps everybody waiting, ms, once. */
let holds = 0;
let status = 200;
beforeAll(async () => {
  server = createServer((_, response) => {
    const end = performance.now() + holds;
    holds = 0;
    while (performance.now() < end);
    response.writeHead(status).end('here');
  });
  await new Promise<void>((on) => server.listen(0, '127.0.0.1', on));
});
afterAll(() => new Promise((done) => server.close(done)));

it('waits are told by median, 95 of 100 and longest, and what was not answered well is counted', () => {
  const ms = [9, 1, 2, 3, 4.06, 5, 6, 7, 8, 40];
  const answers = ms.map((one, i) => ({ status: i === 0 ? 503 : i === 3 ? 0 : 200, ms: one }));
  expect(waitsOf(answers)).toEqual({ asked: 10, medianMs: 6, p95Ms: 40, longestMs: 40, refused: 2 });
  expect(waitsOf([])).toEqual({ asked: 0, medianMs: 0, p95Ms: 0, longestMs: 0, refused: 0 });
});

it('a wait is told to what caused it, although the answer comes later', async () => {
  const others = await Others.at([`http://127.0.0.1:${(server.address() as AddressInfo).port}/`], 1);
  try {
    const held = await others.during(async () => {
      holds = 300;
      await sleep(20);
    });
    expect(held.longestMs).toBeGreaterThan(250);
    status = 500;
    await sleep(50);
    const refused = await others.during(() => sleep(50));
    expect([refused.refused > 0, refused.refused]).toEqual([true, refused.asked]);
  } finally {
    others.end();
  }
  await expect(others.seen()).rejects.toThrow();
});
