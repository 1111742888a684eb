import { describe, expect, it } from 'vitest';
import { derive, given, type Figure } from '../measure';
import { EMPTY_PLAN } from '../plan';
import { workedPlan } from '../testing/plans';
import { allFigures, restsOnDefaults } from './all-figures';
import { evaluate } from './evaluate';
import type { Results } from './results';

/** Results in which only these are known and given. */
const resultsOf = (known: readonly Figure[], ofNodes: readonly unknown[]): Results => ({
  ...evaluate(EMPTY_PLAN),
  known: new Map(known.map((figure) => [figure.id, { figure }])),
  of: () => undefined as never,
  given: () => ofNodes,
});

const read = given('a', 'A', 40.5, 0.2, 'mm', 'Read');
const usual = given('b', 'B', 3, 0, 'mm', { source: 'Assumed: usual', assumed: 'usual' });
const doubled = (of: Figure): Figure =>
  derive({ id: 'd', label: 'D', unit: 'mm', formula: '2·{x}', source: 'Twice', inputs: { x: of } });

describe('all figures', () => {
  it('are the readings, what nodes give however deep, and what those rest on', () => {
    const results = resultsOf([read], [{ sides: { left: [doubled(usual)] } }, 7, undefined]);
    expect([...allFigures(results).keys()].sort()).toEqual(['a', 'b', 'd']);
  });
});

describe('resting on defaults', () => {
  it.each([
    ['nothing but readings', resultsOf([read], [doubled(read)]), false],
    ['a default among what is known', resultsOf([read, usual], []), true],
    ['a default below what a node gives', resultsOf([read], [[doubled(usual)]]), true],
  ])('%s: %s', (_, results, expected) => {
    expect(restsOnDefaults(results)).toBe(expected);
  });

  it('says the same as a look at every figure', () => {
    for (const plan of [EMPTY_PLAN, workedPlan()]) {
      const results = evaluate(plan);
      const any = [...allFigures(results).values()].some((f) => Object.keys(f.assumed).length > 0);
      expect(restsOnDefaults(results)).toBe(any);
    }
  });
});
