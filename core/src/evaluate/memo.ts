import type { Figure } from '../measure';
import { figuresById, type Of } from './inputs';

/**
 * Wraps a stage so that it runs again only when one of its inputs is another object or value than last
 * time; a pair of sides is the same where both are. Holds one result.
 *
 * @param run pure function of its inputs
 * @returns the wrapped stage; `runs` counts how often it has really run
 */
export function memoStage<I extends object, O>(run: (inputs: I) => O): ((inputs: I) => O) & { runs: number } {
  let last: { inputs: I; output: O } | undefined;
  const stage = (inputs: I): O => {
    if (last && sameInputs(last.inputs, inputs)) return last.output;
    const output = run(inputs);
    last = { inputs, output };
    stage.runs += 1;
    return output;
  };
  stage.runs = 0;
  return stage;
}

function sameInputs<I extends object>(a: I, b: I): boolean {
  const keys = Object.keys(b) as (keyof I)[];
  return keys.length === Object.keys(a).length && keys.every((key) => sameInput(a[key], b[key]));
}

/** The same object or value; of a pair of sides, the same on both. */
function sameInput(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  return isPair(a) && isPair(b) && Object.is(a.left, b.left) && Object.is(a.right, b.right);
}

function isPair(value: unknown): value is { readonly left: unknown; readonly right: unknown } {
  return (
    typeof value === 'object' &&
    value !== null &&
    'left' in value &&
    'right' in value &&
    Object.keys(value).length === 2
  );
}

/**
 * Gathers the figures of some quantities, and gives the same object as long as none of them is another: a stage
 * that takes it can tell by identity that nothing changed.
 *
 * @param ids quantities, always the same
 */
export function figureGroup(ids: readonly string[]): (of: Of) => Readonly<Record<string, Figure | undefined>> {
  let last: Record<string, Figure | undefined> | undefined;
  return (of) => {
    const before = last;
    if (before && ids.every((id) => before[id] === of(id))) return before;
    last = figuresById(ids, of);
    return last;
  };
}
