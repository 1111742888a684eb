import { fork } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';

/** Restarts within this time count together; more than the most, and it gives up. */
const WINDOW_MS = 60_000;
const MOST_RESTARTS = 5;
const MOST_PAUSE_MS = 1000;
/** A program that ends with this has said why, and starting it again would not help. */
const HOPELESS = 78;

/**
 * Keeps a Node.js program running: starts it, starts it again when it dies, gives up when it keeps dying.
 * The program sees the channel to its parent close when the parent dies, and ends too.
 *
 * @param {string} file
 * @param {{ env: NodeJS.ProcessEnv, before?: () => Promise<void>, onGiveUp: (message: string, hopeless: boolean) => void }} options
 */
export function supervise(file, { env, before, onGiveUp }) {
  let stopping = false;
  /** @type {import('node:child_process').ChildProcess | undefined} */
  let child;
  /** @type {number[]} */
  let restarts = [];

  const launch = () => {
    child = fork(file, { env, stdio: ['ignore', 'inherit', 'inherit', 'ipc'] });
    child.once('exit', (code, signal) => {
      if (stopping) return;
      if (code === HOPELESS) onGiveUp('It says why above.', true);
      else void again(`ended with ${signal ?? `code ${code}`}`, signal !== null);
    });
  };
  // One that is killed from outside is started again however often; one that ends by itself has a reason to.
  const again = async (/** @type {string} */ why, /** @type {boolean} */ killed) => {
    const now = Date.now();
    restarts = [...restarts.filter((t) => now - t < WINDOW_MS), now];
    if (!killed && restarts.length > MOST_RESTARTS) return onGiveUp(`It keeps ending (${why}).`, false);
    await sleep(Math.min(200 * restarts.length, MOST_PAUSE_MS));
    await before?.();
    if (!stopping) launch();
  };

  launch();
  return {
    /** Ends it in order. */
    async stop() {
      stopping = true;
      const running = child;
      if (!running || running.exitCode !== null || running.signalCode !== null) return;
      const gone = new Promise((done) => running.once('exit', done));
      running.kill('SIGTERM');
      await gone;
    },
  };
}
