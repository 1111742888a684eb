import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { stockPairs, WIDTH_STEP, type PairAxle } from './stock-pairs';
import type { PartOffer } from '../../stage';
import { spread } from '../../testing/spread';

const AXLE: PairAxle = {
  half: { left: 792, right: 741.5 },
  shaft: { left: 775.4, right: 724.9 },
  leastHalf: { left: 460, right: 440 },
};
let count = 0;
const shaft = (
  length: number,
  more: Partial<PartOffer> = {},
  size: Record<string, number> = {},
): PartOffer => ({
  number: `WF-${(count += 1)}`,
  name: `Shaft ${length} mm`,
  kind: 'shaft',
  seller: 'Withy Shaftworks',
  price: 260,
  stock: 2,
  leadDays: 4,
  size: { length, teeth: 31, pitch: 24, journal: 38.1, holes: 5, pcd: 108, spline: 60, ...size },
  ...more,
});
const WANTED = { teeth: 31, pitch: 24, journal: 38.1, holes: 5, pcd: 108, spline: 41 };

describe('pairs of stock shafts', () => {
  it('give the width and pinion that their lengths make: 684.4 and 684.9 for 1402', () => {
    const [pair] = stockPairs([shaft(684.4), shaft(684.9), shaft(702)], WANTED, AXLE, {
      width: 1402,
      pinion: 0,
    }).pairs;
    // 792 + 684.4 − 775.4 = 701.0; 741.5 + 684.4 − 724.9 = 701.0.
    expect(pair).toMatchObject({
      width: expect.closeTo(1402, 9),
      pinion: expect.closeTo(0, 9),
      cut: { left: expect.closeTo(91, 9), right: expect.closeTo(40.5, 9) },
      price: 520,
    });
    expect(pair?.left.size['length']).toBe(684.4);
  });

  it('say why the others were refused, and how many', () => {
    const offers = [
      shaft(684.4),
      shaft(684.4, {}, { teeth: 28 }),
      shaft(684.4, {}, { teeth: 35 }),
      shaft(684.4, {}, { journal: 35 }),
      shaft(684.4, {}, { pcd: 114.3 }),
      shaft(684.4, {}, { spline: 30 }),
      shaft(760),
      shaft(430),
    ];
    const { of, passed, refused } = stockPairs(offers, WANTED, AXLE, { width: 1402 });
    expect([of, passed]).toEqual([8, 3]);
    expect(refused).toEqual({
      'another tooth count': 2,
      'another bearing journal': 1,
      'another flange pattern': 1,
      'a spline too short': 1,
      // 760 is 35.1 longer than the right one in now, and 430 leaves 446.6 and 446.6.
      'longer than the right side': 1,
      'too short, left': 1,
    });
  });

  it('hold retention, bearing and seal to the housing end, and leave open what a seller does not say', () => {
    const end = { retention: 1, bearingOut: 80, bearingWide: 18, seal: 38.1 };
    const wanted = {
      ...WANTED,
      retention: 'cClip',
      bearingBore: 80.02,
      bearingRoom: 18.4,
      sealJournal: 38.02,
    } as const;
    const offers = [
      shaft(684.4, {}, end),
      shaft(684.9, {}, { retention: 1 }),
      shaft(684.4),
      shaft(684.4, {}, { ...end, retention: 2 }),
      shaft(684.4, {}, { ...end, bearingOut: 72 }),
      shaft(684.4, {}, { ...end, bearingWide: 20.2 }),
      shaft(684.4, {}, { ...end, seal: 41.1 }),
    ];
    const { passed, refused } = stockPairs(offers, wanted, AXLE, { width: 1402 });
    expect(passed).toBe(2);
    expect(refused).toEqual({
      // One of them does not say.
      'another retention': 2,
      'a bearing of another outside': 1,
      'a bearing too wide': 1,
      'another seal journal': 1,
    });
  });

  it('take another pattern where it can be drilled, and rather one that need not be', () => {
    const other = shaft(684.4, { price: 40 }, { pcd: 120 });
    const own = shaft(684.4);
    const can = ({ pcd }: PartOffer['size']) => pcd === 120;
    const alone = stockPairs([other], WANTED, AXLE, { width: 1402 }, can);
    expect(alone.pairs[0]?.drill).toEqual({ left: true, right: true });
    expect(stockPairs([other], WANTED, AXLE, { width: 1402 }).refused).toEqual({ 'another flange pattern': 1 });
    const [best] = stockPairs([other, own], WANTED, AXLE, { width: 1402 }, can).pairs;
    expect([best?.left, best?.drill]).toEqual([own, { left: false, right: false }]);
  });

  it('take what is on the shelf before what is cheap, among widths that are alike', () => {
    const dear = shaft(684.4, { price: 340 });
    const gone = shaft(684.6, { price: 90, stock: 0, leadDays: 20 });
    const [first] = stockPairs([dear, gone], WANTED, AXLE, { width: 1402 }).pairs;
    expect([first?.left, first?.right]).toEqual([dear, dear]);
    // One on the shelf is no pair of two alike.
    const single = { ...dear, stock: 1 };
    const { pairs } = stockPairs([single], WANTED, AXLE, { width: 1402 });
    expect(pairs[0]?.stocked).toBe(false);
  });

  it.each([
    ['the cheaper', { price: 244 }, { price: 251 }],
    ['the one that comes sooner, at one price', { leadDays: 3 }, { leadDays: 9 }],
  ])('take %s of two that are alike, whichever is listed first', (_, better, other) => {
    const [one, two] = [shaft(684.4, better), shaft(684.4, other)];
    for (const offers of [
      [one, two],
      [two, one],
    ]) {
      const [best] = stockPairs(offers, WANTED, AXLE, { width: 1402, pinion: 0 }).pairs;
      expect([best?.left.number, best?.right.number]).toEqual([one.number, one.number]);
    }
  });

  it('give one of each where two of one length lie on the shelf apart', () => {
    const [a, b] = [shaft(684.4, { stock: 1, price: 90 }), shaft(684.4, { stock: 1, price: 120 })];
    const [first] = stockPairs([a, b], WANTED, AXLE, { width: 1402 }).pairs;
    expect(first?.stocked).toBe(true);
    expect([first?.left.number, first?.right.number].sort()).toEqual([a.number, b.number].sort());
  });

  it('refuse a journal that its bearing would turn on: 0.055 under, where 0.03 may be worn', () => {
    const asked = { ...WANTED, journal: 35.02, journalUnder: 0.03 };
    const thin = shaft(684.4, {}, { journal: 34.965 });
    expect(stockPairs([thin], asked, AXLE, { width: 1402 }).refused).toEqual({
      'a journal under its bearing’s bore': 1,
    });
    expect(stockPairs([shaft(684.4, {}, { journal: 34.99 })], asked, AXLE, { width: 1402 }).passed).toBe(1);
  });

  it('name what comes nearest where there is no pair, and what it falls short by', () => {
    const far = shaft(684.4, {}, { teeth: 26 });
    const seal = shaft(684.4, { price: 70 }, { seal: 44 });
    const long = shaft(790);
    const { pairs, nearest } = stockPairs([far, seal, long], { ...WANTED, sealJournal: 38.1 }, AXLE, {
      width: 1402,
    });
    expect(pairs).toEqual([]);
    expect(nearest.map(({ offer, why }) => [offer.number, why])).toEqual([
      [long.number, 'longer than the left side, longer than the right side'],
      [seal.number, 'another seal journal'],
      [far.number, 'another tooth count'],
    ]);
    expect(stockPairs([shaft(684.4)], WANTED, AXLE, { width: 1402 }).nearest).toEqual([]);
  });

  it('put the pinion where it is wanted', () => {
    const offers = [shaft(696.4), shaft(672.4), shaft(684.4)];
    const [pair] = stockPairs(offers, WANTED, AXLE, { width: 1402, pinion: -12 }).pairs;
    // Left 792 + 696.4 − 775.4 = 713, right 741.5 + 672.4 − 724.9 = 689: (689 − 713)/2.
    expect(pair?.pinion).toBeCloseTo(-12, 9);
  });

  it('find nothing nearer by trying every pair by itself', () => {
    const length = fc.integer({ min: 880, max: 1500 }).map((n) => n / 2);
    fc.assert(
      fc.property(fc.array(length, { minLength: 1, maxLength: 40 }), spread(1000, 1500), (lengths, width) => {
        const { pairs } = stockPairs(
          lengths.map((l) => shaft(l)),
          WANTED,
          AXLE,
          { width },
        );
        const halves = (own: number, half: number, least: number) =>
          lengths.map((l) => half + l - own).filter((h) => h <= half && h >= least);
        const left = halves(775.4, 792, 460);
        const right = halves(724.9, 741.5, 440);
        const offs = left.flatMap((l) => right.map((r) => Math.abs(l + r - width)));
        if (offs.length === 0) expect(pairs).toEqual([]);
        else {
          const found = Math.abs((pairs[0]?.width ?? Infinity) - width);
          expect(found).toBeLessThanOrEqual(Math.min(...offs) + WIDTH_STEP);
        }
      }),
    );
  });
});
