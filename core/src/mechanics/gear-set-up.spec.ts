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

  const KIT = {
    pinion: [0.5, 0.45, 0.1, 0.08, 0.05],
    carrier: [2, 1.5, 0.5, 0.45, 0.3, 0.3, 0.1, 0.1, 0.08, 0.05, 0.05],
  };

  it('says which shims of the kit make it, and what they miss of what would be right', () => {
    const { packs, pinionShim, pinionMove, wanted } = adviseNext([shows(0.9, 2.05, 2.1)], undefined, KIT);
    const made = packs.pinionShim?.best.reduce((a, b) => a + b, 0) ?? NaN;
    expect(made).toBeCloseTo(pinionShim, 9);
    expect(packs.pinionShim?.off).toBeCloseTo(made - wanted.pinionShim, 9);
    expect(pinionMove).toBeCloseTo(made - 0.9, 9);
    expect(packs.pinionShim?.best.every((mm) => KIT.pinion.includes(mm))).toBe(true);
  });

  it('keeps the total of the carrier with the shims there are, none in both sides', () => {
    const { packs, totalOff, ringSide, otherSide } = adviseNext([shows(0.9, 2.05, 2.1)], undefined, KIT);
    const used = [...(packs.ringSide?.best ?? []), ...(packs.otherSide?.best ?? [])];
    expect(ringSide + otherSide).toBeCloseTo(4.15 + totalOff, 9);
    expect(Math.abs(totalOff)).toBeLessThanOrEqual(0.0101);
    const left = [...KIT.carrier];
    for (const mm of used) {
      expect(left).toContain(mm);
      left.splice(left.indexOf(mm), 1);
    }
    // The carrier goes where the pinion that can be had wants it, not where the ideal one would.
    expect(Math.abs(packs.ringSide?.off ?? 9)).toBeLessThan(0.05);
  });

  it('never advises what is in, nor what was tried, presses no bearing for nothing, and says what to buy', () => {
    const coarse = { pinion: [1], carrier: [2, 1.9] };
    const first = shows(1, 2, 1.9);
    const advice = adviseNext([first], undefined, coarse);
    expect(advice).toMatchObject({ pinionShim: 1, ringSide: 2, otherSide: 1.9, pressing: false, packs: {} });
    expect(advice.stuck?.why).toBe('kit');
    // With the pinion wanted some hundredths thicker, and the carrier some tenths toward the pinion.
    const { ringSide = NaN, otherSide } = advice.stuck?.buy ?? {};
    expect(advice.wanted.ringSide).toBeGreaterThan(2.1);
    expect(ringSide + 2).toBeCloseTo(advice.wanted.ringSide, 9);
    expect(otherSide).toBeUndefined();
    // Shims that make what was tried before are no advice either.
    const once = adviseNext([first, shows(1, 1.9, 2)], undefined, coarse);
    expect(once.stuck).toBeDefined();
  });

  it('says where no shim mends it: teeth that differ round the ring', () => {
    const trial = { ...shows(1.03, 2.2, 1.9), backlash: [0.15, 0.25, 0.2, 0.2] };
    expect(readTrial(trial).good).toBe(false);
    expect(adviseNext([trial], undefined, KIT).stuck).toEqual({ why: 'notShims', buy: {} });
  });

  it('refuses to advise from nothing', () => {
    expect(() => adviseNext([])).toThrow(RangeError);
    expect(firstShim(0.84, 0.05, -0.03)).toBeCloseTo(0.92, 9);
  });
});
