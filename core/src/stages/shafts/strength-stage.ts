import { bySide, otherSide, type Side, type Sided } from '../../geometry';
import { assumedAs, derive, deriveWherePossible, least, type Figure, type Maybe } from '../../measure';
import type { ShaftNeed, ShaftsResult } from './shafts-result';
import type { SchoolPlan } from '../cut/school-stage';
import { smallestOf, torsionShear, type Steel } from '../donor/capacity';
import type { HeldBy } from '../donor/choices';

/** Spline and journal of a kind of shaft; what is not known of it is left open. */
export interface ShaftSizes {
  readonly teeth: Maybe;
  readonly pitch: Maybe;
  readonly body: Sided<Maybe>;
  readonly journal: Maybe;
}

export interface StrengthInput {
  readonly shafts: ShaftsResult;
  readonly school: SchoolPlan | undefined;
  readonly steel: Steel;
  readonly to: HeldBy;
  readonly demand: Maybe;
  /** The donor’s own shafts, those that are ordered, and those taken from stock. */
  readonly own: ShaftSizes;
  readonly ordered: ShaftSizes;
  readonly stock: ShaftSizes;
  readonly rearAxle: Maybe;
  readonly tyreDiameter: Maybe;
  readonly cgHeight: Maybe;
  readonly corner: Maybe;
  /** Tyre middle to tyre middle, mm. */
  readonly track: Maybe;
  /** From the bearing’s middle out to the wheel’s: brake space, bearing seat and offset, mm. */
  readonly spaceLeft: Maybe;
  readonly spaceRight: Maybe;
  readonly seat: Maybe;
  readonly et: Maybe;
}

/** What one shaft bears. */
export interface SideStrength {
  /** Smallest diameter that carries the torque, mm. */
  readonly diameter?: Figure;
  readonly shear?: Figure;
  /** Shear yield over shear. */
  readonly factor?: Figure;
  /** How far it twists at launch, rad. */
  readonly twist?: Figure;
  readonly pressure?: Figure;
  /** At the bearing in a corner, N·m and MPa, and yield over it; none for a full-float shaft. */
  readonly moment?: Figure;
  readonly bending?: Figure;
  readonly bendingFactor?: Figure;
  /** Endurance of the journal over what turns in it while the car runs straight. */
  readonly fatigue?: Figure;
}

export interface StrengthResult {
  readonly side: Sided<SideStrength>;
  /** Left less right, rad: what the tyres see of unlike shafts. */
  readonly twistApart: Maybe;
  /** The shafts carry the car as well as they drive it. */
  readonly carries: boolean;
}

/** Shear, twist, spline pressure, bending and fatigue of the shafts that will run. */
export function strengthStage(input: StrengthInput): StrengthResult {
  const side = bySide((s) => sideStrength(input, s));
  const { left, right } = side;
  const twistApart =
    left.twist && right.twist
      ? derive({
          id: 'strength.twistApart',
          label: 'Shafts twist apart by',
          unit: 'rad',
          formula: '{θ_L} − {θ_R}',
          source: 'A long shaft twists more than a short one: the car pulls to a side until both are wound up',
          inputs: { θ_L: left.twist, θ_R: right.twist },
        })
      : undefined;
  return { side, twistApart, carries: input.to !== 'fullFloat' };
}

/** Sizes of the shaft that will run on one side. */
interface Running {
  readonly need: ShaftNeed | undefined;
  readonly teeth: Maybe;
  readonly pitch: Maybe;
  readonly body: Maybe;
  readonly journal: Maybe;
  /** Root of its spline, mm. */
  readonly minor: Maybe;
}

function runningOf(input: StrengthInput, side: Side): Running {
  const need = input.shafts.needs[side];
  const sizes = sizesOf(input, need?.source);
  const { teeth: N, pitch: P, journal } = sizes;
  const minor =
    N &&
    P &&
    derive({
      id: `strength.minor.${side}`,
      label: `Root of the running spline, ${side}`,
      unit: 'mm',
      formula: '25.4·({N} − 1.35)/{P}',
      source: 'ANSI B92.1, 30° flat root, side fit',
      inputs: { N, P },
    });
  return { need, teeth: N, pitch: P, journal, minor, body: bodyOf(input, need?.source, side) };
}

