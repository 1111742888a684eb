import { derive, type Figure, type Maybe } from '../../measure';

/** The middle of a joint: from the axle’s centre forward, from the car’s centreline to the left, from the ground up. */
export interface Place {
  readonly along: Figure;
  readonly side: Figure;
  readonly height: Figure;
}

/** A driveline as it is known, whatever the pinion’s slope. */
export interface Line {
  readonly gearboxSlope: Figure;
  readonly gearboxPlan: Figure;
  readonly gearbox: Place;
  /** The joint behind a centre bearing, where there is one. */
  readonly centre?: Place;
  readonly axleHeight: Figure;
  readonly nose: Figure;
  readonly drop: Figure;
  /** Pinion from the car’s centreline, plus to the left. */
  readonly pinionSide: Figure;
  readonly pinionPlan: Figure;
  readonly phase: Figure;
  /** The joint at the gearbox turns evenly. */
  readonly even: boolean;
}

/** One shaft between two joints. */
export interface DriveshaftLine {
  readonly slope: Figure;
  readonly plan: Figure;
  readonly length: Figure;
}

/** The driveline with its pinion at a slope. */
export interface LineAt {
  readonly pinion: Place;
  readonly shafts: readonly DriveshaftLine[];
  /** Working angles, gearbox to pinion. */
  readonly joints: readonly Figure[];
  /** Each joint’s part of the unevenness, rad²: along and across. */
  readonly terms: readonly Term[];
}
interface Term {
  readonly re: Figure;
  readonly im: Figure;
}

const AXES = 'Angle between two axes, each by its slope from the side and its angle from above';

/**
 * Shafts, joint angles and unevenness of a driveline with its pinion at a slope.
 *
 * @param slope of the pinion, front higher +, rad
 * @param tag stands in the figures’ ids, where a driveline is worked out at several slopes
 * @source SAE, Universal Joint and Driveshaft Design Manual, AE-7: joints in series
 */
export function lineAt(line: Line, slope: Figure, tag: string): LineAt {
  return lineTo(line, { place: pinionPlace(line, slope, tag), slope, plan: line.pinionPlan }, tag);
}

/** A pinion’s joint, wherever it is, and which way its axis points. */
interface PinionAxis {
  readonly place: Place;
  readonly slope: Figure;
  readonly plan: Figure;
}

/** The same, with the pinion’s joint and axis where something else takes them. */
export function lineTo(line: Line, { place: pinion, slope, plan }: PinionAxis, tag: string): LineAt {
  const places = [line.gearbox, ...(line.centre ? [line.centre] : []), pinion];
  const shafts = places.slice(1).map((rear, i) => shaftLine(places[i] as Place, rear, tag, i + 1));
  const axes = [{ slope: line.gearboxSlope, plan: line.gearboxPlan }, ...shafts, { slope, plan }];
  const pairs = axes.slice(1).map((b, i) => [axes[i] as Axis, b] as const);
  return {
    pinion,
    shafts,
    joints: pairs.map(([a, b], i) => jointOf(a, b, tag, i + 1)),
    terms: pairs.map(([a, b], i) => termOf(a, b, tag, i + 1)),
  };
}

interface Axis {
  readonly slope: Figure;
  readonly plan: Figure;
}

/** The pinion swings about the axle’s centre: its joint goes up and back with its nose. */
function pinionPlace(
  { axleHeight: H, nose: N, drop: d, pinionSide: y, pinionPlan: p }: Line,
  s: Figure,
  tag: string,
): Place {
  const of = (id: string, label: string, formula: string, inputs: Readonly<Record<string, Figure>>) =>
    derive({
      id: `line${tag}.pinion.${id}`,
      label: `Pinion joint, ${label}`,
      unit: 'mm',
      formula,
      source: 'The pinion’s nose swings about the axle’s centre, and its axis lies below it',
      inputs,
    });
  return {
    along: of('along', 'forward of the axle', '{N}·cos({s}) + {d}·sin({s})', { N, d, s }),
    side: of('side', 'from the car’s centreline', '{y} − {N}·tan({p})', { y, N, p }),
    height: of('height', 'above the ground', '{H} + {N}·sin({s}) − {d}·cos({s})', { H, N, d, s }),
  };
}

