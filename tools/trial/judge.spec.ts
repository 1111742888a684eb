import { describe, expect, it } from 'vitest';
import { judged, LIMITS, type Findings } from './judge';

/** Findings that keep every limit, just so. */
const fine = (): Record<string, Record<string, number | string>> => {
  const found: Record<string, Record<string, number | string>> = {};
  for (const { trial, what, most, least } of LIMITS) (found[trial] ??= {})[what] = most ?? least ?? 0;
  return found;
};
const changed = (trial: string, what: string, value: number | string | undefined) => {
  const found = fine();
  const { [what]: _gone, ...rest } = found[trial] ?? {};
  return { ...found, [trial]: (value === undefined ? rest : { ...rest, [what]: value }) as Findings };
};

describe('what a trial found', () => {
  it('is all well where every limit is kept', () => {
    expect(judged(fine(), true)).toEqual({ wrong: [], untried: [] });
  });

  it.each(LIMITS.map((l) => [`${l.trial} ${l.what}`, l] as const))(
    'is wrong beyond the limit of %s',
    (_, l) => {
      const { trial, what, most, least } = l;
      const beyond = most === undefined ? (least ?? 0) - 1 : most + 1;
      expect(judged(changed(trial, what, beyond), true).wrong).toEqual([
        `${trial}: ${what} is ${beyond}, ${most === undefined ? `at least ${least}` : `at most ${most}`}`,
      ]);
      expect(judged(changed(trial, what, undefined), true).wrong).toEqual([
        `${trial}: ${what} was not found out`,
      ]);
      expect(judged(changed(trial, what, beyond), false).wrong).toHaveLength(l.measured ? 0 : 1);
    },
  );

  it('is wrong where a trial ended with an error or was left out, and tells what was not tried', () => {
    const { kills: _kills, ...rest } = fine();
    expect(judged(rest, false).wrong).toEqual([
      'kills: lost was not found out',
      'kills: acknowledged was not found out',
    ]);
    const ended = { ...fine(), kills: { error: 'Waited 60 s for the application to come back.' } };
    expect(judged(ended, true)).toEqual({
      wrong: ['kills: Waited 60 s for the application to come back.'],
      untried: [],
    });
    const skipped = { ...fine(), fullDisk: { skipped: 'no disk may be mounted here' } };
    expect(judged(skipped, true)).toEqual({ wrong: [], untried: ['fullDisk: no disk may be mounted here'] });
  });
});
