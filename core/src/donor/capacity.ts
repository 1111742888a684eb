import { limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, type Side } from '../geometry';
import { derive, given, type Figure } from '../measure';

type Maybe = Figure | undefined;

/** Shear yield by kind of steel, MPa. Typical values; a maker’s own figure goes before them. */
export const SHEAR_YIELD_MPA = { carbon: 620, alloy: 760, ultra: 930 } as const;
export type ShaftMaterial = keyof typeof SHEAR_YIELD_MPA;

export interface CapacityInput {
  /** Torque each shaft must carry, N·m. */
  readonly demand: Maybe;
  /** Minor diameter of the spline by the standard, mm. */
  readonly splineMinor: Maybe;
  readonly bodyLeft: Maybe;
  readonly bodyRight: Maybe;
  readonly material: ShaftMaterial | undefined;
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
 * @param torqueNm N·m
 * @param diameterMm mm, above zero
 * @throws RangeError where the diameter is not above zero
 * @example torsionShear(4200, 31.38) // 692
 * @source Torsion of a round bar, τ = 16·T/(π·d³)
 */
export function torsionShear(torqueNm: number, diameterMm: number): number {
  if (!(diameterMm > 0)) throw new RangeError('A shaft needs a diameter above zero.');
  return (16 * torqueNm * 1000) / (Math.PI * diameterMm ** 3);
}

/** What each shaft carries before it yields, and how that stands to what it must carry. */
export function capacityStage(input: CapacityInput): CapacityResult {
  const { splineMinor, material } = input;
  if (!material || !splineMinor) return {};
  const strength = given(
    'shaft.yield',
    'Shear yield',
    SHEAR_YIELD_MPA[material],
    0,
    'MPa',
    `Typical of ${material} steel; a maker’s own figure goes before it`,
  );
  return Object.fromEntries(
    SIDES.map((side) => {
      const body = side === 'left' ? input.bodyLeft : input.bodyRight;
      const diameter = body && body.value < splineMinor.value ? body : splineMinor;
      return [side, sideCapacity(side, diameter, strength, input.demand)];
    }),
  );
}

function sideCapacity(side: Side, d: Figure, strength: Figure, demand: Maybe): SideCapacity {
  const capacity = derive(
    {
      id: `capacity.${side}`,
      label: `Torque at yield, ${side}`,
      unit: 'Nm',
      formula: '{τ_y}·π·{d}³/16',
      source: 'Torsion of a round bar at its smallest diameter',
      inputs: { τ_y: strength, d },
    },
    (v) => (v.τ_y * Math.PI * v.d ** 3) / 16_000,
  );
  if (!demand) return { diameter: d, capacity };
  const shear = derive(
    {
      id: `shear.${side}`,
      label: `Shear at launch, ${side}`,
      unit: 'MPa',
      formula: '16·{T}/(π·{d}³)',
      source: 'Torsion of a round bar at its smallest diameter',
      inputs: { T: demand, d },
    },
    (v) => torsionShear(v.T, v.d),
  );
  const factor = derive(
    {
      id: `yieldFactor.${side}`,
      label: `Factor on yield, ${side}`,
      unit: 'count',
      formula: '{T_y}/{T}',
      source: 'What the shaft carries over what it must',
      inputs: { T_y: capacity, T: demand },
    },
    (v) => v.T_y / v.T,
  );
  return { diameter: d, capacity, shear, factor };
}

/** Caution below the good factor, stop below the least. */
export function capacityChecks(
  result: CapacityResult,
  limits: Readonly<Partial<Record<LimitId, LimitChange>>>,
): Check[] {
  return SIDES.flatMap((side) => {
    const factor = result[side]?.factor;
    if (!factor) return [];
    const good = limitOf(limits, 'shaft.factor');
    const least = limitOf(limits, 'shaft.factorLeast');
    const level = factor.value < least.value ? 'stop' : factor.value < good.value ? 'caution' : 'ok';
    return [
      {
        id: `capacity.${side}`,
        stage: 'donor' as const,
        level,
        title: level === 'ok' ? `Shaft is strong enough, ${side}` : `Shaft is weak for this torque, ${side}`,
        figure: { value: factor.value, unit: 'count' as const, figureId: factor.id },
        limit: level === 'stop' ? least : good,
        reason: 'A launch hits harder than a steady pull, and a shaft that has yielded once breaks soon after.',
        todo: level === 'ok' ? '' : 'Plan shafts of a stronger steel or a larger spline, or a softer launch.',
        at: `donor.shaftBody.${side}`,
      },
    ];
  });
}
