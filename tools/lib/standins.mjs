import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { freePort } from './cluster.mjs';
import { ROOT } from './paths.mjs';
import { say } from './say.mjs';
import { supervise } from './supervise.mjs';

const FOLDER = join(ROOT, 'standins/src');

/**
 * Stand-ins of outside devices and services, each in a folder by its port’s id, in the order of their addresses.
 *
 * @returns {{ id: string, name: string, what: string, after: number, variable: string }[]}
 */
const standins = () =>
  readdirSync(FOLDER)
    .filter((id) => existsSync(join(FOLDER, id, 'standin.json')))
    .map((id) => ({
      ...JSON.parse(readFileSync(join(FOLDER, id, 'standin.json'), 'utf8')),
      id,
      variable: `INTERVEX_${id.toUpperCase()}_URL`,
    }))
    .sort((a, b) => a.after - b.after);

/**
 * The port wanted where nobody listens on it, else any free one.
 *
 * @param {number} wanted @returns {Promise<number>}
 */
export function portNear(wanted) {
  return freePort(wanted < 1 || wanted > 65535 ? [] : [wanted]);
}

/**
 * Starts every stand-in whose real counterpart the environment does not name, and keeps it running. One that
 * keeps ending is left alone: the application works without it.
 *
 * @param {number} port of the application; the stand-ins take those after it
 * @param {NodeJS.ProcessEnv} env
 */
export async function startStandins(port, env) {
  /** @type {Record<string, string>} */
  const addresses = {};
  /** @type {{ what: string, url: string }[]} */
  const pages = [];
  /** @type {{ stop: () => Promise<void> }[]} */
  const running = [];
  for (const { id, name, after, variable, what } of standins()) {
    if (env[variable]) continue;
    const at = await portNear(port + after);
    const url = `http://127.0.0.1:${at}`;
    addresses[variable] = url;
    pages.push({ what, url });
    running.push(
      supervise(join(ROOT, 'standins/dist', `${id}.js`), {
        env: { ...env, PORT: String(at) },
        onGiveUp: (message) => say(`The stand-in of the ${name} is left stopped. ${message}`),
      }),
    );
  }
  return {
    addresses,
    pages,
    async stop() {
      await Promise.all(running.map((r) => r.stop()));
    },
  };
}
