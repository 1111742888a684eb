import type { Refusal } from '@intervex/contract';
import type { Request } from 'express';
import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import { Refused, refused } from '../http/refusal';
import type { JOBS, JobName } from './jobs';

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

/** Longest that one job may take once it has begun or waits, ms. */
const MOST_MS = 30_000;
/** Most jobs that wait. */
const MOST_WAITING = 64;
/** Memory of one worker, MB. */
const MEMORY_MB = 768;

/** Workers for what would keep others waiting. */
export class WorkPool {
  private readonly pool: Piscina<Job, Done>;

  /** @param file the worker’s script; left out, the one beside this */
  constructor(file = besides(), minThreads = 1) {
    const most = Math.max(1, availableParallelism() - 1);
    this.pool = new Piscina<Job, Done>({
      filename: file,
      minThreads: Math.min(minThreads, most),
      maxThreads: most,
      maxQueue: MOST_WAITING,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
    });
  }

  /**
   * Does a job beside this process. It is given up when whoever asked is gone, or when it takes too long.
   *
   * @throws Refused what the job refuses; `unavailable` where too many wait; `invalid` where it takes too long
   */
  async run<N extends JobName>(request: Request, name: N, ...given: Given<N>): Promise<Gives<N>> {
    const gone = new AbortController();
    const leave = () => {
      gone.abort();
    };
    request.res?.once('close', leave);
    try {
      const signal = AbortSignal.any([gone.signal, AbortSignal.timeout(MOST_MS)]);
      const done = await this.pool.run({ name, given }, { signal });
      if (!done.ok) throw new Refused(done.refusal);
      return done.value as Gives<N>;
    } catch (error) {
      throw asRefused(error, gone.signal.aborted);
    } finally {
      request.res?.off('close', leave);
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

function asRefused(error: unknown, left: boolean): unknown {
  if (error instanceof Refused || !(error instanceof Error)) return error;
  if (error.name === 'AbortError')
    return left
      ? refused('unavailable', 'Nobody waits for this any more.')
      : refused(
          'invalid',
          `This takes longer than ${MOST_MS / 1000} s and was given up. Nothing was changed.`,
          [{ field: 'body', wrong: 'takes too long', right: 'a smaller drawing, picture or plan' }],
        );
  if (/queue/i.test(error.message))
    return refused('unavailable', 'Too much is being printed and read just now. Try again in a moment.');
  if ('code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
    return refused('invalid', 'This needs more memory than there is for one thing. Nothing was changed.', [
      { field: 'body', wrong: 'is too large when unpacked', right: 'a smaller drawing or picture' },
    ]);
  return error;
}
