import type { Verdict } from '@intervex/core';

/** How a verdict on a joint is said. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fits: 'fits',
  work: 'fits with work',
  no: 'does not fit',
  unknown: 'unknown',
};
