import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allFigures, evaluate } from '../evaluate';
import type { Brief, Plan } from '../plan';
import { reading, workedPlan } from '../testing/plans';
import { engineSideTorque } from './axle-torque';
import { rearLoad, tractionTorque } from './rear-load';

const car: Record<string, ReturnType<typeof reading>> = {
  'brief.mass': reading('scale', 1020),
  'brief.front': reading('scale', 556),
  'brief.rear': reading('scale', 466),
  'brief.wheelbase': reading('tape', 2450),
  'brief.cgHeight': reading('chosen', 510),
  'brief.tyreDiameter': reading('tape', 600),
  'brief.torque': reading('chosen', 420),
  'brief.axleRatio': reading('chosen', 3.91),
};
const plan = (brief: Partial<Brief> = {}, readings = {}): Plan => {
  const base = workedPlan({ ...car, ...readings });
  return {
    ...base,
    brief: { ...base.brief, gears: [2.92, 1.91, 1.34, 1], differential: 'limitedSlip', ...brief },
  };
};
const value = (p: Plan, id: string): number | undefined => allFigures(evaluate(p)).get(id)?.value;

describe('engine side', () => {
  it('multiplies through converter, gear, axle, efficiency, share and shock', () => {
    // 420 · 2.92 · 3.91 · 0.9 · 0.75 · 1.3, worked with paper and pencil.
    expect(value(plan(), 'brief.engineSide')).toBeCloseTo(4207.81, 1);
    expect(value(plan({ launch: 'hard', differential: 'locked' }), 'brief.engineSide')).toBeCloseTo(7768.26, 1);
    expect(value(plan({ launch: 'rolling', differential: 'open' }), 'brief.engineSide')).toBeCloseTo(
      2157.85,
      1,
    );
    expect(value(plan({}, { 'brief.stall': reading('chosen', 2.1) }), 'brief.engineSide')).toBeCloseTo(
      8836.4,
      0,
    );
  });

  it('takes the peak of the curve where there is one', () => {
    const torqueCurve = [
      { rpm: 2200, torque: 341 },
      { rpm: 4100, torque: 402.5 },
      { rpm: 6300, torque: 318 },
    ];
    // 402.5 / 420 of the above.
    expect(value(plan({ torqueCurve }), 'brief.engineSide')).toBeCloseTo(4032.48, 1);
    const { 'brief.torque': _, ...without } = plan().readings;
    expect(value({ ...plan({ torqueCurve }), readings: without }, 'brief.engineSide')).toBeCloseTo(4032.48, 1);
  });

  it('is in proportion to everything in it', () => {
    const part = fc.double({ min: 0.5, max: 4, noNaN: true });
    fc.assert(
      fc.property(part, part, part, part, (torque, stall, gear, axle) => {
        const base = { torque, stall, gear, axle, efficiency: 0.87, share: 0.75, shock: 1.3 };
        const once = engineSideTorque(base);
        expect(engineSideTorque({ ...base, gear: gear * 2 })).toBeCloseTo(2 * once, 6);
      }),
    );
  });
});

describe('tyre side', () => {
  it('holds what friction and the load thrown back allow', () => {
    // W 10022.4 N, a_f 1117.12 mm, arm 2450 − 1.1·510 = 1889 mm: 5927.1 N; one tyre at 291 mm.
    expect(value(plan(), 'brief.rearLoad')).toBeCloseTo(5927.1, 0);
    expect(value(plan(), 'brief.tractionSide')).toBeCloseTo(948.6, 0);
  });

  it('agrees with stepping the acceleration until the load no longer changes', () => {
    const v = { mass: 1180, frontToCg: 1390, wheelbase: 2610, cgHeight: 560, friction: 1.4 };
    const weight = v.mass * 9.80665;
    let load = (weight * v.frontToCg) / v.wheelbase;
    for (let i = 0; i < 200; i += 1)
      load = (weight * v.frontToCg + v.friction * load * v.cgHeight) / v.wheelbase;
    expect(rearLoad(v)).toBeCloseTo(load, 6);
  });

  it('never has more than the whole car on it', () => {
    const light = { mass: 700, frontToCg: 1500, wheelbase: 2200, cgHeight: 640, friction: 2.6 };
    expect(rearLoad(light)).toBeCloseTo(700 * 9.80665, 6);
    expect(rearLoad({ ...light, cgHeight: 900 })).toBeCloseTo(700 * 9.80665, 6);
    expect(() => rearLoad({ ...light, wheelbase: 0 })).toThrow(RangeError);
    expect(tractionTorque(2963.5, 291, 1.1)).toBeCloseTo(948.6, 1);
  });
});

describe('demand', () => {
  it('is the lesser side, and says which governs', () => {
    const tyre = evaluate(plan()).brief;
    expect(tyre.governs).toBe('tyre');
    expect(tyre.demand?.value).toBe(tyre.tractionSide?.value);
    const weak = evaluate(plan({}, { 'brief.torque': reading('chosen', 61) })).brief;
    expect(weak.governs).toBe('engine');
    expect(weak.demand?.value).toBe(weak.engineSide?.value);
  });

  it('waits for what it lacks and names it', () => {
    const { 'brief.tyreDiameter': _, ...readings } = plan().readings;
    const results = evaluate({ ...plan(), readings });
    expect(results.brief.demand).toBeUndefined();
    expect(results.brief.engineSide).toBeDefined();
    expect(results.decisions.find((d) => d.id === 'torque')?.lacks).toEqual(['brief.tyreDiameter']);
    expect(evaluate(plan({ gears: [] })).brief.engineSide).toBeUndefined();
  });

  it('cautions where the axle loads do not make up the mass', () => {
    const check = (p: Plan) => evaluate(p).checks.find((c) => c.id === 'brief.weights');
    expect(check(plan())).toMatchObject({ level: 'ok' });
    const off = check(plan({}, { 'brief.front': reading('scale', 521) }));
    expect(off).toMatchObject({ level: 'caution', figure: { value: -33, unit: 'kg' } });
  });
});
