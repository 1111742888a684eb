/** One part on the counter. Lengths in mm, a spring’s rate in N/mm. */
export interface Part {
  readonly number: string;
  readonly name: string;
  readonly kind: PartKind;
  readonly seller: string;
  readonly price: number;
  readonly stock: number;
  readonly leadDays: number;
  readonly size: Readonly<Record<string, number>>;
}

export const KINDS = [
  'bearing',
  'seal',
  'shaft',
  'stud',
  'brakeKit',
  'wheel',
  'salvage',
  'gearSet',
  'spring',
] as const;
export type PartKind = (typeof KINDS)[number];

/** Small seeded generator (mulberry32): the same catalogue at every start. */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}
