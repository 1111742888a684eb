import { describe, expect, it } from 'vitest';
import { readInstrumentLine, readInstrumentList } from './instrument-line';

const line = {
  id: 'caliper',
  unit: 'mm',
  value: 76.04,
  battery: 0.8,
  held: false,
  zeroed: false,
  at: '2026-11-02T10:00:00.000Z',
};

describe('a line of an instrument', () => {
  it('is taken whole', () => {
    expect(readInstrumentLine(JSON.stringify(line), 'caliper')).toEqual({ ok: true, reading: line });
  });

  it.each([
    ['{"id":"caliper","unit":"mm","value":NaN,"battery":0.8}', /no number/],
    [JSON.stringify({ ...line, value: 1e9 }), /1000000000/],
    [JSON.stringify(line).slice(0, 40), /half a line/],
    [JSON.stringify({ ...line, value: '76.04' }), /76\.04/],
    [JSON.stringify({ ...line, value: null }), /null/],
    ['', /half a line/],
    [JSON.stringify({ ...line, held: 'no' }), /held/],
    ['[1,2]', /object/],
  ])('is refused where it cannot be one: %s', (text, wrong) => {
    expect(readInstrumentLine(text, 'caliper')).toMatchObject({
      ok: false,
      wrong: expect.stringMatching(wrong),
    });
  });

  it('is held against what its kind can show', () => {
    const far = JSON.stringify({ ...line, value: 204.5 });
    expect(readInstrumentLine(far, 'caliper').ok).toBe(true);
    expect(readInstrumentLine(far, 'indicator').ok).toBe(false);
  });
});

describe('the list of instruments', () => {
  it('keeps what is known and nothing else; another answer is none', () => {
    const one = {
      id: 'caliper',
      label: 'Caliper',
      kind: 'caliper',
      unit: 'mm',
      resolution: 0.01,
      connected: true,
      battery: 0.8,
    };
    expect(readInstrumentList([{ ...one, noise: 0.006 }])).toEqual([one]);
    expect(readInstrumentList([{ ...one, kind: 'plumb' }])).toBeUndefined();
    expect(readInstrumentList({ error: 'down' })).toBeUndefined();
  });
});
