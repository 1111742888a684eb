import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../evaluate';
import { standardUncertainty } from '../../measure';
import { reading, workedPlan } from '../../testing/plans';
import { absoluteAngle, angleAgainst, slopeAfterRoll } from './relative-angle';
import { angles, room } from './figures/car';
import { spread } from '../../testing/spread';

const deg = Math.PI / 180;
const gauge = (degrees: number, zeroedOn?: string) => ({
  ...reading('angleGauge', degrees * deg),
  ...(zeroedOn ? { zeroedOn } : {}),
});
const read = (readings: Parameters<typeof workedPlan>[0]) => evaluate(workedPlan(readings));

describe('relative angles', () => {
  it('add up along what the gauge was zeroed on: flat 1.4°, pinion −3.2° on it, perch 2.5° on the pinion', () => {
    const results = read({
      'donor.angle.flat': gauge(1.4),
      'donor.angle.pinion': gauge(-3.2, 'donor.angle.flat'),
      'donor.angle.perch.left': gauge(2.5, 'donor.angle.pinion'),
    });
    const slope = (id: string) => (results.of(angles).find((a) => a.id === id)?.slope?.value ?? 0) / deg;
    expect(slope('donor.angle.flat')).toBeCloseTo(1.4, 9);
    expect(slope('donor.angle.pinion')).toBeCloseTo(-1.8, 9);
    expect(slope('donor.angle.perch.left')).toBeCloseTo(0.7, 9);
    // Three gauge readings of ±0.1° each: 0.1/√3·√3.
    const perch = results.of(angles).find((a) => a.id === 'donor.angle.perch.left')?.slope;
    expect(perch && standardUncertainty(perch) / deg).toBeCloseTo(0.1, 9);
  });

  it('say which zero is missing, and refuse a ring of zeros by name', () => {
    const lacking = read({ 'angle.pinion': gauge(-3.2, 'angle.flat') });
    expect(lacking.of(angles)[0]).toMatchObject({
      trouble: expect.stringContaining('flat of the old casting'),
    });
    const ring = read({
      'angle.flat': gauge(0.7, 'angle.perch.right'),
      'angle.pinion': gauge(-3.2, 'angle.flat'),
      'angle.perch.right': gauge(2.1, 'angle.pinion'),
    });
    expect(ring.of(angles).every((a) => a.slope === undefined)).toBe(true);
    expect(ring.checks.find((c) => c.id === 'angle.angle.pinion')).toMatchObject({
      level: 'caution',
      reason: expect.stringContaining('itself'),
    });
  });

  it('stay true when the axle is rolled: whatever the flat shows then, perch against pinion is the same', () => {
    const any = spread(-0.9, 0.9);
    fc.assert(
      fc.property(any, any, any, any, (pinion, perch, flat, flatNow) => {
        const before = angleAgainst(perch, pinion);
        const after = angleAgainst(slopeAfterRoll(perch, flat, flatNow), slopeAfterRoll(pinion, flat, flatNow));
        expect(after).toBeCloseTo(before, 12);
      }),
    );
  });

  it('convert both ways', () => {
    const readings = { flat: { shown: 0.0213 }, perch: { shown: -0.0471, zeroedOn: 'flat' } };
    const found = absoluteAngle('perch', readings);
    expect(found).toMatchObject({ status: 'known', chain: ['perch', 'flat'] });
    const slope = found.status === 'known' ? found.rad : Number.NaN;
    expect(slope).toBeCloseTo(-0.0258, 12);
    expect(angleAgainst(slope, 0.0213)).toBeCloseTo(-0.0471, 12);
  });
});

describe('wheel room', () => {
  it('is the lip less the furthest-out thing inboard, side by side: 724.5 − 512.3 and 719.1 − 498.8', () => {
    const found = read({
      'room.in.ride.low.left': reading('tape', 489.2),
      'room.in.ride.axle.left': reading('tape', 512.3),
      'room.out.ride.left': reading('tape', 724.5),
      'room.in.bump.top.right': reading('tape', 498.8),
      'room.out.bump.right': reading('tape', 719.1),
    });
    expect(found.of(room).map((r) => [r.side, r.pose, r.height, Number(r.width.value.toFixed(6))])).toEqual([
      ['left', 'ride', 'axle', 212.2],
      ['right', 'bump', 'top', 220.3],
    ]);
  });
});
