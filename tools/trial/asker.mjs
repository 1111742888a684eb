import { Agent, get } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';

// Asks one address after the other in a process of its own, so that what is measured is how long the server keeps others waiting,
// not whoever loads it. Told to, it says what it saw since it was last asked, and begins anew.
const [pause = '5', ...addresses] = process.argv.slice(2);
const agent = new Agent({ keepAlive: true });
/** @type {{ status: number, ms: number }[]} */
let seen = [];

/** @param {string} address @returns {Promise<{ status: number, ms: number }>} status 0 where nothing answered */
const ask = (address) =>
  new Promise((done) => {
    const began = performance.now();
    const over = (/** @type {number} */ status) => done({ status, ms: performance.now() - began });
    get(address, { agent }, (answer) => {
      answer.resume().once('end', () => over(answer.statusCode ?? 0));
    }).once('error', () => over(0));
  });

let told = false;
process.on('message', () => (told = true));
process.once('disconnect', () => process.exit());
for (let i = 0; ; i += 1) {
  seen.push(await ask(addresses[i % addresses.length] ?? ''));
  // Not before the question that is under way is answered: the longest wait is told to whoever caused it.
  if (told) {
    process.send?.(seen);
    seen = [];
    told = false;
  }
  await sleep(Number(pause));
}
