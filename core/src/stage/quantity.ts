import type { Side } from '../geometry';
import type { StageName } from './place';
import type { OpenChoice } from './open-choice';
import { evidenceOf, type FigureUnit, type InstrumentId } from '../measure';

/** Whose it is: the car’s and its builder’s, or the donor axle’s. What is the axle’s goes with it. */
export type Belongs = 'car' | 'axle';

/** Something the plan holds a reading of. */
export interface Quantity<I extends string = string> {
  readonly id: I;
  readonly label: string;
  readonly stage: StageName;
  /** Id of the heading it stands under in its stage. */
  readonly group: string;
  readonly heading: string;
  readonly belongs: Belongs;
  readonly side?: Side;
  readonly unit: FigureUnit;
  /** Accepted range in core units, both ends included. */
  readonly min: number;
  readonly max: number;
  /** Only whole numbers are accepted. */
  readonly whole?: boolean;
  readonly instrument: InstrumentId;
  /** Between what and what it is measured. */
  readonly hint: string;
  readonly datum: string;
  /** Taken by plumb line or level on the car: true only while the car stands level. */
  readonly needsLevel?: boolean;
  /** Choices that may still change and that it is true of. */
  readonly waitsOn?: readonly OpenChoice[];
  /** A place along a tape: told in fractions of an inch although it is chosen. */
  readonly byTape?: boolean;
  /** It is read and told in millimetres whatever the page is, as a wheel’s offset is. */
  readonly inMm?: boolean;
  /** Which sum of the corner scales it is. */
  readonly scales?: 'front' | 'rear' | 'all';
  /** An angle, which may be read against another of these instead of against level. */
  readonly relative?: boolean;
  /** What will rest on it, where nothing does yet: it may be read now or then. */
  readonly later?: string;
  /** Value used while there is no reading. It is shown as assumed wherever it enters. */
  readonly fallback?: Fallback;
  /** A default that follows from what the brief says; it goes before `fallback`. */
  readonly fallbackBy?: FallbackBy;
}

/** What stands for a reading until there is one. */
export interface Fallback {
  readonly value: number;
  /** Half-width within which the true value is taken to lie evenly, in the quantity’s unit; default 0. */
  readonly off?: number;
  readonly why: string;
}

/** Defaults by what a field of a part of the plan says. */
export interface FallbackBy {
  readonly part: string;
  readonly field: string;
  readonly values: Readonly<Record<string, Fallback>>;
}

/** Name of a quantity that tells the side too: `Brake space, left`. */
export const quantityName = (q: Pick<Quantity, 'label' | 'side'>): string =>
  q.side ? `${q.label}, ${q.side}` : q.label;

/** A label within a sentence: a small first letter, unless the word is one of capitals. */
export const inSentence = (label: string): string =>
  label.replace(/^\p{Lu}(?!\p{Lu})/u, (letter) => letter.toLowerCase());

/** Name of a quantity within a sentence. */
export const quantityInSentence = (q: Pick<Quantity, 'label' | 'side'>): string => inSentence(quantityName(q));

/** Lengths off these are fractions of an inch. */
const DIVIDED: readonly InstrumentId[] = ['tape', 'rule'];

/**
 * Whether a reading is told in fractions of an inch: by what it was read with, or where nobody measured, by what it is
 * usually read with.
 *
 * @example readByTape(quantity('donor.tube.left'), 'seller') // true
 */
export function readByTape(
  q: Pick<Quantity, 'unit' | 'instrument' | 'byTape'>,
  instrument: InstrumentId,
): boolean {
  if (q.unit !== 'mm') return false;
  const measured = instrument !== 'chosen' && evidenceOf(instrument) === 'measured';
  return measured ? DIVIDED.includes(instrument) : (q.byTape ?? DIVIDED.includes(q.instrument));
}
