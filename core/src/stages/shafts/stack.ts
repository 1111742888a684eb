import { BATCH, type Batch } from '../../formula';
import { seededDraws } from '../../numerics';
import { outcomeOf, stackFormula } from './stack-formulas';
import {
  STACK_KEYS,
  STACK_OUTCOMES,
  type StackKey,
  type StackLimits,
  type StackOutcome,
  type StackPart,
  type StackResult,
  type StackSide,
} from './stack-parts';
import { StackTally } from './stack-tally';

export * from './stack-parts';
export { outcomeOf };

/** How many draws are made between two looks whether to go on. */
const SLICE = 5000;

/**
 * Draws the sizes of one side very many times and counts how often engagement, gap, wheel place and brake alignment
 * hold.
 *
 * @param draws how many; 100 000 give a chance to 0.3 % (k = 2)
 * @param seed the same seed gives the same draws
 * @param goOn asked every 5 000 draws with the share done; false stops, and what was drawn so far counts
 * @throws RangeError for no draws, or an uncertainty that is no number
 * @source Guide to the expression of uncertainty in measurement, supplement 1
 */
export function runStack(
  side: StackSide,
  limits: StackLimits,
  draws: number,
  seed = 1,
  goOn: (done: number) => boolean = () => true,
): StackResult {
  if (!(draws >= 1)) throw new RangeError('A stack needs at least one draw.');
  const keys = STACK_KEYS.filter((key) => side.parts[key] !== undefined);
  const parts = keys.map((key) => checked(side.parts[key] as StackPart));
  const formulas = outcomesOf(side, keys);
  const tally = new StackTally(
    parts,
    formulas.map((o) => o.id),
    draws,
    limits,
  );
  // What need not be known and is not there moves nothing.
  const outcomes = formulas.map(({ formula, at }) => ({
    formula,
    inputs: at.map((i) => tally.sizes[i] ?? NOTHING),
  }));
  const draw = drawerOf(parts, tally.sizes, seed);
  for (let from = 0; from < draws; from += BATCH) {
    if (from % SLICE === 0 && from > 0 && !goOn(from / draws)) break;
    const count = Math.min(BATCH, draws - from);
    draw(count);
    outcomes.forEach(({ formula, inputs }, k) => {
      tally.came(k, formula.over(inputs, count), count);
    });
    tally.through(count);
  }
  return tally.result();
}

/** What is known to come of a side: its formula, and which sizes it takes. */
interface Outcome {
  readonly id: StackOutcome;
  readonly formula: Batch;
  /** Places of its sizes among those that are known. */
  readonly at: readonly number[];
}

const NOTHING = new Float64Array(BATCH);

function outcomesOf({ parts, clip = false }: StackSide, keys: readonly StackKey[]): readonly Outcome[] {
  return STACK_OUTCOMES.flatMap((id): Outcome[] => {
    const formula = stackFormula(id, clip, (key) => parts[key] !== undefined);
    if (!formula) return [];
    const at = formula.symbols.map((symbol) => keys.indexOf(symbol as StackKey));
    return [{ id, formula, at }];
  });
}

function checked(part: StackPart): StackPart {
  if (!Number.isFinite(part.value) || !(part.u >= 0))
    throw new RangeError(`${part.label} needs a value and an uncertainty of zero or more.`);
  return part;
}

type Draw = (count: number) => void;

/** Draws every part’s sizes, batch by batch; certain ones stay as they are. */
function drawerOf(parts: readonly StackPart[], sizes: readonly Float64Array[], seed: number): Draw {
  const drawn = parts.flatMap((part, i) => (part.u === 0 ? [] : [{ part, row: sizes[i] as Float64Array }]));
  const rows = drawn.map(({ row }) => row);
  const fill = seededDraws(
    seed,
    drawn.map(({ part: { value, u, shape } }) => ({
      middle: value,
      flat: shape === 'flat',
      width: shape === 'flat' ? Math.sqrt(3) * u : u,
    })),
  );
  return (count) => {
    fill(rows, 0, count);
  };
}
