import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalDraw, seededRandom } from '../numerics';
import { derive, expandedUncertainty, given, standardUncertainty, summarise, type Figure } from './index';

describe('summarise', () => {
  it('combines scatter and resolution (by hand: mean 76.01333, s 0.030551, u 0.021079)', () => {
    const summary = summarise([76.02, 75.98, 76.04], 'caliper');
    expect(summary.mean).toBeCloseTo(76.0133333, 6);
    expect(summary.s).toBeCloseTo(0.0305505, 6);
    expect(summary.u).toBeCloseTo(0.0210819, 6);
    expect(summary.agreement).toBe('agree');
  });

  it('rests on the instrument alone for one repeat: tape 0.8/√3 = 0.4619', () => {
    const summary = summarise([792.3], 'tape');
    expect(summary.u).toBeCloseTo(0.4618802, 6);
    expect(summary.agreement).toBe('single');
  });

  it('asks for another when the range exceeds four half-resolutions, and not at exactly four', () => {
    expect(summarise([76.02, 75.41], 'caliper').agreement).toBe('disagree');
    expect(summarise([601.3, 602.3], 'rule').agreement).toBe('agree');
    expect(summarise([601.3, 602.31], 'rule').agreement).toBe('disagree');
  });

  it('refuses nothing and not-a-number', () => {
    expect(() => summarise([], 'tape')).toThrow(RangeError);
    expect(() => summarise([3, Number.NaN], 'tape')).toThrow(RangeError);
  });

  it('does not depend on the order, and shifts with the readings', () => {
    const values = fc.array(fc.double({ min: -900, max: 900, noNaN: true }), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(values, fc.double({ min: -50, max: 50, noNaN: true }), (list, shift) => {
        const a = summarise(list, 'rule');
        const b = summarise([...list].reverse(), 'rule');
        const c = summarise(
          list.map((v) => v + shift),
          'rule',
        );
        expect(b.mean).toBeCloseTo(a.mean, 9);
        expect(c.mean).toBeCloseTo(a.mean + shift, 8);
        expect(c.s).toBeCloseTo(a.s, 7);
        expect(a.mean).toBeGreaterThanOrEqual(Math.min(...list) - 1e-9);
      }),
    );
  });
});

const reading = (id: string, value: number, u: number): Figure => given(id, id, value, u, 'mm', 'test');

describe('derive', () => {
  const spec = { id: 'x', label: 'x', unit: 'mm' as const, formula: '', source: '' };

  it('adds independent readings in quadrature', () => {
    const sum = derive(
      { ...spec, inputs: { a: reading('a', 41.3, 0.3), b: reading('b', -7.7, 0.4) } },
      (v) => v.a + 2 * v.b,
    );
    expect(sum.value).toBeCloseTo(25.9, 9);
    expect(standardUncertainty(sum)).toBeCloseTo(Math.sqrt(0.09 + 0.64), 6);
    expect(expandedUncertainty(sum)).toBeCloseTo(2 * Math.sqrt(0.73), 6);
  });

  it('cancels a reading that both inputs share', () => {
    const shared = reading('tape', 588, 0.46);
    const a = derive({ ...spec, inputs: { t: shared, k: reading('k', 91, 0.1) } }, (v) => v.t - v.k);
    const back = derive({ ...spec, inputs: { t: shared, a } }, (v) => v.t - v.a);
    expect(back.value).toBeCloseTo(91, 9);
    expect(standardUncertainty(back)).toBeCloseTo(0.1, 6);
  });

  it('agrees with sampling on a curved formula', () => {
    const inputs = { p: reading('p', 130, 0.7), q: reading('q', 47, 0.5) };
    const curved = (v: { p: number; q: number }) => Math.sqrt(v.p * v.p - v.q * v.q);
    const figure = derive({ ...spec, inputs }, curved);
    const random = seededRandom(20261);
    const samples = Array.from({ length: 40_000 }, () => {
      const normal = (mean: number, u: number) => mean + u * normalDraw(random);
      return curved({ p: normal(130, 0.7), q: normal(47, 0.5) });
    });
    expect(summarise(samples, 'chosen').s).toBeCloseTo(standardUncertainty(figure), 1.7);
  });

  it('keeps the inputs for the working', () => {
    const figure = derive(
      { ...spec, formula: '{H} − {c}', inputs: { H: reading('H', 792, 1), c: reading('c', 91, 0) } },
      (v) => v.H - v.c,
    );
    expect(figure.working.inputs['H']).toEqual({ id: 'H', label: 'H', value: 792, unit: 'mm' });
    expect(figure.contributions).toEqual({ H: expect.closeTo(1, 6) as number });
  });
});
