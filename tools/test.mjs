import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ensureNode } from './lib/node-version.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { specsBelow, specsOf } from './lib/places.mjs';
import { say } from './lib/say.mjs';

/** @typedef {{ passed: number, failed: number, more?: string[] }} Counts */
/** @typedef {{ name: string, contentType: string, body?: string }} Attached */
/** @typedef {{ message?: string, location?: { file: string, line: number } }} Trouble */
/** @typedef {{ status: string, results: { error?: Trouble, attachments?: Attached[] }[] }} Walked */
/** Part of a report of the journeys. @typedef {{ specs: { title: string, tests: Walked[] }[], suites?: Suite[] }} Suite */

const env = { ...process.env, CI: '1', NG_CLI_ANALYTICS: 'false', FORCE_COLOR: '0', NO_COLOR: '1' };

/**
 * Runs a program; true where it ended well.
 *
 * @param {string} program @param {string[]} args @param {{ more?: NodeJS.ProcessEnv, quiet?: boolean }} [how] quiet: what
 * it says is shown as a whole when it has ended
 * @returns {Promise<boolean>}
 */
function run(program, args, { more = {}, quiet = false } = {}) {
  const child = spawn(program, args, {
    cwd: ROOT,
    stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    env: { ...env, ...more },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (/** @type {Buffer} */ d) => (said += d));
  return new Promise((done) => {
    child.once('error', () => done(false));
    child.once('close', (code) => {
      if (said.trim()) say(said.trimEnd());
      done(code === 0);
    });
  });
}

/** A check without cases of its own counts as one. @param {string} script @returns {() => Promise<Counts>} */
const whole = (script) => async () => {
  const ok = await run('npm', ['run', '-s', script], { quiet: true });
  return { passed: ok ? 1 : 0, failed: ok ? 0 : 1 };
};

/**
 * Counts of a Vitest report. A run that ended badly without a failed case still counts as one failure.
 *
 * @returns {Counts}
 */
function vitestCounts(/** @type {string} */ file, /** @type {boolean} */ ok) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { numPassedTests, numFailedTests, numFailedTestSuites } = JSON.parse(readFileSync(file, 'utf8'));
  const failed = Math.max(numFailedTests, ok ? 0 : Math.max(1, numFailedTestSuites));
  return { passed: numPassedTests, failed };
}

/**
 * Counts of the journeys. One that passes only when it is walked again has passed, and is named: it is never hidden.
 *
 * @returns {Counts}
 */
function browserCounts(/** @type {string} */ file, /** @type {boolean} */ ok) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { stats, errors, suites } = JSON.parse(readFileSync(file, 'utf8'));
  const failed = Math.max(stats.unexpected + errors.length, ok ? 0 : 1);
  return { passed: stats.expected + stats.flaky, failed, more: notAtOnce(suites) };
}

/**
 * Journeys that did not pass the first time, each with what was wrong then and what its pages had been told.
 *
 * @param {readonly Suite[]} suites @returns {string[]}
 */
function notAtOnce(suites) {
  return suites.flatMap(({ specs, suites: within = [] }) => [
    ...specs.flatMap(({ title, tests }) =>
      tests
        .filter(({ status }) => status === 'flaky' || status === 'unexpected')
        .map(({ status, results: [first] }) => {
          const told = (first?.attachments ?? [])
            .filter(({ body, contentType }) => body && contentType === 'text/plain')
            .map(({ name, body }) => `${name}:\n${Buffer.from(body ?? '', 'base64').toString()}`);
          const { message = 'No reason given.', location } = first?.error ?? {};
          const how = status === 'flaky' ? 'passed when walked again' : 'failed';
          return [`${title}: ${how}, line ${location?.line ?? 'unknown'}`, message, ...told].join('\n');
        }),
    ),
    ...notAtOnce(within),
  ]);
}

/** A step’s name and what it does. @typedef {[string, () => Promise<Counts>]} Step */

/** Some specs alone, or all of a kind. @typedef {{ units?: string[], page?: string[], journeys?: string[] }} Some */

