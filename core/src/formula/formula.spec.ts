import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formulaOf } from './formula';
import { parseFormula } from './parse';

const at = (text: string, inputs: Record<string, number>) => {
  const f = formulaOf(text);
  return f.value(f.symbols.map((s) => inputs[s] as number));
};
const run = (text: string, inputs: Record<string, number>, u: Record<string, number> = {}) => {
  const f = formulaOf(text);
  const partials = new Float64Array(f.symbols.length);
  const spread = (p: Float64Array) =>
    Math.sqrt(f.symbols.reduce((s, k, i) => s + ((u[k] ?? 0) * (p[i] as number)) ** 2, 0));
  const kinks = { spread, alone: (i: number) => u[f.symbols[i] as string] ?? 0, met: false };
  f.partials(
    f.symbols.map((s) => inputs[s] as number),
    partials,
    kinks,
  );
  return { slopes: Object.fromEntries(f.symbols.map((s, i) => [s, partials[i]])), met: kinks.met };
};
const slopes = (text: string, inputs: Record<string, number>, u: Record<string, number> = {}) =>
  run(text, inputs, u).slopes;

describe('a formula', () => {
  it.each([
    ['{H} − {W}/2', { H: 792, W: 1402 }, 91],
    ['−{a} + 3', { a: 5 }, -2],
    ['2 − 3 − 4', {}, -5],
    ['24/4/3·5', {}, 10],
    ['16·1000·{T}/(π·{d}³)', { T: 4200, d: 31.38 }, 692.2462],
    ['min({n}, {l} − {h}, 17)', { n: 14, l: 38, h: 25.5 }, 12.5],
    ['max(0, {a} − {b})', { a: 3, b: 8 }, 0],
    ['|{y}|/2', { y: -7 }, 3.5],
    ['atan(√({b}² + {c}²)/{R})', { b: 0.15, c: 0.025, R: 38.1 }, 0.00399127],
    ['atan √(tan² {γ} + tan² {τ})', { γ: 0.03, τ: 0.02 }, 0.0360495],
    ['round({L}/{q})·{q}', { L: 684.37, q: 0.5 }, 684.5],
    ['{a} - {b}', { a: 1, b: 4 }, -3],
    ['sin {φ}·{h}', { φ: 0.5, h: 10 }, 4.794255],
    ['({d} + 1)²', { d: 2 }, 9],
  ])('%s', (text, inputs, expected) => {
    expect(at(text, inputs as Record<string, number>)).toBeCloseTo(expected, 4);
  });

  it.each(['', '{a', '{a} +', '2 ** 3', 'sinh {a}', '({a}', '{a} {b}', 'σ/2', '|{a}'])(
    'refuses “%s”',
    (text) => {
      expect(() => parseFormula(text)).toThrow(SyntaxError);
    },
  );

  it('has the slopes that differences of its value have', () => {
    const text = '√({a}·{b})/cos({c}) + min({a}, {b}·2)·{c}⁴ − |{c} − {b}|/atan({a})';
    const some = fc.double({ min: 1.1, max: 1.5, noNaN: true });
    fc.assert(
      fc.property(some, some, fc.double({ min: 0.2, max: 1, noNaN: true }), (a, b, c) => {
        const inputs = { a, b, c };
        const exact = slopes(text, inputs);
        for (const key of ['a', 'b', 'c'] as const) {
          const h = 1e-6;
          const by = (d: number) => at(text, { ...inputs, [key]: inputs[key] + d });
          expect(exact[key]).toBeCloseTo((by(h) - by(-h)) / (2 * h), 5);
        }
      }),
    );
  });

  it('says where two branches lie within reach of each other; its slopes are those of the branch with the value', () => {
    const text = 'min({near}, {far})';
    const u = { near: 0.02, far: 0.5 };
    expect(run(text, { near: 33.5, far: 33.9 }, u)).toEqual({ slopes: { near: 1, far: 0 }, met: true });
    expect(run(text, { near: 33.5, far: 36.9 }, u)).toEqual({ slopes: { near: 1, far: 0 }, met: false });
    expect(run('max(0, {near})', { near: 0.05, far: 0 }, u).met).toBe(true);
    expect(run('max(0, {near})', { near: 0.07, far: 0 }, u).met).toBe(false);
    expect(at(text, { near: 33.5, far: 33.9 })).toBe(33.5);
  });

  it('does not call a length of nothing certain', () => {
    expect(slopes('√({b}² + {c}²)', { b: 0, c: 0 }, { b: 0.01, c: 0.03 })).toEqual({ b: 0, c: 1 });
    expect(slopes('√({b}² + {c}²)', { b: 3, c: -4 })).toEqual({ b: 0.6, c: -0.8 });
  });

  it('is read once', () => {
    expect(formulaOf('{a} + {b}')).toBe(formulaOf('{a} + {b}'));
  });
});
