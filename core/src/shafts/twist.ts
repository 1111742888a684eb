/** Stiffness of steel in shear, MPa. */
export const SHEAR_MODULUS_MPA = 79_300;

/** A length of shaft of one diameter, mm. */
export interface ShaftPiece {
  readonly length: number;
  readonly diameter: number;
}

/**
 * How far a stepped round shaft twists under a torque, rad: its pieces twist one after the other.
 *
 * @param torqueNm N·m
 * @param pieces from end to end
 * @throws RangeError where a piece has no diameter or a length below zero
 * @example shaftTwist(4200, [{ length: 700, diameter: 33 }]) // 0.3184 rad, 18.24°
 * @source Torsion of a round bar, θ = T·L/(G·J), J = π·d⁴/32
 */
export function shaftTwist(
  torqueNm: number,
  pieces: readonly ShaftPiece[],
  modulus = SHEAR_MODULUS_MPA,
): number {
  return pieces.reduce((sum, { length, diameter }) => {
    if (!(diameter > 0 && length >= 0)) throw new RangeError('A piece of shaft needs a diameter and a length.');
    return sum + (torqueNm * 1000 * length) / (modulus * (Math.PI / 32) * diameter ** 4);
  }, 0);
}