/** @param {string} folder @param {Some} [some] @returns {{ page: Step, units: Step, journeys: Step }} */
function tried(folder, { units: specs = [], page: parts = [], journeys: walks = [] } = {}) {
  const report = (/** @type {string} */ name) => join(folder, `${name}.json`);
  /** @type {Step} */
  const page = [
    'Page components',
    async () => {
      const file = report('page');
      const reporters = ['--reporters=default', '--reporters=json', `--output-file=${file}`];
      const only = parts.map((spec) => `--include=${spec.replace('web/', '')}`);
      const ok = await run('npm', ['test', '-w', 'web', '--', ...reporters, ...only], { quiet: true });
      return vitestCounts(file, ok);
    },
  ];
  /** @type {Step} */
  const units = [
    'Core, contract, server and database',
    async () => {
      const file = report('units');
      const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
      const args = ['vitest', 'run', ...specs, ...reporters];
      return vitestCounts(file, await run('npx', args));
    },
  ];
  /** @type {Step} */
  const journeys = [
    'Browser journeys',
    async () => {
      const file = report('browser');
      const args = ['playwright', 'test', ...walks, '-c', 'e2e/playwright.config.ts', '--reporter=list,json'];
      return browserCounts(file, await run('npx', args, { more: { PLAYWRIGHT_JSON_OUTPUT_NAME: file } }));
    },
  ];
  return { page, units, journeys };
}

/** @param {string} folder @returns {{ beside: readonly Step[][], after: readonly Step[] }} */
function everything(folder) {
  const { page, units, journeys } = tried(folder);
  return {
    // Each needs one processor: two go on at a time.
    beside: [
      // The page’s own types are checked as it is built, for its tests and for the journeys.
      [['Types', whole('types:plain')], page],
      [
        ['Lint', whole('lint')],
        ['Format', whole('format:check')],
        ['Arrows between rooms', whole('boundaries')],
        ['What nothing uses', whole('knip')],
      ],
    ],
    after: [units, journeys],
  };
}

/**
 * What belongs to some places alone.
 *
 * @param {string} folder @param {readonly string[]} places
 * @returns {{ beside: readonly Step[][], after: readonly Step[], left: number }}
 * @throws Error where a place has no specs
 */
function some(folder, places) {
  const { unknown, left, ...specs } = specsOf(places, specsBelow(ROOT));
  if (unknown.length)
    throw new Error(
      `Nothing is tried under ${unknown.join(' or ')}. Give a folder or file of the project, or the name of a stage.`,
    );
  const { page, units, journeys } = tried(folder, specs);
  const after = /** @type {const} */ ([
    ['units', units],
    ['page', page],
    ['journeys', journeys],
  ]).flatMap(([kind, step]) => (specs[kind].length ? [step] : []));
  return { beside: [], after, left };
}

/** @param {readonly string[]} places none: everything */
async function main(places) {
  ensureNode();
  ensurePackages(['database', 'browser', 'drawingReader', 'pdfTools']);
  ensureNpmPackages();
  const folder = mkdtempSync(join(tmpdir(), 'intervex-report-'));
  const total = { passed: 0, failed: 0 };
  /** @type {string[]} */
  const lines = [];
  /** @type {string[]} */
  const told = [];
  const inTurn = async (/** @type {readonly Step[]} */ list) => {
    for (const [name, step] of list) {
      say(`\n== ${name}`);
      const start = Date.now();
      const { passed, failed, more = [] } = await step();
      total.passed += passed;
      total.failed += failed;
      const seconds = Math.round((Date.now() - start) / 1000);
      lines.push(`${failed ? 'FAILED' : 'ok    '} ${name}: ${passed} passed, ${failed} failed, ${seconds} s`);
      told.push(...more);
    }
  };
  const { beside, after, left } = places.length ? some(folder, places) : { ...everything(folder), left: 0 };
  await Promise.all(beside.map(inTurn));
  await inTurn(after);
  rmSync(folder, { recursive: true, force: true });
  for (const one of told) say(`\n${one}`);
  say(`\n${lines.join('\n')}`);
  process.exitCode = total.failed ? 1 : 0;
  say(`${total.passed} passed, ${total.failed} failed`);
  if (left) say(`Left out: ${left} files of tests, types, lint and boundaries. Before it lands: npm test.`);
}

try {
  await main(process.argv.slice(2));
} catch (error) {
  say(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
}
