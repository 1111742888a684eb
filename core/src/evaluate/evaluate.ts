import type { Plan } from '../plan';
import { nodeEvaluator, type Node } from '../stage';
import { STAGES } from '../stages';
import { checksOfStages } from './all-checks';
import { contradictions } from './contradictions';
import { decisions } from './decisions';
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
const STRIPS = CONTENTS.flatMap((c) => c.strip ?? []);

const insteadOf = (of: <T>(node: Node<T>) => T): Results['instead'] => Object.assign({}, ...INSTEAD.map(of));

/**
 * Makes an evaluator that remembers its last plan and runs only the nodes of which something that they read has changed.
 * Results depend on the plan alone, never on what was evaluated before.
 */
export function createEvaluator(): Evaluator {
  const figuresOf = readingFigures();
  const toldOf = sellersWords();
  const nodes = nodeEvaluator();
  const readingChecksOf = checksOfReadings();
  const checksOf = checksOfStages();
  const evaluateOnce = (plan: Plan, today?: string): Results => {
    const { all: known, edited } = figuresOf(plan);
    // Told what was edited at every plan, even one on which a node fails.
    const ofReadings = readingChecksOf(plan, known, edited);
    const source = sourceOf(plan, known, { told: toldOf(plan, edited), today, edited });
    const { of, read, given } = nodes(source);
    const base = { plan, known, instead: insteadOf(of) };
    const checks = checksOf(plan, of, base, ofReadings);
    const contradicted = contradictions(checks);
    const open = decisions(of, base, contradicted);
    const doubt = DOUBTS.map(of).find((why) => why !== undefined);
    return {
      ...base,
      of,
      read,
      given,
      checks,
      contradicted,
      ...(doubt === undefined ? {} : { notLevel: doubt }),
      decisions: open,
      stages: stageStates(plan, of, checks, open),
      strip: STRIPS.flatMap(of).sort((a, b) => a.order - b.order),
    };
  };
  return Object.assign(evaluateOnce, { runs: () => Object.fromEntries(nodes.runs) });
}

/**
 * All results of a plan: a pure function, the same in the page, on the server and on the command line.
 *
 * @param plan a valid plan
 * @param today ISO date, for what is held against the date wanted; left out, that is not judged
 * @example evaluate(plan).of(schools)[0] // even up: width, pinion, halves, cuts
 */
export const evaluate = (plan: Plan, today?: string): Results => createEvaluator()(plan, today);
