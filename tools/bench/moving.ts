import { readPlanText } from '@intervex/contract';
import { createEvaluator, evaluate, type Plan } from '@intervex/core';
import { axlePose, axlePoseNear, standing, sweepOf } from '@intervex/core/desks/motion';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, median, timed, type BenchFigure } from './figure';

type Place = readonly [number, number, number];
type Axle = Parameters<typeof axlePose>[0];

/** Five links, no crank: what the plain program holds as well. */
const LINKS: readonly (readonly [Place, Place])[] = [
  [
    [-6, 468, 243],
    [561, 462, 268],
  ],
  [
    [-6, -468, 243],
    [561, -462, 268],
  ],
  [
    [-31, 428, 452],
    [379, 424, 428],
  ],
  [
    [-31, -428, 452],
    [379, -424, 428],
  ],
  [
    [-92, -431, 296],
    [-97, 437, 314],
  ],
];
const AXLE: Axle = { axleCentre: [0, 0, 311], links: LINKS.map(([axle, chassis]) => ({ axle, chassis })) };
const POSES = 20_000;

/** Heave and roll of one pose of the row. */
const asked = (i: number) => ({ z: -80 + (160 * (i % 400)) / 400, roll: 0.02 * Math.sin(i / 50) });

function ours(): number {
  const start = performance.now();
  let pose: ReturnType<typeof axlePose> | undefined;
  for (let i = 0; i < POSES; i += 1)
    pose = pose ? axlePoseNear(AXLE, asked(i), pose) : axlePose(AXLE, asked(i));
  return (1000 * (performance.now() - start)) / POSES;
}

/** The same Newton in C, compiled here; nothing where there is no compiler. */
function plain(): ((turn: number) => number) | undefined {
  const folder = mkdtempSync(join(tmpdir(), 'intervex-bench-c-'));
  const program = join(folder, 'axle');
  const made = spawnSync('cc', ['-O2', '-o', program, join(ROOT, 'tools/bench/axle.c'), '-lm']);
  if (made.status !== 0) {
    rmSync(folder, { recursive: true, force: true });
    return undefined;
  }
  const sizes = [0, 0, 311, ...LINKS.flat(2)].map(String);
  return () => {
    const { stdout } = spawnSync(program, [String(POSES), ...sizes], { encoding: 'utf8' });
    return Number(stdout.split(' ')[0]);
  };
}

/** One pose from the one beside it, against the same in C, in turns. */
function pose(): BenchFigure {
  const c = plain();
  const [mine, theirs]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 7; turn += 1) {
    mine.push(ours());
    if (c) theirs.push(c(turn));
  }
  const yardstick = c ? median(theirs) : median(mine);
  return figureOf({
    name: 'a pose of an axle on five links, from the pose beside it, µs told as ms',
    value: median(mine),
    unit: 'ms',
    target: 3 * yardstick,
    yardstick: {
      name: c ? 'the same Newton in C, -O2' : 'no compiler here: itself',
      value: yardstick,
      unit: 'µs',
    },
  });
}

function planOf(name: string): Plan {
  const read = readPlanText(readFileSync(join(ROOT, `examples/${name}.json`), 'utf8'));
  if (!read.ok) throw new Error(`The example ${name} cannot be read.`);
  return read.file.plan;
}

/** All results over heave and roll, against the poses alone, in turns. */
function sweeping(): BenchFigure {
  const stand = evaluate(planOf('packhorse')).of(standing)?.stand;
  if (!stand) throw new Error('The example has no links.');
  const whole = sweepOf(stand);
  if (!whole) throw new Error('The example has no travel.');
  const alone = () => {
    for (const roll of whole.rolls) {
      let before: ReturnType<typeof axlePose> | undefined;
      for (const z of whole.heaves)
        before = before ? axlePoseNear(stand.axle, { z, roll }, before) : axlePose(stand.axle, { z, roll });
    }
  };
  const few = { warm: 10, runs: 60 };
  const [poses, all]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 5; turn += 1) {
    poses.push(timed(alone, few));
    all.push(timed(() => sweepOf(stand), few));
  }
  return figureOf({
    name: 'all results of 41 × 21 poses of an axle',
    value: median(all),
    unit: 'ms',
    target: 1.5 * median(poses),
    yardstick: { name: 'the poses alone', value: median(poses), unit: 'ms' },
  });
}

/** An end of a link moved: all results of the plan. */
function edit(): BenchFigure {
  const plan = planOf('packhorse');
  const again = createEvaluator();
  const whole = (p: Plan) => {
    const results = again(p);
    for (const part of Object.keys(results)) void results[part as keyof typeof results];
  };
  const plans = [0, 1, 2].map((i): Plan => {
    const arm = plan.arms['upper'];
    return arm ? { ...plan, arms: { ...plan.arms, upper: { ...arm, cz: arm.cz + i / 10 } } } : plan;
  });
  whole(plan);
  const fresh = timed(() => evaluate(plan).checks, { warm: 4, runs: 20 });
  return figureOf({
    name: 'all results after an end of a link is moved',
    value: timed(
      (i) => {
        whole(plans[i % 3] ?? plan);
      },
      { warm: 20, runs: 80 },
    ),
    unit: 'ms',
    target: 12,
    yardstick: { name: 'the same plan from nothing', value: fresh, unit: 'ms' },
  });
}

/** What moving the axle costs. */
export const moving = (): readonly BenchFigure[] => [pose(), sweeping(), edit()];
