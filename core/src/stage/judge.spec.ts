import { inMm } from '../testing/in-mm';
import { describe, expect, it } from 'vitest';
import { given, type FigureUnit } from '../measure';
import type { CheckLimit } from './check';
import {
  judge,
  judgeClosure,
  judgeFact,
  notLookedAt,
  UNSURE,
  type Held,
  type HeldFact,
  type HeldTwice,
  type Way,
} from './judge';

const limitOf = (value: number, unit: FigureUnit): CheckLimit => ({ id: 'l', value, unit, fallback: value });
const held = (value: number, u: number, unit: FigureUnit, more: Partial<Held> = {}): Held => ({
  id: 'x',
  stage: 'cut',
  figure: given('f', 'F', value, u, unit, 'Read'),
  way: 'atMost',
  limit: limitOf(10, unit),
  holds: 'It holds',
  fails: 'It fails',
  unknown: 'Not known',
  todo: 'Mend it',
  reason: 'Because.',
  at: 'donor.half.left',
  ...more,
});

describe('a figure near its limit', () => {
  // U is twice the standard uncertainty.
  it.each([
    [9.8, 0.31, 'mm', '± 0.62 mm'],
    [9.8, 4, 'kg', '± 8 kg'],
    [9.8, 6.6, 'Nm', '± 13 N·m'],
    [9.8, 12, 'N', '± 24 N'],
    [9.8, 1.2, 'MPa', '± 2 MPa'],
    [9.99, 0.005, 'ratio', '± 1.0 %'],
    [9.8, 0.15, 'count', '± 0.30'],
    [9.8, 60, 'money', '± 120'],
    [9.995, 0.0087266, 'rad', '± 1.00°'],
  ] as const)('%d, give or take %d %s, is known to %s', (value, u, unit, said) => {
    const found = judge(held(value, u, unit));
    expect(inMm(found.reason)).toBe(`Because. The figure is known to ${said}: ${UNSURE}.`);
    expect(found.title).toBe(`It holds, but ${UNSURE}`);
    expect(found.within).toBeCloseTo(2 * u, 9);
  });

  it('says nothing of its uncertainty where that is less than what is left', () => {
    const found = judge(held(9.2, 0.3, 'mm'));
    expect(found).toMatchObject({ level: 'ok', title: 'It holds', reason: 'Because.', todo: '' });
    expect(found.within).toBeUndefined();
  });
});

describe('levels', () => {
  const level = (value: number, way: Way, more: Partial<Held> = {}) =>
    judge(held(value, 0, 'mm', { way, ...more })).level;

  it('come of the way it has to stand', () => {
    expect([level(10, 'atMost'), level(10.01, 'atMost'), level(-40, 'atMost')]).toEqual([
      'ok',
      'caution',
      'ok',
    ]);
    expect([level(10, 'atLeast'), level(9.99, 'atLeast')]).toEqual(['ok', 'caution']);
    expect([level(-10, 'within'), level(-10.01, 'within'), level(10.01, 'within')]).toEqual([
      'ok',
      'caution',
      'caution',
    ]);
  });

  it('are a stop beyond the stop, be it a limit or a plain number that is only just touched', () => {
    const stop = limitOf(12, 'mm');
    expect([level(11.9, 'atMost', { stop }), level(12.1, 'atMost', { stop })]).toEqual(['caution', 'stop']);
    expect([level(0.1, 'atLeast', { stop: 0 }), level(0, 'atLeast', { stop: 0 })]).toEqual(['caution', 'stop']);
    expect(level(11, 'atMost', { beyond: 'stop' })).toBe('stop');
    expect(judge(held(12.1, 0, 'mm', { stop })).limit?.value).toBe(12);
    expect(judge(held(11, 0, 'mm', { stop })).limit?.value).toBe(10);
  });

  it('are unknown without a figure, whatever the limit', () => {
    expect(judge({ ...held(1, 0, 'mm'), figure: undefined, lacks: ['donor.half.right'] })).toEqual({
      id: 'x',
      stage: 'cut',
      level: 'unknown',
      title: 'Not known',
      reason: 'Because.',
      todo: 'Read or choose what is missing.',
      at: 'donor.half.left',
      lacks: ['donor.half.right'],
    });
  });
});

