/** Steel: √(E/ρ) with E 206.8 GPa and ρ 7850 kg/m³, m/s. */
export const STEEL_SOUND = Math.sqrt(206.8e9 / 7850);

/**
 * Speed at which a tube that is held at its ends whips, rpm.
 *
 * @param outside mm
 * @param wall mm, at most half of the outside
 * @param length joint centre to joint centre, mm
 * @example criticalSpeed(76.2, 1.65, 1320) // 7319
 * @source First bending mode of a simply supported beam: (π/2)·√(E/ρ)·κ/L², κ = √(D_o² + D_i²)/4
 */
export function criticalSpeed(outside: number, wall: number, length: number): number {
  const inside = outside - 2 * wall;
  const radius = Math.hypot(outside, inside) / 4000;
  return (60 * (Math.PI / 2) * STEEL_SOUND * radius) / (length / 1000) ** 2;
}
