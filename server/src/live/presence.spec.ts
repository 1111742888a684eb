import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../testing/harness';
import { EventStream, liveAddress } from '../testing/stream';

let h: Harness;
let variant = '';
beforeAll(async () => {
  h = await startHarness();
  variant = (await h.call('POST', '/api/projects', { name: 'Tern', variant: 'A', who: 'Ansa' })).json.id;
});
afterAll(() => h.close());

const openPage = (who: string, page: string = randomUUID(), of = variant) =>
  EventStream.open(h.url + liveAddress(of, who, page));
const count = (n: number) => (x: { event: string; data: { count: number } }) =>
  x.event === 'people' && x.data.count === n;
const written = async () =>
  Number(
    (await h.pool.query<{ n: string }>('select count(*) as n from presence where variant_id = $1', [variant]))
      .rows[0]?.n,
  );

describe('many pages', () => {
  it('cost one small message a change, whoever is told', async () => {
    const first = await openPage('Ansa');
    const all = await Promise.all(Array.from({ length: 120 }, (_, i) => openPage(`Hand${i}`)));
    const told = await first.until(count(121));
    expect(told.data.people.length).toBeLessThanOrEqual(24);
    expect(JSON.stringify(told.data).length).toBeLessThan(600);
    const before = first.heard.filter((x) => x.event === 'people').length;
    for (const page of all) page.close();
    await first.until((x) => count(1)(x) && first.heard.indexOf(x) >= before);
    // 120 left at once: told in a few goes, not in 120.
    expect(first.heard.filter((x) => x.event === 'people').length - before).toBeLessThan(15);
    expect(await written()).toBe(1);
    first.close();
  });

  it('a page’s name is its own: it cannot be taken, and counts once', async () => {
    const page = randomUUID();
    const ansa = await openPage('Ansa', page);
    await ansa.until(count(1));
    const taken = await openPage('Birk', page);
    expect((await taken.until((x) => x.event === 'refused')).data).toMatchObject({ error: 'inUse' });
    expect(taken.heard.map((x) => x.event)).toEqual(['refused']);
    taken.close();
    // It came back before the loss of its first stream was noticed.
    const again = await openPage('Ansa', page);
    await again.until(count(1));
    again.close();
    await new Promise((next) => setTimeout(next, 400));
    expect(await written()).toBe(1);
    const birk = await openPage('Birk');
    await ansa.until(count(2));
    ansa.close();
    birk.close();
  });

  it('follows a variant whatever the letter case of its id', async () => {
    const upper = await openPage('Ansa', randomUUID().toUpperCase(), variant.toUpperCase());
    await upper.until((x) => x.event === 'revision' && x.data.revision === 1);
    const { plan, revision } = (await h.call('GET', `/api/variants/${variant}`)).json;
    await h.call('PUT', `/api/variants/${variant}/plan`, {
      baseRevision: revision,
      plan: { ...plan, brief: { ...plan.brief, vehicle: 'T' } },
      who: 'Birk',
    });
    await upper.until((x) => x.event === 'revision' && x.data.revision === 2);
    upper.close();
  });
});
