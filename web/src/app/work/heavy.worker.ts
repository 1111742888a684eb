/// <reference lib="webworker" />
import { fitMap, runSets, runStack } from '@intervex/core';
import { expose } from 'comlink';

/** What the worker does, and how it is asked: the whole protocol. Progress comes back by a function of the page’s. */
const heavy = {
  fitMap,
  runSets,
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

expose(heavy);
