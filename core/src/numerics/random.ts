/** A source of numbers between 0 and 1 that is the same for the same seed. */
export type Random = () => number;

/**
 * Seeded generator, the same numbers at every run.
 *
 * @param seed any whole number
 * @example seededRandom(2026)() // always the same
 * @source mulberry32, 32 bits of state; good enough for sampling, never for secrets
 */
export function seededRandom(seed: number): Random {
  let state = seed | 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * A draw from the normal distribution with mean 0 and standard deviation 1.
 *
 * @source Box and Muller (1958)
 */
export const normalDraw = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/**
 * A source of such draws that uses both of the pair each step makes: half the work of `normalDraw`, for very many.
 *
 * @source Box and Muller (1958)
 */
export function normalDraws(random: Random): () => number {
  let spare = Number.NaN;
  return () => {
    if (!Number.isNaN(spare)) {
      const kept = spare;
      spare = Number.NaN;
      return kept;
    }
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
