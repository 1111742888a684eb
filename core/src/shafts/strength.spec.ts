import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bearingMoment, journalStress, shaftTwist, splinePressure } from './index';

describe('twist of a shaft', () => {
  it('is 18.24° for 700 mm of 33 mm at 4200 N·m', () => {
    expect((shaftTwist(4200, [{ length: 700, diameter: 33 }]) * 180) / Math.PI).toBeCloseTo(18.24, 2);
  });

  it('adds its pieces up, and the thin ones twist most: 41 mm of 31.38 in the middle of it', () => {
    const stepped = shaftTwist(949, [
      { length: 612.5, diameter: 33 },
      { length: 41, diameter: 31.38 },
    ]);
    const long = shaftTwist(949, [{ length: 612.5, diameter: 33 }]);
    const thin = shaftTwist(949, [{ length: 41, diameter: 31.38 }]);
    expect(stepped).toBeCloseTo(long + thin, 12);
    // (33/31.38)⁴ = 1.22305.
    expect(thin / shaftTwist(949, [{ length: 41, diameter: 33 }])).toBeCloseTo(1.22305, 4);
  });

  it('grows with length and torque, and refuses no diameter', () => {
    const any = fc.double({ min: 1, max: 900, noNaN: true });
    fc.assert(
      fc.property(any, any, (length, torque) => {
        const one = shaftTwist(torque, [{ length, diameter: 29.7 }]);
        expect(shaftTwist(3 * torque, [{ length: 2 * length, diameter: 29.7 }]) / one).toBeCloseTo(6, 8);
      }),
    );
    expect(() => shaftTwist(949, [{ length: 20, diameter: 0 }])).toThrow(RangeError);
  });
});

describe('spline', () => {
  it('presses by half its teeth (by hand: 8.4e6 / (32.8083 · 15.5 · 38 · 0.9525))', () => {
    expect(splinePressure({ torqueNm: 4200, teeth: 31, pitch: 24, engaged: 38 })).toBeCloseTo(456.37, 1);
  });

  it('refuses one without length', () => {
    expect(() => splinePressure({ torqueNm: 4200, teeth: 31, pitch: 24, engaged: 0 })).toThrow(
      'length that engages',
    );
  });
});

describe('bearing of a semi-float shaft', () => {
  const load = { vertical: 3600, side: 2900, arm: 62, radius: 303, torqueNm: 949 };

  it('bends by load and side force: 3600 · 0.062 + 2900 · 0.303', () => {
    expect(bearingMoment(load)).toBeCloseTo(1101.9, 6);
    // A push the other way bends it the other way, no less.
    expect(bearingMoment({ ...load, side: -2900 })).toBeCloseTo(1101.9, 6);
  });

  it('stresses bending and torsion together (by hand for 35 mm: σ 261.8, τ 112.7)', () => {
    // 32·1101.9e3/(π·42875) = 261.79; 16·949e3/(π·42875) = 112.73; √(261.79² + 3·112.73²) = 326.6.
    expect(journalStress(load, 35)).toBeCloseTo(326.6, 0);
    expect(journalStress({ ...load, torqueNm: 0 }, 35)).toBeCloseTo(261.79, 1);
    expect(() => journalStress(load, 0)).toThrow(RangeError);
  });
});
