import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gearSetApp } from './app';
import { GearSets, type KeptSet, type SeenSet, type Tried } from './gear-sets';

let server: Server;
let url = '';
let written: readonly KeptSet[] = [];
const book = { read: () => written, write: (all: readonly KeptSet[]) => (written = all) };

const ask = async (path: string, value?: unknown) => {
  const response = await fetch(`${url}${path}`, {
    ...(value === undefined
      ? {}
      : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(value) }),
  });
  return { status: response.status, json: (await response.json()) as Partial<SeenSet & Tried> };
};
const SHIMS = { pinionShim: 0.91, ringSide: 2.07, otherSide: 1.94 };

beforeAll(async () => {
  server = createServer(gearSetApp(new GearSets(book), ''));
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

describe('gear sets on the bench', () => {
  it('are begun, tried and opened; until then nobody sees what is right', async () => {
    const begun = await ask('/sets', { difficulty: 'usual' });
    expect(begun.status).toBe(201);
    const at = `/sets/${begun.json.id ?? ''}`;
    expect(begun.json).not.toHaveProperty('truth');
    const tried = await ask(`${at}/trials`, SHIMS);
    expect(tried.json.trials).toHaveLength(1);
    expect(tried.json.trials?.[0]).toMatchObject(SHIMS);
    expect(tried.json.trials?.[0]?.backlash).toHaveLength(4);
    expect(JSON.stringify(tried.json)).not.toContain('carrierGain');
    expect(await ask(`${at}/what-if`, SHIMS)).toMatchObject({
      status: 422,
      json: { message: 'Open the set first.' },
    });
    const opened = await ask(`${at}/open`, {});
    const { truth } = opened.json;
    if (!truth) throw new Error('It was not opened.');
    expect((await ask(`${at}/trials`, SHIMS)).status).toBe(422);
    const right = await ask(`${at}/what-if`, {
      pinionShim: truth.pinionShim,
      ringSide: truth.ringSide,
      otherSide: truth.otherSide,
    });
    const mean = (right.json.backlash ?? []).reduce((a, b) => a + b, 0) / 4;
    expect(mean).toBeGreaterThan(0.17);
    expect(mean).toBeLessThan(0.23);
  });

  it('outlive the bench: the same trials show the same', async () => {
    const { json } = await ask('/sets', { difficulty: 'hard' });
    const at = json.id ?? '';
    await ask(`/sets/${at}/trials`, SHIMS);
    const { json: before } = await ask(`/sets/${at}/trials`, { ...SHIMS, pinionShim: 0.99 });
    expect(new GearSets(book).find(at)).toEqual(before);
  });

  it('are the same for the same seed', () => {
    const sets = new GearSets();
    const [a, b] = [sets.begin('easy', 17), sets.begin('easy', 17)];
    expect(a.first).toEqual(b.first);
    expect(a.id).not.toBe(b.id);
  });

  it('wear out, and the oldest make room', () => {
    const sets = new GearSets();
    const { id } = sets.begin('easy', 3);
    for (let n = 0; n < 40; n += 1) sets.attempt(id, SHIMS);
    expect(() => sets.attempt(id, SHIMS)).toThrow('worn out');
    for (let n = 0; n < 200; n += 1) sets.begin('easy', 4);
    expect(sets.find(id)).toBeUndefined();
    expect(sets.all()).toHaveLength(200);
  });

  it.each([
    ['/sets', { difficulty: 'brutal' }, 400],
    ['/sets', {}, 400],
    ['/sets/none/trials', SHIMS, 404],
    ['/sets/none/trials', { ...SHIMS, ringSide: -1 }, 400],
    ['/sets/none/open', {}, 404],
    ['/sets/none/what-if', { pinionShim: 'thick' }, 400],
  ])('refuse what makes no sense: %s %j', async (path, value, status) => {
    expect((await ask(path, value)).status).toBe(status);
  });

  it('behave as the operator says', async () => {
    await ask('/modes', { seed: 29 });
    const [a, b] = [await ask('/sets', { difficulty: 'usual' }), await ask('/sets', { difficulty: 'usual' })];
    expect(a.json.first).toEqual(b.json.first);
    await ask('/modes', { failing: true });
    expect((await ask('/sets', { difficulty: 'usual' })).status).toBe(503);
    expect((await ask('/modes', { failing: false, nonsense: true })).status).toBe(200);
    expect((await ask('/sets/x')).json.id).toBe(7);
    await ask('/modes', { nonsense: false, seed: 0 });
    expect((await ask('/modes', { seed: -4 })).status).toBe(400);
  });
});