describe('readings of one thing', () => {
  const found = (value: number, U: number, more: Partial<HeldTwice> = {}) =>
    judgeClosure({ ...held(value, U / 2, 'mm'), fails: 'They do not agree', todo: 'Read again', ...more }, [
      'a',
      'b',
    ]);

  it('contradict each other beyond their joint uncertainty, whatever the limit', () => {
    expect(found(-14, 4)).toMatchObject({ level: 'stop', contradicts: ['a', 'b'] });
    // Four calipers 1.87 mm apart, known to 0.046 mm: a limit of 10 mm does not make them agree.
    expect(found(1.87, 0.046)).toMatchObject({
      level: 'stop',
      title: 'They do not agree',
      contradicts: ['a', 'b'],
    });
    expect(inMm(found(1.87, 0.046).reason)).toBe('Because. They are 1.87 mm apart and known to ± 0.05 mm.');
  });

  it('agree within it, and are too coarse to tell beyond the limit', () => {
    expect(found(0.044, 0.046)).toMatchObject({ level: 'ok', title: 'It holds', grounds: ['a', 'b'] });
    expect(found(9, 9.4)).toMatchObject({ level: 'ok' });
    expect(found(14, 16)).toMatchObject({ level: 'caution' });
    expect(found(14, 16).contradicts).toBeUndefined();
    expect(inMm(found(14, 16).reason)).toContain(UNSURE);
  });

  it('of things that may differ stop beyond the limit alone', () => {
    const more = { mayDiffer: true } as const;
    expect([found(1.87, 0.046, more).level, found(11, 0.046, more).level, found(11, 12, more).level]).toEqual([
      'ok',
      'stop',
      'caution',
    ]);
  });

  it('are not known without one of them', () => {
    expect(judgeClosure({ ...held(1, 0, 'mm'), fails: '', todo: '', figure: undefined }, ['a']).level).toBe(
      'unknown',
    );
  });

  it('need no limit: within what they can tell they agree', () => {
    expect([found(3, 3.1, { limit: 0 }).level, found(3, 2.9, { limit: 0 }).level]).toEqual(['ok', 'stop']);
  });
});

describe('facts', () => {
  const fact = (rests: Readonly<Record<string, unknown>>, more: Partial<HeldFact> = {}) =>
    judgeFact({
      id: 'x',
      stage: 'hubs',
      rests,
      holds: 'Alike',
      unknown: 'Not known',
      reason: 'Because.',
      at: 'fact.new.seat',
      ...more,
    });

  it('are in order only where every one is said, and the check names them', () => {
    expect(fact({ 'fact.a': 'cone', 'fact.b': 'cone' })).toMatchObject({
      level: 'ok',
      title: 'Alike',
      grounds: ['fact.a', 'fact.b'],
    });
    for (const unsaid of [undefined, ''])
      expect(fact({ 'fact.a': 'cone', 'fact.b': unsaid })).toMatchObject({
        level: 'unknown',
        title: 'Not known',
      });
    // Nothing at all is said by a nought that was read.
    expect(fact({ 'fact.a': 0 }).level).toBe('ok');
  });

  it('that are at fault are told whatever else is unsaid', () => {
    const fault = { level: 'stop', title: 'Other seats', todo: 'Take others' } as const;
    expect(fact({ 'fact.a': undefined }, { fault })).toMatchObject(fault);
    expect(fact({ 'fact.a': 'ball' }, { fault }).reason).toBe('Because.');
    expect(fact({ 'fact.a': 'ball' }, { fault: { ...fault, reason: 'Worse.' } }).reason).toBe('Worse.');
  });

  it('that are none cannot be judged', () => {
    expect(() => fact({})).toThrow(RangeError);
  });
});

describe('what was not looked at', () => {
  it('makes an ok unknown and is named', () => {
    const found = judge(held(9.2, 0.3, 'mm', { looked: [{ kind: 'bracket', ids: ['bracket.a'] }] }));
    if (found.level !== 'ok') throw new Error('It should hold.');
    expect(notLookedAt(found, ['the truss', 'the cover'])).toMatchObject({
      level: 'unknown',
      title: 'It holds, but not looked at: the truss, the cover',
    });
  });
});
