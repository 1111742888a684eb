import { fork } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { ROOT } from '../lib/paths.mjs';

/** How others were answered while something went on. */
interface Waits {
  readonly asked: number;
  readonly medianMs: number;
  readonly p95Ms: number;
  readonly longestMs: number;
  /** Answers other than 200. */
  readonly refused: number;
}

interface Answer {
  readonly status: number;
  readonly ms: number;
}

/** Pause between two questions, ms. */
const PAUSE_MS = 5;
/** As long is asked while nothing else goes on, ms. */
const QUIET_MS = 2000;

const tenth = (ms: number): number => Math.round(ms * 10) / 10;

/**
 * What a list of answers says.
 *
 * @example waitsOf([{ status: 200, ms: 3 }, { status: 503, ms: 1 }, { status: 200, ms: 2 }]).medianMs // 2
 */
export function waitsOf(answers: readonly Answer[]): Waits {
  const ms = answers.map((a) => a.ms).sort((a, b) => a - b);
  const at = (share: number): number => tenth(ms[Math.min(ms.length - 1, Math.floor(ms.length * share))] ?? 0);
  return {
    asked: ms.length,
    medianMs: at(0.5),
    p95Ms: at(0.95),
    longestMs: at(1),
    refused: answers.filter((a) => a.status !== 200).length,
  };
}

/** Somebody else at the same server, who asks all the time and notes how long it takes. */
export class Others {
  private readonly asker;
  private constructor(addresses: readonly string[], pauseMs: number) {
    this.asker = fork(join(ROOT, 'tools/trial/asker.mjs'), [String(pauseMs), ...addresses]);
  }

  static async at(addresses: readonly string[], pauseMs = PAUSE_MS): Promise<Others> {
    const others = new Others(addresses, pauseMs);
    // The first answers of a new process are slow by themselves.
    await sleep(500);
    await others.seen();
    return others;
  }

  /** What was seen since it was last asked. @throws Error where they no longer answer */
  async seen(): Promise<Waits> {
    const over = new AbortController();
    const said = Promise.race([
      once(this.asker, 'message', { signal: over.signal }).then(([answers]) => answers as readonly Answer[]),
      once(this.asker, 'exit', { signal: over.signal }).then(() => {
        throw new Error('Whoever asks for others has ended.');
      }),
    ]);
    this.asker.send('seen');
    try {
      return waitsOf(await said);
    } finally {
      over.abort();
    }
  }

  /** How long others wait while nothing goes on. */
  async quiet(ms = QUIET_MS): Promise<Waits> {
    await this.seen();
    await sleep(ms);
    return this.seen();
  }

  /** How long others wait while something goes on. */
  async during(work: () => Promise<unknown>): Promise<Waits> {
    await this.seen();
    await work();
    return this.seen();
  }

  end(): void {
    this.asker.kill();
  }
}
