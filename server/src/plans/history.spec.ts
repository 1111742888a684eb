import { EMPTY_PLAN, type Plan, PLAN_VERSION } from '@intervex/core';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { changedBetween, checkedAgainst, stamped } from './changes';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const who = 'Ansa';
const fresh = async (name = 'Hauler') =>
  (await h.call('POST', '/api/projects', { name, variant: 'Over-axle', who })).json as {
    id: string;
    plan: Plan;
  };
const save = (id: string, baseRevision: number, plan: unknown) =>
  h.call('PUT', `/api/variants/${id}/plan`, { baseRevision, plan, who });
const withHalf = (plan: Plan, value: number): Plan => ({
  ...plan,
  readings: { ...plan.readings, 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } },
});

describe('history', () => {
  it('can be paged to its beginning, any of it opened and put back, and that undone', async () => {
    const { id, plan } = await fresh();
    for (let n = 1; n <= 7; n += 1) expect((await save(id, n, withHalf(plan, 700 + n * 1.3))).status).toBe(200);
    const page = async (query: string) =>
      (await h.call('GET', `/api/variants/${id}/history?${query}`)).json.map(
        (r: { revision: number }) => r.revision,
      );
    expect(await page('limit=3')).toEqual([8, 7, 6]);
    expect(await page('limit=3&before=6')).toEqual([5, 4, 3]);
    expect(await page('before=3')).toEqual([2, 1]);
    expect(await page('before=1')).toEqual([]);
    const third = (await h.call('GET', `/api/variants/${id}/revisions/3`)).json;
    expect(third.plan.readings['donor.half.left'].repeats[0].value).toBe(702.6);
    const missing = await h.call('GET', `/api/variants/${id}/revisions/99`);
    expect(missing.status).toBe(404);
    expect(missing.json.problems[0]).toMatchObject({ field: 'revision', right: 'a revision up to 8' });
    const restore = (baseRevision: number, revision: number) =>
      h.call('POST', `/api/variants/${id}/restore`, { baseRevision, revision, who });
    expect((await restore(7, 3)).status).toBe(409);
    expect((await restore(8, 40)).status).toBe(400);
    const back = await restore(8, 3);
    expect(back.json).toMatchObject({ revision: 9, canUndo: true });
    expect(back.json.plan).toEqual(third.plan);
    expect((await h.call('GET', `/api/variants/${id}/history?limit=1`)).json[0]).toMatchObject({
      kind: 'restore',
      who,
    });
    const undone = await h.call('POST', `/api/variants/${id}/undo`, { baseRevision: 9, who });
    expect(undone.json.plan.readings['donor.half.left'].repeats[0].value).toBe(709.1);
  });
});

describe('the list of projects', () => {
  it('is paged and searched by the server, over names of variants too', async () => {
    for (let n = 0; n < 7; n += 1) await fresh(`Paged ${n} 100% of_it`);
    const list = (query: string) => h.call('GET', `/api/projects?${query}`);
    const names = async (query: string) => (await list(query)).json.map((p: { name: string }) => p.name);
    expect(await names('find=paged&limit=3')).toEqual([
      'Paged 0 100% of_it',
      'Paged 1 100% of_it',
      'Paged 2 100% of_it',
    ]);
    expect(await names('find=paged&from=5')).toEqual(['Paged 5 100% of_it', 'Paged 6 100% of_it']);
    const { headers } = await list('find=PAGED%20over&limit=1');
    expect([headers.get('x-total-count'), headers.get('x-of')]).toEqual(['7', '8']);
    // Marks of a pattern are looked for as they are.
    expect(await names('find=100%25')).toHaveLength(7);
    expect(await names('find=0_100')).toEqual([]);
    expect(await names('find=%25%25%25')).toEqual([]);
    expect((await list('limit=0')).status).toBe(400);
    expect((await list('limit=100000')).status).toBe(400);
  });
});

