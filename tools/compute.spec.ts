import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROOT } from './lib/paths.mjs';

let folder = '';
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'intervex-compute-'));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

const compute = (...args: string[]) =>
  spawnSync('npm', ['run', '-s', 'compute', '--', ...args], {
    cwd: ROOT,
    encoding: 'utf8',
    // All figures of a plan with their workings take some MB.
    maxBuffer: 64e6,
  });
const tern = readFileSync(join(ROOT, 'examples/tern.json'), 'utf8');
const given = (name: string, text: string): string => {
  const file = join(folder, name);
  writeFileSync(file, text);
  return file;
};

interface Printed {
  readonly project: string;
  readonly figures: Readonly<Record<string, { value: number; unit: string; uncertainty: number }>>;
  readonly checks: readonly { id: string; level: string }[];
}

describe('compute', () => {
  it('prints every figure of the demo as JSON, the marks among them', () => {
    const { status, stdout } = compute('examples/tern.json');
    expect(status).toBe(0);
    const printed = JSON.parse(stdout) as Printed;
    expect(printed.project).toBe('Tern');
    // The marks that stand on the sheet: 202 + 92.2 and 214 + 41.7.
    const value = (id: string) => printed.figures[id]?.value;
    expect(value('mark.inner.left')).toBe(202);
    expect(value('mark.outer.left')).toBeCloseTo(294.2, 6);
    expect(value('mark.outer.right')).toBeCloseTo(255.7, 6);
    expect(value('slug.right')).toBeCloseTo(38.5, 6);
    expect(printed.figures['mark.outer.left']).toMatchObject({ unit: 'mm' });
    expect(printed.checks.filter((c) => c.level === 'stop')).toHaveLength(0);
    expect(stdout).not.toMatch(/": null/);
  });

  it.each([
    ['no file named', [], /which plan file/],
    ['no such file', ['nowhere.json'], /cannot be read: ENOENT/],
  ])('%s: exit code 2 and a message', (_, args, says) => {
    const { status, stderr, stdout } = compute(...args);
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(stderr).toMatch(says);
  });

  it('refuses a bad file with field, what was wrong and what would be right', () => {
    const bad = given('bad.json', tern.replace('"value": 587.8', '"value": -587.8'));
    const { status, stderr } = compute(bad);
    expect(status).toBe(2);
    expect(stderr).toContain('plan.readings.donor.tube.left.repeats[0].value');
    expect(stderr).toMatch(/between 20\.0 mm and 1200\.0 mm/);
    expect(stderr).not.toMatch(/\.ts:\d+/);
    expect(compute(given('short.json', tern.slice(0, 500))).status).toBe(2);
  });
});
