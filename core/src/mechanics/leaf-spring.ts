/** A leaf spring as two cantilevers of one section, clamped to the axle. Lengths mm. */
interface LeafSpring {
  /** Front eye to the middle of its seat, and from there to the rear eye. */
  readonly front: number;
  readonly rear: number;
  /** Of both together as the axle rises and turns with them, N/mm. */
  readonly rate: number;
}

interface LeafMotion {
  /** Turn of the axle for a mm of rise, rad/mm, nose up plus. */
  readonly pitchPerRise: number;
  /** Turn, rad, and rise, mm, for a N·mm about the axle, nose up plus. */
  readonly windUp: { readonly pitch: number; readonly rise: number };
  /** Radius about the front eye on which the seat moves fore and aft, mm. */
  readonly radius: number;
}

/** Share of a leaf’s front half on which the seat swings. */
const SWING = 0.75;

/**
 * How a leaf spring lets the axle turn as it rises and winds up.
 *
 * A cantilever of length l pushes k(l) = c/l³ for each mm its eye is off the line of its seat. With the seat up by w and
 * turned nose up by θ, the front eye is off by w + a θ, the rear by w − b θ; vertical force and moment on the seat give both.
 *
 * @example leafMotion({ front: 560, rear: 710, rate: 23.5 }).pitchPerRise // −0.00037726 rad/mm: −0.0216156 °/mm
 */
export function leafMotion({ front: a, rear: b, rate }: LeafSpring): LeafMotion {
  // With the turn that goes with the rise, the eyes are off by w a/b and w b/a.
  const c = (rate * a * a * b * b) / (a + b);
  const [ka, kb] = [c / a ** 3, c / b ** 3];
  // Vertical: ka (w + a θ) + kb (w − b θ) = 0; moment: a ka (w + a θ) − b kb (w − b θ) = M.
  const [v1, v2] = [ka + kb, a * ka - b * kb];
  const [m1, m2] = [a * ka - b * kb, a * a * ka + b * b * kb];
  const det = v1 * m2 - v2 * m1;
  return {
    pitchPerRise: 1 / b - 1 / a,
    windUp: { pitch: v1 / det, rise: -v2 / det },
    radius: SWING * a,
  };
}
