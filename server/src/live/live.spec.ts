import { EMPTY_PLAN, type Plan } from '@intervex/core';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { EventStream, listenAddress, liveAddress, type Heard } from '../testing/stream';
import { startHarness, type Harness } from '../testing/harness';
import { readNews } from './feed';

let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const fresh = async (): Promise<string> =>
  (await h.call('POST', '/api/projects', { name: 'Hauler', variant: 'Over-axle', who: 'Ansa' })).json
    .id as string;
const withHalf = (value: number): Plan => ({
  ...EMPTY_PLAN,
  readings: { 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } },
});
const save = (id: string, baseRevision: number, value: number) =>
  h.call('PUT', `/api/variants/${id}/plan`, { baseRevision, plan: withHalf(value), who: 'Ansa' });

/** The stream of one open page. */
const openPage = (variant: string, who: string) => EventStream.open(h.url + liveAddress(variant, who));

const revision = (n: number) => (heard: Heard) => heard.event === 'revision' && heard.data.revision === n;

describe('live stream', () => {
  it('tells every page what was saved, and who saved it, within 200 ms', async () => {
    const id = await fresh();
    const pages = [await openPage(id, 'Ansa'), await openPage(id, 'Birk')];
    await Promise.all(pages.map((p) => p.until(revision(1))));
    await save(id, 1, 791.2);
    const heard = await Promise.all(pages.map((p) => p.until(revision(2))));
    expect(heard.map((x) => x.data.who)).toEqual(['Ansa', 'Ansa']);
    pages.forEach((p) => {
      p.close();
    });
  });

  it('tells a page that comes back where the plan stands, so that it misses nothing', async () => {
    const id = await fresh();
    const first = await openPage(id, 'Ansa');
    await first.until(revision(1));
    first.close();
    await save(id, 1, 791.2);
    await save(id, 2, 792.4);
    const again = await openPage(id, 'Ansa');
    await again.until(revision(3));
    again.close();
  });

  it('does not tell of other variants', async () => {
    const [mine, other] = [await fresh(), await fresh()];
    const page = await openPage(mine, 'Ansa');
    await page.until(revision(1));
    await save(other, 1, 700.3);
    await save(mine, 1, 791.2);
    await page.until(revision(2));
    expect(page.heard.filter((x) => x.event === 'revision')).toHaveLength(2);
    page.close();
  });

  it('knows who is here, and who has left', async () => {
    const id = await fresh();
    const ansa = await openPage(id, 'Ansa');
    const birk = await openPage(id, 'Birk');
    await ansa.until((x) => x.event === 'people' && x.data.people.length === 2);
    birk.close();
    const left = await ansa.until(
      (x) => x.event === 'people' && x.data.people.length === 1 && ansa.heard.indexOf(x) > 1,
    );
    expect(left.data.people).toEqual(['Ansa']);
    ansa.close();
  });

  it('goes on after its connection to the database was cut, and tells what was missed', async () => {
    const id = await fresh();
    const page = await openPage(id, 'Ansa');
    await page.until(revision(1));
    await h.pool.query(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'",
    );
    await page.until((x) => x.event === 'away');
    await page.until((x) => x.event === 'back');
    await save(id, 1, 791.2);
    await page.until(revision(2));
    page.close();
  });

  it('tells all pages of one browser over one stream, each by its name', async () => {
    const [first, second] = [await fresh(), await fresh()];
    const [left, right, lost] = [randomUUID(), randomUUID(), randomUUID()];
    const browser = await EventStream.open(
      h.url +
        listenAddress(
          { to: left, who: 'Ansa', variant: first },
          { to: right, who: 'Birk', variant: second },
          { to: lost, who: 'Ansa', variant: randomUUID() },
        ),
    );
    const tells = (to: string, event: string) => (x: Heard) => x.event === event && x.data.to === to;
    await browser.until(tells(left, 'revision'));
    await browser.until(tells(right, 'revision'));
    // One that cannot be followed keeps nothing from the others.
    expect((await browser.until(tells(lost, 'refused'))).data).toMatchObject({ error: 'notFound' });
    await save(second, 1, 791.2);
    await browser.until((x) => tells(right, 'revision')(x) && x.data.revision === 2);
    expect(browser.heard.filter(tells(left, 'revision'))).toHaveLength(1);
    const here = await browser.until((x) => tells(right, 'people')(x) && x.data.count === 1);
    expect(here.data.people).toEqual(['Birk']);
    // Without one of them again, before the stream before it is gone: whoever stays is here all the time.
    const other = await openPage(first, 'Tove');
    await other.until((x) => x.event === 'people' && x.data.count === 2);
    const fewer = await EventStream.open(h.url + listenAddress({ to: left, who: 'Ansa', variant: first }));
    await fewer.until(tells(left, 'revision'));
    browser.close();
    await save(first, 1, 640.7);
    await fewer.until((x) => tells(left, 'revision')(x) && x.data.revision === 2);
    const told = other.heard.filter((x) => x.event === 'people').map((x) => x.data.count as number);
    expect(told.slice(told.indexOf(2))).not.toContain(1);
    fewer.close();
    other.close();
  });

  it.each([
    ['nothing', '', 'listens'],
    ['what is no list', '?listens={', 'listens'],
    ['an empty list', '?listens=[]', 'listens'],
    [
      'both at once',
      `?listens=[{"to":"${randomUUID()}","variant":"${randomUUID()}","instrument":"x"}]`,
      'listens[0]',
    ],
    ['more than a browser has', `?listens=[${'0,'.repeat(300)}0]`, 'listens[0]'],
  ])('refuses %s, and says where', async (_what, query, field) => {
    const { status, json } = await h.call('GET', `/api/live${query}`);
    expect(status).toBe(400);
    expect(json.problems[0].field).toBe(field);
  });

  it('tells pages that their plan was removed, by whom, and that it is back', async () => {
    const id = await fresh();
    const copy = (await h.call('POST', '/api/variants', { name: 'B', copyOf: id, who: 'Ansa' })).json
      .id as string;
    const page = await openPage(copy, 'Ansa');
    await page.until(revision(1));
    expect((await h.call('DELETE', `/api/variants/${copy}`)).status).toBe(204);
    await page.until((x) => x.event === 'listed');
    const gone = await h.call('GET', `/api/variants/${copy}`);
    expect([gone.status, gone.json.error]).toEqual([410, 'removed']);
    expect(gone.json.removed).toMatchObject({
      id: copy,
      kind: 'variant',
      name: 'Hauler, B',
    });
    expect((await save(copy, 1, 640.2)).status).toBe(410);
    expect((await h.call('POST', `/api/removed/${copy}/bring-back`, {})).status).toBe(204);
    await page.until(
      (x) => x.event === 'listed' && page.heard.filter((y) => y.event === 'listed').length === 2,
    );
    expect((await save(copy, 1, 640.2)).status).toBe(200);
    // With its project it is the project that is brought back.
    const { projectId } = (await h.call('GET', `/api/variants/${copy}`)).json;
    expect((await h.call('DELETE', `/api/projects/${projectId}`)).status).toBe(204);
    const whole = await h.call('GET', `/api/variants/${copy}`);
    expect(whole.json.removed).toMatchObject({ id: projectId, kind: 'project', name: 'Hauler' });
    await page.until(() => page.heard.filter((y) => y.event === 'listed').length === 3);
    page.close();
  });

  it('refuses an unknown variant and a page without a name of its own', async () => {
    // Told, not refused as a whole: a browser’s page cannot see why a stream was refused.
    const lost = await openPage(randomUUID(), 'Ansa');
    expect((await lost.until((x) => x.event === 'refused')).data).toMatchObject({ error: 'notFound' });
    lost.close();
    const nameless = await h.call('GET', liveAddress(await fresh(), 'Ansa', '17'));
    expect(nameless.json.problems[0]).toMatchObject({ field: 'listens[0].to' });
  });
});

describe('notifications', () => {
  it.each([
    '',
    'not json',
    '{"kind":"revision"}',
    '{"kind":"revision","variant":"x"}',
    '{"kind":"other","variant":"x"}',
    '17',
  ])('that are none of ours are passed over: %j', (payload) => {
    expect(readNews(payload)).toBeUndefined();
  });
});

describe('plans of an earlier version', () => {
  it('are read with what they did not know at its starting value', async () => {
    const id = await fresh();
    const { launch: _, gears: __, tools: ___, ...brief } = { ...EMPTY_PLAN.brief, vehicle: 'Penn Hauler' };
    await h.pool.query(
      `insert into plan_revisions (variant_id, revision, kind, parent, plan, plan_version, who) values ($1, 2, 'edit', 1, $2, 2, 'Ansa')`,
      [id, JSON.stringify({ ...EMPTY_PLAN, brief })],
    );
    await h.pool.query('update variants set head = 2 where id = $1', [id]);
    const { plan } = (await h.call('GET', `/api/variants/${id}`)).json;
    expect(plan.brief).toMatchObject({ vehicle: 'Penn Hauler', launch: 'normal', gears: [], tools: [] });
    expect((await save(id, 2, 790.4)).status).toBe(200);
  });
});
