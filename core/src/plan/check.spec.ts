import { describe, expect, it } from 'vitest';
import { isOpen, judgeFact, withAcceptance, worst, type Acceptance, type Check } from '../stage';
import { LIMIT_IDS, LIMITS } from './catalogue';
import { limitIn, limitValue } from './limits';

const caution = (value: number, unit: 'mm' | 'rad' | 'Nm' | 'count' = 'mm'): Check => ({
  id: 'cut.width',
  stage: 'cut',
  level: 'caution',
  title: 'Result misses the target',
  figure: { value, unit },
  limit: { id: 'cut.width', value: unit === 'rad' ? 0.0026 : 1, unit, fallback: 1 },
  reason: 'Offsets make it up',
  todo: 'Choose another way',
});
const acceptance = (figure: number | null): Acceptance => ({
  reason: 'Wheels with more offset are here',
  figure,
  who: 'Ansa',
  at: '2026-11-02T10:00:00Z',
});

describe('acceptance', () => {
  it.each([
    // Accepted at 3.2 mm against a limit of 1: it may shrink, and grow by no more than 0.05 mm.
    [3.2, true],
    [2.1, true],
    [3.24, true],
    [3.31, false],
    [-3.2, true],
    [-3.4, false],
  ])('at 3.2 mm holds for %d mm: %s', (value, holds) => {
    const check = withAcceptance(caution(value), acceptance(3.2));
    expect(check.accepted !== undefined).toBe(holds);
    expect(check.lapsed !== undefined).toBe(!holds);
    expect(isOpen(check)).toBe(!holds);
  });

  it('grows by what its unit can tell apart', () => {
    expect(withAcceptance(caution(0.0043, 'rad'), acceptance(0.0041)).accepted).toBeDefined();
    expect(withAcceptance(caution(0.0052, 'rad'), acceptance(0.0041)).lapsed).toBeDefined();
    expect(withAcceptance(caution(4203, 'Nm'), acceptance(4200)).accepted).toBeDefined();
  });

  it('lapses for a factor that got worse, and for one thing more', () => {
    const factor = (value: number): Check => ({
      ...caution(value, 'count'),
      limit: { id: 'shaft.factor', value: 1.5, unit: 'count', fallback: 1.5 },
    });
    expect(withAcceptance(factor(1.41), acceptance(1.42)).accepted).toBeDefined();
    expect(withAcceptance(factor(1.31), acceptance(1.42)).lapsed).toBeDefined();
    // A whole number by chance is still a factor.
    expect(withAcceptance(factor(1.34), acceptance(1)).accepted).toBeDefined();
    const { limit: _, ...told } = caution(4, 'count');
    expect(withAcceptance(told, acceptance(4)).accepted).toBeDefined();
    expect(
      withAcceptance({ ...told, figure: { value: 5, unit: 'count' } }, acceptance(4)).lapsed,
    ).toBeDefined();
  });

  it('holds without a figure, and never covers a stop or what passes', () => {
    const { figure: _, ...plain } = caution(3.2);
    expect(withAcceptance(plain, acceptance(null)).accepted).toBeDefined();
    expect(withAcceptance({ ...caution(3.2), level: 'stop' }, acceptance(3.2))).not.toHaveProperty('accepted');
    const ok = judgeFact({
      id: 'cut.width',
      stage: 'cut',
      rests: { 'brief.use': 'road' },
      holds: 'It holds',
      unknown: 'Not known',
      reason: 'Because.',
      at: 'brief.targetWidth',
    });
    expect(ok.level).toBe('ok');
    expect(withAcceptance(ok, acceptance(3.2))).not.toHaveProperty('accepted');
    expect(withAcceptance(caution(3.2), undefined)).toEqual(caution(3.2));
  });
});

describe('worst', () => {
  it('counts what is open, accepted cautions as passed', () => {
    const stop: Check = { ...caution(9.1), level: 'stop' };
    const taken = withAcceptance(caution(3.2), acceptance(3.2));
    expect(worst([])).toBe('ok');
    expect(worst([taken])).toBe('ok');
    expect(worst([taken, caution(2.2)])).toBe('caution');
    expect(worst([caution(2.2), stop, taken])).toBe('stop');
  });
});

describe('limits', () => {
  it('have defaults within their range, each with a name of its own', () => {
    expect(new Set(LIMIT_IDS).size).toBe(LIMIT_IDS.length);
    for (const id of LIMIT_IDS) {
      const { fallback, min, max, label } = LIMITS[id];
      expect(fallback, id).toBeGreaterThanOrEqual(min);
      expect(fallback, id).toBeLessThanOrEqual(max);
      expect(label.length).toBeGreaterThan(5);
    }
  });

  it('carry the change and why it was made', () => {
    const changes = { 'cut.slug': { value: 7.5, reason: 'Thick blade' } };
    expect(limitValue(changes, 'cut.slug')).toBe(7.5);
    expect(limitIn(changes, 'cut.slug')).toMatchObject({
      value: 7.5,
      fallback: 3,
      changedBecause: 'Thick blade',
    });
    expect(limitIn({}, 'cut.slug')).not.toHaveProperty('changedBecause');
  });
});
