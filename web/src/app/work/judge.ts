import {
  createEvaluator,
  EMPTY_PLAN,
  judgedChange,
  judgedOf,
  planAfter,
  type Judged,
  type JudgedChange,
  type Plan,
  type PlanChange,
} from '@intervex/core';

/** The whole protocol of the worker that judges: both ways only what changed is sent. */
export interface Judge {
  /** Answers once it can be asked. */
  readonly ready: () => boolean;
  /** What is judged otherwise of a plan that differs by this from the last one. @param day ISO date */
  readonly after: (change: PlanChange, day: string) => JudgedChange;
}

/** A judge that keeps the plan, and what it told last. */
export function makeJudge(): Judge {
  const evaluate = createEvaluator();
  let plan: Plan = EMPTY_PLAN;
  let told: Judged | undefined;
  return {
    ready: () => true,
    after(change, day) {
      const next = planAfter(plan, change);
      const now = judgedOf(evaluate(next, day));
      const changed = judgedChange(told, now);
      [plan, told] = [next, now];
      return changed;
    },
  };
}
