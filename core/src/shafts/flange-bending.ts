/** What bends a semi-float shaft at its bearing. */
export interface FlangeLoad {
  /** On the wheel, upright, N. */
  readonly vertical: number;
  /** On the tyre’s foot, sideways, N; plus pushes inward at the top of the arm. */
  readonly side: number;
  /** From the bearing out to the middle of the wheel, mm. */
  readonly arm: number;
  /** Tyre radius, mm. */
  readonly radius: number;
  /** Through the shaft, N·m. */
  readonly torqueNm: number;
}

/**
 * Bending moment at the bearing, N·m: what the wheel’s load does on its arm and what a side load does on the tyre’s
 * radius. The side that adds up counts.
 *
 * @example bearingMoment({ vertical: 3600, side: 2900, arm: 62, radius: 303, torqueNm: 0 }) // 1102
 * @source M = F_z·a + F_y·r
 */
export const bearingMoment = ({ vertical, side, arm, radius }: FlangeLoad): number =>
  (Math.abs(vertical * arm) + Math.abs(side * radius)) / 1000;

/**
 * Stress at the surface of the journal from bending and torsion together, MPa.
 *
 * @param diameter of the journal, mm
 * @throws RangeError where it is not above zero
 * @source Von Mises: √(σ² + 3τ²), σ = 32·M/(π·d³), τ = 16·T/(π·d³)
 */
export function journalStress(load: FlangeLoad, diameter: number): number {
  if (!(diameter > 0)) throw new RangeError('A journal needs a diameter above zero.');
  const modulus = Math.PI * diameter ** 3;
  const bending = (32 * bearingMoment(load) * 1000) / modulus;
  const torsion = (16 * load.torqueNm * 1000) / modulus;
  return Math.hypot(bending, Math.sqrt(3) * torsion);
}
