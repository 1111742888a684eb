import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { refuseValue } from './accepts';
import { LIMIT_IDS, LIMITS, QUANTITIES, quantity } from './catalogue';
import { CHOICE_FIELDS, entryName, SEARCH_IDS } from './plan';
import { readQuantity } from './read-quantity';
import { quantityInSentence, quantityName } from '../stage';
import { showAgainst, showValue } from '../measure';
import { stageOfPlace } from './place-name';

describe('quantities', () => {
  it('have ids, names and ranges that make sense', () => {
    expect(new Set(QUANTITIES.map((q) => q.id)).size).toBe(QUANTITIES.length);
    for (const q of QUANTITIES) {
      expect(q.max).toBeGreaterThan(q.min);
      expect(q.hint.endsWith('.')).toBe(true);
      if (q.fallback) expect(refuseValue(q, q.fallback.value)).toBeUndefined();
    }
    expect(quantityName(quantity('donor.tube.left'))).toBe('Casting to housing end, left');
    expect(quantityInSentence(quantity('donor.tube.left'))).toBe('casting to housing end, left');
    expect(quantityInSentence(quantity('brief.targetWidth'))).toBe('WMS width wanted');
    expect(() => quantity('donor.nose')).toThrow(RangeError);
  });

  it('refuse what lies outside, with the range in the unit of the page', () => {
    const tube = quantity('donor.tube.right');
    expect(refuseValue(tube, -587.8)).toMatch(/between 20\.0 mm and 1200\.0 mm; this is −587\.8 mm/);
    expect(refuseValue(tube, 90_000, 'in')).toMatch(/0\.787 in and 47\.244 in/);
    expect(refuseValue(tube, Number.NaN)).toMatch(/must be a number/);
    expect(refuseValue(quantity('donor.splineTeeth'), 31.5)).toMatch(/whole number/);
  });
});

describe('readQuantity', () => {
  it.each([
    ['donor.tube.left', '23 1/8', 'mm', 587.375],
    ['donor.tube.left', '23.125', 'frac', 587.375],
    ['brief.mass', '1020 kg', 'mm', 1020],
    ['brief.mass', '2249 lb', 'mm', 1020.12924],
    ['brief.mass', '2249', 'frac', 1020.12924],
    ['brief.torque', '310 lbft', 'mm', 420.303564],
    ['donor.splineTeeth', ' 31 ', 'in', 31],
    ['survey.pinion', '−11.5', 'mm', -11.5],
    ['gear.grade', '−5 %', 'mm', -0.05],
    ['gear.grade', '-12', 'mm', -0.12],
  ] as const)('%s takes “%s”', (id, text, unit, value) => {
    const read = readQuantity(quantity(id), text, unit);
    expect(read.ok && read.value).toBeCloseTo(value, 5);
  });

  it.each([
    ['donor.tube.left', 'wide', /is not a length/],
    ['donor.tube.left', '57 3/0', /nothing below the line/],
    ['donor.tube.left', '90 m', /between/],
    ['brief.mass', 'heavy', /not a mass. Write it like 1020 kg or 2250 lb/],
    // Another unit’s word behind the number once passed for kg.
    ['brief.mass', '1020 N', /no unit of a mass/],
    ['brief.mass', '1020 kN·m', /no unit of a mass/],
    ['donor.splineTeeth', '31/24', /not a number. Write it like 31/],
    ['donor.splineTeeth', '5', /between 6 and 80/],
    // No play is not the least play.
    ['float.play', '0', /between 0.010 mm and 0.600 mm; this is 0.000 mm/],
  ] as const)('%s refuses “%s”', (id, text, why) => {
    const read = readQuantity(quantity(id), text, 'mm');
    expect(read.ok ? '' : read.reason).toMatch(why);
  });

  // Half a sixteenth of an inch, half of a unit’s last digit; a limit of nothing is nothing.
  const off = (unit: string, limit: number): number =>
    limit === 0 ? 1e-9 : Math.max(unit === 'mm' ? 0.794 : 1e-6, Math.abs(limit) * 0.05);
  it.each(['mm', 'in', 'frac'] as const)('takes every limit as its refusal shows it, in %s', (unit) => {
    for (const q of QUANTITIES)
      for (const [limit, beyond] of [
        [q.min, q.min - 1e9],
        [q.max, q.max + 1e9],
      ] as const) {
        const [, least, most] =
          / between (.+) and (.+); this is/.exec(refuseValue(q, beyond, unit) ?? '') ?? [];
        const read = readQuantity(q, (limit === q.min ? least : most) ?? '', q.inMm ? 'mm' : unit);
        expect(read.ok ? read.value : `${q.id}: ${read.reason}`).toBeTypeOf('number');
        expect(read.ok && Math.abs(read.value - limit)).toBeLessThanOrEqual(off(q.unit, limit));
      }
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.constantFrom(...QUANTITIES), fc.string({ maxLength: 60 }), (q, text) => {
        const read = readQuantity(q, text, 'mm');
        if (read.ok) expect(refuseValue(q, read.value)).toBeUndefined();
        else expect(read.reason.length).toBeGreaterThan(0);
      }),
    );
  });
});

