import type { SchoolPlan } from '../cut';
import { SHEAR_YIELD_MPA, torsionShear, type ShaftMaterial } from '../donor';
import { bySide, type Side, type Sided } from '../geometry';
import { derive, given, type Figure } from '../measure';
import type { Retention } from '../plan';
import { bearingMoment, journalStress } from './flange-bending';
import type { ShaftsResult } from './shafts-stage';
import { splinePressure } from './spline-pressure';
import { shaftTwist } from './twist';

type Maybe = Figure | undefined;

export interface StrengthInput {
  readonly shafts: ShaftsResult;
  readonly school: SchoolPlan | undefined;
  readonly material: ShaftMaterial | undefined;
  readonly to: Retention;
  readonly demand: Maybe;
  readonly splineMinor: Maybe;
  /** Smallest body of the donor’s own shafts, and of new ones where they are ordered otherwise. */
  readonly bodyLeft: Maybe;
  readonly bodyRight: Maybe;
  readonly newBody: Maybe;
  readonly teeth: Maybe;
  readonly pitch: Maybe;
  readonly gearSpline: Maybe;
  readonly journal: Maybe;
  readonly rearAxle: Maybe;
  readonly tyreDiameter: Maybe;
  readonly corner: Maybe;
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
  /** At the bearing, N·m and MPa; none for a full-float shaft. */
  readonly moment?: Figure;
  readonly bending?: Figure;
}

export interface StrengthResult {
  readonly side: Sided<SideStrength>;
  /** Left less right, rad: what the tyres see of unlike shafts. */
  readonly twistApart: Maybe;
}

const G = 9.80665;

/** Shear, twist, spline pressure and bending of the shafts that will run. */
export function strengthStage(input: StrengthInput): StrengthResult {
  const side = bySide((s) => sideStrength(input, s));
  const { left, right } = side;
  const twistApart =
    left.twist && right.twist
      ? derive(
          {
            id: 'strength.twistApart',
            label: 'Shafts twist apart by',
            unit: 'rad',
            formula: '{θ_L} − {θ_R}',
            source:
              'A long shaft twists more than a short one: the car pulls to a side until both are wound up',
            inputs: { θ_L: left.twist, θ_R: right.twist },
          },
          (v) => v.θ_L - v.θ_R,
        )
      : undefined;
  return { side, twistApart };
}

function sideStrength(input: StrengthInput, side: Side): SideStrength {
  const need = input.shafts.needs[side];
  const body = bodyOf(input, side);
  const d = smallest(body, input.splineMinor);
  const base = <K extends string>(id: K, label: string) => ({
    id: `strength.${id}.${side}`,
    label: `${label}, ${side}`,
  });
  const T = input.demand;
  const shear =
    d && T
      ? derive(
          {
            ...base('shear', 'Shear at launch'),
            unit: 'MPa',
            formula: '16·{T}/(π·{d}³)',
            source: 'Torsion of a round bar at its smallest diameter',
            inputs: { T, d },
          },
          (v) => torsionShear(v.T, v.d),
        )
      : undefined;
  const L = need?.fitted;
  const twist =
    T && L && body
      ? derive(
          {
            ...base('twist', 'Twist at launch'),
            unit: 'rad',
            formula: '{T}·{L}/(79300·π·{d}⁴/32)',
            source: 'Torsion of a round bar, G 79.3 GPa, taken of its smallest body all along',
            inputs: { T, L, d: body },
          },
          (v) => shaftTwist(v.T, [{ length: v.L, diameter: v.d }]),
        )
      : undefined;
  return {
    ...(d ? { diameter: d } : {}),
    ...(shear ? { shear, ...factorOf(input, shear, side) } : {}),
    ...(twist ? { twist } : {}),
    ...pressureOf(input, side),
    ...bendingOf(input, side),
  };
}

/** New shafts are as thick as they are ordered; the donor’s own, shortened or kept, as they were read. */
function bodyOf({ shafts, newBody, bodyLeft, bodyRight }: StrengthInput, side: Side): Maybe {
  const own = side === 'left' ? bodyLeft : bodyRight;
  const source = shafts.needs[side]?.source;
  return source === 'own' || source === 'shortened' ? own : (newBody ?? own);
}

