import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { say } from './say.mjs';

/** Folder with PostgreSQL's server programs, newest version first; undefined where none is installed. */
export function postgresBin() {
  const root = '/usr/lib/postgresql';
  if (!existsSync(root)) return undefined;
  const versions = readdirSync(root).sort((a, b) => Number(b) - Number(a));
  return versions
    .map((v) => join(root, v, 'bin'))
    .find((bin) => existsSync(join(bin, 'postgres')) && existsSync(join(bin, 'initdb')));
}

/**
 * The programs of one version of PostgreSQL, where they are installed beside others.
 *
 * @param {string} version @returns {string | undefined}
 */
export function postgresBinOf(version) {
  const bin = join('/usr/lib/postgresql', version, 'bin');
  return /^[\d.]+$/.test(version) && existsSync(join(bin, 'postgres')) ? bin : undefined;
}

const onPath = (/** @type {string} */ program) =>
  (process.env.PATH ?? '').split(':').some((folder) => folder !== '' && existsSync(join(folder, program)));

/** What each need installs, and how to tell that it is there. */
const NEEDS = {
  database: { packages: ['postgresql'], present: () => postgresBin() !== undefined },
  browser: { packages: ['chromium'], present: () => onPath('chromium') },
  drawingReader: {
    packages: ['python3-ezdxf'],
    present: () => existsSync('/usr/lib/python3/dist-packages/ezdxf'),
  },
  pdfTools: { packages: ['poppler-utils'], present: () => onPath('pdftoppm') && onPath('pdftotext') },
};

/** @typedef {keyof typeof NEEDS} Need */

/**
 * Installs the Debian packages that are missing, when this user may; else says the exact command.
 *
 * @param {readonly Need[]} needs
 */
export function ensurePackages(needs) {
  const missing = needs.filter((need) => !NEEDS[need].present()).flatMap((need) => NEEDS[need].packages);
  if (missing.length === 0) return;
  const install = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0 || !onPath('apt-get'))
    throw new Error(
      `These Debian packages are missing: ${missing.join(', ')}. Install them with:\n  sudo apt-get update && sudo ${install}`,
    );
  say(`Installing Debian packages: ${missing.join(', ')}`);
  run('apt-get update -qq');
  run(install.replace('apt-get', 'apt-get -qq'));
}

function run(/** @type {string} */ command) {
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const result = spawnSync('sh', ['-c', command], { env, encoding: 'utf8' });
  if (result.status !== 0) throw new Error(`“${command}” failed:\n${result.stderr.slice(-2000)}`);
}
