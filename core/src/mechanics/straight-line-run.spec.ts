import { describe, expect, it } from 'vitest';
import { inputRpm, pullAt, speedAt, torqueAt, type RunCar } from './pull';
import { straightLineRun } from './straight-line-run';

const G = 9.80665;
/** Nothing holds it back, and nothing turns. */
const BARE: RunCar = {
  mass: 1000,
  rearShare: 0.5,
  wheelbase: 2.5,
  cgHeight: 0.5,
  friction: 1,
  driven: 'all',
  dragArea: 0,
  air: 1.2,
  rolling: 0,
  radius: 0.3,
  wheelInertia: 0,
  engineInertia: 0,
  curve: [
    { rpm: 0, torque: 5000 },
    { rpm: 60_000, torque: 5000 },
  ],
  limit: 60_000,
  coupling: { kind: 'clutch', rpm: 100 },
  gears: [1],
  axleRatio: 4,
  efficiency: 1,
  grade: 0,
};
const RUN = { distance: 402.336, shiftRpm: 59_000, shiftTime: 0 };

describe('a run against closed forms', () => {
  it('of constant traction', () => {
    const { end, last, spins, splits } = straightLineRun(BARE, { ...RUN, splits: [100.584] });
    expect(end).toBe('finished');
    expect(last.t).toBeCloseTo(Math.sqrt((2 * 402.336) / G), 6);
    expect(last.v).toBeCloseTo(Math.sqrt(2 * G * 402.336), 6);
    expect(splits[0]?.t).toBeCloseTo(Math.sqrt((2 * 100.584) / G), 6);
    expect(spins).toHaveLength(1);
  });

  it('of traction with the load that moves back: a = μ·a_f·g/(L − μh)·L', () => {
    const car: RunCar = { ...BARE, driven: 'rear', friction: 0.9, rearShare: 0.44 };
    // N = 0.44·m·g·2.5/(2.5 − 0.45); a = 0.9·N/m.
    const a = (0.9 * 0.44 * G * 2.5) / 2.05;
    expect(straightLineRun(car, RUN).last.t).toBeCloseTo(Math.sqrt((2 * 402.336) / a), 6);
    // With so much grip that the front wheels lift, all of the weight pushes.
    expect(pullAt({ ...car, friction: 3 }, 0, 1).acceleration).toBeCloseTo(3 * G, 9);
  });

  it('of constant power from a speed: ½m(v² − v₀²) = P·t and m(v³ − v₀³) = 3·P·x', () => {
    const P = 150_000;
    const curve = Array.from({ length: 2001 }, (_, i) => {
      const rpm = 400 + 5 * i;
      return { rpm, torque: P / ((rpm * Math.PI) / 30) };
    });
    const car: RunCar = { ...BARE, friction: 3, curve, limit: 10_400 };
    const [v0, x] = [12, 300];
    const { last } = straightLineRun(car, { ...RUN, distance: x, startSpeed: v0 });
    const v = Math.cbrt(v0 ** 3 + (3 * P * x) / 1000);
    expect(last.v / v).toBeCloseTo(1, 4);
    expect(last.t / ((1000 * (v * v - v0 * v0)) / 2 / P)).toBeCloseTo(1, 4);
  });

  it('of constant traction up a hill and against rolling resistance', () => {
    const car: RunCar = { ...BARE, grade: 0.12, rolling: 0.015 };
    const c = 1 / Math.hypot(1, 0.12);
    const a = G * c * (1 - 0.12 - 0.015);
    expect(straightLineRun(car, RUN).last.t).toBeCloseTo(Math.sqrt((2 * 402.336) / a), 5);
  });

  it('of drag against a constant push: v = v_∞·tanh(…)', () => {
    const car: RunCar = {
      ...BARE,
      friction: 3,
      curve: [
        { rpm: 0, torque: 150 },
        { rpm: 60_000, torque: 150 },
      ],
      dragArea: 0.8,
      coupling: { kind: 'clutch', rpm: 0 },
    };
    const F = (150 * 4) / 0.3;
    const k = 0.5 * 1.2 * 0.8;
    const v = Math.sqrt((F / k) * (1 - Math.exp((-2 * k * 402.336) / 1000)));
    expect(straightLineRun(car, RUN).last.v).toBeCloseTo(v, 5);
  });

  it('counts what turns as mass', () => {
    const car: RunCar = {
      ...BARE,
      friction: 3,
      curve: [
        { rpm: 0, torque: 150 },
        { rpm: 60_000, torque: 150 },
      ],
      wheelInertia: 3.6,
      engineInertia: 0.2,
      coupling: { kind: 'clutch', rpm: 0 },
    };
    // 3.6/0.3² = 40 kg; 0.2·4²/0.3² = 35.56 kg.
    expect(pullAt(car, 0, 5).acceleration).toBeCloseTo(2000 / (1000 + 40 + 35.5556), 4);
  });
});

