import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';

let h: Harness;
let project = '';
const at = '2027-03-20T18:00:00.000Z';
const plan: Plan = {
  ...EMPTY_PLAN,
  readings: {
    'donor.half.left': {
      repeats: [
        { value: 791.5, who: 'Ansa', at },
        { value: 792.5, who: 'Birk' },
      ],
      instrument: 'tape',
      datum: 'pinion axis',
      note: 'rust on the flange',
    },
    'survey.tubeOd': { repeats: [{ value: 76.2 }], instrument: 'caliper' },
  },
};
beforeAll(async () => {
  h = await startHarness();
  const first = (await h.call('POST', '/api/projects', { name: 'Linnet', variant: 'Van axle', who: 'Ansa' }))
    .json;
  project = first.projectId;
  await h.call('PUT', `/api/variants/${first.id}/plan`, { baseRevision: 1, plan, who: 'Ansa' });
  await h.call('POST', '/api/variants', { name: 'Stag axle', copyOf: first.id, who: 'Ansa' });
});
afterAll(() => h.close());

const readings = async (query = '') => (await h.call('GET', `/api/projects/${project}/readings${query}`)).json;

describe('all variants of a project', () => {
  it('come with their plans, in the order they were made', async () => {
    const { json } = await h.call('GET', `/api/projects/${project}/variants`);
    expect(json.map((v: { name: string }) => v.name)).toEqual(['Van axle', 'Stag axle']);
    expect(json[1].plan.readings['survey.tubeOd'].repeats[0].value).toBe(76.2);
  });

  it('have their readings in one list, in walking order, repeat by repeat', async () => {
    const { rows, found, of } = await readings();
    expect([found, of]).toEqual([6, 6]);
    expect(rows.slice(0, 3).map((r: { id: string; repeat: number }) => [r.id, r.repeat])).toEqual([
      ['survey.tubeOd', 1],
      ['donor.half.left', 1],
      ['donor.half.left', 2],
    ]);
    expect(rows[1]).toEqual({
      variantId: expect.any(String) as string,
      variant: 'Van axle',
      id: 'donor.half.left',
      name: 'Pinion axis to WMS, left',
      repeat: 1,
      value: 791.5,
      unit: 'mm',
      instrument: 'tape',
      datum: 'pinion axis',
      who: 'Ansa',
      at,
      note: 'rust on the flange',
    });
  });

  it.each([
    ['tube', 2],
    ['WMS stag', 2],
    ['birk', 2],
    ['rust ansa van', 1],
    ['100% _ wild', 0],
  ])('are searched by every word of “%s”', async (find, found) => {
    expect(await readings(`?find=${encodeURIComponent(find)}`)).toMatchObject({ found, of: 6 });
  });

  it('follow what is saved, and the names of variants', async () => {
    const { rows } = await readings('?find=stag');
    const id = rows[0].variantId as string;
    const more = {
      ...plan,
      readings: { 'survey.tubeOd': { repeats: [{ value: 76.31 }], instrument: 'rule' } },
    };
    await h.call('PUT', `/api/variants/${id}/plan`, { baseRevision: 1, plan: more, who: 'Birk' });
    await h.call('PATCH', `/api/variants/${id}`, { name: 'Hauler axle' });
    expect(await readings('?find=stag')).toMatchObject({ found: 0, of: 4 });
    expect((await readings('?find=hauler%20rule')).rows[0]).toMatchObject({
      value: 76.31,
      variant: 'Hauler axle',
    });
    await h.call('POST', `/api/variants/${id}/undo`, { baseRevision: 2, who: 'Birk' });
    await h.call('PATCH', `/api/variants/${id}`, { name: 'Stag axle' });
    expect(await readings('?find=stag')).toMatchObject({ found: 3, of: 6 });
  });

  it('are handed out a page at a time', async () => {
    const { rows, found } = await readings('?from=4&limit=1');
    expect(found).toBe(6);
    expect(rows.map((r: { variant: string; repeat: number }) => [r.variant, r.repeat])).toEqual([
      ['Stag axle', 1],
    ]);
  });

  it('are refused where the question is wrong or the project unknown', async () => {
    expect((await h.call('GET', `/api/projects/${project}/readings?limit=100000`)).status).toBe(400);
    const nobody = '3f0b7a52-2c3c-4c8e-9b55-4f57f1f6a201';
    for (const what of ['readings', 'variants'])
      expect((await h.call('GET', `/api/projects/${nobody}/${what}`)).status).toBe(404);
  });
});
