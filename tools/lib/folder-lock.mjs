import { linkSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Name of the file that says who works on a data folder. */
const NAME = 'running.json';

/**
 * Who holds a data folder.
 *
 * @typedef {object} Holder
 * @property {number} pid
 * @property {string} began when the process began, as the kernel counts it; another process with this number began at another time
 * @property {string} instance of the application
 * @property {string} address where it answers, once it is ready
 */

/**
 * Takes a data folder for this process, so that no second one works on it. A holder that died is passed over.
 *
 * @param {string} folder made where there is none
 * @param {Pick<Holder, 'instance' | 'address'>} as
 * @returns {{ holder: Holder } | { release: () => void }} the living holder, or how to give the folder back
 */
export function lockFolder(folder, { instance, address }) {
  mkdirSync(folder, { recursive: true });
  const file = join(folder, NAME);
  const mine = { pid: process.pid, began: beganAt(process.pid) ?? '', instance, address };
  for (;;) {
    if (written(file, mine)) {
      return {
        release: () => {
          if (readHolder(file)?.instance === instance) rmSync(file, { force: true });
        },
      };
    }
    const holder = readHolder(file);
    if (holder && isAlive(holder)) return { holder };
    // Moved aside first: of two that pass over the same dead holder, one finds nothing to move.
    const aside = `${file}.${process.pid}`;
    try {
      renameSync(file, aside);
      rmSync(aside, { force: true });
    } catch {
      // The other one was quicker.
    }
  }
}

/** True where the file was made by this call, whole at once; false where it is there already. */
function written(/** @type {string} */ file, /** @type {Holder} */ holder) {
  const part = `${file}.${process.pid}.new`;
  writeFileSync(part, `${JSON.stringify(holder)}\n`);
  try {
    linkSync(part, file);
    return true;
  } catch (error) {
    if (error instanceof Error && 'code' in error && error.code === 'EEXIST') return false;
    throw error;
  } finally {
    rmSync(part, { force: true });
  }
}

/** @returns {Holder | undefined} */
function readHolder(/** @type {string} */ file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
}

/** True where this very process still lives, and not another that got its number. */
const isAlive = (/** @type {Holder} */ { pid, began }) => began !== '' && beganAt(pid) === began;

/**
 * When a process began, in clock ticks since the machine started.
 *
 * @param {number} pid @returns {string | undefined} nothing where there is no such process
 */
function beganAt(pid) {
  try {
    // The name of the program stands in brackets and may hold spaces.
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ') ?? [];
    const [state] = fields;
    return state === 'Z' ? undefined : fields[19];
  } catch {
    return undefined;
  }
}