describe('how a run is driven', () => {
  const curve = [
    { rpm: 1000, torque: 180 },
    { rpm: 4000, torque: 260 },
    { rpm: 7000, torque: 190 },
  ];
  const car: RunCar = {
    ...BARE,
    curve,
    limit: 7000,
    friction: 1.1,
    driven: 'rear',
    gears: [2.97, 2.07, 1.43, 1],
    axleRatio: 3.9,
    dragArea: 0.75,
    rolling: 0.013,
    coupling: { kind: 'clutch', rpm: 3500 },
  };
  const plan = { distance: 402.336, shiftRpm: 6500, shiftTime: 0.4 };

  it('changes gear at the speed asked for, and loses the time it takes', () => {
    const run = straightLineRun(car, plan);
    expect(run.end).toBe('finished');
    expect(run.changes.map((c) => c.gear)).toEqual([1, 2, 3].slice(0, run.changes.length));
    for (const c of run.changes) expect(c.rpm).toBeCloseTo(6500, 3);
    const [first] = run.changes;
    expect(first?.v).toBeCloseTo(speedAt(car, 2.97, 6500), 6);
    expect(straightLineRun(car, { ...plan, shiftTime: 0 }).last.t).toBeLessThan(run.last.t - 0.3);
    expect(run.slipped).toBeGreaterThan(0.1);
  });

  it('stays at the engine’s limit in the last gear, and says so', () => {
    const short: RunCar = { ...car, gears: [2.97, 2.07] };
    const run = straightLineRun(short, plan);
    expect(run.limited).toBe(true);
    expect(run.last.v).toBeCloseTo(speedAt(short, 2.07, 7000), 6);
    expect(straightLineRun(car, plan).limited).toBe(false);
  });

  it('multiplies by its converter at stall, and loses its slip until it is locked', () => {
    const auto: RunCar = {
      ...car,
      friction: 3,
      coupling: { kind: 'converter', stall: 2500, multiplies: 2.1, slip: 0.05, lockedFrom: 4 },
    };
    // 180 + 80·(1500/3000) = 220 N·m at stall, × 2.1.
    const force = (220 * 2.1 * 2.97 * 3.9) / 0.3;
    expect(pullAt(auto, 0, 0).acceleration).toBeCloseTo((force - 0.013 * 1000 * G) / 1000, 6);
    const v = 30;
    expect(pullAt(auto, 2, v).rpm).toBeCloseTo(inputRpm(auto, 1.43, v) / 0.95, 6);
    expect(pullAt(auto, 3, v).rpm).toBeCloseTo(inputRpm(auto, 1, v), 6);
  });

  it('says that it cannot move, stops, or is too slow', () => {
    expect(straightLineRun({ ...car, grade: 2.4 }, plan).end).toBe('cannotMove');
    const weak = {
      ...car,
      curve: [
        { rpm: 0, torque: 0.001 },
        { rpm: 7000, torque: 0.001 },
      ],
      rolling: 0,
    };
    expect(straightLineRun(weak, plan).end).toBe('tooSlow');
    expect(straightLineRun({ ...weak, grade: 0.3 }, { ...plan, startSpeed: 10 }).end).toBe('stops');
  });

  it('reads the curve between its points', () => {
    expect(torqueAt(curve, 500)).toBe(180);
    expect(torqueAt(curve, 2500)).toBe(220);
    expect(torqueAt(curve, 7001)).toBe(0);
    expect(torqueAt([], 3000)).toBe(0);
  });

  it('is the worked cruise and finish', () => {
    const tyre = 0.64 / 2;
    const cruise = inputRpm({ ...car, radius: tyre, axleRatio: 3.7 }, 0.79, 110 / 3.6);
    expect(cruise).toBeCloseTo(2665, -1);
  });
});
