import { readPlanText } from '@intervex/contract';
import {
  centreRange,
  createEvaluator,
  evaluate,
  type Results,
  fitMap,
  runStack,
  schools,
  seededRandom,
  stockPairs,
  patchPairs,
  wheelWidth,
  type TubePatch,
  type PartOffer,
  type Plan,
  type StancePose,
} from '@intervex/core';
import { stackLimits, stackSides } from '@intervex/core/desks/shafts';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/paths.mjs';
import { figureOf, median, timed, type BenchFigure } from './figure';

const text = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');

/** The demo plan with one reading a little different each time, so that nothing can be remembered. */
function planOf(i: number, base: Plan): Plan {
  const value = 791 + (i % 977) / 400;
  return {
    ...base,
    readings: { ...base.readings, 'donor.half.left': { repeats: [{ value }], instrument: 'tape' } },
  };
}

/** The plan with one reading a hair longer or shorter than it is. */
function nudged(plan: Plan, id: string, by: number): Plan {
  const reading = plan.readings[id];
  if (!reading) throw new RangeError(`The demo plan has no reading “${id}”.`);
  const repeats = reading.repeats.map((r) => ({ ...r, value: r.value + by }));
  return { ...plan, readings: { ...plan.readings, [id]: { ...reading, repeats } } };
}

/** Results with all that a page shows of them made: nothing is before it is asked for. */
function whole(results: Results): Results {
  for (const part of Object.keys(results)) void results[part as keyof Results];
  return results;
}

/** What the page’s own thread makes while the ways to cut are open: the strip and what is on the screen. The rest is judged beside it. */
function ownPart(results: Results): Results {
  void [results.strip, results.notLevel, results.openings, results.of(schools)];
  return results;
}

/** Time of an edit for every reading of the plan in turn, ms, from the quickest to the slowest. */
function editTimes(plan: Plan, make: (results: Results) => Results): readonly number[] {
  const again = createEvaluator();
  make(again(plan));
  const few = { warm: 4, runs: 15 };
  return Object.keys(plan.readings)
    .map((id) => {
      const plans = [nudged(plan, id, 0), nudged(plan, id, 0.01)];
      return timed((i) => make(again(plans[i % 2] ?? plan)), few);
    })
    .sort((a, b) => a - b);
}

/** How long evaluating the demo plan takes, from nothing and after one changed reading. */
export function computing(): readonly BenchFigure[] {
  const read = readPlanText(text);
  if (!read.ok) throw new Error('The demo plan is not valid.');
  const { plan } = read.file;
  const yardstick = {
    name: 'JSON.parse of the demo plan file',
    value: timed(() => JSON.parse(text)),
    unit: 'ms',
  };
  const edits = editTimes(plan, whole);
  const own = editTimes(plan, ownPart);
  const beside = (name: string, value: number, times: number): BenchFigure =>
    figureOf({ name, value, unit: 'ms', target: times * yardstick.value, yardstick });
  const [one, worst] = ['after one changed reading, median of all', 'the one that moves the most'];
  return [
    beside(
      'evaluate the demo plan from nothing',
      timed((i) => whole(evaluate(planOf(i, plan)))),
      4,
    ),
    beside(`evaluate ${one} ${edits.length} readings`, median(edits), 0.6),
    beside(`evaluate after one changed reading, ${worst}`, edits.at(-1) ?? Number.NaN, 4),
    beside(
      'the page’s own part, from nothing',
      timed((i) => ownPart(evaluate(planOf(i, plan)))),
      10,
    ),
    beside(`the page’s own part ${one} ${own.length} readings`, median(own), 0.6),
    beside(`the page’s own part after one changed reading, ${worst}`, own.at(-1) ?? Number.NaN, 8),
  ];
}

const SHAFTS = 5000;
const CELLS = 200;

/** A counter full of shafts of all lengths; a quarter has the spline that is wanted. */
function manyShafts(): readonly PartOffer[] {
  const random = seededRandom(20261);
  return Array.from({ length: SHAFTS }, (_, i) => ({
    number: `WF-${i}`,
    name: 'Shaft',
    kind: 'shaft' as const,
    seller: 'Withy Shaftworks',
    price: 90 + Math.round(random() * 300),
    stock: Math.floor(random() * 4),
    leadDays: 1 + Math.floor(random() * 28),
    size: { length: Math.round((430 + random() * 480) * 2) / 2, teeth: 28 + Math.floor(random() * 4) },
  }));
}

/** The best of all pairs of thousands of shafts, beside a plain loop over as many pairs. */
export function pairing(): BenchFigure {
  const shafts = manyShafts();
  const axle = {
    half: { left: 792, right: 741.5 },
    shaft: { left: 775.4, right: 724.9 },
    leastHalf: { left: 460, right: 440 },
  };
  const { passed } = stockPairs(shafts, { teeth: 31 }, axle, { width: 1402 });
  const lengths = shafts.slice(0, passed).map((s) => s.size['length'] ?? 0);
  const plain = () => {
    let best = Infinity;
    for (const l of lengths) for (const r of lengths) best = Math.min(best, Math.abs(l + r - 1369));
    return best;
  };
  const few = { warm: 5, runs: 25 };
  return figureOf({
    name: `best pairs of ${SHAFTS} shafts, ${passed} of them with the spline`,
    value: timed((i) => stockPairs(shafts, { teeth: 31 }, axle, { width: 1400 + i / 10 }), few),
    unit: 'ms',
    target: 300,
    yardstick: { name: 'a plain loop over all pairs of those', value: timed(plain, few), unit: 'ms' },
  });
}

