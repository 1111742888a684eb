import { describe, expect, it } from 'vitest';
import { adviseNext, firstShim, readTrial, type Trial } from './gear-set-up';

/** A set without noise: right at pinion 1.03, ring side 2.2; 0.7 and 0.4 of a shim go into backlash, 12 a mm across. */
function shows(pinionShim: number, ringSide: number, otherSide: number): Trial {
  const deep = pinionShim - 1.03;
  const lost = 0.7 * (ringSide - 2.2) + 0.4 * deep;
  const across = Math.max(-1, Math.min(1, 12 * deep + 1.5 * lost));
  const teeth = [0.012, -0.004, -0.012, 0.006];
  return {
    pinionShim,
    ringSide,
    otherSide,
    backlash: teeth.map((t) => 0.2 - lost + t),
    drive: { along: 3.6 * deep + lost, across },
    coast: { along: -3.6 * deep + lost, across },
  };
}

describe('a trial of a gear set', () => {
  it('is good where backlash, its range and both contacts keep their windows', () => {
    expect(readTrial(shows(1.03, 2.2, 1.9))).toEqual({
      mean: expect.closeTo(0.2005, 9) as number,
      range: expect.closeTo(0.024, 9) as number,
      good: true,
      faults: [],
    });
  });

  it.each([
    ['too much backlash', shows(1.03, 2.05, 2.05)],
    ['too little backlash', shows(1.03, 2.35, 1.75)],
    ['contact too near the face', shows(0.98, 2.2, 1.9)],
    ['contact too near the root', shows(1.08, 2.2, 1.9)],
    [
      'backlash differs too much from tooth to tooth',
      { ...shows(1.03, 2.2, 1.9), backlash: [0.15, 0.24, 0.2, 0.2] },
    ],
    ['contact too far to toe or heel', { ...shows(1.03, 2.2, 1.9), drive: { along: -0.6, across: 0 } }],
  ])('says %s', (fault, trial) => {
    expect(readTrial(trial).faults).toContain(fault);
    expect(readTrial(trial).good).toBe(false);
  });
});

describe('advice for the next trial', () => {
  it('moves the pinion toward the ring where the contact is near the face, by a twentieth of a mm a third', () => {
    const far = {
      ...shows(1.03, 2.2, 1.9),
      drive: { along: 0, across: -2 / 3 },
      coast: { along: 0, across: -2 / 3 },
    };
    const { pinionMove, pressing } = adviseNext([far]);
    expect(pinionMove).toBeCloseTo(0.05, 2);
    expect(pressing).toBe(true);
  });

  it('keeps the sum of the carrier’s shims, and with it the preload', () => {
    const trial = shows(0.9, 2.05, 2.1);
    const next = adviseNext([trial]);
    expect(next.ringSide + next.otherSide).toBeCloseTo(trial.ringSide + trial.otherSide, 9);
    expect(next.carrierMove).toBeGreaterThan(0);
  });

  it('learns what moves what, and comes to the right shims', () => {
    const trials = [shows(0.9, 2.05, 2.1)];
    for (let n = 0; n < 3; n += 1) {
      const { pinionShim, ringSide, otherSide } = adviseNext(trials);
      trials.push(shows(pinionShim, ringSide, otherSide));
    }
    expect(readTrial(trials.at(-1) as Trial).good).toBe(true);
    const last = adviseNext(trials);
    // 0.4 and 12 a mm: 2/3 of 1/12 for a third of the face; the carrier’s gain is 0.7.
    expect(last.thirdOfFace).toBeCloseTo(2 / 3 / 12, 2);
    expect(last.gain).toBeCloseTo(0.7, 1);
    expect(last.pinionShim).toBeCloseTo(1.03, 1);
  });

  it('leaves the pinion where it stands where the contact is right, and moves only the carrier', () => {
    const trial = { ...shows(1.03, 2.2, 1.9), backlash: [0.27, 0.28, 0.27, 0.28] };
    const right = { ...trial, drive: { along: 0, across: -0.15 }, coast: { along: 0, across: -0.15 } };
    const { pinionMove, pressing, carrierMove } = adviseNext([right]);
    // Less backlash by 0.075 takes the contact 0.15 to the root.
    expect(pinionMove).toBe(0);
    expect(pressing).toBe(false);
    expect(carrierMove).toBeCloseTo(0.1, 2);
  });

  it('says which shims of the kit make it, and what they miss', () => {
    const kit = { pinion: [0.5, 0.45, 0.1, 0.08, 0.05], carrier: [2, 1.5, 0.5, 0.45, 0.1, 0.08, 0.05] };
    const { packs, pinionShim } = adviseNext([shows(0.9, 2.05, 2.1)], undefined, kit);
    expect(packs.pinionShim?.best.reduce((a, b) => a + b, 0)).toBeCloseTo(
      pinionShim + (packs.pinionShim?.off ?? NaN),
      9,
    );
    expect(packs.pinionShim?.best.every((mm) => kit.pinion.includes(mm))).toBe(true);
  });

  it('puts no shim into both sides of the carrier, and takes the order that misses less', () => {
    const carrier = [2, 1.5, 0.5, 0.45, 0.1, 0.08, 0.05];
    const next = adviseNext([shows(0.9, 2.05, 2.1)], undefined, { pinion: [], carrier });
    const [ring, other] = [next.packs.ringSide, next.packs.otherSide];
    const used = [...(ring?.best ?? []), ...(other?.best ?? [])];
    expect(new Set(used).size).toBe(used.length);
    // Every way of dealing the seven shims: to one side, to the other, or left in the box.
    const ways = Array.from({ length: 3 ** carrier.length }, (_, n) => {
      const sums = [0, 0, 0];
      carrier.forEach((mm, i) => (sums[Math.floor(n / 3 ** i) % 3]! += mm));
      return Math.abs((sums[0] ?? 0) - next.ringSide) + Math.abs((sums[1] ?? 0) - next.otherSide);
    });
    const missed = Math.abs(ring?.off ?? 9) + Math.abs(other?.off ?? 9);
    // One side after the other is near the best of all, if not always it.
    expect(missed).toBeLessThan(Math.min(...ways) + 0.06);
    expect(next.packs.pinionShim).toBeUndefined();
  });

  it('refuses to advise from nothing', () => {
    expect(() => adviseNext([])).toThrow(RangeError);
    expect(firstShim(0.84, 0.05, -0.03)).toBeCloseTo(0.92, 9);
  });
});
