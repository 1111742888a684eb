import type { PlaceId } from '../../../stage';
import { sized } from '../../../measure';
import type { Figure } from '../../../measure';
import type { FigureOf, FactOf } from '../../../stage/node';
import type { PartSearch } from '../../../stage/parts-counter';
import type { Redrill } from '../../hubs';
import type { hubs } from '../../hubs/words';
import type { survey } from '../../survey/words';
import type { donor } from '../words';
import type { RingFit, RingSeat } from './bearing-fit';
import type { JointId, JointNote, SearchedJoint, Verdict } from './choices';

export interface MatingInput {
  readonly figures: FigureOf<typeof donor | typeof survey>;
  readonly facts: FactOf<typeof donor | typeof survey | typeof hubs>;
  readonly notes: Readonly<Partial<Record<JointId, JointNote>>>;
  readonly searches: Readonly<Partial<Record<SearchedJoint, PartSearch>>>;
  /** New shafts are bought to order, so their journal may be ordered to the bearing. */
  readonly buying: boolean;
  /** How much a journal may be under its bearing’s bore, mm. */
  readonly journalUnder: number;
  /** Number of the shafts taken from stock; empty where none are. */
  readonly taken: string;
  /** How the flange can be drilled to the wheel’s pattern, by the project’s limits; undefined where it need not. */
  readonly redrill: Redrill | undefined;
}

/** One face of a joint: what it is, and its size in words; empty while nothing is known. */
export interface Face {
  readonly of: string;
  readonly text: string;
  /** Quantities and facts (`fact.…`) it is made of. */
  readonly from: readonly PlaceId[];
}

/** What dimensions alone say. */
export interface Judged {
  readonly verdict: Verdict;
  readonly why: string;
}

export interface Judgement {
  readonly faces: readonly [Face, Face];
  readonly judged: Judged;
  readonly part?: RingFit;
  readonly seat?: RingSeat;
  readonly stale?: boolean;
}

export type Judge = (input: MatingInput) => Judgement;
export const unknown = (why: string): Judged => ({ verdict: 'unknown', why });
export const fits = (why: string): Judged => ({ verdict: 'fits', why });
export const work = (why: string): Judged => ({ verdict: 'work', why });
export const no = (why: string): Judged => ({ verdict: 'no', why });
export const mm = (figure: Figure | undefined, digits = 1): string =>
  figure ? `${sized(figure.value, 'mm', digits)}` : '';

export function face(of: string, from: readonly PlaceId[], text: string): Face {
  return { of, from, text };
}

export const lacking = (faces: readonly [Face, Face]): Judged | undefined => {
  const open = faces.filter((f) => f.text === '').map((f) => f.of);
  return open.length ? unknown(`not known yet: ${open.join(', ')}`) : undefined;
};
