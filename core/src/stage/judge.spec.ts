import { inMm } from '../testing/in-mm';
import { describe, expect, it } from 'vitest';
import { given, type FigureUnit } from '../measure';
import type { CheckLimit } from './check';
import { judge, judgeClosure, UNSURE, type Held, type Way } from './judge';

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
  at: 'f',
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
    expect(judge({ ...held(1, 0, 'mm'), figure: undefined, lacks: ['a'] })).toEqual({
      id: 'x',
      stage: 'cut',
      level: 'unknown',
      title: 'Not known',
      reason: 'Because.',
      todo: 'Read or choose what is missing.',
      at: 'f',
      lacks: ['a'],
    });
  });
});

describe('readings that must add up', () => {
  it('contradict each other beyond limit and joint uncertainty; within it they may only be too coarse', () => {
    const found = (value: number, u: number) => judgeClosure(held(value, u, 'mm'), ['a', 'b']);
    expect(found(-14, 2)).toMatchObject({ level: 'stop', contradicts: ['a', 'b'] });
    expect(found(14, 8)).toMatchObject({ level: 'caution' });
    expect(found(14, 8).contradicts).toBeUndefined();
    expect(found(9, 0).level).toBe('ok');
  });
});
