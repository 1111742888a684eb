import { batchOf, formulaOf, type Batch } from '../../formula';
import type { StackKey, StackOutcome } from './stack-parts';

/** Parts that need not be known: what is not there moves nothing. */
const OPTIONAL: readonly StackKey[] = ['scribe', 'weld', 'made', 'float'];

type Sizes = Partial<Record<StackKey, number>>;

/** How far the housing end comes out beside its place. */
const HOUSING = '{scribe} + {weld}';
/** How far a shaft comes out longer than the one it was worked out from, whose inner end the clip holds. */
const longer = (ordered: boolean): string => (ordered ? '{made} + {ordered} − {shaft}' : '{made}');
/** Half as it comes: as planned, moved by what holds the shaft. */
const half = (clip: boolean, ordered: boolean): string => `{half} + ${clip ? longer(ordered) : HOUSING}`;
/** Inner end of the shaft from the pinion axis, fully home. */
const shaftEnd = (clip: boolean): string =>
  clip ? '{half} − {shaft}' : `{half} + ${HOUSING} − {shaft} − {made}`;
/** Overlap of the shaft’s spline that begins at a place with the side gear’s. */
const overlap = (from: string): string =>
  `max(0, min(${from} + {shaftSpline}, {gearStart} + {gearSpline}) − max(${from}, {gearStart}))`;

/** What comes of the sizes of one side. */
function textOf(id: StackOutcome, clip: boolean, ordered: boolean): string {
  const end = shaftEnd(clip);
  switch (id) {
    case 'engagement':
      return `min(${overlap(end)}, ${overlap(`${end} + {float}`)})/{gearSpline}`;
    case 'gap':
      return `${end} − {crossShaft}/2`;
    case 'inboard':
      return `${half(clip, ordered)} − {et} − {section}/2 − {inboard}`;
    case 'outboard':
      return `{outboard} − (${half(clip, ordered)} − {et}) − {section}/2`;
    case 'align':
      return `{rotor} + ${clip ? `${longer(ordered)} − (${HOUSING})` : '0'} − {caliper}`;
  }
}

/** Whether all is known that an outcome needs. */
const isKnown = (symbols: readonly string[], has: (key: StackKey) => boolean): boolean =>
  symbols.every((symbol) => OPTIONAL.includes(symbol as StackKey) || has(symbol as StackKey));

/** The formula of an outcome, run over many draws; undefined where a part it needs is missing. */
export function stackFormula(
  id: StackOutcome,
  clip: boolean,
  has: (key: StackKey) => boolean,
): Batch | undefined {
  const text = textOf(id, clip, has('ordered') && has('shaft'));
  return isKnown(formulaOf(text).symbols, has) ? batchOf(text) : undefined;
}

/** Value of an outcome for given sizes; undefined where a part it needs is missing. */
export function outcomeOf(id: StackOutcome, sizes: Sizes, clip = false): number | undefined {
  const has = (key: StackKey) => sizes[key] !== undefined;
  const formula = formulaOf(textOf(id, clip, has('ordered') && has('shaft')));
  if (!isKnown(formula.symbols, has)) return undefined;
  return formula.value(formula.symbols.map((symbol) => sizes[symbol as StackKey] ?? 0));
}
