import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formulaOf } from '../formula';
import { normalDraw, seededRandom } from '../numerics';
import { expandedUncertainty, standardUncertainty, type Figure } from './figure';
import { halfResolutionOf, instrumentsFor } from './instrument';
import { summarise } from './reading';
import { asMade, derive, deriveWherePossible, given, solved } from './derive';
import { restsOn } from './rests-on';
import { spread } from '../testing/spread';

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
    const values = fc.array(spread(-900, 900), { minLength: 2, maxLength: 9 });
    fc.assert(
      fc.property(values, spread(-50, 50), (list, shift) => {
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

const reading = (id: string, value: number, u: number): Figure =>
  given(id, id, value, u, 'mm', { source: 'test', evidence: 'measured' });

describe('derive', () => {
  const spec = { id: 'x', label: 'x', unit: 'mm' as const, source: '' };

  it('adds independent readings in quadrature', () => {
    const sum = derive({
      ...spec,
      formula: '{a} + 2·{b}',
      inputs: { a: reading('a', 41.3, 0.3), b: reading('b', -7.7, 0.4) },
    });
    expect(sum.value).toBeCloseTo(25.9, 9);
    expect(standardUncertainty(sum)).toBeCloseTo(Math.sqrt(0.09 + 0.64), 9);
    expect(expandedUncertainty(sum)).toBeCloseTo(2 * Math.sqrt(0.73), 9);
  });

  it('cancels a reading that both inputs share', () => {
    const shared = reading('tape', 588, 0.46);
    const a = derive({ ...spec, formula: '{t} − {k}', inputs: { t: shared, k: reading('k', 91, 0.1) } });
    const back = derive({ ...spec, formula: '{t} − {a}', inputs: { t: shared, a } });
    expect(back.value).toBeCloseTo(91, 9);
    expect(standardUncertainty(back)).toBeCloseTo(0.1, 9);
  });

  it('agrees with sampling on a curved formula', () => {
    const inputs = { p: reading('p', 130, 0.7), q: reading('q', 47, 0.5) };
    const figure = derive({ ...spec, formula: '√({p}·{p} − {q}·{q})', inputs });
    const random = seededRandom(20261);
    const samples = Array.from({ length: 40_000 }, () => {
      const [p, q] = [130 + 0.7 * normalDraw(random), 47 + 0.5 * normalDraw(random)];
      return Math.sqrt(p * p - q * q);
    });
    expect(summarise(samples, 'chosen').s).toBeCloseTo(standardUncertainty(figure), 1.7);
  });

  it('is as uncertain at a kink as it is: a spline that just covers its gear', () => {
    // l − max(0, p − g): a normal of mean −0.2 and s 0.5, cut off at nothing, has s 0.2232 in closed form.
    const inputs = { p: reading('p', 18.1, 0.5), g: reading('g', 18.3, 0.012), l: reading('l', 33.6, 0.012) };
    const engaged = derive({ ...spec, formula: '{g} + {l} − max({p}, {g})', inputs });
    expect(engaged.value).toBeCloseTo(33.6, 9);
    expect(standardUncertainty(engaged) / Math.hypot(0.2232, 0.012)).toBeCloseTo(1, 1);
  });

  // Standard deviation of the range of n normal readings over theirs: d₃ of control charts.
  it.each([
    [2, 0.8525],
    [3, 0.8884],
    [4, 0.8798],
    [6, 0.848],
  ])('a greatest less a least of %d like readings spreads by %d of one', (n, d3) => {
    const u = 0.02 / Math.sqrt(3);
    const inputs = Object.fromEntries(
      Array.from({ length: n }, (_, i) => [`d_${i + 1}`, reading(`like.${n}.${i}`, 79.94, u)]),
    );
    const all = Object.keys(inputs)
      .map((s) => `{${s}}`)
      .join(', ');
    const apart = derive({ ...spec, formula: `max(${all}) − min(${all})`, inputs });
    expect(apart.value).toBe(0);
    expect(standardUncertainty(apart) / (d3 * u)).toBeGreaterThan(0.93);
    expect(standardUncertainty(apart) / (d3 * u)).toBeLessThan(1.07);
    // The same in two steps: both branches belong to one draw.
    const [M, m] = ['max', 'min'].map((f) => derive({ ...spec, id: f, formula: `${f}(${all})`, inputs }));
    const steps = derive({ ...spec, id: 'steps', formula: '{M} − {m}', inputs: { M: M!, m: m! } });
    expect(standardUncertainty(steps) / standardUncertainty(apart)).toBeCloseTo(1, 2);
  });

  it('out of round by four caliper readings is not certain, and follows its readings where they are far apart', () => {
    const at = (...d: readonly number[]) => {
      const u = 0.02 / Math.sqrt(3);
      const [a, b, c, e] = d.map((value, i) => reading(`bore.${i}`, value, u));
      const inputs = { a: a!, b: b!, c: c!, e: e! };
      return derive({ ...spec, formula: 'max({a}, {b}, {c}, {e}) − min({a}, {b}, {c}, {e})', inputs });
    };
    // Sampled apart from this: U 0.028 for 0.06 with two readings beside the extremes.
    const near = at(79.96, 80.02, 80.01, 79.97);
    expect(near.value).toBeCloseTo(0.06, 9);
    expect(expandedUncertainty(near)).toBeGreaterThan(0.024);
    expect(expandedUncertainty(near)).toBeLessThan(0.031);
    const far = at(79.8, 80.4, 80.1, 80.07);
    expect(far.contributions).toEqual({
      'bore.1': expect.closeTo(0.011547, 6),
      'bore.0': expect.closeTo(-0.011547, 6),
    });
  });

  it('at a kink still shares with others what it shares', () => {
    const [a, b, c] = [reading('sa', 5, 0.3), reading('sb', 5.1, 0.3), reading('sc', 1, 0.2)];
    const least = derive({ ...spec, id: 'least', formula: 'min({a}, {b})', inputs: { a, b } });
    const twice = derive({ ...spec, id: 'twice', formula: '({l} + {c}) − {l}', inputs: { l: least, c } });
    // What cancels is gone: only c is left.
    expect(standardUncertainty(twice)).toBeCloseTo(0.2, 2);
  });

  it('keeps the inputs for the working, themselves among them', () => {
    const H = reading('H', 792, 1);
    const figure = derive({ ...spec, formula: '{H} − {c}', inputs: { H, c: reading('c', 91, 0) } });
    expect(figure.working.inputs['H']).toEqual({ id: 'H', label: 'H', value: 792, unit: 'mm', figure: H });
    expect(figure.contributions).toEqual({ H: 1 });
    expect([...restsOn(figure)].sort()).toEqual(['H', 'c', 'x']);
  });

  it('carries the weakest grade, defaults and the need of a level car upward', () => {
    const told = given('told', 'told', 4, 1, 'mm', { source: 's', evidence: 'seller' });
    const plumb = given('plumb', 'plumb', 5, 1, 'mm', { source: 's', evidence: 'measured', needsLevel: true });
    const stand = given('kerf', 'Kerf', 1.6, 0.3, 'mm', { source: 's', assumed: 'a usual disc' });
    const inner = derive({ ...spec, formula: '{a} + {b}', inputs: { a: told, b: stand } });
    const outer = derive({ ...spec, formula: '{a} + {b}', inputs: { a: inner, b: plumb } });
    expect(outer).toMatchObject({ evidence: 'seller', needsLevel: true });
    expect(outer.assumed['kerf']).toMatchObject({ value: 1.6, why: 'a usual disc' });
    expect(derive({ ...spec, formula: '{a}', inputs: { a: plumb } }).evidence).toBe('measured');
    expect(given('c', 'c', 1, 0, 'mm', 'Chosen').evidence).toBe('chosen');
  });

  it('refuses a formula that names what it was not given', () => {
    expect(() => derive({ ...spec, formula: '{a} + {b}', inputs: { a: reading('a', 1, 0) } })).toThrow(
      'x lacks b',
    );
  });

  it('is nothing where the formula has no value', () => {
    const zero = { a: reading('a', 1, 0.1), b: reading('b', 0, 0.1) };
    expect(deriveWherePossible({ ...spec, unit: 'count', formula: '{a}/{b}', inputs: zero })).toBeUndefined();
    expect(deriveWherePossible({ ...spec, formula: '{a}·{b}/{a}', inputs: zero })?.value).toBe(0);
  });
});

describe('what is made', () => {
  it('is as sure as its setting, however unsure what it was worked out from', () => {
    const spacing = derive({
      id: 's',
      label: 's',
      unit: 'mm',
      source: '',
      formula: '{H} − {k}',
      inputs: {
        k: given('k', 'k', 1, 0, 'mm', ''),
        H: given('H', 'H', 92, 3, 'mm', { source: '', evidence: 'seller', assumed: 'none' }),
      },
    });
    const made = asMade(spacing, { id: 'm', label: 'm', u: 0.2, source: '' });
    expect(made).toMatchObject({ value: 91, contributions: { m: 0.2 }, evidence: 'seller' });
    expect(Object.keys(made.assumed)).toEqual(['H']);
  });
});

describe('instruments', () => {
  it('put an estimate below a tape, and a look no higher than an estimate', () => {
    expect(halfResolutionOf('estimate', 'mm')).toBeGreaterThan(halfResolutionOf('tape', 'mm'));
    expect(halfResolutionOf('estimate', 'mm')).toBeGreaterThanOrEqual(halfResolutionOf('seen', 'mm'));
    expect(halfResolutionOf('seller', 'mm')).toBeGreaterThan(halfResolutionOf('estimate', 'mm'));
  });

  it('read only what they can', () => {
    expect(instrumentsFor('mm')).not.toContain('count');
    expect(instrumentsFor('mm')).not.toContain('angleGauge');
    expect(instrumentsFor('rad')).toEqual(['angleGauge', 'chosen', 'estimate', 'seen', 'seller']);
    expect(instrumentsFor('Nm')).toContain('scale');
  });
});

describe('solved', () => {
  const a = given('a', 'First', 12.4, 0.3, 'mm', { source: 'Read', evidence: 'measured', byTape: true });
  const b = given('b', 'Second', 0.71, 0, 'rad', { source: 'Usual', assumed: 'as most are' });
  const c = given('c', 'Third', 5, 0.2, 'mm', { source: 'Seen', evidence: 'seen' });
  let asked = 0;
  const figure = () =>
    solved({
      id: 's',
      label: 'Found',
      unit: 'mm',
      value: 31.7,
      source: 'Solved',
      inputs: () => [a, b, c],
      slopes: () => {
        asked += 1;
        return [2, 40, -1.5];
      },
    });

  it('is uncertain by its slopes: √((2 · 0.3)² + (1.5 · 0.2)²)', () => {
    const found = figure();
    expect(standardUncertainty(found)).toBeCloseTo(Math.hypot(0.6, 0.3), 12);
    expect(found.contributions).toEqual({ a: 0.6, c: expect.closeTo(-0.3, 12) as number });
  });

  it('asks for its slopes only where somebody wants them, and once', () => {
    asked = 0;
    const found = figure();
    expect([found.value, found.evidence, found.byTape, Object.keys(found.assumed)]).toEqual([
      31.7,
      'seen',
      true,
      ['b'],
    ]);
    expect(asked).toBe(0);
    expect(standardUncertainty(found) + standardUncertainty(found)).toBeGreaterThan(0);
    expect(asked).toBe(1);
  });

  it('has a working that gives its value, and moves as its slopes say', () => {
    const { formula, inputs } = figure().working;
    expect(formula).toBe('{v} + {k_1}·({q_1} − {p_1}) + {k_2}·({q_2} − {p_2}) + {k_3}·({q_3} − {p_3})');
    const shown = Object.fromEntries(Object.entries(inputs).map(([key, { figure: f }]) => [key, f]));
    const again = (by: Record<string, Figure>) =>
      formulaOf(formula).value(formulaOf(formula).symbols.map((s) => ({ ...shown, ...by })[s]!.value));
    expect(again({})).toBe(31.7);
    expect(again({ q_1: given('q', 'q', 12.5, 0, 'mm', '') })).toBeCloseTo(31.9, 9);
  });

  it('leaves out of its working what it does not move with', () => {
    const still = solved({
      id: 's',
      label: 'Found',
      unit: 'mm',
      value: 3,
      source: 'Solved',
      inputs: () => [a, c],
      slopes: () => [0, 1],
    });
    expect(still.working.formula).toBe('{v} + {k_2}·({q_2} − {p_2})');
    expect(
      restsOn(derive({ id: 'd', label: 'D', unit: 'mm', formula: '{x}·2', source: '', inputs: { x: still } })),
    ).toContain('c');
  });
});
