import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';

const numbers = (/** @type {string} */ version) =>
  version
    .replace(/^[^\d]*/, '')
    .split('.')
    .map(Number);

/**
 * Says in one sentence that this Node.js is too old; nothing where it is not.
 *
 * @param {string} running such as `20.11.0` @param {string} least such as `>=20.19`
 * @example tooOld('18.20.4', '>=20.19') // 'Intervex needs Node.js 20.19 or newer; this is 18.20.4. …'
 */
export function tooOld(running, least) {
  const [has, needs] = [numbers(running), numbers(least)];
  const at = needs.findIndex((need, i) => (has[i] ?? 0) !== need);
  if (at < 0 || (has[at] ?? 0) > (needs[at] ?? 0)) return undefined;
  return `Intervex needs Node.js ${needs.join('.')} or newer; this is ${running}. Install that, and start again.`;
}

/** Ends here where this Node.js is too old, before anything is installed or built. */
export function ensureNode() {
  const { engines } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  const old = tooOld(process.versions.node, engines.node);
  if (old === undefined) return;
  process.stderr.write(`${old}\n`);
  process.exit(1);
}