describe('showValue', () => {
  it.each([
    [0.905, 'ratio', '90.5 %'],
    [1020.4, 'kg', '1020 kg'],
    [0.0040143, 'rad', '0.23°'],
    [-91.04, 'mm', '−91.0 mm'],
  ] as const)('%d %s', (value, unit, text) => {
    expect(showValue(value, unit)).toBe(text);
  });
});

describe('limits', () => {
  it('may be changed within their range: a length to 200 mm, a share to a whole, an angle to 3°, unless they say so', () => {
    expect(LIMITS['cut.fromCasting']).toMatchObject({ unit: 'mm', min: 0, max: 200 });
    expect(LIMITS['cut.width']).toMatchObject({ unit: 'mm', min: 0, max: 50 });
    expect(LIMITS['donor.closure']).toMatchObject({ unit: 'mm', min: 0, max: 50 });
    for (const limit of Object.values(LIMITS)) {
      expect(limit.fallback, limit.id).toBeGreaterThanOrEqual(limit.min);
      expect(limit.fallback, limit.id).toBeLessThanOrEqual(limit.max);
    }
  });
});

describe('showValue beside inches', () => {
  it.each([
    [1020.4, 'kg', '2250 lb'],
    [420.3, 'Nm', '310 lb·ft'],
    [9806.65, 'N', '2205 lbf'],
    [620, 'MPa', '89.9 ksi'],
    [1900, 'money', '1900'],
    [0.905, 'ratio', '90.5 %'],
  ] as const)('%d %s', (value, unit, text) => {
    expect(showValue(value, unit, 'frac')).toBe(text);
    expect(showValue(value, unit, 'in')).toBe(text);
  });
});

describe('a figure against its limit', () => {
  it('is printed finely where the limit is, so that the two can be told apart', () => {
    expect(showAgainst(0.13, 0.08, 'mm')).toBe('0.13 mm');
    expect(showAgainst(-0.066, 0.02, 'mm')).toBe('−0.07 mm');
    // 0.13/25.4.
    expect(showAgainst(0.13, 0.08, 'mm', 'in')).toBe('0.0051 in');
    expect(showAgainst(0.13, 0.08, 'mm', 'frac')).toBe('0.0051 in');
  });

  it('is printed as any other where the limit is whole millimetres, or is none', () => {
    expect(showAgainst(12.34, 19, 'mm')).toBe('12.3 mm');
    expect(showAgainst(0.44, undefined, 'mm')).toBe('0.4 mm');
    expect(showAgainst(0.719, 0.6, 'ratio')).toBe('71.9 %');
  });
});

describe('where a place is edited', () => {
  it.each([
    ['survey.left', 'survey'],
    ['donor.half.left', 'donor'],
    ['new.journal', 'donor'],
    ['cut.kerf', 'cut'],
    ['brief.mass', 'brief'],
    ['fact.slip.look', 'donor'],
    ['fact.car.studThread', 'survey'],
    ['joint.bearing', 'donor'],
    ['pattern.rotor', 'hubs'],
    ['shaft.pair', 'shafts'],
    ['donor', 'donor'],
  ])('%s is in %s', (place, stage) => {
    expect(stageOfPlace(place)).toBe(stage);
  });

  it('is nowhere for what is no place', () => {
    expect(stageOfPlace('fact.nothing')).toBeUndefined();
    expect(stageOfPlace('elsewhere')).toBeUndefined();
  });
});

describe('what entries of the plan are called', () => {
  const named = (part: 'choices' | 'searches' | 'limits', keys: readonly string[]) =>
    keys.map((key) => [key, entryName(part, key)] as const);

  it('says every choice, question to the counter and limit in words', () => {
    const names = [
      ...named('choices', Object.keys(CHOICE_FIELDS)),
      ...named('searches', SEARCH_IDS),
      ...named('limits', LIMIT_IDS),
    ];
    for (const [key, name] of names) {
      expect(name).not.toBe(key);
      expect(name).toMatch(/^[A-Z].{3,}/);
    }
    expect(new Set(names.map(([, name]) => name)).size).toBe(names.length);
  });

  it('says what an entry of a part is about', () => {
    expect(entryName('searches', 'bearing')).toBe('Wheel bearing from the counter');
    expect(entryName('choices', 'school')).toBe('Way to the width');
    expect(entryName('verdicts', 'donor')).toBe('Verdict on the donor');
    expect(entryName('limits', 'cut.gone')).toBe('Limit: cut.gone');
    expect(entryName('searches', 'gone')).toBe('gone');
  });
});
