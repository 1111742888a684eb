/** Stiffness of steel, MPa, and what it narrows by when drawn. */
const YOUNG_MPA = 206_000;
const POISSON = 0.29;
/** Friction of dry steel pressed into steel. */
export const PRESS_FRICTION = 0.12;
/** A press fit may stress tube and casting to this share of their yield. */
export const PRESS_SHARE = 0.6;

/** A tube in a bore. Lengths mm. */
export interface PressFit {
  /** Inside of the tube. */
  readonly inside: number;
  /** Where both meet. */
  readonly joint: number;
  /** Outside of the hub round the bore. */
  readonly outside: number;
  /** How much larger the tube is than the bore, in diameter; minus is play. */
  readonly interference: number;
  /** How deep it is pressed. */
  readonly depth: number;
}

export interface PressResult {
  /** Between tube and bore, MPa; 0 with play. */
  readonly pressure: number;
  /** To press it fully home, N. */
  readonly force: number;
  /** Largest stress in the hub, at the bore, MPa. */
  readonly hub: number;
  /** Largest stress in the tube, at its inside, MPa; pressed together. */
  readonly tube: number;
}

/**
 * Pressure, force and stress of a steel tube pressed into a steel hub.
 *
 * @param friction between them
 * @throws RangeError where the three diameters do not follow one another or the depth is not above zero
 * @example pressFit({ inside: 63.5, joint: 76.2, outside: 104, interference: 0.06, depth: 58 }).pressure // 18.30
 * @source Lamé’s thick cylinders, both of one steel: δ = p·d/E·(C_hub + C_tube), C = (D² + d²)/(D² − d²) ± ν
 */
export function pressFit(fit: PressFit, friction = PRESS_FRICTION): PressResult {
  const { inside, joint, outside, interference, depth } = fit;
  if (!(inside >= 0 && joint > inside && outside > joint))
    throw new RangeError('Inside, joint and outside must follow one another, from small to large.');
  if (!(depth > 0)) throw new RangeError('A press fit needs a depth above zero.');
  if (interference <= 0) return { pressure: 0, force: 0, hub: 0, tube: 0 };
  const hubRatio = (outside ** 2 + joint ** 2) / (outside ** 2 - joint ** 2);
  const tubeRatio = (joint ** 2 + inside ** 2) / (joint ** 2 - inside ** 2);
  const pressure = (interference * YOUNG_MPA) / (joint * (hubRatio + POISSON + tubeRatio - POISSON));
  return {
    pressure,
    force: pressure * Math.PI * joint * depth * friction,
    // At the bore the hub is drawn round and pressed from within: both count.
    hub: Math.sqrt(hubRatio ** 2 + hubRatio + 1) * pressure,
    tube: ((2 * joint ** 2) / (joint ** 2 - inside ** 2)) * pressure,
  };
}

/** Interference at its least and most from readings at clock positions, mm in diameter. */
export interface FitRange {
  readonly least: number;
  readonly most: number;
  /** Largest less smallest diameter of either: neither is round. */
  readonly tubeOval: number;
  readonly boreOval: number;
}

/**
 * How tight a tube sits in a bore where neither is round, from diameters read at clock positions.
 *
 * @param tube at least three readings
 * @param bore at least three readings
 * @throws RangeError where there are fewer
 * @example fitRange([76.24, 76.27, 76.22], [76.18, 76.2, 76.21]) // 0.01 to 0.09
 */
export function fitRange(tube: readonly number[], bore: readonly number[]): FitRange {
  if (tube.length < 3 || bore.length < 3)
    throw new RangeError('Read tube and bore at three clock positions or more.');
  const [tubeLeast, tubeMost] = [Math.min(...tube), Math.max(...tube)];
  const [boreLeast, boreMost] = [Math.min(...bore), Math.max(...bore)];
  return {
    least: tubeLeast - boreMost,
    most: tubeMost - boreLeast,
    tubeOval: tubeMost - tubeLeast,
    boreOval: boreMost - boreLeast,
  };
}
