import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../evaluate';
import type { Plan } from '../../../plan';
import { reading, workedPlan } from '../../../testing/plans';
import { routeCost } from '../figures/route-cost';
import { CRITERIA, DEFAULT_WEIGHTS, rankRoutes } from './rank-routes';
import { routeSummary, type RouteSummary } from './route-summary';

const summary = (
  name: string,
  readings: Parameters<typeof workedPlan>[0],
  more: Partial<Plan> = {},
): RouteSummary => {
  const plan = { ...workedPlan(readings), ...more };
  return routeSummary({ id: name, name }, evaluate(plan));
};
const money = (donor: number, shafts: number, machining: number, hours: number, lead: number) => ({
  'cost.donor': reading('chosen', donor),
  'cost.shafts': reading('chosen', shafts),
  'cost.machining': reading('chosen', machining),
  'time.hours': reading('chosen', hours),
  'time.lead': reading('chosen', lead),
});
const seller = { value: 'missing', evidence: 'measured' } as const;

describe('sum of a route', () => {
  it('adds purchase, missing parts, shafts, machining and joints, and counts days at the builder’s pace', () => {
    const route = summary(
      'van',
      {
        ...money(180, 540, 220, 46, 11),
        'cost.brakes': reading('chosen', 260),
        'brief.hoursPerWeek': reading('chosen', 14),
      },
      {
        facts: { 'part.brakes': seller, 'part.hoses': seller },
        joints: { hose: { cost: 12, hours: 1.5 }, wheelPattern: { cost: 90, hours: 4 } },
      },
    );
    expect(route.money).toMatchObject({
      purchase: 180,
      parts: 260,
      shafts: 540,
      machining: 220,
      joints: 102,
      total: 1302,
    });
    expect(route.money.unpriced).toEqual(['hoses']);
    expect(route.hours).toBe(51.5);
    // 51.5 hours at 2 a day are 25.75 days, after 11.
    expect(route.days).toBe(37);
    expect(route.cut.left?.value).toBeCloseTo(91, 9);
  });
});

describe('flange to wheel in a route', () => {
  const base = workedPlan();
  const way = (pattern: 'redrill' | 'adapter' | 'shafts', more: Partial<Plan> = {}) =>
    summary(
      pattern,
      {
        ...money(180, 540, 220, 46, 11),
        'redrill.cost': reading('chosen', 64),
      },
      { choices: { ...base.choices, pattern }, ...more },
    ).money;

  it('costs what the chosen way costs, once', () => {
    expect(way('redrill')).toMatchObject({ pattern: 64, total: 1004 });
    expect(way('shafts')).toMatchObject({ pattern: 0, total: 940 });
    expect(way('adapter')).toMatchObject({ pattern: 0, unpriced: ['the adapters'] });
    // The builder priced the joint itself.
    expect(way('redrill', { joints: { wheelPattern: { cost: 90 } } })).toMatchObject({
      pattern: 0,
      joints: 90,
      total: 1030,
    });
  });

  it('is said to be priced twice where both are, and counts what was typed of a part', () => {
    const plan = (more: Partial<Plan>): Plan => {
      const made = {
        ...workedPlan({ 'redrill.cost': reading('chosen', 64) }, { pattern: 'redrill' }),
        ...more,
      };
      return made;
    };
    const twice = (cost: number) =>
      evaluate(plan({ joints: { wheelPattern: { cost } } })).checks.find((c) => c.id === 'route.twice')?.level;
    expect([twice(90), twice(64)]).toEqual(['caution', 'ok']);
    expect(evaluate(plan({})).checks.some((c) => c.id === 'route.twice')).toBe(false);
    const hoses = plan({});
    const priced = { ...hoses, readings: { ...hoses.readings, 'cost.hoses': reading('chosen', 37) } };
    const total = (p: Plan) => evaluate(p).of(routeCost).total?.value;
    expect(total(priced)).toBe((total(hoses) ?? 0) + 37);
  });
});

