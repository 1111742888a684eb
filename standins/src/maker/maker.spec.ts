import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makerApp } from './app';
import { Shop, type Order, type ShaftLine } from './shop';

let server: Server;
let url = '';
let book: readonly Order[] = [];
const shop = new Shop({
  read: () => [],
  write: (orders) => {
    book = orders;
  },
});
const post = async (path: string, value: unknown = {}) => {
  const response = await fetch(`${url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(value),
  });
  return { status: response.status, json: (await response.json()) as Record<string, unknown> };
};
const line = (side: 'left' | 'right', length: number, more: Partial<ShaftLine> = {}): ShaftLine => ({
  side,
  length,
  spline: '31/24',
  material: 'plain carbon, induction-hardened',
  journal: 35.01,
  ...more,
});
const quote = async (...lines: ShaftLine[]) => post('/quotes', { lines, flange: {}, lacks: [] });

beforeAll(async () => {
  server = createServer(makerApp(shop, ''));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

describe('the shaft maker', () => {
  it('quotes by length and steel, in days by how many', async () => {
    const { json } = await quote(line('left', 684.5), line('right', 684, { material: 'ultra-high-strength' }));
    // 165 + 75.3 and 165 + 75.24 + 140, each rounded.
    expect(json).toMatchObject({ price: 240 + 380, leadDays: 15 });
    expect(json['number']).toMatch(/^WQ-\d+$/);
  });

  it.each([
    [line('left', 1400), 'is not between 250 and 1150 mm'],
    [line('right', 684, { spline: '27/24' }), 'no cutter for 27/24'],
    [line('right', 684, { spline: '' }), 'a spline without a size'],
  ])('will not make %o', async (wanted, words) => {
    const { status, json } = await quote(wanted);
    expect(status).toBe(422);
    expect(json['message']).toContain(words);
  });

  it('refuses what is no order by field', async () => {
    expect((await post('/quotes', { lines: [{ side: 'middle' }] })).status).toBe(400);
    expect((await quote()).json['message']).toContain('no shaft');
    expect((await post('/orders', { number: 'WQ-1', key: 'a1' })).status).toBe(404);
  });

  it('moves an order on, may be late, and keeps what is in the parcel to itself', async () => {
    const { number } = (await quote(line('left', 684.5))).json;
    const state = async () => ((await (await fetch(`${url}/orders/${String(number)}`)).json()) as Order).state;
    expect((await post('/orders', { number, key: 'a2' })).json).toEqual({
      number,
      state: 'paid',
      note: 'Paid; in the queue.',
    });
    await post(`/shop/orders/${String(number)}/advance`);
    expect(await state()).toBe('cutting');
    await post(`/shop/orders/${String(number)}/late`, { days: 10 });
    expect(await state()).toBe('late');
    await post(`/shop/orders/${String(number)}/advance`);
    expect(await state()).toBe('shipped');
    expect(await (await fetch(`${url}/orders/${String(number)}`)).json()).not.toHaveProperty('made');
  });

  it('makes a shaft wrong when told, and right when it comes back', async () => {
    const { number } = (await quote(line('left', 684.5), line('right', 684))).json;
    const spoiled = await post(`/shop/orders/${String(number)}/spoil`, { side: 'left', by: -12 });
    expect((spoiled.json['made'] as { length: number }[]).map((m) => m.length)).toEqual([672.65, 683.9]);
    const back = await post(`/orders/${String(number)}/return`, { reason: 'short' });
    expect(back.json['state']).toBe('cutting');
    expect(shop.find(String(number))?.made[0]?.length).toBe(684.65);
  });

  it('forgets no order over a restart', async () => {
    const { number } = (await quote(line('left', 684.5))).json;
    const again = new Shop({ read: () => book, write: () => undefined });
    expect(again.find(String(number))?.lines[0]?.length).toBe(684.5);
    expect(again.quote([line('left', 700)]).number).not.toBe(number);
  });

  it('behaves badly when told to', async () => {
    await post('/modes', { nonsense: true });
    expect((await quote(line('left', 684.5))).json).toEqual({ number: 7, price: 'soon' });
    await post('/modes', { nonsense: false, failing: true });
    expect((await quote(line('left', 684.5))).status).toBe(503);
    await post('/modes', { failing: false });
    expect((await post('/modes', { slowMs: -1 })).status).toBe(400);
  });
});
