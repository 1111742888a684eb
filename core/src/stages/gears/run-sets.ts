import { straightLineRun, type RunResult } from '../../mechanics';
import type { RunQuestion } from './figures/run-car';

/** A run with one ratio, and the gear sets that have it. */
export interface SetRun {
  readonly ratio: number;
  readonly ids: readonly string[];
  readonly names: readonly string[];
  readonly run: RunResult;
}

/** Ratios nearer each other than this are one. */
const SAME = 1e-6;

/** Runs every ratio of a question over its distance, quickest first; those that never arrive last. */
export function runSets({ car, plan, sets }: RunQuestion): readonly SetRun[] {
  if (!car || !plan) return [];
  const ratios = sets
    .map((s) => s.ratio)
    .filter((r, i, all) => all.findIndex((q) => Math.abs(q - r) < SAME) === i);
  const runs = ratios.map((ratio): SetRun => {
    const having = sets.filter((s) => Math.abs(s.ratio - ratio) < SAME);
    return {
      ratio,
      ids: having.map((s) => s.id),
      names: having.map((s) => s.name),
      run: straightLineRun({ ...car, axleRatio: ratio }, plan),
    };
  });
  const time = ({ run }: SetRun) => (run.end === 'finished' ? run.last.t : Infinity);
  return runs.sort((a, b) => time(a) - time(b));
}
