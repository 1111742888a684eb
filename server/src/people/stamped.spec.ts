import type { Plan } from '@intervex/core';
import { readFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { startUpstream, type Upstream } from '../testing/upstream';
import { Visitor } from '../testing/visitor';
import { MATRIX } from './matrix';

const ADDRESS = Object.values(networkInterfaces())
  .flat()
  .find((found) => found?.family === 'IPv4' && !found.internal)?.address;
const PASSWORD = 'five lug pattern';
/** The name that everything is sent with, and that nobody has. */
const OTHER = 'Somebody else';
const tern = readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8');

let h: Harness;
let maker: Upstream;
let birk: Visitor;
beforeAll(async () => {
  maker = await startUpstream();
  maker.answer = (request, response) => {
    request.resume();
    const quote = { number: 'WQ-7', price: 481, leadDays: 15, note: '' };
    const state = { number: 'WQ-7', state: request.method === 'POST' ? 'paid' : 'shipped', note: '' };
    const answer = (request.url ?? '').startsWith('/quotes') ? quote : state;
    response.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify(answer));
  };
  h = await startHarness(undefined, { maker: maker.url });
  await h.call('PUT', '/api/share', { on: true, address: ADDRESS, tls: 'own', owner: 'Ansa' });
  await h.call('POST', '/api/people', { name: 'Birk', role: 'builder', password: PASSWORD });
  birk = new Visitor(h.workshop.url);
  expect((await birk.call('POST', '/api/login', { name: 'Birk', password: PASSWORD })).status).toBe(204);
});
afterAll(async () => {
  await h.close();
  await maker.close();
});

/** Every table, and how many of its rows hold a text. */
async function rowsWith(text: string): Promise<Readonly<Record<string, number>>> {
  const { rows } = await h.pool.query<{ name: string }>(
    "select table_name as name from information_schema.tables where table_schema = 'public'",
  );
  const found: Record<string, number> = {};
  for (const { name } of rows) {
    const { rows: counted } = await h.pool.query<{ n: number }>(
      `select count(*)::int as n from "${name}" as t where t::text like $1`,
      [`%${text}%`],
    );
    if (counted[0]?.n) found[name] = counted[0].n;
  }
  return found;
}

/** The plan with one more reading, whose reader is said to be another. */
const withReading = (plan: Plan, value: number): Plan => ({
  ...plan,
  readings: {
    ...plan.readings,
    'cut.kerf': { repeats: [{ value, who: OTHER }], instrument: 'caliper' },
  },
});

const done = new Set<string>();
/** Sends something at a route, in another’s name, and expects that it is taken. */
async function send(route: keyof typeof MATRIX, path: string, body: unknown, headers?: Record<string, string>) {
  const answer = await birk.call(route.slice(0, route.indexOf(' ')), path, body, headers);
  expect([route, answer.status, answer.text.slice(0, 200)]).toEqual([
    route,
    expect.toBeOneOf([200, 201, 204]),
    expect.anything(),
  ]);
  done.add(route);
  return answer.json;
}

/** Routes that write no name, or only that of a person whom the owner names. */
const NAMELESS =
  /\/(login|pair|guest|logout|share|people|devices|sessions|guests|backups|restore|removed|practice|shaft-pairs|drawings|instruments)\b/;

describe('who stands beside what is written', () => {
  it('is whoever was logged in, at every route that writes, whatever was sent', async () => {
    const who = OTHER;
    const made = await send('POST /projects', '/api/projects', { name: 'Penn Hauler', variant: 'A', who });
    const file = JSON.parse(tern) as { plan: Plan };
    const brought = await send('POST /plan-files', `/api/plan-files?who=${encodeURIComponent(who)}`, file);
    const id = brought.id as string;
    const now = async () =>
      (await birk.call('GET', `/api/variants/${id}`)).json as { revision: number; plan: Plan };
    const on = `/api/variants/${id}`;
    await send('POST /variants', '/api/variants', { name: 'B', copyOf: made.id, who });
    const { revision, plan } = await now();
    await send('PUT /variants/:id/plan', `${on}/plan`, {
      baseRevision: revision,
      plan: withReading(plan, 2.1),
      who,
    });
    await send('POST /variants/:id/undo', `${on}/undo`, { baseRevision: revision + 1, who });
    await send('POST /variants/:id/redo', `${on}/redo`, { baseRevision: revision + 2, who });
    await send('POST /variants/:id/restore', `${on}/restore`, { baseRevision: revision + 3, revision, who });
    const table = await birk.call('GET', `${on}/readings.csv`);
    const csv = { 'content-type': 'text/csv' };
    await send(
      'POST /variants/:id/readings.csv',
      `${on}/readings.csv?who=${encodeURIComponent(who)}`,
      Buffer.from(table.text.replaceAll('Ansa', OTHER)),
      csv,
    );
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#aa5500' } })
      .png()
      .toBuffer();
    await send('POST /photos', `/api/photos?who=${encodeURIComponent(who)}`, picture, {
      'content-type': 'image/png',
    });
    await send('PATCH /projects/:id', `/api/projects/${brought.projectId as string}`, { name: 'Hauler' });
    await send('PATCH /variants/:id', on, { name: 'Again' });
    const order = (await send('POST /variants/:id/orders', `${on}/orders`, { who })).id as string;
    await send('POST /orders/:id/pay', `/api/orders/${order}/pay`, { who, again: true });
    await send('POST /orders/:id/look', `/api/orders/${order}/look`, { who });
    const shafts = [
      { side: 'left', length: 684.4, journal: 35.01 },
      { side: 'right', length: 690.2 },
    ];
    await send('POST /orders/:id/receive', `/api/orders/${order}/receive`, { who, shafts });
    await send('POST /orders/:id/settle', `/api/orders/${order}/settle`, {
      who,
      decision: 'accept',
      reason: 'Seen on the bench.',
    });
    expect(await rowsWith(OTHER)).toEqual({});
    expect(Object.keys(await rowsWith('Birk')).sort()).toEqual(
      expect.arrayContaining(['audit', 'order_events', 'photos', 'plan_revisions']),
    );
    const writes = Object.keys(MATRIX).filter((key) => !/^(GET|DELETE) /.test(key) && !NAMELESS.test(key));
    expect(writes.filter((key) => !done.has(key))).toEqual([]);
  });
});
