import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { counterApp } from './app';
import { catalogue, SHAFT_COUNT } from './catalogue';
import type { Part } from './part';

const parts = catalogue();
let server: Server;
let url = '';
interface Answer {
  readonly total: number;
  readonly offers: readonly Part[];
}
const ask = async (query: string) => (await (await fetch(`${url}/parts?${query}`)).json()) as Answer;
const mode = (change: object) =>
  fetch(`${url}/modes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(change),
  });

beforeAll(async () => {
  server = createServer(counterApp(parts, ''));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

describe('the parts counter', () => {
  it('has the same parts at every start, each under a number of its own', () => {
    expect(catalogue()).toEqual(parts);
    expect(new Set(parts.map((p) => p.number)).size).toBe(parts.length);
    expect(parts.filter((p) => p.kind === 'shaft')).toHaveLength(SHAFT_COUNT);
  });

  it('finds parts by kind and dimensions, and says how many it looked through', async () => {
    const answer = await ask('kind=bearing&bore=35&outside=72&within=0.5');
    expect(answer.total).toBeGreaterThan(answer.offers.length);
    expect(answer.offers.length).toBeGreaterThan(0);
    for (const { size } of answer.offers) expect([size['bore'], size['outside']]).toEqual([35, 72]);
  });

  it('has no bearing that goes from a journal of 38.1 to a bore of 72', async () => {
    const { offers } = await ask('kind=bearing&bore=38.1&within=0.5');
    expect(offers.length).toBeGreaterThan(0);
    expect(offers.some((p) => (p.size['outside'] ?? 0) <= 72)).toBe(false);
  });

  it('has springs that can be wound: of spring steel, as stiff as they say, with a way to go', async () => {
    const { offers } = await ask('kind=spring');
    expect(offers.length).toBeGreaterThan(200);
    for (const { size } of offers) {
      const { rate = 0, free = 0, inside = 0, solid = 0, wire = 0 } = size;
      // As many coils as the solid length holds, less those that lie dead at the ends.
      const coils = solid / wire - 1.75;
      const stiff = (79_300 * wire ** 4) / (8 * (inside + wire) ** 3 * coils);
      expect(Math.abs(stiff / rate - 1)).toBeLessThan(0.01);
      expect(solid).toBeLessThanOrEqual(0.6 * free);
    }
  });

  it('can be out of stock, down, or slow', async () => {
    await mode({ outOfStock: true });
    expect((await ask('kind=seal')).offers.every((p) => p.stock === 0)).toBe(true);
    await mode({ outOfStock: false, failing: true });
    expect((await fetch(`${url}/parts?kind=seal`)).status).toBe(503);
    await mode({ failing: false, slowMs: 120 });
    const began = performance.now();
    await ask('kind=stud');
    expect(performance.now() - began).toBeGreaterThanOrEqual(115);
    await mode({ slowMs: 0 });
  });

  it('refuses kinds and dimensions it does not know', async () => {
    const answer = await fetch(`${url}/parts?kind=wing&bore=wide`);
    expect(answer.status).toBe(400);
    expect(JSON.stringify(await answer.json())).toMatch(/kind.*bore/s);
  });
});
