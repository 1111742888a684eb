import type { FunctionName } from './parse';

/** Value and derivative of a function of one argument. */
type Call = readonly [value: (x: number) => number, derivative: (x: number) => number];

/** What a formula may call with one argument. */
export const CALLS: Readonly<Record<Exclude<FunctionName, 'min' | 'max'>, Call>> = {
  sin: [Math.sin, Math.cos],
  cos: [Math.cos, (x) => -Math.sin(x)],
  tan: [Math.tan, (x) => 1 / Math.cos(x) ** 2],
  asin: [Math.asin, (x) => 1 / Math.sqrt(1 - x * x)],
  acos: [Math.acos, (x) => -1 / Math.sqrt(1 - x * x)],
  atan: [Math.atan, (x) => 1 / (1 + x * x)],
  // Rounding moves the value and leaves its uncertainty as it was.
  round: [Math.round, () => 1],
  // At nothing the slope of a root has no end; what is symmetric about it is taken to leave it flat.
  sqrt: [Math.sqrt, (x) => (x > 0 ? 0.5 / Math.sqrt(x) : 0)],
  abs: [Math.abs, (x) => (x < 0 ? -1 : 1)],
  minus: [(x) => -x, () => -1],
};
