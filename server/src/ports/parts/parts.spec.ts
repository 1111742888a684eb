import type { PartOffer } from '@intervex/core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { startHarness, type Harness } from '../../testing/harness';
import { startUpstream, withJson, type Upstream } from '../../testing/upstream';

let counter: Upstream;
let h: Harness;
beforeAll(async () => {
  counter = await startUpstream();
  h = await startHarness(undefined, { parts: counter.url });
});
afterAll(async () => {
  await h.close();
  await counter.close();
});
beforeEach(() => {
  counter.asked.length = 0;
});

const bearing = (number: string, bore: number, outside: number, width: number, price: number): PartOffer => ({
  number,
  name: `ball bearing ${bore} × ${outside} × ${width}`,
  kind: 'bearing',
  seller: 'Osier Brake Supply',
  price,
  stock: 4,
  leadDays: 2,
  size: { bore, outside, width },
});
const LIST = [bearing('B-1', 35, 62, 14, 9), bearing('B-2', 35, 72, 17, 21), bearing('B-3', 40, 80, 18, 17)];
const ask = (query: string) => h.call('GET', `/api/parts?${query}`);
const SEAT = 'kind=bearing&inside=35.01&outside=72.02&width=18';

describe('parts counter', () => {
  it('gives what joins the sizes, best first', async () => {
    counter.answer = withJson({ kind: 'bearing', total: 3, offers: LIST });
    const { status, json } = await ask(SEAT);
    expect(status).toBe(200);
    expect(json).toMatchObject({ kind: 'bearing', of: 3, from: 'counter' });
    expect(json.offers[0].number).toBe('B-2');
    expect(json.trouble).toBeUndefined();
  });

  it('goes on from the last known list where the counter fails, and says so', async () => {
    counter.answer = withJson({ error: 'unavailable' }, 503);
    const { status, json } = await ask(SEAT);
    expect(status).toBe(200);
    expect(json).toMatchObject({ from: 'list', of: 3, trouble: 'the counter answers 503' });
    expect(json.offers[0].number).toBe('B-2');
    expect(Date.parse(json.at)).toBeLessThanOrEqual(Date.now());
    // The first question and two more.
    expect(counter.asked).toHaveLength(3);
  });

  it('asks again where it failed once', async () => {
    let times = 0;
    counter.answer = (request, response) => {
      times += 1;
      (times === 1 ? withJson({}, 500) : withJson({ kind: 'bearing', total: 3, offers: LIST }))(
        request,
        response,
      );
    };
    expect((await ask(SEAT)).json).toMatchObject({ from: 'counter' });
  });

  it('does not wait for a slow one, nor keep it busy with more questions', async () => {
    counter.answer = () => undefined;
    const began = Date.now();
    const { json } = await ask(SEAT);
    expect(json).toMatchObject({ from: 'list', trouble: 'the counter did not answer within 1.5 s' });
    expect(Date.now() - began).toBeLessThan(4000);
    expect(counter.asked).toHaveLength(1);
  });

  it.each([
    ['a page', 'no JSON at all'],
    ['an offer without a price', JSON.stringify({ kind: 'bearing', total: 1, offers: [{ number: 'B-9' }] })],
    [
      'a bore of no size',
      JSON.stringify({ kind: 'bearing', total: 1, offers: [{ ...LIST[0], size: { bore: null } }] }),
    ],
  ])('believes no answer that is %s', async (_what, text) => {
    counter.answer = (_request, response) => response.end(text);
    const { json } = await ask(SEAT);
    expect(json).toMatchObject({ from: 'list', of: 3, trouble: 'the counter’s answer makes no sense' });
    expect(json.offers.map((o: PartOffer) => o.number)).not.toContain('B-9');
  });

  it('says it is away where there is no list yet', async () => {
    counter.answer = withJson({}, 503);
    const { status, json } = await ask('kind=seal');
    expect(status).toBe(503);
    expect(json.message).toBe('The parts counter is away: the counter answers 503. It has given no list yet.');
  });

  const wheel = (number: string, rim: number, et: number, stock: number): PartOffer => ({
    ...bearing(number, 1, 1, 1, 74),
    kind: 'wheel',
    stock,
    size: { rim, et, holes: 5, pcd: 108 },
  });

  it('gives what agrees in the dimensions that are named, on the shelf first', async () => {
    const offers = [wheel('W-1', 13, 30, 0), wheel('W-2', 14, 30, 4), wheel('W-3', 13, 12, 2)];
    counter.answer = withJson({ kind: 'wheel', total: 3, offers });
    const { json } = await ask('kind=wheel&near=rim:13,pcd:108.04');
    expect(json.offers.map((o: PartOffer) => o.number)).toEqual(['W-3', 'W-1']);
    expect((await ask('kind=wheel&near=rim')).json.problems[0].field).toBe('near');
  });

  it('gives first what comes nearest in all that is told of it, each by its share', async () => {
    const spring = (number: string, size: PartOffer['size'], stock = 1): PartOffer => ({
      ...bearing(number, 1, 1, 1, 74),
      kind: 'spring',
      stock,
      size,
    });
    // Off by 10 % and 2 %, by 3 % and 3 %, by nothing and a fifth; one says no rate, two are alike.
    const offers = [
      spring('S-1', { rate: 27.5, free: 306 }),
      spring('S-2', { rate: 25.75, free: 309 }, 0),
      spring('S-3', { rate: 25, free: 360 }),
      spring('S-4', { free: 300 }),
      spring('S-5', { rate: 25.75, free: 309 }),
    ];
    counter.answer = withJson({ kind: 'spring', total: 5, offers });
    const { json } = await ask('kind=spring&like=rate:25,free:300');
    expect(json.offers.map((o: PartOffer) => o.number)).toEqual(['S-5', 'S-2', 'S-1', 'S-3', 'S-4']);
    expect((await ask('kind=spring&like=rate')).json.problems[0].field).toBe('like');
  });

  const shaft = (number: string, length: number, teeth = 31): PartOffer => ({
    ...bearing(number, 1, 1, 1, 190),
    kind: 'shaft',
    size: { length, teeth },
  });
  const QUESTION = {
    wanted: { teeth: 31 },
    axle: {
      half: { left: 792, right: 741.5 },
      shaft: { left: 775.4, right: 724.7 },
      leastHalf: { left: 294, right: 287 },
    },
    target: { width: 1402 },
  };
  const pairs = (question: object) => h.call('POST', '/api/shaft-pairs', question);

  it('pairs shafts over all there are, and goes on from the last list', async () => {
    counter.answer = withJson({
      kind: 'shaft',
      total: 3,
      offers: [shaft('S-1', 684.5), shaft('S-2', 683.5), shaft('S-3', 684, 28)],
    });
    const { status, json } = await pairs(QUESTION);
    expect(status).toBe(200);
    // 792 + 684.5 − 775.4 + 741.5 + 684.5 − 724.7.
    expect(json.pairs[0].width).toBeCloseTo(1402.4, 9);
    expect(json).toMatchObject({ of: 3, passed: 2, refused: { 'another tooth count': 1 }, from: 'counter' });
    counter.answer = withJson({}, 503);
    expect((await pairs(QUESTION)).json).toMatchObject({
      from: 'list',
      passed: 2,
      trouble: 'the counter answers 503',
    });
  });

  it('drills a flange of another pattern in its mind, by the limits that come along', async () => {
    const flange = (number: string, holes: number, pcd: number): PartOffer => {
      const plain = shaft(number, 684.5);
      return { ...plain, size: { ...plain.size, holes, pcd, hole: 14, retention: 1 } };
    };
    counter.answer = withJson({
      kind: 'shaft',
      total: 3,
      offers: [flange('S-1', 5, 120), flange('S-2', 4, 108), flange('S-3', 5, 108)],
    });
    const limits = { hole: 14, ligament: 6, ligamentShare: 0.5, edgeShare: 1.25 };
    const wanted = { teeth: 31, holes: 5, pcd: 108, retention: 'cClip', drill: limits };
    const { json } = await pairs({ ...QUESTION, wanted });
    expect(json).toMatchObject({ passed: 2, refused: { 'another flange pattern': 1 } });
    expect(json.pairs[0]).toMatchObject({ left: { number: 'S-3' }, drill: { left: false, right: false } });
    const strict = await pairs({ ...QUESTION, wanted: { ...wanted, drill: { ...limits, ligament: 22 } } });
    expect(strict.json.passed).toBe(1);
    const odd = await pairs({ ...QUESTION, wanted: { ...wanted, retention: 'glue' } });
    expect(odd.json.problems[0].field).toBe('wanted.retention');
  });

  it('refuses a question about an axle that cannot be', async () => {
    const { status, json } = await pairs({ ...QUESTION, target: { width: 'wide' } });
    expect(status).toBe(400);
    expect(json.problems[0].field).toBe('target.width');
    expect((await pairs({})).status).toBe(400);
  });

  it.each([
    ['kind=boot', 'kind'],
    ['kind=bearing&inside=35', 'outside'],
    ['kind=bearing&inside=1e9&outside=72', 'inside'],
    ['kind=bearing&inside=NaN&outside=72', 'inside'],
  ])('refuses the question %s by field', async (query, field) => {
    const { status, json } = await ask(query);
    expect(status).toBe(400);
    expect(JSON.stringify(json.problems)).toContain(field);
    expect(counter.asked).toHaveLength(0);
  });
});
