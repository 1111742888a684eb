import { setTimeout as sleep } from 'node:timers/promises';
import { say } from './say.mjs';

/** Pause before a database that could not be started is tried again, ms. */
const AGAIN_MS = 5000;

/**
 * @typedef {object} Kept a database that can be started again; one that was given from outside cannot
 * @property {() => boolean} alive
 * @property {() => Promise<void>} stop
 * @property {(() => Promise<Kept>) | undefined} restart
 */

/**
 * Brings a database back that went away, once at a time, and goes on trying while the disk is full or something else is in the
 * way: what was saved is there, and the pages wait.
 *
 * @param {Kept} first @param {() => boolean} ending @param {number} [again] pause between two tries, ms
 */
export function keepAlive(first, ending, again = AGAIN_MS) {
  let cluster = first;
  /** @type {Promise<void> | undefined} */
  let reviving;
  const revive = async () => {
    let told = '';
    while (!cluster.alive() && cluster.restart && !ending()) {
      if (told === '') say('The database went away; starting it again.');
      try {
        cluster = await cluster.restart();
      } catch (error) {
        if (ending()) return;
        const why = error instanceof Error ? error.message : String(error);
        if (why !== told) say(`${why} It is tried again every ${again / 1000} s.`);
        told = why;
        await sleep(again);
      }
    }
  };
  return {
    stop: () => cluster.stop(),
    /** Waits until it is there. */
    revive: () => (reviving ??= revive().finally(() => (reviving = undefined))),
  };
}
