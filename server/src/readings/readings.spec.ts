import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { EMPTY_PLAN, QUANTITIES } from '@intervex/core';
import { startHarness, type Harness } from '../testing/harness';
import { COLUMNS, readingsCsv, readReadingsCsv } from './readings-csv';

const tern = readFileSync(join(import.meta.dirname, '../../../examples/tern.json'), 'utf8');
let h: Harness;
beforeAll(async () => {
  h = await startHarness();
});
afterAll(() => h.close());

const table = (...rows: string[]) => ['id,value,unit,instrument', ...rows].join('\n');
const problemsOf = (text: string | Buffer) => {
  const read = readReadingsCsv(Buffer.from(text as string));
  if (read.ok) throw new Error('was taken');
  return read.problems;
};
const give = (id: string, body: string, type = 'text/csv') =>
  h.call('POST', `/api/variants/${id}/readings.csv?who=Ansa`, body, { 'content-type': type });

/** To three decimals, but never over a limit that has more of them (15° is 0.2618 rad). */
const rounded = (value: number, q: { min: number; max: number }) =>
  Math.min(q.max, Math.max(q.min, Number(value.toFixed(3))));

describe('readings as a table', () => {
  it('goes out and comes in the same', () => {
    const withRepeats = fc
      .constantFrom(...QUANTITIES.filter((q) => !q.whole))
      .chain((q) =>
        fc
          .array(fc.double({ min: q.min, max: q.max, noNaN: true }), { minLength: 1, maxLength: 4 })
          .map(
            (values) =>
              [q.id, values.map((v) => ({ value: rounded(v, q), who: 'Ansa' })), q.instrument] as const,
          ),
      );
    fc.assert(
      fc.property(fc.array(withRepeats, { minLength: 1, maxLength: 9 }), (list) => {
        const readings = Object.fromEntries(
          list.map(([id, repeats, instrument]) => [id, { repeats, instrument }]),
        );
        const read = readReadingsCsv(Buffer.from(readingsCsv({ ...EMPTY_PLAN, readings })));
        expect(read.ok).toBe(true);
        if (!read.ok) return;
        expect(Object.keys(read.readings).sort()).toEqual(Object.keys(readings).sort());
        for (const [id, reading] of Object.entries(readings))
          expect(read.readings[id]?.repeats.map((r) => r.value)).toEqual(
            reading.repeats.map((r) => expect.closeTo(r.value, 4) as number),
          );
      }),
    );
  });

  it('takes every quantity at its limits back, in both units', () => {
    const limits = QUANTITIES.map((q) => [
      q.id,
      { repeats: [{ value: q.min }, { value: q.max }], instrument: q.instrument },
    ]);
    const readings = Object.fromEntries(limits);
    for (const length of ['mm', 'frac'] as const) {
      const read = readReadingsCsv(Buffer.from(readingsCsv({ ...EMPTY_PLAN, readings }, length)));
      expect(read).toMatchObject({ ok: true, readings });
    }
  });

  it.each([
    [['angle.flat,1.3,deg,angleGauge,', 'donor.tube.left,588,mm,tape,angle.flat'], 'row 3, zeroed_on'],
    [['angle.pinion,-3.2,deg,angleGauge,angle.pinion'], 'row 2, zeroed_on'],
    [['angle.pinion,-3.2,deg,angleGauge,angle.flat', 'angle.pinion,-3.1,deg,angleGauge,'], 'row 3, zeroed_on'],
    [
      ['angle.pinion,-3.2,deg,angleGauge,angle.flat', 'angle.flat,0.4,deg,angleGauge,angle.pinion'],
      'angle.flat, zeroed_on',
    ],
  ])('refuses zeros that lead nowhere: %j', (rows, field) => {
    const head = 'id,value,unit,instrument,zeroed_on';
    expect(problemsOf([head, ...rows].join('\n')).map((p) => p.field)).toContain(field);
  });

  it('takes what the gauge was zeroed on, in degrees', () => {
    const read = readReadingsCsv(
      Buffer.from('id,value,unit,instrument,zeroed_on\nangle.pinion,-3.2,deg,angleGauge,angle.flat'),
    );
    expect(read).toMatchObject({
      ok: true,
      readings: {
        'angle.pinion': { zeroedOn: 'angle.flat', repeats: [{ value: expect.closeTo(-0.0558505, 6) }] },
      },
    });
  });

  it('round trip through the server changes no reading of the demo', async () => {
    const made = (await h.call('POST', '/api/plan-files', tern)).json;
    const out = await h.call('GET', `/api/variants/${made.id}/readings.csv`);
    const rows: Record<string, string>[] = parse(out.text, { columns: true, bom: true });
    expect(Object.keys(rows[0] ?? {})).toEqual([...COLUMNS]);
    const back = await give(made.id, out.text);
    expect(back.status).toBe(200);
    expect(back.json.plan).toEqual(made.plan);
    expect(back.json.revision).toBe(1);
  });

  it('takes inches and degrees by the unit of each row, and several repeats', () => {
    const read = readReadingsCsv(
      Buffer.from(table('donor.half.left,31.25,in,tape', 'donor.half.left,792.2,mm,tape')),
    );
    expect(read.ok && read.readings['donor.half.left']?.repeats.map((r) => r.value)).toEqual([793.75, 792.2]);
  });

  it('of the fullest plan goes out and comes in the same, with nobody kept waiting', async () => {
    const file = JSON.parse(tern) as { plan: { readings: Record<string, { repeats: object[] }> } };
    for (const [n, reading] of Object.values(file.plan.readings).entries())
      reading.repeats = Array.from({ length: 20 - (n % 3) }, () => ({ ...reading.repeats[0], who: 'Ansa' }));
    const made = (await h.call('POST', '/api/plan-files', JSON.stringify(file))).json;
    const out = await h.call('GET', `/api/variants/${made.id}/readings.csv`);
    expect(out.text.length).toBeGreaterThan(200_000);
    const other = (await h.call('POST', '/api/projects', { name: 'Stag', variant: 'Full', who: 'Ansa' })).json;
    const given = await give(other.id, out.text);
    expect(given.json.plan.readings).toEqual(made.plan.readings);
    const wrong = await give(other.id, `${out.text}nothing,,,,,,,,,,,`);
    expect([wrong.status, wrong.json.problems[0].field]).toEqual([400, expect.stringContaining('row')]);
    const heavy = { ...EMPTY_PLAN, readings: { ...made.plan.readings, nothing: { repeats: [] } } };
    const save = { baseRevision: given.json.revision, plan: heavy, who: 'Ansa' };
    const refused = await h.call('PUT', `/api/variants/${other.id}/plan`, save);
    expect([refused.status, refused.json.problems[0].field]).toEqual([400, 'plan.readings.nothing']);
  });

  it('is one revision, taken back as one', async () => {
    const made = (await h.call('POST', '/api/projects', { name: 'Stag', variant: 'Bolt-in', who: 'Ansa' }))
      .json;
    const saved = await give(made.id, table('donor.half.left,812.4,mm,tape', 'donor.half.right,799.1,mm,tape'));
    expect(saved.json.revision).toBe(2);
    const undone = await h.call('POST', `/api/variants/${made.id}/undo`, { baseRevision: 2, who: 'Ansa' });
    expect(undone.json.plan.readings).toEqual({});
  });
});

