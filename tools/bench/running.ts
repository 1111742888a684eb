import { readPlanText } from '@intervex/contract';
import {
  createEvaluator,
  evaluate,
  findQuantity,
  runQuestion,
  straightLineRun,
  type RunCar,
  type RunPlan,
} from '@intervex/core';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, median, timed, type BenchFigure } from './figure';

const RATIOS = 20;
const QUARTER_MILE = 402.336;
const STEP = 0.01;
const G = 9.80665;

/** The same run written out plainly: one function, no names for its parts, no log of it. */
function plainRun(car: RunCar, plan: RunPlan): number {
  const { curve, gears, radius, axleRatio, mass, friction, wheelbase, cgHeight, rearShare } = car;
  const launch = car.coupling.kind === 'clutch' ? car.coupling.rpm : 0;
  const weight = mass * G;
  const rolling = car.rolling * weight;
  let gear = 0;
  let between = 0;
  const a = (v: number): number => {
    const against = rolling + 0.5 * car.air * car.dragArea * v * v;
    if (between > 0) return -against / mass;
    const total = (gears[gear] ?? 1) * axleRatio;
    const input = ((v / radius) * total * 30) / Math.PI;
    const rpm = Math.max(launch, input);
    let torque = 0;
    for (let i = 1; i < curve.length; i += 1) {
      const [p, q] = [curve[i - 1], curve[i]];
      if (p && q && rpm >= p.rpm && rpm <= q.rpm)
        torque = p.torque + ((q.torque - p.torque) * (rpm - p.rpm)) / (q.rpm - p.rpm);
    }
    const turning = input < launch ? 0 : (car.engineInertia * total * total * car.efficiency) / radius ** 2;
    const push = (torque * total * car.efficiency) / radius;
    const free = (push - against) / (mass + car.wheelInertia / radius ** 2 + turning);
    const grip =
      (friction * (weight * rearShare * wheelbase - cgHeight * rolling)) / (wheelbase - friction * cgHeight);
    return mass * free + against > grip ? (grip - against) / mass : free;
  };
  let [t, x, v] = [0, 0, 0];
  while (x < plan.distance && t < 100) {
    const k1 = a(v);
    const k2 = a(v + (STEP / 2) * k1);
    const k3 = a(v + (STEP / 2) * k2);
    const k4 = a(v + STEP * k3);
    x += STEP * v + ((STEP * STEP) / 6) * (k1 + k2 + k3);
    v += (STEP / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
    t += STEP;
    if (between > 0) {
      between -= STEP;
      if (between <= 0) gear += 1;
    } else if (
      gear + 1 < gears.length &&
      ((v / radius) * (gears[gear] ?? 1) * axleRatio * 30) / Math.PI >= plan.shiftRpm
    )
      between = plan.shiftTime;
  }
  return t;
}

/** What the page asks for after an edit: checks, decisions, stages, strip; each reading of driveline and gears in turn. */
export function drivelineEdit(): BenchFigure {
  const read = readPlanText(readFileSync(join(ROOT, 'examples/tern.json'), 'utf8'));
  if (!read.ok) throw new Error('The demo plan is not valid.');
  const { plan } = read.file;
  const again = createEvaluator();
  const edit = (id: string) => (i: number) => {
    const reading = plan.readings[id] ?? { repeats: [], instrument: 'tape' as const };
    const repeats = reading.repeats.map((r) => ({ ...r, value: r.value + 0.001 * (i % 7) }));
    const now = { ...plan, readings: { ...plan.readings, [id]: { ...reading, repeats } } };
    const { checks, decisions, stages, strip } = again(now);
    return [checks, decisions, stages, strip];
  };
  const ids = Object.keys(plan.readings).filter((id) => {
    const stage = findQuantity(id)?.stage;
    return stage === 'driveline' || stage === 'gears';
  });
  const times = ids.map((id) => timed(edit(id), { warm: 60, runs: 300 }));
  return figureOf({
    name: `results after an edit of driveline or gears, median of ${ids.length} readings`,
    value: median(times),
    unit: 'ms',
    target: 1,
    yardstick: { name: 'results after an edit of the mass', value: timed(edit('brief.mass')), unit: 'ms' },
  });
}

/** Twenty ratios over a quarter mile, beside the same loop in plain code. */
export function running(): BenchFigure {
  const read = readPlanText(readFileSync(join(ROOT, 'examples/tern.json'), 'utf8'));
  if (!read.ok) throw new Error('The demo plan is not valid.');
  const { car, plan } = evaluate(read.file.plan).of(runQuestion);
  if (!car || !plan) throw new Error('The demo lacks something for a run.');
  const over = { ...plan, distance: QUARTER_MILE };
  const cars = Array.from({ length: RATIOS }, (_, i): RunCar => ({ ...car, grade: 0, axleRatio: 3 + 0.1 * i }));
  const all = (one: (c: RunCar) => number) => cars.reduce((sum, c) => sum + one(c), 0);
  const few = { warm: 5, runs: 25 };
  const yardstick = {
    name: 'the same loop in plain code',
    value: timed(() => all((c) => plainRun(c, over)), few),
    unit: 'ms',
  };
  return figureOf({
    name: `${RATIOS} ratios over a quarter mile`,
    value: timed(() => all((c) => straightLineRun(c, over).last.t), few),
    unit: 'ms',
    target: 2 * yardstick.value,
    yardstick,
  });
}
