import { Refused } from '../http/refusal';
import { JOBS, type JobName } from './jobs';
import type { Done, Job } from './pool';

/** One job: what it gives, or what it refuses, for an error of our own does not cross a thread. */
export default async function run({ name, given }: Job): Promise<Done> {
  try {
    const job = JOBS[name] as (...args: readonly unknown[]) => unknown;
    return { ok: true, value: plain(await job(...given)) };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusal: error.body };
    throw error;
  }
}

export type { JobName };

/** Bytes cross as bytes of their own; a slice of a shared store would take all of it along. */
function plain(value: unknown): unknown {
  return Buffer.isBuffer(value) ? new Uint8Array(value) : value;
}
