import { randomInt, randomUUID } from 'node:crypto';
import { noBook, type Book } from '../book';
import { seeded } from '../parts/part';
import { GearSet, type Difficulty, type Shims, type Shown, type Truth } from './gear-set';

/** A set on the bench as the book keeps it: what it shows follows from its seed and the trials in order. */
export interface KeptSet {
  readonly id: string;
  readonly seed: number;
  readonly difficulty: Difficulty;
  readonly trials: readonly Shims[];
  /** Its truth was looked at: it is done. */
  readonly opened: boolean;
}
/** One trial and what it showed. */
export interface Tried extends Shims, Shown {}
/** A set as those outside may see it. */
export interface SeenSet {
  readonly id: string;
  readonly difficulty: Difficulty;
  /** Shims it comes with. */
  readonly first: Shims;
  readonly trials: readonly Tried[];
  readonly truth?: Truth;
}

/** It cannot be done now, in words. */
export class NotNow extends Error {}

const MOST_TRIALS = 40;
const MOST_SETS = 200;

/** Gear sets on the bench, each with its trials. The oldest go when there are too many. */
export class GearSets {
  private readonly sets: Map<string, KeptSet>;

  constructor(private readonly book: Book<KeptSet> = noBook()) {
    this.sets = new Map(book.read().map((set) => [set.id, set]));
  }

  /** Lays another one on the bench. @param seed left out, any one */
  begin(difficulty: Difficulty, seed = randomInt(1, 2 ** 31)): SeenSet {
    const set: KeptSet = { id: randomUUID(), seed, difficulty, trials: [], opened: false };
    for (const id of [...this.sets.keys()].slice(0, Math.max(0, this.sets.size - MOST_SETS + 1)))
      this.sets.delete(id);
    return this.keep(set);
  }

  find(id: string): SeenSet | undefined {
    const set = this.sets.get(id);
    return set && seen(set);
  }

  all(): readonly KeptSet[] {
    return [...this.sets.values()];
  }

  /** Puts these shims in and reads it. @throws NotNow once it was opened, or after too many */
  attempt(id: string, shims: Shims): SeenSet | undefined {
    const set = this.sets.get(id);
    if (!set) return undefined;
    if (set.opened) throw new NotNow('This set was opened: begin another one.');
    if (set.trials.length >= MOST_TRIALS) throw new NotNow(`After ${MOST_TRIALS} trials the set is worn out.`);
    return this.keep({ ...set, trials: [...set.trials, shims] });
  }

  /** Shows its truth; no more trials count. */
  open(id: string): SeenSet | undefined {
    const set = this.sets.get(id);
    return set && this.keep({ ...set, opened: true });
  }

  /** What an opened set would have shown. @throws NotNow while it is not opened */
  whatIf(id: string, shims: Shims): Tried | undefined {
    const set = this.sets.get(id);
    if (!set) return undefined;
    if (!set.opened) throw new NotNow('Open the set first.');
    const random = seeded(set.seed + Math.round(1000 * (shims.pinionShim + 31 * shims.ringSide)));
    return { ...shims, ...new GearSet(set.seed, set.difficulty).shows(shims, random) };
  }

  private keep(set: KeptSet): SeenSet {
    this.sets.set(set.id, set);
    this.book.write(this.all());
    return seen(set);
  }
}

function seen({ id, seed, difficulty, trials, opened }: KeptSet): SeenSet {
  const set = new GearSet(seed, difficulty);
  return {
    id,
    difficulty,
    first: set.first,
    trials: trials.map((shims) => ({ ...shims, ...set.shows(shims) })),
    ...(opened ? { truth: set.truth } : {}),
  };
}