describe('order of routes', () => {
  const cheap = summary('cheap', money(150, 540, 260, 58, 21));
  const dear = summary('dear', money(900, 310, 90, 14, 4));
  const wrong = summary('wrong', { ...money(60, 200, 80, 20, 5), 'new.teeth': reading('count', 28) });

  it('takes nothing for cheap or quick that has no price or hours yet', () => {
    const offer = summary('offer', { 'cost.donor': reading('seller', 40) });
    const ranked = rankRoutes([offer, dear, cheap], DEFAULT_WEIGHTS);
    const last = ranked.find((r) => r.route.name === 'offer');
    expect(last?.marks).toMatchObject({ money: 0, hours: 0, days: 0 });
    expect(ranked.at(-1)?.route.name).toBe('offer');
    expect(last?.reasons).toContain('own hours not estimated yet');
    expect(last?.reasons.join('; ')).not.toMatch(/cheapest|saves/);
    // 1300 − 950.
    const near = ranked.find((r) => r.route.name === 'dear');
    expect(near?.reasons).toContain('costs 350 more than the cheapest');
    expect(near?.reasons).toContain('saves 44 hours');
  });

  it('puts what cannot be done last, however cheap, and says why', () => {
    const ranked = rankRoutes([wrong, cheap, dear], DEFAULT_WEIGHTS);
    expect(ranked.at(-1)).toMatchObject({ barred: true, route: { name: 'wrong' } });
    expect(ranked.at(-1)?.reasons).toContainEqual(
      expect.stringMatching(/^Spline to side gear: does not fit, another tooth count/),
    );
  });

  it('follows the weights: money alone takes the cheap one, hours alone the dear one', () => {
    const only = (c: (typeof CRITERIA)[number]) => ({ ...NOTHING, [c]: 5 });
    expect(rankRoutes([dear, cheap], only('money'))[0]?.route.name).toBe('cheap');
    expect(rankRoutes([cheap, dear], only('hours'))[0]?.route.name).toBe('dear');
    expect(rankRoutes([cheap, dear], only('hours'))[0]?.reasons).toContain('saves 44 hours');
    expect(rankRoutes([cheap, dear], only('money'))[1]?.reasons).toContain('costs 350 more than the cheapest');
  });

  it.each([
    [{ fits: 11, work: 0, no: 0, unknown: 0 }, 'bolts in: every joint fits'],
    [{ fits: 8, work: 3, no: 0, unknown: 0 }, 'every joint is settled, 3 with work'],
    [{ fits: 10, work: 0, no: 1, unknown: 0 }, undefined],
    [{ fits: 10, work: 0, no: 0, unknown: 1 }, undefined],
  ])('says of joints %o: %s', (joints, said) => {
    const [only] = rankRoutes([{ ...cheap, joints }], DEFAULT_WEIGHTS);
    const found = only?.reasons.filter((reason) => /every joint/.test(reason));
    expect(found).toEqual(said === undefined ? [] : [said]);
  });

  it('lets a rejected donor go last with its reason', () => {
    const verdict = {
      verdict: 'rejected',
      reason: 'Insert missing',
      who: 'Ansa',
      at: '2026-11-02T10:00:00Z',
    } as const;
    const gone = summary('gone', money(10, 10, 10, 1, 1), { verdicts: { donor: verdict } });
    const ranked = rankRoutes([gone, cheap], DEFAULT_WEIGHTS);
    expect(ranked[1]?.reasons[0]).toBe('rejected: Insert missing');
  });

  it('does not depend on the order they come in, and marks lie between 0 and 1', () => {
    const weight = fc.integer({ min: 0, max: 5 });
    fc.assert(
      fc.property(fc.tuple(weight, weight, weight, weight, weight, weight), (w) => {
        const weights = Object.fromEntries(CRITERIA.map((c, i) => [c, w[i] ?? 0])) as typeof DEFAULT_WEIGHTS;
        const a = rankRoutes([cheap, dear, wrong], weights);
        const b = rankRoutes([wrong, dear, cheap], weights);
        expect(a.map((r) => r.score).sort()).toEqual(b.map((r) => r.score).sort());
        for (const r of a) expect(r.score >= -1e-12 && r.score <= 1 + 1e-12).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

const NOTHING = { money: 0, hours: 0, days: 0, risk: 0, spares: 0, strength: 0 };
