import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { gearSetApp } from '../../../../standins/src/gearset/app';
import { GearSets } from '../../../../standins/src/gearset/gear-sets';
import { startHarness, type Harness } from '../../testing/harness';

let bench: Server;
let h: Harness;
let alone: Harness;
const SHIMS = { pinionShim: 0.93, ringSide: 2.11, otherSide: 1.87 };

beforeAll(async () => {
  bench = createServer(gearSetApp(new GearSets(), ''));
  await new Promise<void>((done) => bench.listen(0, '127.0.0.1', done));
  const url = `http://127.0.0.1:${(bench.address() as AddressInfo).port}`;
  h = await startHarness(undefined, { gearset: url });
  alone = await startHarness();
});
afterAll(async () => {
  await h.close();
  await alone.close();
  bench.closeAllConnections();
  bench.close();
});

const modes = (value: object) =>
  fetch(`http://127.0.0.1:${(bench.address() as AddressInfo).port}/modes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(value),
  });

describe('practice on a gear set', () => {
  it('goes from a begun set over its trials to the truth', async () => {
    const begun = await h.call('POST', '/api/practice', { difficulty: 'usual' });
    expect(begun.status).toBe(201);
    expect(begun.json).not.toHaveProperty('truth');
    const at = `/api/practice/${begun.json.id as string}`;
    expect((await h.call('POST', `${at}/what-if`, SHIMS)).status).toBe(409);
    await h.call('POST', `${at}/trials`, SHIMS);
    const two = await h.call('POST', `${at}/trials`, { ...SHIMS, ringSide: 2.2, otherSide: 1.78 });
    expect(two.json.trials).toHaveLength(2);
    expect((await h.call('GET', at)).json).toEqual(two.json);
    const opened = await h.call('POST', `${at}/open`, {});
    expect(opened.json.truth.pinionShim).toBeGreaterThan(0.6);
    const after = await h.call('POST', `${at}/trials`, SHIMS);
    expect([after.status, after.json.message]).toEqual([409, expect.stringContaining('begin another')]);
    expect((await h.call('POST', `${at}/what-if`, SHIMS)).json.backlash).toHaveLength(4);
  });

  it.each([
    ['/api/practice', { difficulty: 'brutal' }, 400, 'difficulty'],
    [
      '/api/practice/92e08a43-df94-4a53-a061-5480065ba599/trials',
      { ...SHIMS, pinionShim: -0.1 },
      400,
      'pinionShim',
    ],
    [
      '/api/practice/92e08a43-df94-4a53-a061-5480065ba599/trials',
      { pinionShim: 1, ringSide: 2 },
      400,
      'otherSide',
    ],
    ['/api/practice/seven/trials', SHIMS, 400, 'id'],
  ])('refuses what makes no sense: %s %j', async (path, value, status, field) => {
    const { status: is, json } = await h.call('POST', path, value);
    expect(is).toBe(status);
    expect(json.problems.map((p: { field: string }) => p.field)).toContain(field);
  });

  it('says that a set is gone, that the bench is away or talks nonsense, or that there is none', async () => {
    const gone = await h.call('GET', '/api/practice/92e08a43-df94-4a53-a061-5480065ba599');
    expect([gone.status, gone.json.message]).toEqual([404, expect.stringContaining('no longer on the bench')]);
    await modes({ nonsense: true });
    const odd = await h.call('POST', '/api/practice', { difficulty: 'easy' });
    expect([odd.status, odd.json.message]).toEqual([503, expect.stringContaining('makes no sense')]);
    await modes({ nonsense: false, failing: true });
    const away = await h.call('POST', '/api/practice', { difficulty: 'easy' });
    expect([away.status, away.json.message]).toEqual([503, expect.stringContaining('answers 503')]);
    await modes({ failing: false });
    const none = await alone.call('POST', '/api/practice', { difficulty: 'easy' });
    expect([none.status, none.json.message]).toEqual([503, expect.stringContaining('No gear set bench')]);
  });
});
