/// <reference lib="webworker" />
import { evaluate, fitMap, runSets, runStack, type Plan } from '@intervex/core';
import {
  allWays,
  holding,
  holeRows,
  standing,
  sweepOf,
  USUAL_GRID,
  type HoleWay,
  type Sweep,
} from '@intervex/core/desks/motion';
import { expose } from 'comlink';
import { makeJudge } from './judge';

/** What is worked out when somebody asks for it: the whole protocol. Progress comes back by a function of the page’s. */
const heavy = {
  fitMap,
  runSets,
  /** Every way to bolt the links of a plan up; none while it is not known how the axle is held. */
  holeWays(plan: Plan): readonly HoleWay[] {
    const { held } = evaluate(plan).of(holding);
    return held ? allWays(held, holeRows(plan.arms)) : [];
  },
  /** Everything over heave and roll; nothing while the travel is not known. */
  sweep(plan: Plan, progress: (done: number) => void): Sweep | undefined {
    const stands = evaluate(plan).of(standing);
    return (
      stands &&
      sweepOf(stands.stand, USUAL_GRID, (done) => {
        progress(done);
        return true;
      })
    );
  },
  runStack(
    side: Parameters<typeof runStack>[0],
    limits: Parameters<typeof runStack>[1],
    draws: number,
    seed: number,
    progress: (done: number) => void,
  ) {
    return runStack(side, limits, draws, seed, (done) => {
      progress(done);
      return true;
    });
  },
};
export type Heavy = typeof heavy;

// One script for both: the page makes a worker that is stopped with its work, and one that judges and stays.
expose({ ...heavy, ...makeJudge() });
