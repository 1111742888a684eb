import { Injectable } from '@angular/core';
import type { HoleWay, Sweep } from '@intervex/core/desks/motion';
import type {
  Plan,
  RunQuestion,
  SetRun,
  FitGrid,
  FitMap,
  CentreRange,
  Sided,
  StackLimits,
  StackResult,
  StackSide,
} from '@intervex/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { Heavy } from './heavy.worker';

/** The work was stopped because somebody asked for it, or asked for something newer. */
export class Cancelled extends Error {}

interface Running {
  readonly api: Remote<Heavy>;
  /** Rejects when the worker fails or is stopped; never resolves. */
  readonly ended: Promise<never>;
  readonly stop: (why: Error) => void;
}

/**
 * Heavy computation beside the page. Whatever waits for the worker is rejected when it fails or is stopped; the next
 * question starts another one.
 */
@Injectable({ providedIn: 'root' })
export class HeavyService {
  private running: Running | undefined;

  /** Margins of a grid of half-widths by offsets. */
  fitMap(ranges: Sided<CentreRange>, grid: FitGrid, offCentre: number): Promise<FitMap> {
    return this.ask((api) => api.fitMap(ranges, grid, offCentre));
  }

  /** Every way to bolt the links of a plan up. */
  holeWays(plan: Plan): Promise<readonly HoleWay[]> {
    return this.ask((api) => api.holeWays(plan));
  }

  /** Everything over heave and roll. @param progress share done, 0 to 1 */
  sweep(plan: Plan, progress: (done: number) => void): Promise<Sweep | undefined> {
    return this.ask((api) => api.sweep(plan, proxy(progress)));
  }

  /** A run with every gear set of a question, quickest first. */
  runSets(question: RunQuestion): Promise<readonly SetRun[]> {
    return this.ask((api) => api.runSets(question));
  }

  /** Very many draws of one side’s sizes. @param progress share done, 0 to 1 */
  runStack(
    side: StackSide,
    limits: StackLimits,
    draws: number,
    seed: number,
    progress: (done: number) => void,
  ): Promise<StackResult> {
    return this.ask((api) => api.runStack(side, limits, draws, seed, proxy(progress)));
  }

  /** Stops what runs at once: its worker ends, and who waits for it is told. */
  cancel(): void {
    this.running?.stop(new Cancelled('stopped'));
  }

  /** Makes the worker; a test puts another in its place. */
  protected make(): Worker {
    return new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module' });
  }

  private ask<T>(call: (api: Remote<Heavy>) => Promise<T>): Promise<T> {
    const { api, ended } = (this.running ??= this.start());
    return Promise.race([call(api), ended]);
  }

  private start(): Running {
    const worker = this.make();
    let reject: (why: Error) => void = () => undefined;
    const ended = new Promise<never>((_resolve, no) => {
      reject = no;
    });
    // Nobody may be waiting when it ends.
    ended.catch(() => undefined);
    const stop = (why: Error) => {
      worker.terminate();
      this.running = undefined;
      reject(why);
    };
    worker.addEventListener('error', (event) => {
      stop(new Error(event.message || 'The computation beside the page failed.'));
    });
    worker.addEventListener('messageerror', () => {
      stop(new Error('The computation beside the page answered something that cannot be read.'));
    });
    return { api: wrap<Heavy>(worker), ended, stop };
  }
}
