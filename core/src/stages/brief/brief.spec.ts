import { describe, expect, it } from 'vitest';
import { allFigures, evaluate } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, workedPlan } from '../../testing/plans';
import type { Brief } from './choices';
import { torque } from './figures/torque';

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
});

/** The same by stepping: the load thrown back until nothing changes, then the driveshaft’s torque on one tyre. */
function stepped(v: { mu: number; hop: number; pull: number; track: number; ratio: number }) {
  const [weight, back, arm, h] = [1022 * 9.80665, (466 / 1022) * 2450, 2450, 510];
  let load = (weight * back) / arm;
  for (let n = 0; n < 200; n += 1) load = Math.min(weight, (weight * back + v.mu * load * h) / arm);
  const radius = 0.97 * 300;
  const held = (v.mu * load * radius * v.hop) / 1000 / v.ratio;
  const more = (Math.min(held, v.pull) * 1000) / v.track;
  return { load, torque: (v.mu * (load / 2 + more) * radius * v.hop) / 1000 };
}

describe('tyre side', () => {
  it('holds what friction, the load thrown back, hop and the driveshaft’s torque allow', () => {
    // A road tyre, μ 1.0; a standing start, hop 1.1. W 10022.4 N, a_f 1117.12 mm, arm 2450 − 510 = 1940: 5771.3 N.
    expect(value(plan(), 'brief.rearLoad')).toBeCloseTo(5771.3, 0);
    // Driveshaft: both tyres hold 1.0·5771.3·0.291·1.1/3.91 = 472.5 N·m, on a track of 1402: 337.0 N on one tyre.
    expect(value(plan(), 'brief.reaction')).toBeCloseTo(337.0, 0);
    // (2885.6 + 337.0)·0.291·1.1.
    expect(value(plan(), 'brief.tractionSide')).toBeCloseTo(1031.6, 0);
    expect(evaluate(plan()).of(torque).tractionSide?.assumed['stance.track']?.why).toContain('offset');
  });

  it('agrees with stepping the acceleration until the load no longer changes', () => {
    const strip = plan({ use: 'strip', launch: 'hard' }, { 'wheel.et': reading('chosen', 31) });
    const pull = 420 * 2.92 * 0.9 * 1.8;
    const by = stepped({ mu: 2, hop: 1.25, pull, track: 1340, ratio: 3.91 });
    expect(value(strip, 'brief.rearLoad')).toBeCloseTo(by.load, 3);
    expect(value(strip, 'brief.tractionSide')).toBeCloseTo(by.torque, 3);
  });

  it('takes friction by the use and hop by the launch, each shown as assumed', () => {
    const by = (brief: Partial<Brief>) => evaluate(plan(brief)).of(torque).tractionSide?.assumed;
    expect(by({ use: 'strip' })?.['brief.friction']).toMatchObject({ value: 2 });
    expect(by({ use: 'trail' })?.['brief.friction']).toMatchObject({ value: 0.8 });
    expect(by({ launch: 'hard' })?.['brief.hop']).toMatchObject({ value: 1.25 });
    expect(value(plan({ use: 'strip' }), 'brief.tractionSide')).toBeGreaterThan(
      2 * (value(plan(), 'brief.tractionSide') ?? 0),
    );
    // Once the tyre governs, a harder launch still loads it harder.
    const hard = evaluate(plan({ launch: 'hard' })).of(torque);
    expect(hard.governs).toBe('tyre');
    expect(hard.demand?.value).toBeGreaterThan(evaluate(plan()).of(torque).demand?.value ?? Infinity);
  });

  it('leaves both tyres alike where springs take the driveshaft’s torque', () => {
    const base = plan();
    const sprung = { ...base, choices: { ...base.choices, reaction: 'springs' as const } };
    expect(value(sprung, 'brief.reaction')).toBe(0);
    // 2885.6·0.291·1.1.
    expect(value(sprung, 'brief.tractionSide')).toBeCloseTo(923.7, 0);
  });

  it('never has more than the whole car on it', () => {
    const lifting = { 'brief.friction': reading('chosen', 2.9), 'brief.cgHeight': reading('chosen', 860) };
    expect(value(plan({}, lifting), 'brief.rearLoad')).toBeCloseTo(1022 * 9.80665, 6);
  });
});

describe('demand', () => {
  it('is the lesser side, and says which governs', () => {
    const tyre = evaluate(plan()).of(torque);
    expect(tyre.governs).toBe('tyre');
    expect(tyre.demand?.value).toBe(tyre.tractionSide?.value);
    const weak = evaluate(plan({}, { 'brief.torque': reading('chosen', 61) })).of(torque);
    expect(weak.governs).toBe('engine');
    expect(weak.demand?.value).toBe(weak.engineSide?.value);
  });

  it('waits for what it lacks and names it', () => {
    const { 'brief.tyreDiameter': _, ...readings } = plan().readings;
    const results = evaluate({ ...plan(), readings });
    expect(results.of(torque).demand).toBeUndefined();
    expect(results.of(torque).engineSide).toBeDefined();
    expect(results.decisions.find((d) => d.id === 'torque')?.lacks).toEqual(['brief.tyreDiameter']);
    expect(evaluate(plan({ gears: [] })).of(torque).engineSide).toBeUndefined();
  });

  it('stops where the axle loads contradict the mass', () => {
    const check = (p: Plan) => evaluate(p).checks.find((c) => c.id === 'brief.weights');
    expect(check(plan())).toMatchObject({ level: 'ok' });
    const off = check(plan({}, { 'brief.front': reading('scale', 521) }));
    expect(off).toMatchObject({ level: 'stop', figure: { value: -33, unit: 'kg' } });
  });
});
