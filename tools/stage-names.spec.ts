import { describe, expect, it } from 'vitest';
import { allSlips, slipsIn } from './stage-names';

const words = (file: string, source: string) =>
  slipsIn(file, source).map(({ word, stage }) => `${word}: ${stage}`);

describe('words of a stage', () => {
  it('stand only in its folder, in those that may read it, and in the two lists', () => {
    expect(allSlips()).toEqual([]);
  });

  it.each([
    ['server/src/app.ts', "const id = 'donor.half.left';", ['donor.half.left: donor']],
    ['server/src/app.ts', "route('/x', 'cut');", ['cut: cut']],
    ['web/src/app/shell/a.ts', 'const t = `<ix-reading id="brief.mass" />`;', ['brief.mass: brief']],
    ['web/src/app/shell/a.ts', 'const id = `donor.half.${side}`;', ['donor.half.: donor']],
    ['web/src/app/shell/a.html', '<ix-fact id="fact.slip.look" />', ['fact.slip.look: donor']],
    ['web/src/app/shell/a.html', '<h2>Saw and weld</h2>', ['Saw and weld: cut']],
    ['core/src/evaluate/a.ts', "limit('stance.caliper')", ['stance.caliper: stance']],
    // Stance reads the survey, and the survey does not read the stance.
    ['web/src/app/stages/stance/a.ts', "known['survey.left']", []],
    ['web/src/app/stages/survey/a.ts', "known['wheel.et']", ['wheel.et: stance']],
    ['server/src/app.ts', "import { x } from 'cut'; // 'donor.half.left'", []],
  ])('%s: %s', (file, source, found) => {
    expect(words(file, source)).toEqual(found);
  });
});