describe('a table that is wrong', () => {
  it.each([
    ['a missing column', 'id,value\ndonor.half.left,792', 'head', /unit is missing/],
    ['a strange column', 'id,value,unit,colour\ndonor.half.left,792,mm,red', 'head', /colour is not known/],
    ['an unknown quantity', table('donor.nose,12,mm,tape'), 'row 2, id', /“donor.nose” is no quantity/],
    [
      'a value with its unit in it',
      table('donor.half.left,31 1/4",in,tape'),
      'row 2, value',
      /not a plain number/,
    ],
    [
      'a unit of another kind',
      table('donor.half.left,792.1,mm,tape', 'brief.mass,1020,mm,scale'),
      'row 3, unit',
      /no unit of mass/,
    ],
    [
      'a value out of range',
      table('donor.tube.left,-588,mm,tape'),
      'row 2, value',
      /between 20\.0 mm and 1200\.0 mm/,
    ],
    ['an unknown instrument', table('donor.half.left,792.1,mm,eye'), 'row 2, instrument', /“eye” is not known/],
    [
      'two instruments for one reading',
      table('donor.half.left,792.1,mm,tape', 'donor.half.left,792.2,mm,rule'),
      'row 3, instrument',
      /differs/,
    ],
    ['an open quote', 'id,value,unit\n"donor.half.left,792,mm', 'row', /open quote/],
    ['nothing in it', 'id,value,unit\n', 'file', /no row/],
  ])('with %s is refused by row and column', (_, text, field, wrong) => {
    const [first] = problemsOf(text);
    expect(first?.field).toContain(field);
    expect(first?.wrong).toMatch(wrong);
    expect(first?.right.length).toBeGreaterThan(3);
  });

  it('in another encoding or with 100,000 rows is refused', () => {
    expect(problemsOf(Buffer.from([0x69, 0x64, 0xff, 0xfe]))[0]?.wrong).toContain('not UTF-8');
    const long = table(...Array.from({ length: 100_000 }, () => 'donor.half.left,792.1,mm,tape'));
    expect(problemsOf(long)[0]?.wrong).toContain('more than 5000 rows');
  });

  it('writes nothing, not even the rows that were right', async () => {
    const made = (await h.call('POST', '/api/projects', { name: 'Stag', variant: 'Bolt-in', who: 'Ansa' }))
      .json;
    const answer = await give(made.id, table('donor.half.left,812.4,mm,tape', 'donor.half.right,wide,mm,tape'));
    expect(answer.status).toBe(400);
    expect(answer.json.problems[0].field).toBe('row 3, value');
    expect((await h.call('GET', `/api/variants/${made.id}`)).json.revision).toBe(1);
    expect((await give(made.id, '{}', 'application/json')).status).toBe(415);
    expect((await give(made.id, `${table()}\n${'x'.repeat(1_200_000)}`)).status).toBe(413);
  });
});

describe('notes in a table of readings', () => {
  it.each([
    "'=SUM(A1) as it stood in their sheet",
    '=1+1',
    "'plain quote",
    "''two quotes",
    '-12 is what the tag says',
    '  led by spaces, and followed  ',
    'two lines\nand a\ttab, with "quotes", commas; and ; more',
    '@home',
    '＝full width',
    'Ümläut — ½″',
  ])('come back as they were: %j', async (note) => {
    const { readingsCsv, readReadingsCsv } = await import('./readings-csv');
    const { EMPTY_PLAN } = await import('@intervex/core');
    const reading = {
      repeats: [{ value: 731.4, typed: note }],
      instrument: 'tape' as const,
      datum: note,
      note,
    };
    const plan = { ...EMPTY_PLAN, readings: { 'donor.half.left': reading } };
    const read = readReadingsCsv(Buffer.from(readingsCsv(plan)));
    expect(read).toEqual({ ok: true, readings: { 'donor.half.left': reading } });
  });
});
