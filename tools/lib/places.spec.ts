import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from './paths.mjs';
import { specsBelow, specsOf } from './places.mjs';

const SPECS = [
  'core/golden/golden.spec.ts',
  'core/golden/toy-stage.spec.ts',
  'core/src/stages/shafts/fit.spec.ts',
  'core/src/stages/shafts/figures/stock.spec.ts',
  'core/src/stages/cut/cut.spec.ts',
  'server/src/plans/plans.spec.ts',
  'tools/calc.spec.ts',
  'web/src/app/stages/shafts/shafts.spec.ts',
  'e2e/journeys/shafts.spec.ts',
  'e2e/journeys/cutting.spec.ts',
];
const none = { units: [], page: [], journeys: [], unknown: [] };

describe('specs of a place', () => {
  it('are all of a stage, with the results of the worked plans', () => {
    expect(specsOf(['shafts'], SPECS)).toEqual({
      units: [SPECS[2], SPECS[3], SPECS[0]],
      page: [SPECS[7]],
      journeys: [SPECS[8]],
      unknown: [],
      left: 5,
    });
  });

  it('are those below a folder, or of one file', () => {
    expect(specsOf(['./server/src/plans/'], SPECS)).toEqual({ ...none, units: [SPECS[5]], left: 9 });
    expect(specsOf(['tools/calc.spec.ts', 'e2e/journeys/cut'], SPECS)).toMatchObject({
      unknown: ['e2e/journeys/cut'],
    });
    expect(specsOf(['e2e/journeys/cutting'], SPECS)).toEqual({ ...none, journeys: [SPECS[9]], left: 9 });
    // A folder of which another begins with the same letters is not meant.
    expect(specsOf(['core/src/stages/shaft'], SPECS).units).toEqual([]);
  });

  it('are found by the beginning of a file’s name; what is nowhere is told', () => {
    expect(specsOf(['cut', 'nowhere'], SPECS)).toMatchObject({
      units: [SPECS[4], SPECS[0]],
      journeys: [SPECS[9]],
      unknown: ['nowhere'],
    });
  });

  it('stand where they are looked for', () => {
    const all = specsBelow(ROOT);
    expect(all.length).toBeGreaterThan(200);
    expect(all.every((spec) => existsSync(join(ROOT, spec)) && !spec.includes('node_modules'))).toBe(true);
    for (const home of ['core', 'contract', 'server', 'standins', 'tools', 'web', 'e2e'])
      expect(
        all.some((spec) => spec.startsWith(`${home}/`)),
        home,
      ).toBe(true);
  });
});
