/** Clamp per torque of a dry, plain thread. */
export const NUT_FACTOR_DRY = 0.2;
/** Friction between wheel and flange. */
export const FACE_FRICTION = 0.15;
/** The friction of the face must carry the wheel’s torque this many times. */
export const FRICTION_RESERVE = 1.5;

/**
 * Area that carries the tension of a thread, mm².
 *
 * @param diameter nominal, mm
 * @param pitch mm, above zero and less than the diameter
 * @throws RangeError where that is no thread
 * @example stressArea(12, 1.5) // 88.1
 * @source ISO 898-1, A_s = π/4·(d − 0.9382·P)²; tables of unified threads lie up to 1 % lower
 */
export function stressArea(diameter: number, pitch: number): number {
  if (!(pitch > 0 && diameter > pitch)) throw new RangeError(`${diameter} × ${pitch} mm is no thread.`);
  return (Math.PI / 4) * (diameter - 0.9382 * pitch) ** 2;
}

/**
 * Clamp of a nut that is turned down with a torque, N.
 *
 * @param torqueNm N·m
 * @param diameter nominal, mm
 * @param factor of friction in thread and seat; 0.20 dry
 * @example clampForce(110, 12) // 45 833
 * @source F = T/(K·d)
 */
export function clampForce(torqueNm: number, diameter: number, factor = NUT_FACTOR_DRY): number {
  if (!(diameter > 0 && factor > 0))
    throw new RangeError('A clamp needs a diameter and a nut factor above zero.');
  return (torqueNm * 1000) / (factor * diameter);
}

/**
 * Torque that a wheel clamped to its flange carries by friction alone, N·m.
 *
 * @param studs how many
 * @param clamp of each, N
 * @param pcd mm
 * @param friction between the faces
 * @example frictionTorque(5, 45833, 108) // 1856
 * @source T = n·F·μ·PCD/2
 */
export const frictionTorque = (studs: number, clamp: number, pcd: number, friction = FACE_FRICTION): number =>
  (studs * clamp * friction * pcd) / 2000;

/**
 * Thread that is engaged over its diameter; 1 is the least in steel.
 *
 * @param engaged turned onto the stud, mm
 * @example engagementOf(17.5, 12) // 1.458
 */
export const engagementOf = (engaged: number, diameter: number): number => engaged / diameter;
