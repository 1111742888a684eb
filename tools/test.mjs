import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePackages } from './lib/debian-packages.mjs';
import { ensureNpmPackages } from './lib/npm-packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { say } from './lib/say.mjs';

/** @typedef {{ passed: number, failed: number }} Counts */

const env = { ...process.env, CI: '1', NG_CLI_ANALYTICS: 'false', FORCE_COLOR: '0', NO_COLOR: '1' };

/** Runs a program and shows what it says; true where it ended well. */
function run(
  /** @type {string} */ program,
  /** @type {string[]} */ args,
  /** @type {NodeJS.ProcessEnv} */ more = {},
) {
  const { status } = spawnSync(program, args, {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...env, ...more },
  });
  return status === 0;
}

/** A check without cases of its own counts as one. @returns {Counts} */
const whole = (/** @type {string} */ script) => {
  const ok = run('npm', ['run', '-s', script]);
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

/** @returns {Counts} */
function browserCounts(/** @type {string} */ file, /** @type {boolean} */ ok) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { stats, errors } = JSON.parse(readFileSync(file, 'utf8'));
  const failed = Math.max(stats.unexpected + errors.length, ok ? 0 : 1);
  return { passed: stats.expected, failed };
}

/** @param {string} folder @returns {[string, () => Counts][]} */
function steps(folder) {
  const report = (/** @type {string} */ name) => join(folder, `${name}.json`);
  return [
    ['Types', () => whole('types')],
    ['Lint', () => whole('lint')],
    ['Format', () => whole('format:check')],
    ['Arrows between rooms', () => whole('boundaries')],
    [
      'Core, contract, server and database',
      () => {
        const file = report('units');
        return vitestCounts(
          file,
          run('npx', ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`]),
        );
      },
    ],
    [
      'Page components',
      () => {
        const file = report('page');
        const args = [
          'test',
          '-w',
          'web',
          '--',
          '--reporters=default',
          '--reporters=json',
          `--output-file=${file}`,
        ];
        return vitestCounts(file, run('npm', args));
      },
    ],
    [
      'Browser journeys',
      () => {
        const file = report('browser');
        const ok = run(
          'npx',
          ['playwright', 'test', '-c', 'e2e/playwright.config.ts', '--reporter=list,json'],
          {
            PLAYWRIGHT_JSON_OUTPUT_NAME: file,
          },
        );
        return browserCounts(file, ok);
      },
    ],
  ];
}

function main() {
  ensurePackages(['database', 'browser', 'drawingReader', 'pdfTools']);
  ensureNpmPackages();
  const folder = mkdtempSync(join(tmpdir(), 'intervex-report-'));
  const total = { passed: 0, failed: 0 };
  const lines = [];
  for (const [name, step] of steps(folder)) {
    say(`\n== ${name}`);
    const start = Date.now();
    const { passed, failed } = step();
    total.passed += passed;
    total.failed += failed;
    lines.push(
      `${failed ? 'FAILED' : 'ok    '} ${name}: ${passed} passed, ${failed} failed, ${Math.round((Date.now() - start) / 1000)} s`,
    );
  }
  rmSync(folder, { recursive: true, force: true });
  say(`\n${lines.join('\n')}`);
  process.exitCode = total.failed ? 1 : 0;
  say(`${total.passed} passed, ${total.failed} failed`);
}

main();