const smallest = (body: Maybe, minor: Maybe): Maybe => {
  if (!body || !minor) return minor ?? body;
  return body.value < minor.value ? body : minor;
};

function factorOf({ material }: StrengthInput, shear: Figure, side: Side): Pick<SideStrength, 'factor'> {
  if (!material) return {};
  const source = `Typical of ${material} steel; a maker’s own figure goes before it`;
  const strength = given('strength.yield', 'Shear yield', SHEAR_YIELD_MPA[material], 0, 'MPa', source);
  return {
    factor: derive(
      {
        id: `strength.factor.${side}`,
        label: `Factor on yield, ${side}`,
        unit: 'count',
        formula: '{τ_y}/{τ}',
        source: 'What the steel bears over what the launch asks',
        inputs: { τ_y: strength, τ: shear },
      },
      (v) => v.τ_y / v.τ,
    ),
  };
}

function pressureOf(input: StrengthInput, side: Side): Pick<SideStrength, 'pressure'> {
  const { demand: T, teeth: N, pitch: P } = input;
  const fit = input.shafts.fit[side];
  const l = fit.engagedMax && fit.engagedMin ? lesser(fit.engagedMin, fit.engagedMax) : undefined;
  if (!T || !N || !P || !l || l.value <= 0) return {};
  return {
    pressure: derive(
      {
        id: `strength.pressure.${side}`,
        label: `Pressure on the spline’s flanks, ${side}`,
        unit: 'MPa',
        formula: '2·{T}/({N}/{P}·{N}/2·{l}·0.9/{P}), {P} per inch',
        source: 'Half of the teeth carrying, over what is engaged',
        inputs: { T, N, P, l },
      },
      (v) => splinePressure({ torqueNm: v.T, teeth: v.N, pitch: v.P, engaged: v.l }),
    ),
  };
}

const lesser = (a: Figure, b: Figure): Figure => (a.value <= b.value ? a : b);

function bendingOf(input: StrengthInput, side: Side): Pick<SideStrength, 'moment' | 'bending'> {
  const { rearAxle: m, tyreDiameter: D, corner: k, seat: b, et: ET, journal: d } = input;
  const B = side === 'left' ? input.spaceLeft : input.spaceRight;
  // A full-float shaft only drives: the hub runs on the housing.
  if (input.to === 'fullFloat' || !m || !D || !k || !b || !ET || !B || !d) return {};
  const load = (v: Readonly<Record<'m' | 'D' | 'k' | 'b' | 'ET' | 'B', number>>) => {
    const vertical = (v.m * G) / 2;
    // The outer wheel takes more than its half in a bend, up to all of the axle’s side force.
    return { vertical, side: 2 * vertical * v.k * OUTER, arm: v.B + v.b - v.ET, radius: v.D / 2, torqueNm: 0 };
  };
  const inputs = { m, D, k, b, ET, B };
  const T = input.demand;
  const moment = derive(
    {
      id: `strength.moment.${side}`,
      label: `Bending at the bearing, ${side}`,
      unit: 'Nm',
      formula: '({m}·g/2·|{B} + {b} − {ET}| + 0.65·{k}·{m}·g·{D}/2)/1000',
      source:
        'Wheel load on its arm and side force on the tyre’s radius; the outer wheel takes 65 % of the side force',
      inputs,
    },
    (v) => bearingMoment(load(v)),
  );
  const stressed: Record<string, Figure> = { ...inputs, d, ...(T ? { T } : {}) };
  const bending = derive(
    {
      id: `strength.bending.${side}`,
      label: `Stress at the journal, ${side}`,
      unit: 'MPa',
      formula: '√(σ² + 3·τ²), σ = 32·M/(π·{d}³), τ = 16·{T}/(π·{d}³)',
      source: 'Von Mises of bending and half of the launch’s torque, since both do not come at once',
      inputs: stressed,
    },
    (v) =>
      journalStress(
        { ...load(v as Parameters<typeof load>[0]), torqueNm: (v['T'] ?? 0) / 2 },
        v['d'] ?? Number.NaN,
      ),
  );
  return { moment, bending };
}

/** Share of the axle’s side force on the outer wheel. */
const OUTER = 0.65;