/** @param n which shaft, from the gearbox */
function shaftLine(front: Place, rear: Place, tag: string, n: number): DriveshaftLine {
  const [x, X, y, Y, z, Z] = [front.along, rear.along, front.side, rear.side, front.height, rear.height];
  const of = (
    id: string,
    label: string,
    unit: 'mm' | 'rad',
    formula: string,
    inputs: Readonly<Record<string, Figure>>,
  ) =>
    derive({
      id: `line${tag}.shaft${n}.${id}`,
      label: `Driveshaft ${n}, ${label}`,
      unit,
      formula,
      source: 'From joint centre to joint centre',
      inputs,
    });
  return {
    slope: of('slope', 'slope', 'rad', 'atan(({z} − {Z})/({x} − {X}))', { z, Z, x, X }),
    plan: of('plan', 'in plan', 'rad', 'atan(({Y} − {y})/({x} − {X}))', { y, Y, x, X }),
    length: of('length', 'joint to joint', 'mm', '√(({x} − {X})² + (√(({Y} − {y})² + ({z} − {Z})²))²)', {
      x,
      X,
      y,
      Y,
      z,
      Z,
    }),
  };
}

const CROSS =
  '√((√((tan({a}) − tan({b}))² + (tan({q}) − tan({p}))²))² + (tan({a})·tan({q}) − tan({p})·tan({b}))²)';
const SIZES = '√(1 + (tan({a}))² + (tan({p}))²)·√(1 + (tan({b}))² + (tan({q}))²)';

function jointOf(first: Axis, second: Axis, tag: string, n: number): Figure {
  return derive({
    id: `line${tag}.joint${n}`,
    label: `Joint ${n}, working angle`,
    unit: 'rad',
    formula: `asin(${CROSS}/(${SIZES}))`,
    source: AXES,
    inputs: { a: first.slope, p: first.plan, b: second.slope, q: second.plan },
  });
}

/** Square of a joint’s angle in the plane across the line: its slope and its plan part. */
function termOf(first: Axis, second: Axis, tag: string, n: number): Term {
  const inputs = { a: first.slope, p: first.plan, b: second.slope, q: second.plan };
  const flat = '({p} − {q})·cos(({a} + {b})/2)';
  const of = (id: string, label: string, formula: string) =>
    derive({
      id: `line${tag}.term${n}.${id}`,
      label: `Joint ${n}, its part of the unevenness, ${label}`,
      unit: 'count',
      formula,
      source: 'θ²·e^{2iφ}: θ the joint’s angle, φ the plane it lies in, in rad²',
      inputs,
    });
  return {
    re: of('re', 'along', `({a} − {b})² − (${flat})²`),
    im: of('im', 'across', `2·({a} − {b})·${flat}`),
  };
}

/**
 * Peak acceleration that some joints of a driveline give what they drive, rad/s².
 *
 * @param rpm of the driveshaft
 * @param from first joint counted, from 0; `to` is not counted
 * @source θ_eq²·ω², θ_eq² = |Σ ±θ_i²·e^{2iφ_i}|, yokes turned by δ turning what follows by 2δ
 */
export function acceleration(
  { terms }: LineAt,
  { rpm, phase, even }: { readonly rpm: Figure; readonly phase: Figure; readonly even: boolean },
  { id, label, from = 0, to = terms.length }: Named,
): Maybe {
  const inputs: Record<string, Figure> = { n: rpm };
  const [re, im] = [[] as string[], [] as string[]];
  for (let i = even ? Math.max(from, 1) : from; i < to; i += 1) {
    const term = terms[i];
    if (!term) continue;
    inputs[`A_${i + 1}`] = term.re;
    inputs[`B_${i + 1}`] = term.im;
    const sign = i % 2 ? '−' : '+';
    // What stands behind the last shaft’s turned yokes is turned with them.
    const turned = i === terms.length - 1;
    if (turned) inputs['δ'] = phase;
    const [A, B] = [`{A_${i + 1}}`, `{B_${i + 1}}`];
    re.push(sign, turned ? `(${A}·cos(2·{δ}) − ${B}·sin(2·{δ}))` : A);
    im.push(sign, turned ? `(${A}·sin(2·{δ}) + ${B}·cos(2·{δ}))` : B);
  }
  if (re.length === 0) return undefined;
  const sum = (parts: readonly string[]) =>
    parts[0] === '−' ? `0 ${parts.join(' ')}` : parts.slice(1).join(' ');
  return derive({
    id,
    label,
    unit: 'rad/s2',
    formula: `√((${sum(re)})² + (${sum(im)})²)·({n}·2·π/60)²`,
    source: 'θ_eq²·ω², joints in series with their yokes in phase; second order in the angles',
    inputs,
  });
}
interface Named {
  readonly id: string;
  readonly label: string;
  readonly from?: number;
  readonly to?: number;
}