function sizesOf(input: StrengthInput, source: ShaftNeed['source'] | undefined): ShaftSizes {
  if (source === 'stockPair') return input.stock;
  return source === 'new' || source === 'other' ? input.ordered : input.own;
}

/** New shafts are as thick as they are ordered; the donor’s own, shortened or kept, as they were read. */
function bodyOf(
  { own, ordered, stock }: StrengthInput,
  source: ShaftNeed['source'] | undefined,
  side: Side,
): Maybe {
  if (source === 'stockPair') return stock.body[side];
  if (source === 'stockShort') return own.body[otherSide(side)];
  if (source !== 'new' && source !== 'other') return own.body[side];
  const donor = own.body[side];
  const why = 'ordered as thick as the donor’s';
  return (
    ordered.body[side] ??
    (donor && assumedAs(donor, `shaft.body.${side}`, `New ${side} shaft’s smallest body`, why))
  );
}

function sideStrength(input: StrengthInput, side: Side): SideStrength {
  const running = runningOf(input, side);
  const T = input.demand;
  const d = smallestOf(side, running.body, running.minor);
  const shear = d && T && torsionShear(`strength.shear.${side}`, `Shear at launch, ${side}`, T, d);
  const factor = shear && factorOf(input.steel, shear, side);
  const twist = twistOf(running, T, side);
  const pressure = pressureOf(input, running, side);
  return {
    ...(d ? { diameter: d } : {}),
    ...(shear ? { shear } : {}),
    ...(factor ? { factor } : {}),
    ...(twist ? { twist } : {}),
    ...(pressure ? { pressure } : {}),
    ...bendingOf(input, running, side),
  };
}

function twistOf({ need, body: d }: Running, T: Maybe, side: Side): Maybe {
  const L = need?.fitted;
  if (!T || !L || !d) return undefined;
  return derive({
    id: `strength.twist.${side}`,
    label: `Twist at launch, ${side}`,
    unit: 'rad',
    formula: '1000·{T}·{L}/(79300·π·{d}⁴/32)',
    source: 'Torsion of a round bar, G 79.3 GPa, taken of its smallest body all along',
    inputs: { T, L, d },
  });
}

function factorOf({ yield: τ_y }: Steel, τ: Figure, side: Side): Maybe {
  if (!τ_y) return undefined;
  return derive({
    id: `strength.factor.${side}`,
    label: `Factor on yield, ${side}`,
    unit: 'count',
    formula: '{τ_y}/{τ}',
    source: 'What the steel bears over what the launch asks',
    inputs: { τ_y, τ },
  });
}

function pressureOf(input: StrengthInput, { teeth: N, pitch: P }: Running, side: Side): Maybe {
  const T = input.demand;
  const { engagedMin, engagedMax } = input.shafts.fit[side];
  if (!T || !N || !P || !engagedMin || !engagedMax) return undefined;
  const l = least(
    { id: `engaged.least.${side}`, label: `Least engaged, ${side}`, unit: 'mm', source: 'The lesser of both' },
    [engagedMin, engagedMax],
  ) as Figure;
  if (l.value <= 0) return undefined;
  return derive({
    id: `strength.pressure.${side}`,
    label: `Pressure on the spline’s flanks, ${side}`,
    unit: 'MPa',
    formula: '2·1000·{T}/(25.4·{N}/{P}·{N}/2·{l}·0.9·25.4/{P})',
    source: 'p = 2T/(D·N_eff·l·h), half of the teeth carrying over what is engaged, P per inch',
    inputs: { T, N, P, l },
  });
}

/**
 * Bending of a semi-float shaft at its bearing. In a bend the outer wheel carries N·(½ + k·h/t) and the inner one what
 * is left; its side force k·F_z on the tyre’s radius and its load on the arm bend against each other on the outer wheel
 * and with each other on the inner one, so both are tried. The torque of the launch comes with it, by von Mises.
 */
