import type { FigureUnit } from '../measure';
import { RAD_PER_DEGREE } from '../units';

/** A limit a check compares with. Every one is a default: the project may change it, with a reason. */
export interface Limit<I extends string = string> {
  readonly id: I;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly fallback: number;
  readonly min: number;
  readonly max: number;
}

/** A limit the project changed, and why. */
export interface LimitChange {
  readonly value: number;
  readonly reason: string;
}

type Make = <const I extends string>(id: I, label: string, fallback: number, max?: number) => Limit<I>;

/** A length, mm. */
export const lengthLimit: Make = (id, label, fallback, max = 200) => ({
  id,
  label,
  unit: 'mm',
  fallback,
  min: 0,
  max,
});

/** A share of one whole. */
export const shareLimit: Make = (id, label, fallback, max = 1) => ({
  id,
  label,
  unit: 'ratio',
  fallback,
  min: 0.3,
  max,
});

/** An angle, given in degrees. */
export const angleLimit: Make = (id, label, fallback, max = 3) => ({
  id,
  label,
  unit: 'rad',
  fallback: fallback * RAD_PER_DEGREE,
  min: 0,
  max: max * RAD_PER_DEGREE,
});

/** Any other limit, with its range. */
export const limit = <const I extends string>(
  id: I,
  label: string,
  unit: FigureUnit,
  fallback: number,
  [min, max]: readonly [number, number],
): Limit<I> => ({ id, label, unit, fallback, min, max });