describe('what a plan must not hold', () => {
  const at = '2027-03-20T18:00:00Z';
  const accept = (id: string, when = at) => ({
    [id]: { reason: 'seen on the bench', figure: null, who, at: when },
  });
  it.each([
    [
      'a day the calendar has not',
      (p: Plan) => ({ ...p, accepted: accept('a', '2026-99-99') }),
      'plan.accepted.a.at',
    ],
    [
      'the 31st of February',
      (p: Plan) => ({ ...p, accepted: accept('a', '2027-02-31T10:00:00Z') }),
      'plan.accepted.a.at',
    ],
    [
      'a key that every object has',
      (p: Plan) => ({ ...p, accepted: accept('constructor') }),
      'plan.accepted.constructor',
    ],
    ['another', (p: Plan) => ({ ...p, tubeItems: { toString: { name: 'x' } } }), 'plan.tubeItems.toString'],
    [
      'a photo that was never put in',
      (p: Plan) => ({ ...p, photos: { [randomUUID()]: { place: 'donor', caption: '', who, at } } }),
      'plan.photos.',
    ],
    ['a part less', ({ brief: _, ...p }: Plan) => p, 'plan.brief'],
    [
      'a choice less',
      (p: Plan) => ({ ...p, choices: Object.fromEntries(Object.entries(p.choices).slice(1)) }),
      'plan.choices.',
    ],
    ['a part more', (p: Plan) => ({ ...p, extra: 1 }), 'plan.extra'],
    ['a list for a record', (p: Plan) => ({ ...p, readings: [] }), 'plan.readings'],
    ['nothing for a record', (p: Plan) => ({ ...p, facts: null }), 'plan.facts'],
  ])('%s', async (_what, change, field) => {
    const { id, plan } = await fresh();
    const refused = await save(id, 1, change(plan));
    expect(refused.status).toBe(400);
    expect(refused.json.problems[0].field).toContain(field);
    expect((await h.call('GET', `/api/variants/${id}`)).json.revision).toBe(1);
  });

  it('but what stood in it before may stay while something else is changed', async () => {
    const { id, plan } = await fresh();
    const old = {
      ...plan,
      accepted: { constructor: { reason: 'of before', figure: null, who, at: '2026-99-99' } },
    };
    await h.pool.query(
      `insert into plan_revisions (variant_id, revision, kind, parent, plan, plan_version, who) values ($1, 2, 'edit', 1, $2, 8, 'Ansa')`,
      [id, JSON.stringify(old)],
    );
    await h.pool.query('update variants set head = 2 where id = $1', [id]);
    const opened = (await h.call('GET', `/api/variants/${id}`)).json;
    const saved = await save(id, 2, withHalf(opened.plan, 700.4));
    expect(saved.status).toBe(200);
    expect(saved.json.plan.accepted.constructor.at).toBe('2026-99-99');
  });

  it('photos of another installation are left out of a plan file, and that is said', async () => {
    const file = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123456' } })
      .png()
      .toBuffer();
    const here = (await h.call('POST', '/api/photos', file, { 'content-type': 'image/png' })).json.id as string;
    const photo = { place: 'donor', caption: '', who, at };
    const text = {
      format: 'intervex-plan',
      version: PLAN_VERSION,
      project: 'P',
      variant: 'V',
      plan: { ...EMPTY_PLAN, photos: { [here]: photo, [randomUUID()]: photo } },
    };
    const made = await h.call('POST', '/api/plan-files?who=Ansa', text);
    expect(Object.keys(made.json.plan.photos)).toEqual([here]);
    expect(made.json.dropped).toEqual(['1 photo that the file names and does not hold']);
  });
});

describe('changes of a plan', () => {
  it('are told as places, whether parts come, go or move', () => {
    const before = withHalf(EMPTY_PLAN, 700.3);
    expect(changedBetween(EMPTY_PLAN, before)).toEqual(['/readings/donor.half.left']);
    expect(changedBetween(before, EMPTY_PLAN)).toEqual(['/readings/donor.half.left']);
    expect(changedBetween(before, withHalf(before, 701.1))).toEqual([
      '/readings/donor.half.left/repeats/0/value',
    ]);
    expect(changedBetween(before, before)).toEqual([]);
    const vehicle = { ...before, brief: { ...before.brief, vehicle: 'Tern' } };
    expect(changedBetween(before, vehicle)).toEqual(['/brief/vehicle']);
  });

  it('carry the name of who made them, and only they do', () => {
    const repeat = (value: number, by: string) => ({ value, who: by });
    const plan = (...repeats: { value: number; who: string }[]): Plan => ({
      ...EMPTY_PLAN,
      readings: { x: { repeats, instrument: 'tape' } },
    });
    const before = plan(repeat(1, 'Birk'), repeat(2, 'Birk'));
    const after = stamped(plan(repeat(2, 'Birk'), repeat(3, 'Birk')), before, 'Tove');
    expect(after.readings['x']?.repeats.map((r) => r.who)).toEqual(['Birk', 'Tove']);
    expect(stamped(before, before, 'Tove')).toEqual(before);
  });

  it('are all that is checked', async () => {
    const odd = {
      ...EMPTY_PLAN,
      accepted: { constructor: { reason: 'x', figure: null, who: '', at: 'x' } },
    } as unknown as Plan;
    expect(await checkedAgainst({ ...odd }, odd)).toEqual(odd);
    await expect(checkedAgainst({ ...odd, limits: { none: {} } }, odd)).rejects.toThrow();
  });

  it('are looked through beside the process where there are many', async () => {
    const repeats = Array.from({ length: 20 }, (_, i) => ({ value: 600 + i, who: 'Tove' }));
    const reading = { repeats, instrument: 'tape' };
    const few = { 'donor.half.left': reading };
    const many = Object.fromEntries(Array.from({ length: 40 }, (_, i) => [`donor.${i}`, reading]));
    const beside = vi.fn(() => Promise.resolve());
    await checkedAgainst({ ...EMPTY_PLAN, readings: few }, EMPTY_PLAN, beside);
    expect(beside).not.toHaveBeenCalled();
    await checkedAgainst({ ...EMPTY_PLAN, readings: many }, EMPTY_PLAN, beside);
    expect(beside).toHaveBeenCalledWith({ readings: many });
    beside.mockRejectedValueOnce(new Error('No.'));
    await expect(checkedAgainst({ ...EMPTY_PLAN, readings: many }, EMPTY_PLAN, beside)).rejects.toThrow('No.');
  });
});
