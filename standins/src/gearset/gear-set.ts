import { seeded } from '../parts/part';

/** How far from right a set begins, and how cleanly it reads. */
export type Difficulty = 'easy' | 'usual' | 'hard';
export const DIFFICULTIES: readonly Difficulty[] = ['easy', 'usual', 'hard'];

/** Shims of a trial, mm. */
export interface Shims {
  readonly pinionShim: number;
  readonly ringSide: number;
  readonly otherSide: number;
}
interface Contact {
  readonly along: number;
  readonly across: number;
}
/** What the set shows with these shims: backlash in mm at each tooth read, contacts from −1 to +1. */
export interface Shown {
  readonly backlash: readonly number[];
  readonly drive: Contact;
  readonly coast: Contact;
}

/** What nobody sees while setting it up. mm, and what moves what. */
export interface Truth {
  readonly pinionShim: number;
  readonly ringSide: number;
  readonly otherSide: number;
  /** Backlash lost for a mm of ring side shim, and of pinion shim. */
  readonly carrierGain: number;
  readonly pinionGain: number;
  /** Contact moved to the root for a mm of pinion shim, and of less backlash. */
  readonly across: number;
  readonly crossed: number;
  readonly runout: number;
}

const SPREAD: Readonly<Record<Difficulty, { readonly off: number; readonly noise: number }>> = {
  easy: { off: 0.07, noise: 0.5 },
  usual: { off: 0.14, noise: 1 },
  hard: { off: 0.22, noise: 1.3 },
};
/** Backlash of the set where it runs right, mm. */
const RIGHT = 0.2;
const TEETH = 4;

/** A gear set with a hidden truth: it answers shims with backlash and contact, as a real one does, a little unclearly. */
export class GearSet {
  readonly truth: Truth;
  /** Shims it comes with. */
  readonly first: Shims;
  private readonly random: () => number;

  constructor(
    seed: number,
    private readonly difficulty: Difficulty,
  ) {
    this.random = seeded(seed);
    const between = (a: number, b: number) => a + (b - a) * this.random();
    const { off } = SPREAD[difficulty];
    const away = () => (this.random() < 0.5 ? -1 : 1) * between(0.4 * off, off);
    this.truth = {
      pinionShim: between(0.7, 1.3),
      ringSide: between(1.6, 2.4),
      otherSide: between(1.6, 2.4),
      carrierGain: between(0.62, 0.88),
      pinionGain: between(0.2, 0.5),
      across: between(9, 18),
      crossed: between(0.5, 3.5),
      runout: between(0.005, 0.026),
    };
    const { pinionShim, ringSide, otherSide } = this.truth;
    const moved = away();
    this.first = {
      pinionShim: round(pinionShim + away()),
      ringSide: round(ringSide + moved),
      otherSide: round(otherSide - moved),
    };
  }

  /** What it shows with these shims. @param random how unclearly; left out, as it goes on from trial to trial */
  shows({ pinionShim, ringSide }: Shims, random: () => number = this.random): Shown {
    const t = this.truth;
    const { noise } = SPREAD[this.difficulty];
    const deep = pinionShim - t.pinionShim;
    const lost = t.carrierGain * (ringSide - t.ringSide) + t.pinionGain * deep;
    const off = (size: number) => size * noise * (random() + random() + random() - 1.5);
    const phase = 2 * Math.PI * random();
    const backlash = Array.from({ length: TEETH }, (_, i) =>
      Math.max(0, RIGHT - lost + t.runout * Math.sin(phase + (2 * Math.PI * i) / TEETH) + off(0.008)),
    );
    const across = t.across * deep + t.crossed * lost;
    // Pinion toward the ring: drive to the toe, coast to the heel; less backlash: both to the toe.
    const contact = (side: 1 | -1): Contact => ({
      along: clamp(side * 0.3 * t.across * deep + 1.6 * lost + off(0.06)),
      across: clamp(across + off(0.07)),
    });
    return { backlash: backlash.map(round), drive: contact(1), coast: contact(-1) };
  }
}

const round = (mm: number): number => Math.round(mm * 1000) / 1000;
const clamp = (x: number): number => Math.min(1, Math.max(-1, Math.round(x * 100) / 100));