/** The map of what fits, beside a plain loop over as many cells and poses. */
export function mapping(): BenchFigure {
  const pose = (lift: number): StancePose => ({
    obstacles: [
      { id: 'rail', from: 'inboard', y: 489 - lift, height: -198, gap: 19 },
      { id: 'spring', from: 'inboard', y: 481 + lift, height: 12, gap: 25 },
      { id: 'lip', from: 'outboard', y: 741 - lift, height: 352, gap: 13 },
    ],
    motion: { shift: [-4.9, 2.6], lean: 0.03, camber: 0.01, cornering: true },
  });
  const poses = [0, 2.5, 4, 7].map(pose);
  const grid = { half: { from: 640, to: 760, cells: CELLS }, et: { from: -40, to: 60, cells: CELLS } };
  const map = (i: number) => {
    const range = centreRange(wheelWidth(200 + (i % 9), 7), poses);
    return fitMap({ left: range, right: centreRange(wheelWidth(201 + (i % 7), 7), poses) }, grid, 1.8);
  };
  const cells = new Float64Array(CELLS * CELLS);
  const plain = (k: number) => {
    for (let i = 0; i < cells.length; i += 1) {
      let least = Infinity;
      for (let p = 0; p < 2 * poses.length * 3; p += 1) least = Math.min(least, i * 0.01 + p - k);
      cells[i] = least;
    }
    return cells;
  };
  const few = { warm: 10, runs: 60 };
  return figureOf({
    name: `map of what fits, ${CELLS} × ${CELLS} cells, both sides, ${poses.length} poses`,
    value: timed(map, few),
    unit: 'ms',
    target: 150,
    yardstick: { name: 'a plain loop over the same cells and obstacles', value: timed(plain, few), unit: 'ms' },
  });
}

const DRAWS = 100_000;

type Sizes = Readonly<Record<string, number | undefined>>;
const overlap = (from: number, v: Sizes): number => {
  const [spline, gear, gearSpline] = [v['shaftSpline'] ?? 0, v['gearStart'] ?? 0, v['gearSpline'] ?? 0];
  return Math.max(0, Math.min(from + spline, gear + gearSpline) - Math.max(from, gear));
};
const endOf = (v: Sizes): number =>
  (v['half'] ?? 0) + (v['scribe'] ?? 0) + (v['weld'] ?? 0) - (v['shaft'] ?? 0) - (v['made'] ?? 0);

/** What comes of the sizes of one side, written out by hand: one function an outcome. */
const PLAIN: readonly ((v: Sizes) => number | undefined)[] = [
  (v) =>
    v['gearSpline'] &&
    Math.min(overlap(endOf(v), v), overlap(endOf(v) + (v['float'] ?? 0), v)) / v['gearSpline'],
  (v) => v['crossShaft'] && endOf(v) - v['crossShaft'] / 2,
  (v) => v['inboard'] && (v['half'] ?? 0) - (v['et'] ?? 0) - (v['section'] ?? 0) / 2 - v['inboard'],
  (v) => v['outboard'] && v['outboard'] - ((v['half'] ?? 0) - (v['et'] ?? 0)) - (v['section'] ?? 0) / 2,
  (v) => v['caliper'] && (v['rotor'] ?? 0) - v['caliper'],
];

/** Very many draws of one side of the demo plan, beside a plain loop of its formulas without any drawing. */
export function drawing(): BenchFigure {
  const read = readPlanText(text);
  if (!read.ok) throw new Error('The demo plan is not valid.');
  const { plan } = read.file;
  const results = evaluate(plan);
  const side = results.of(stackSides).left;
  const limits = results.of(stackLimits).left;
  const sizes = Object.fromEntries(Object.entries(side.parts).map(([key, part]) => [key, part.value]));
  const plain = (k: number) => {
    let sum = 0;
    for (let i = 0; i < DRAWS; i += 1) {
      sizes['half'] = 701 + (i + k) * 1e-6;
      for (const outcome of PLAIN) sum += outcome(sizes) ?? 0;
    }
    return sum;
  };
  const few = { warm: 2, runs: 9 };
  const yardstick = { name: 'a plain loop over the same formulas', value: timed(plain, few), unit: 'ms' };
  return figureOf({
    name: `chances, ${DRAWS} draws of ${Object.keys(side.parts).length} sizes`,
    value: timed((i) => runStack(side, limits, DRAWS, i + 1), few),
    unit: 'ms',
    target: 3 * yardstick.value,
    yardstick,
  });
}

const THINGS = 200;
const SKIN = 38.1;

/** All that meets among many things on one tube, beside a plain loop over the pairs. */
export function overlapping(): BenchFigure {
  const random = seededRandom(413);
  const things = Array.from({ length: THINGS }, (): TubePatch => {
    const from = random() * 2000;
    return { from, to: from + 20 + random() * 60, clock: random() * 7, half: 0.2 + random(), margin: 3 };
  });
  const plain = () => {
    let met = 0;
    for (let i = 0; i < things.length; i += 1)
      for (let j = i + 1; j < things.length; j += 1) {
        const [a, b] = [things[i] as TubePatch, things[j] as TubePatch];
        const apart = Math.max(a.from, b.from) - Math.min(a.to, b.to) - a.margin - b.margin;
        const turn = a.clock - b.clock;
        const round = Math.abs(turn - 2 * Math.PI * Math.round(turn / (2 * Math.PI))) - a.half - b.half;
        if (apart < 0 && SKIN * round < a.margin + b.margin) met += 1;
      }
    return met;
  };
  if (patchPairs(things, SKIN).length !== plain())
    throw new Error('The pairs are not those of the plain loop.');
  const yardstick = { name: 'a plain loop over the pairs', value: timed(plain), unit: 'ms' };
  return figureOf({
    name: `what meets among ${THINGS} things on a tube`,
    value: timed(() => patchPairs(things, SKIN)),
    unit: 'ms',
    target: 2 * yardstick.value,
    yardstick,
  });
}
