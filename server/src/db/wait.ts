import { setTimeout as sleep } from 'node:timers/promises';
import { whyAway } from './errors';
import { startTrouble } from './start-trouble';

/** Pauses between two tries, ms. */
const FIRST_PAUSE_MS = 200;
const MOST_PAUSE_MS = 3000;
/** The same is said again after this, ms. */
const SAY_EVERY_MS = 20_000;

/** Passes by itself, or once somebody made room: starting up, refused, cut off, a full disk. */
const passes = (error: unknown): boolean => whyAway(error) !== undefined;

/**
 * Does what the database is needed for at the start, again and again while what keeps it from it is passing.
 *
 * @param job may be cut off anywhere and done again
 * @param say is told what is waited for
 * @throws what does not pass by itself
 */
export async function onceItCan<T>(
  job: () => Promise<T>,
  say: (line: string) => void,
  pause = FIRST_PAUSE_MS,
): Promise<T> {
  let [said, at] = ['', 0];
  for (let next = pause; ; next = Math.min(next * 2, MOST_PAUSE_MS)) {
    try {
      return await job();
    } catch (error) {
      if (!passes(error)) throw error;
      const line = `${whyNow(error)} Waiting for it.`;
      if (line !== said || Date.now() - at > SAY_EVERY_MS) {
        say(line);
        [said, at] = [line, Date.now()];
      }
      await sleep(next);
    }
  }
}

/** The first sentence: what to do about it is not to be done yet. */
const whyNow = (error: unknown): string =>
  /^.*?\.(?= |$)/.exec(startTrouble(error))?.[0] ?? startTrouble(error);
