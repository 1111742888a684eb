import { inMm } from '../../testing/in-mm';
import { axle } from './figures/axle';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../evaluate';
import { reading, workedPlan } from '../../testing/plans';
import { spread } from '../../testing/spread';

const donor = (readings: Record<string, ReturnType<typeof reading>>) => evaluate(workedPlan(readings));
const check = (readings: Record<string, ReturnType<typeof reading>>, id: string) =>
  donor(readings).checks.find((c) => c.id === id);

describe('donor', () => {
  it('finds width and pinion from both halves', () => {
    const { width, pinion } = donor({}).of(axle);
    expect(width?.value).toBeCloseTo(1533.5, 9);
    expect(pinion?.value).toBeCloseTo(-25.25, 9);
  });

  it('keeps the pinion’s side whatever the halves are', () => {
    const mm = spread(300, 1300);
    fc.assert(
      fc.property(mm, mm, (left, right) => {
        const { pinion } = donor({
          'donor.half.left': reading('tape', left),
          'donor.half.right': reading('tape', right),
        }).of(axle);
        // A longer left half puts the axle's middle to the left of the pinion: the pinion lies to the right.
        expect(Math.sign(pinion?.value ?? 0)).toBe(Math.sign(right - left));
      }),
    );
  });

  it('closes each side on its parts: 127.98 + 588 + 76 against 792', () => {
    expect(donor({}).of(axle).closure.left?.value).toBeCloseTo(-0.02, 9);
    const off = { 'donor.brakeSpace.left': reading('caliper', 71.3) };
    expect(donor(off).of(axle).closure.left?.value).toBeCloseTo(-4.72, 9);
    expect(check(off, 'donor.closure.left')).toMatchObject({
      level: 'stop',
      stage: 'donor',
      contradicts: ['donor.casting.left', 'donor.tube.left', 'donor.brakeSpace.left', 'donor.half.left'],
    });
    expect(check(off, 'donor.closure.right')).toMatchObject({ level: 'ok' });
  });

  it('contradicts itself beyond what the readings can tell, though its limit is 2: 1.87 known to 1.31', () => {
    const near = check({ 'donor.brakeSpace.left': reading('caliper', 77.89) }, 'donor.closure.left');
    expect(near?.figure?.value).toBeCloseTo(1.87, 9);
    // U of two tapes and two calipers: 2·√((2·0.8² + 2·0.02²)/3).
    expect(near?.level).toBe('stop');
    expect(inMm(near?.reason ?? '')).toContain('known to ± 1.31 mm');
    // 1.24 apart is what two tapes may be.
    expect(check({ 'donor.brakeSpace.left': reading('caliper', 77.26) }, 'donor.closure.left')?.level).toBe(
      'ok',
    );
    const seen = { 'donor.tube.left': reading('seen', 591.1) };
    // 3.08 off, but a look explains 2.5.
    expect(check(seen, 'donor.closure.left')?.level).toBe('stop');
    expect(check({ 'donor.tube.left': reading('seller', 591.1) }, 'donor.closure.left')?.level).toBe('caution');
  });

  it('compares both halves with the width read across', () => {
    const across = { 'donor.width': reading('tape', 1537.2) };
    expect(donor(across).of(axle).widthClosure?.value).toBeCloseTo(-3.7, 9);
  });

  it('holds the measured spline against the standard: 31/24 has 33.867 mm', () => {
    expect(donor({ 'donor.splineMajor': reading('caliper', 33.81) }).of(axle).splineOff?.value).toBeCloseTo(
      -0.0567,
      3,
    );
    expect(check({ 'donor.splineMajor': reading('caliper', 33.81) }, 'donor.spline')).toMatchObject({
      level: 'ok',
    });
    // 35 teeth have 38.1 mm: the count was wrong.
    expect(check({ 'donor.splineMajor': reading('caliper', 38.06) }, 'donor.spline')?.level).not.toBe('ok');
  });
});
