import type { Refusal } from '@intervex/contract';
import { isoDay } from '@intervex/core';
import type { Request } from 'express';
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { LRUCache } from 'lru-cache';
import { Piscina } from 'piscina';
import { Refused, refused } from '../http/refusal';
import { whoAsks } from '../people/identity';
import type { JOBS, JobName } from './jobs';
import { TooMany, Turns } from './turns';

export interface Job {
  readonly name: JobName;
  readonly given: readonly unknown[];
}
export type Done =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly refusal: Refusal };

type Jobs = typeof JOBS;
type Given<N extends JobName> = Parameters<Jobs[N]>;
type Gives<N extends JobName> =
  Awaited<ReturnType<Jobs[N]>> extends Buffer ? Uint8Array : Awaited<ReturnType<Jobs[N]>>;

/** Longest that one job may take once it has begun, ms. */
const MOST_MS = 30_000;
/** Longest that one job goes on once nobody waits for it, ms; what most sheets need. */
const MOST_LEFT_MS = 3000;
/** Longest that one job waits for its turn, ms. */
const MOST_WAIT_MS = 20_000;
/** Most jobs that wait, of one person and of all. */
const MOST_EACH = 24;
const MOST_WAITING = 64;
/** Memory of one worker, MB. */
const MEMORY_MB = 768;
/** Most bytes of finished sheets that are kept. */
const MOST_KEPT = 48 * 2 ** 20;

/** What is larger than this is read beside the process that answers, bytes. */
const LARGE = 48_000;

/** Whether others would wait while this is read and checked. */
export const isLarge = ({ length }: { readonly length: number }): boolean => length > LARGE;

/** Workers for what would keep others waiting. */
export class WorkPool {
  private readonly pool: Piscina<Job, Done>;
  private readonly turns: Turns;
  private readonly kept = new LRUCache<string, Uint8Array | string>({
    maxSize: MOST_KEPT,
    sizeCalculation: (made) => made.length + 1,
  });

  /** @param file the worker’s script; left out, the one beside this */
  constructor(file = besides(), minThreads = 1) {
    const most = Math.max(1, availableParallelism() - 1);
    this.turns = new Turns(most, MOST_EACH, MOST_WAITING);
    this.pool = new Piscina<Job, Done>({
      filename: file,
      minThreads: Math.min(minThreads, most),
      maxThreads: most,
      // One that was given up may still be ending while the next begins.
      maxQueue: most,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
  }

  /**
   * Does a job beside this process. Whoever is gone no longer waits for it; one that has begun may still be finished, for a
   * worker that is ended has to load everything again; what takes long is ended.
   *
   * @throws Refused what the job refuses; `unavailable` where too many wait, or too long; `invalid` where it takes too long
   */
  run<N extends JobName>(request: Request, name: N, ...given: Given<N>): Promise<Gives<N>> {
    return this.inTurn(request, (left) => this.begin(name, given, left));
  }

  /**
   * Does a job as `run` does, and keeps what it made: the same is given again at once.
   *
   * @param of what it is made from, so that equal texts mean equal results on one day
   */
  async runKept<N extends 'sheetPdf' | 'sheetCsv' | 'sheetFile' | 'surveySheet'>(
    request: Request,
    of: string,
    name: N,
    ...given: Given<N>
  ): Promise<Gives<N>> {
    const key = [name, of, isoDay(new Date()), JSON.stringify(given.slice(1))].join('\n');
    const had = () => this.kept.get(key) as Gives<N> | undefined;
    return (
      had() ??
      this.inTurn(request, async (left) => {
        const made = had() ?? (await this.begin(name, given, left));
        this.kept.set(key, made);
        return made;
      })
    );
  }

  /** @param left nobody waited for it any more, for a while */
  private async begin<N extends JobName>(name: N, given: Given<N>, left: AbortSignal): Promise<Gives<N>> {
    try {
      const signal = AbortSignal.any([left, AbortSignal.timeout(MOST_MS)]);
      const done = await this.pool.run({ name, given }, { signal });
      if (!done.ok) throw new Refused(done.refusal);
      return done.value as Gives<N>;
    } catch (error) {
      throw asRefused(error);
    }
  }

  private async inTurn<T>(request: Request, job: (left: AbortSignal) => Promise<T>): Promise<T> {
    const gone = new AbortController();
    const over = new AbortController();
    const leave = () => {
      setTimeout(() => {
        over.abort();
      }, MOST_LEFT_MS).unref();
      gone.abort(refused('unavailable', 'Cancelled.'));
    };
    request.res?.once('close', leave);
    if (request.res?.closed) leave();
    const late = new AbortController();
    const timer = setTimeout(() => {
      late.abort(tooMuch());
    }, MOST_WAIT_MS);
    try {
      const end = await this.turns.take(whoAsks(request).key, AbortSignal.any([gone.signal, late.signal]));
      clearTimeout(timer);
      const made = job(over.signal).finally(end);
      return await Promise.race([made, left(gone.signal)]);
    } catch (error) {
      throw error instanceof TooMany ? tooMuch() : error;
    } finally {
      clearTimeout(timer);
      request.res?.off('close', leave);
      // Nobody waits for `left` any more.
      gone.abort();
    }
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}

function besides(): string {
  const here = dirname(fileURLToPath(import.meta.url));
  const built = join(here, 'worker.js');
  return existsSync(built) ? built : join(here, 'worker.ts');
}

const tooMuch = () =>
  refused('unavailable', 'Too much is being printed and read just now. Try again in a moment.');

/** Fails once whoever asked is gone. */
const left = (gone: AbortSignal): Promise<never> =>
  new Promise((_, failed) => {
    gone.addEventListener(
      'abort',
      () => {
        failed(gone.reason as Error);
      },
      { once: true },
    );
  });

function asRefused(error: unknown): unknown {
  if (error instanceof Refused || !(error instanceof Error)) return error;
  if (error.name === 'AbortError')
    return refused(
      'invalid',
      `This takes longer than ${MOST_MS / 1000} s and was given up. Nothing was changed.`,
      [{ field: 'body', wrong: 'takes too long', right: 'a smaller drawing, picture or plan' }],
    );
  if (/queue/i.test(error.message)) return tooMuch();
  if ('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return refused('invalid', 'This needs more memory than there is for one thing. Nothing was changed.', [
      { field: 'body', wrong: 'is too large when unpacked', right: 'a smaller drawing or picture' },
    ]);
  return error;
}
