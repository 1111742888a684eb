import type { Plan } from '../plan';
import { nodeEvaluator, type Node, type Openings } from '../stage';
import { STAGES } from '../stages';
import { checksOfStages } from './all-checks';
import { contradictions } from './contradictions';
import { decisions, type Lacking } from './decisions';
import { sellersWords } from './evidence';
import { checksOfReadings } from './reading-checks';
import { readingFigures } from './reading-figures';
import type { Results } from './results';
import { sourceOf } from './source';
import { stageStates } from './stage-states';

/** An evaluator and how often each of its nodes has really run. */
export interface Evaluator {
  (plan: Plan, today?: string): Results;
  readonly runs: () => Readonly<Record<string, number>>;
}

const CONTENTS = STAGES.map((stage) => stage.contents);
const INSTEAD = CONTENTS.flatMap((c) => c.instead ?? []);
const DOUBTS = CONTENTS.flatMap((c) => c.notLevel ?? []);
const OPENINGS = CONTENTS.flatMap((c) => c.openings ?? []);
const ANSWERS = CONTENTS.flatMap((c) => c.answers ?? []);
const STRIPS = CONTENTS.flatMap((c) => c.strip ?? []);

/** What is made when it is first asked for, and stays. */
function once<T>(make: () => T): () => T {
  let kept: { readonly value: T } | undefined;
  return () => (kept ??= { value: make() }).value;
}

/** An object each field of which is asked of its maker: a page that draws asks for little of it. */
const askedOf = <T extends object>(makers: { readonly [K in keyof T]: () => T[K] }): T =>
  Object.defineProperties(
    {},
    Object.fromEntries(
      Object.entries<() => unknown>(makers).map(([key, get]) => [key, { get, enumerable: true }]),
    ),
  ) as T;

const insteadOf = (of: <T>(node: Node<T>) => T): Results['instead'] => Object.assign({}, ...INSTEAD.map(of));

/**
 * Makes an evaluator that remembers its last plan and runs only the nodes of which something that they read has changed.
 * Results depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const toldOf = sellersWords();
  const nodes = nodeEvaluator(ANSWERS);
  const readingChecksOf = checksOfReadings();
  const checksOf = checksOfStages();
  const evaluateOnce = (plan: Plan, today?: string): Results => {
    const { all: known, edited } = figuresOf(plan);
    // Told what was edited at every plan, even one on which a node fails.
    const ofReadings = readingChecksOf(plan, known, edited);
    const source = sourceOf(plan, known, { told: toldOf(plan, edited), today, edited });
    const { of, read, given } = nodes(source);
    const instead = once(() => insteadOf(of));
    const base: Lacking = {
      plan,
      known,
      get instead() {
        return instead();
      },
    };
    const checks = once(() => checksOf(plan, of, base, ofReadings));
    const contradicted = once(() => contradictions(checks()));
    const open = once(() => decisions(of, base, contradicted()));
    const doubt = once(() => DOUBTS.map(of).find((why) => why !== undefined));
    const openings = once((): Openings => Object.assign({}, ...OPENINGS.map(of)));
    const stages = once(() => stageStates(plan, of, checks(), open()));
    const strip = once(() => STRIPS.flatMap(of).sort((a, b) => a.order - b.order));
    // What every node gave: all are asked first.
    const all = (): Iterable<unknown> => {
      for (const make of [instead, doubt, stages, strip]) make();
      return given();
    };
    return askedOf({
      plan: () => plan,
      known: () => known,
      instead,
      of: () => of,
      read: () => read,
      given: () => all,
      checks,
      contradicted,
      notLevel: doubt,
      openings,
      decisions: open,
      stages,
      strip,
    });
  };
  return Object.assign(evaluateOnce, { runs: nodes.runs });
}

/**
 * All results of a plan: a pure function, the same in the page, on the server and on the command line.
 *
 * @param plan a valid plan
 * @param today ISO date, for what is held against the date wanted; left out, that is not judged
 * @example evaluate(plan).of(schools)[0] // even up: width, pinion, halves, cuts
 */
export const evaluate = (plan: Plan, today?: string): Results => createEvaluator()(plan, today);