function bendingOf(
  input: StrengthInput,
  { journal: d }: Running,
  side: Side,
): Pick<SideStrength, 'moment' | 'bending' | 'bendingFactor' | 'fatigue'> {
  const { rearAxle: m, demand: T, steel } = input;
  const of: Named = (id, label) => ({ id: `strength.${id}.${side}`, label: `${label}, ${side}` });
  const a = armOf(input, of, side);
  // A full-float shaft only drives: the hub runs on the housing.
  if (input.to === 'fullFloat' || !m || !a || !d) return {};
  const moment = momentOf(input, m, a, side);
  const bending = moment && T && stressOf(moment, T, d, of);
  const bendingFactor = bending && steel.yield && bendingFactorOf(steel.yield, bending, of);
  const fatigue = steel.tensile && fatigueOf(m, a, d, steel.tensile, side);
  return {
    ...(moment ? { moment } : {}),
    ...(bending ? { bending } : {}),
    ...(bendingFactor ? { bendingFactor } : {}),
    ...(fatigue ? { fatigue } : {}),
  };
}

function armOf({ seat: b, et: ET, spaceLeft, spaceRight }: StrengthInput, of: Named, side: Side): Maybe {
  const B = side === 'left' ? spaceLeft : spaceRight;
  if (!b || !ET || !B) return undefined;
  return derive({
    unit: 'mm',
    formula: '{B} + {b} − {ET}',
    source: 'Brake space, bearing’s middle inboard of the housing end, less the offset; minus is inboard of it',
    inputs: { B, b, ET },
    ...of('arm', 'Wheel’s middle outboard of the bearing'),
  });
}

type Named = (id: string, label: string) => { readonly id: string; readonly label: string };

const stressOf = (M: Figure, T: Figure, d: Figure, of: Named): Figure =>
  derive({
    unit: 'MPa',
    formula: '√((32·1000·{M}/(π·{d}³))² + 3·(16·1000·{T}/(π·{d}³))²)',
    source: 'Von Mises of the bend and the torque each shaft must carry',
    inputs: { M, T, d },
    ...of('bending', 'Stress at the journal'),
  });

const bendingFactorOf = (shear: Figure, σ: Figure, of: Named): Figure =>
  derive({
    unit: 'count',
    formula: '√3·{τ_y}/{σ}',
    source: 'Yield in tension is √3 of that in shear, by von Mises',
    inputs: { τ_y: shear, σ },
    ...of('bendingFactor', 'Yield over the journal’s stress'),
  });

function momentOf(
  { tyreDiameter: D, corner: k, cgHeight: h, track: t }: StrengthInput,
  m: Figure,
  a: Figure,
  side: Side,
) {
  if (!D || !k || !h || !t) return undefined;
  return derive({
    id: `strength.moment.${side}`,
    label: `Bending at the bearing in a corner, ${side}`,
    unit: 'Nm',
    formula:
      '{m}·9.80665·max(min(1, 1/2 + {k}·{h}/{t})·|{k}·{D}/2 − {a}|, max(0, 1/2 − {k}·{h}/{t})·|{k}·{D}/2 + {a}|)/1000',
    source:
      'Outer wheel N·(½ + k·h/t), inner the rest; M = |F_y·r ∓ F_z·a| with F_y = k·F_z, the greater of both',
    inputs: { m, k, h, t, D, a },
  });
}

/** Running straight, the bend turns in the shaft: fully reversed, at a journal with a pressed-on bearing. */
function fatigueOf(m: Figure, a: Figure, d: Figure, R_m: Figure, side: Side): Maybe {
  const stress = derive({
    id: `strength.reversed.${side}`,
    label: `Reversed stress at the journal, ${side}`,
    unit: 'MPa',
    formula: '32·1.3·{m}·9.80665/2·|{a}|/(π·{d}³)',
    source: 'Half of the axle’s load with 30 % for the road, on its arm, turning in the shaft',
    inputs: { m, a, d },
  });
  return deriveWherePossible({
    id: `strength.fatigue.${side}`,
    label: `Factor on fatigue, ${side}`,
    unit: 'count',
    formula: '0.4·{R_m}/2/{σ}',
    source: 'Endurance 0.4 of the tensile strength, halved by the notch of a press fit',
    inputs: { R_m, σ: stress },
  });
}
