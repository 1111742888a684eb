import type { AmountUnit } from '../units';
import type { Evidence } from './instrument';
import { packed, spreadOf, type Parts } from './parts';
/** What a figure counts in. Lengths are mm and angles rad inside; pages convert. */
export type FigureUnit = 'mm' | 'rad' | 'count' | 'ratio' | 'money' | AmountUnit;

/** One input of a formula, as the working shows it. */
export interface WorkingInput {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
  /** The input itself, so that every working can be followed down to what was read, chosen or assumed. */
  readonly figure: Figure;
}

/**
 * How a figure came about. Symbols stand in braces in the formula: `{H_L} − {W}/2`. The formula is the one that was
 * run: evaluated on its inputs in core units it gives the value.
 */
export interface Working {
  readonly formula: string;
  readonly inputs: Readonly<Record<string, WorkingInput>>;
  readonly source: string;
}

/** A default that stands for something nobody has read or chosen. */
export interface Assumed {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly unit: FigureUnit;
  readonly why: string;
}

/**
 * A number with its unit, its working and what makes it uncertain. `contributions` holds, for each
 * reading it rests on, ∂value/∂reading × u(reading), signed, so that figures sharing a reading stay
 * correlated and a subtraction of the two cancels what they share.
 */
export interface Figure {
  readonly id: string;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly value: number;
  readonly contributions: Readonly<Record<string, number>>;
  /** Weakest grade of all that it rests on. */
  readonly evidence: Evidence;
  /** Defaults that it rests on, by the id of what they stand for. */
  readonly assumed: Readonly<Record<string, Assumed>>;
  /** It rests on a plumb line or level, so it is true only while the car stands level. */
  readonly needsLevel: boolean;
  /** Choices that may still change and that it is true of, as a sum of their bits; see `stage/open-choice`. */
  readonly waits: number;
  /** Some of it was read off a tape or rule: in inch work it is told in fractions, else in decimals. */
  readonly byTape: boolean;
  /** It is called by its millimetres whatever the page is told in, as a wheel’s offset is. */
  readonly inMm?: boolean;
  readonly working: Working;
}

/** Tells a figure from any other object. */
export const isFigure = (value: object): value is Figure => 'contributions' in value && 'working' in value;

/** A figure that keeps its contributions packed. */
export interface Packed {
  readonly parts: Parts;
}

/** Contributions of a figure, packed. */
export const partsOf = (figure: Figure): Parts =>
  'parts' in figure ? (figure as Figure & Packed).parts : packed(figure.contributions);

/** Coverage factor: printed uncertainties are U = k·u, about 95 %. */
export const COVERAGE = 2;

/** Standard uncertainty of a figure: root sum of squares of its contributions. */
export const standardUncertainty = (figure: Figure): number => spreadOf(partsOf(figure));

/** Expanded uncertainty U (k = 2), same unit as the figure. */
export const expandedUncertainty = (figure: Figure): number => COVERAGE * standardUncertainty(figure);

/** All of a figure as plain data. */
export const plainFigure = (figure: Figure): Figure => ({
  id: figure.id,
  label: figure.label,
  unit: figure.unit,
  value: figure.value,
  contributions: figure.contributions,
  evidence: figure.evidence,
  assumed: figure.assumed,
  needsLevel: figure.needsLevel,
  waits: figure.waits,
  byTape: figure.byTape,
  ...(figure.inMm ? { inMm: true } : {}),
  working: figure.working,
});

/** A figure with another value, to be shown: such as a place without its sign. */
export const withValue = (figure: Figure, value: number): Figure => ({ ...plainFigure(figure), value });

/** The lesser of two; the other where one is not known. */
export const lesser = (a: Figure | undefined, b: Figure | undefined): Figure | undefined =>
  !a || !b ? (a ?? b) : a.value <= b.value ? a : b;

/** The greater of two; the other where one is not known. */
export const greater = (a: Figure | undefined, b: Figure | undefined): Figure | undefined =>
  !a || !b ? (a ?? b) : a.value >= b.value ? a : b;

/** A figure, where it is known. */
export type Maybe = Figure | undefined;
