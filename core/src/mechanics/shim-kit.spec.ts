import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shimPack, ShimDeals, shimPacks, TOTAL_KEPT } from './shim-kit';

/** The best of all subsets, by trying each. */
function tried(wanted: number, kit: readonly number[]): { off: number; count: number } {
  let best = { off: -wanted, count: 0 };
  for (let mask = 0; mask < 2 ** kit.length; mask += 1) {
    const picked = kit.filter((_, i) => mask & (1 << i));
    const off = picked.reduce((a, b) => a + b, 0) - wanted;
    const [a, b] = [Math.abs(off), Math.abs(best.off)];
    if (a < b - 1e-9 || (a < b + 1e-9 && picked.length < best.count)) best = { off, count: picked.length };
  }
  return best;
}

/** Every way of dealing a kit to two packs and the box: how far the best is over its total, and off its first pack. */
function everyDeal(kit: readonly number[], wanted: number, total: number): { over: number; off: number } {
  let [over, off] = [Infinity, Infinity];
  for (let n = 0; n < 3 ** kit.length; n += 1) {
    const sums: [number, number, number] = [0, 0, 0];
    kit.forEach((mm, i) => (sums[(Math.floor(n / 3 ** i) % 3) as 0] += mm));
    const o = Math.max(0, Math.abs(sums[0] + sums[1] - total) - TOTAL_KEPT);
    const f = Math.abs(sums[0] - wanted);
    if (o < over - 1e-9 || (o < over + 1e-9 && f < off)) [over, off] = [Math.min(o, over), f];
  }
  return { over, off };
}

describe('shims of a kit', () => {
  it('makes a thickness of the nearest sum', () => {
    const { best, off } = shimPack(0.83, [0.5, 0.3, 0.2, 0.12]);
    expect(best).toEqual([0.5, 0.2, 0.12]);
    expect(off).toBeCloseTo(-0.01, 9);
  });

  it('takes the fewest where two packs are equally near', () => {
    expect(shimPack(1, [0.6, 0.4, 1, 0.25, 0.75]).best).toEqual([1]);
  });

  it('says what the kit cannot make', () => {
    expect(shimPack(3, [0.5, 0.3])).toEqual({ best: [0.5, 0.3], off: expect.closeTo(-2.2, 9) as number });
    expect(shimPack(0.1, [])).toEqual({ best: [], off: -0.1 });
  });

  it('is the best of all, tried one by one', () => {
    const shim = fc.integer({ min: 50, max: 9000 }).map((n) => n / 10_000);
    fc.assert(
      fc.property(fc.array(shim, { maxLength: 10 }), fc.integer({ min: 0, max: 25_000 }), (kit, w) => {
        const wanted = w / 10_000;
        const [made, best] = [shimPack(wanted, kit), tried(wanted, kit)];
        expect(Math.abs(made.off)).toBeCloseTo(Math.abs(best.off), 9);
        expect(made.best.length).toBe(best.count);
        expect(made.best.reduce((a, b) => a + b, 0) - wanted).toBeCloseTo(made.off, 12);
      }),
      { seed: 5, numRuns: 200 },
    );
  });

  it('refuses a pack as thick as a hand', () => {
    expect(() => shimPack(50, [25, 25, 25])).toThrow(RangeError);
  });

  it('has the sums nearest a thickness, each once', () => {
    const packs = shimPacks(0.83, [0.5, 0.3, 0.2, 0.12]);
    expect(packs[0]?.off).toBeCloseTo(-0.01, 9);
    const sums = packs.map(({ best }) => best.reduce((a, b) => a + b, 0));
    expect(new Set(sums.map((s) => s.toFixed(4))).size).toBe(sums.length);
    packs.forEach(({ off }, i) => expect(off).toBeCloseTo((sums[i] ?? NaN) - 0.83, 9));
  });

  it('deals them into two packs as the best of every way of dealing', () => {
    const shim = fc.integer({ min: 4, max: 120 }).map((n) => n / 80);
    const run = fc.property(
      fc.array(shim, { minLength: 1, maxLength: 7 }),
      fc.integer({ min: 0, max: 240 }),
      fc.integer({ min: 0, max: 240 }),
      (kit, a, b) => {
        const [wanted, total] = [a / 97, (a + b) / 97];
        const [best] = new ShimDeals(kit, wanted, total - wanted).pairs(wanted, total);
        const used = [...(best?.first.best ?? []), ...(best?.second.best ?? [])];
        const left = [...kit];
        for (const mm of used) left.splice(left.indexOf(mm), 1);
        expect(left.length).toBe(kit.length - used.length);
        const { over, off } = everyDeal(kit, wanted, total);
        const has = Math.max(0, Math.abs(best?.totalOff ?? 9) - TOTAL_KEPT);
        expect(has).toBeCloseTo(over, 6);
        if (over === 0) expect(Math.abs(best?.first.off ?? 9)).toBeCloseTo(off, 6);
      },
    );
    fc.assert(run, { seed: 8, numRuns: 120 });
  });
});
