import { judge, type Check, type LimitsOf } from '../../stage';
import type { shafts } from '../shafts/words';
import { SIDES, type Side } from '../../geometry';
import { derive, given, least, type Figure, type Maybe } from '../../measure';

/** Shear yield and tensile strength by kind of steel, MPa. Typical values; a maker’s own figure goes before them. */
export const STEELS = {
  carbon: { yield: 620, tensile: 1150 },
  alloy: { yield: 760, tensile: 1400 },
  ultra: { yield: 930, tensile: 1850 },
} as const;
export type ShaftMaterial = keyof typeof STEELS;

/** What the steel of the shafts bears. */
export interface Steel {
  /** Shear yield, MPa. */
  readonly yield: Maybe;
  /** Tensile strength, MPa. */
  readonly tensile: Maybe;
}

/** The maker’s figures where they are known, else what is typical of the steel named, marked as assumed. */
export function steelOf(material: ShaftMaterial | undefined, read: Steel): Steel {
  const typical = (id: string, label: string, value: number): Figure => {
    const why = `typical of ${material ?? ''} steel; a maker’s own figure goes before it`;
    return given(id, label, value, 0, 'MPa', { source: `Assumed: ${why}`, assumed: why });
  };
  const steel = material && STEELS[material];
  return {
    yield: read.yield ?? (steel && typical('shaft.yield', 'Shear yield of the steel', steel.yield)),
    tensile:
      read.tensile ?? (steel && typical('shaft.tensile', 'Tensile strength of the steel', steel.tensile)),
  };
}

export interface CapacityInput {
  /** Torque each shaft must carry, N·m. */
  readonly demand: Maybe;
  /** Minor diameter of the spline by the standard, mm. */
  readonly splineMinor: Maybe;
  readonly bodyLeft: Maybe;
  readonly bodyRight: Maybe;
  /** Shear yield of the donor’s shafts, MPa. */
  readonly shearYield: Maybe;
}

export interface SideCapacity {
  /** Smallest diameter that carries the torque, mm. */
  readonly diameter: Figure;
  /** Shear at the demanded torque, MPa. */
  readonly shear?: Figure;
  /** Torque at which it yields, N·m. */
  readonly capacity: Figure;
  /** Shear yield over shear. */
  readonly factor?: Figure;
}
export type CapacityResult = Readonly<Partial<Record<Side, SideCapacity>>>;

/**
 * Shear at the surface of a solid round bar, MPa.
 *
 * @param id of the figure
 * @param T torque, N·m
 * @param d diameter, mm, above zero
 * @example torsionShear('shear.left', 'Shear, left', 4200 N·m, 31.38 mm) // 692 MPa
 * @source Torsion of a round bar, τ = 16·T/(π·d³)
 */
export const torsionShear = (id: string, label: string, T: Figure, d: Figure): Figure =>
  derive({
    id,
    label,
    unit: 'MPa',
    formula: '16·1000·{T}/(π·{d}³)',
    source: 'Torsion of a round bar at its smallest diameter',
    inputs: { T, d },
  });

/** The thinner of body and spline’s root; undefined while either is not known. */
export const smallestOf = (side: Side, body: Maybe, minor: Maybe): Maybe =>
  body &&
  minor &&
  least(
    {
      id: `shaft.smallest.${side}`,
      label: `Smallest diameter, ${side}`,
      unit: 'mm',
      source: 'The thinner of the bar’s body and its spline’s root',
    },
    [body, minor],
  );

/** What each of the donor’s own shafts carries before it yields, and how that stands to what it must carry. */
export function capacityStage(input: CapacityInput): CapacityResult {
  const { splineMinor, shearYield } = input;
  if (!shearYield) return {};
  return Object.fromEntries(
    SIDES.flatMap((side) => {
      const diameter = smallestOf(side, side === 'left' ? input.bodyLeft : input.bodyRight, splineMinor);
      return diameter ? [[side, sideCapacity(side, diameter, shearYield, input.demand)]] : [];
    }),
  );
}

function sideCapacity(side: Side, d: Figure, strength: Figure, demand: Maybe): SideCapacity {
  const capacity = derive({
    id: `capacity.${side}`,
    label: `Torque at yield, ${side}`,
    unit: 'Nm',
    formula: '{τ_y}·π·{d}³/(16·1000)',
    source: 'Torsion of a round bar at its smallest diameter',
    inputs: { τ_y: strength, d },
  });
  if (!demand) return { diameter: d, capacity };
  const shear = torsionShear(`shear.${side}`, `Shear at launch, ${side}`, demand, d);
  const factor = derive({
    id: `yieldFactor.${side}`,
    label: `Factor on yield, ${side}`,
    unit: 'count',
    formula: '{T_y}/{T}',
    source: 'What the shaft carries over what it must',
    inputs: { T_y: capacity, T: demand },
  });
  return { diameter: d, capacity, shear, factor };
}

/** Caution below the good factor, stop below the least. */
export function capacityChecks(result: CapacityResult, limits: LimitsOf<typeof shafts>): Check[] {
  return SIDES.flatMap((side) => {
    const capacity = result[side];
    if (!capacity) return [];
    return [
      judge({
        id: `capacity.${side}`,
        stage: 'donor',
        figure: capacity.factor,
        way: 'atLeast',
        limit: limits('shaft.factor'),
        stop: limits('shaft.factorLeast'),
        holds: `Shaft is strong enough, ${side}`,
        fails: `Shaft is weak for this torque, ${side}`,
        unknown: `Whether the shaft is strong enough, ${side}: not known`,
        reason: 'A launch hits harder than a steady pull, and a shaft that has yielded once breaks soon after.',
        todo: 'Plan shafts of a stronger steel or a larger spline, or a softer launch.',
        at: `donor.shaftBody.${side}`,
        lacks: ['brief.torque'],
      }),
    ];
  });
}
