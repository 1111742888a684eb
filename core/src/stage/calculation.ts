import type { AnyShape, FieldShape } from './shape';

/** A calculation that can be asked for by itself: numbers in, numbers out. */
export interface Calculation<I = never> {
  /** As it is asked for on the command line. */
  readonly name: string;
  /** What it tells, in a sentence. */
  readonly what: string;
  readonly input: FieldShape<I>;
  /** What each field of the input is, by its path; every field of the shape stands here. */
  readonly fields: Readonly<Record<string, string>>;
  /** What each field of the answer is. */
  readonly gives: Readonly<Record<string, string>>;
  readonly example: I;
  /** Another way of writing the same input, brought into this one before it is checked. */
  readonly tidy?: (input: unknown) => unknown;
  readonly run: (input: I) => unknown;
}

/** A calculation of any input. */
export type AnyCalculation = Omit<Calculation, 'run' | 'example' | 'input'> & {
  readonly input: AnyShape;
  readonly example: unknown;
  readonly run: (input: never) => unknown;
};

/** Keeps the input’s type for `run` and the example. */
export const calculation = <I>(all: Calculation<I>): Calculation<I> => all;

const DEGREE = Math.PI / 180;
export const rad = (deg: number): number => deg * DEGREE;
export const deg = (angle: number): number => angle / DEGREE;
