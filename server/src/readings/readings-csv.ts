import type { Problem } from '@intervex/contract';
import {
  absoluteAngle,
  AMOUNT_UNITS,
  amountColumn,
  amountSize,
  decimalOf,
  isAmountUnit,
  ANGLE_IDS,
  findQuantity,
  INSTRUMENTS,
  MM_PER_INCH,
  QUANTITIES,
  quantityName,
  RAD_PER_DEGREE,
  refuseValue,
  type InstrumentId,
  type LengthUnit,
  type Plan,
  type Quantity,
  type Reading,
  type Repeat,
} from '@intervex/core';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';

/** Columns of the readings table, in order. `id`, `value` and `unit` must be there to read it in. */
export const COLUMNS = [
  'id',
  'name',
  'repeat',
  'value',
  'unit',
  'instrument',
  'datum',
  'typed',
  'who',
  'at',
  'note',
  'zeroed_on',
] as const;
const NEEDED = ['id', 'value', 'unit'] as const;
type Row = Readonly<Record<string, string>>;

/** Most rows that are read at all. */
const MOST_ROWS = 5000;
const MOST_PROBLEMS = 20;
/** Digits behind the point that go out and come in: enough for an angle in degrees to come back the same. */
const DIGITS = 12;

/** Masses, forces, torques and stresses of both systems, by the name of their unit. */
const AMOUNTS = Object.fromEntries(
  AMOUNT_UNITS.flatMap((kind) =>
    (['mm', 'in'] as const).map((length) => [
      amountColumn(kind, length),
      { kind, per: amountSize(kind, length) },
    ]),
  ),
);

/** What a unit in the table counts as in core units. */
const UNITS: Readonly<Record<string, { readonly kind: Quantity['unit']; readonly per: number }>> = {
  mm: { kind: 'mm', per: 1 },
  in: { kind: 'mm', per: MM_PER_INCH },
  deg: { kind: 'rad', per: RAD_PER_DEGREE },
  ...AMOUNTS,
  ratio: { kind: 'ratio', per: 1 },
  money: { kind: 'money', per: 1 },
  count: { kind: 'count', per: 1 },
};

/** Name of the unit a quantity stands in. */
function columnUnit(unit: Quantity['unit'], length: LengthUnit): string {
  if (unit === 'rad') return 'deg';
  if (unit === 'mm') return decimalOf(length);
  return isAmountUnit(unit) ? amountColumn(unit, length) : unit;
}

/**
 * All readings of a plan as a table: one row a repeat, plain decimals, each row with its unit.
 *
 * @param length the unit of lengths; with inches go pounds
 */
export function readingsCsv(plan: Plan, length: LengthUnit = 'mm'): string {
  const rows = QUANTITIES.flatMap((q) => {
    const reading = plan.readings[q.id];
    if (!reading) return [];
    const unit = columnUnit(q.unit, length);
    return reading.repeats.map((r, i) => [
      q.id,
      quantityName(q),
      i + 1,
      Number((r.value / (UNITS[unit]?.per ?? 1)).toFixed(DIGITS)),
      unit,
      reading.instrument,
      reading.datum ?? '',
      r.typed ?? '',
      r.who ?? '',
      r.at ?? '',
      i === 0 ? (reading.note ?? '') : '',
      reading.zeroedOn ?? '',
    ]);
  });
  return stringify(
    rows.map((row) => row.map((cell) => (typeof cell === 'string' ? marked(cell) : cell))),
    // What begins or ends with a space is quoted, for it is trimmed otherwise.
    { header: true, columns: [...COLUMNS], bom: true, quoted_match: /^\s|\s$/ },
  );
}

type ReadReadings =
  | { readonly ok: true; readonly readings: Readonly<Record<string, Reading>> }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const refuse = (field: string, wrong: string, right: string): ReadReadings => ({
  ok: false,
  problems: [{ field, wrong, right }],
});

/**
 * Reads a table of readings. Nothing is taken where anything is wrong; each problem names row and column.
 *
 * @param bytes the file as it came
 */
export function readReadingsCsv(bytes: Buffer): ReadReadings {
  const text = decode(bytes);
  if (text === undefined) return refuse('file', 'the text is not UTF-8', 'save the table as CSV in UTF-8');
  let rows: Row[];
  try {
    rows = parse(text, {
      columns: true,
      bom: true,
      skip_empty_lines: true,
      relax_quotes: true,
      to: MOST_ROWS + 1,
      trim: true,
    });
  } catch (error) {
    const line = (error as { lines?: number }).lines;
    return refuse(
      `row ${line ?? '?'}`,
      'has another number of columns than the head, or an open quote',
      `${COLUMNS.length} columns, as the table is saved here`,
    );
  }
  if (rows.length === 0) return refuse('file', 'there is no row in it', 'a head and a row for each repeat');
  if (rows.length > MOST_ROWS)
    return refuse(
      'file',
      `there are more than ${MOST_ROWS} rows`,
      `at most ${MOST_ROWS} rows; split the table`,
    );
  const missing = NEEDED.filter((c) => !(c in (rows[0] ?? {})));
  if (missing.length)
    return refuse('head', `the column ${missing.join(', ')} is missing`, `the columns ${COLUMNS.join(', ')}`);
  const unknown = Object.keys(rows[0] ?? {}).filter((c) => !(COLUMNS as readonly string[]).includes(c));
  if (unknown.length)
    return refuse(
      'head',
      `the column ${unknown.join(', ')} is not known`,
      `only the columns ${COLUMNS.join(', ')}`,
    );
  return collect(rows);
}

/** Text of UTF-8 bytes; undefined where they are none. */
function decode(bytes: Buffer): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return undefined;
  }
}

function collect(rows: readonly Row[]): ReadReadings {
  const readings: Record<string, Reading> = {};
  const problems: Problem[] = [];
  for (const [i, row] of rows.entries()) {
    const read = readRow(row, `row ${i + 2}`);
    if ('wrong' in read) problems.push(read);
    else {
      const before = readings[read.id];
      const repeats = [...(before?.repeats ?? []), read.repeat];
      readings[read.id] = { ...read.rest, ...before, repeats };
      if (before) problems.push(...contradictions(before, read.rest, `row ${i + 2}`));
    }
    if (problems.length >= MOST_PROBLEMS) break;
  }
  problems.push(...circles(readings));
  return problems.length ? { ok: false, problems } : { ok: true, readings };
}

/** Repeats of one reading are taken with one instrument, from one datum, from one zero. */
function contradictions(before: Reading, now: Omit<Reading, 'repeats'>, row: string): Problem[] {
  const columns = [
    ['instrument', before.instrument, now.instrument],
    ['datum', before.datum, now.datum],
    ['zeroed_on', before.zeroedOn, now.zeroedOn],
  ] as const;
  return columns.flatMap(([column, first, second]) =>
    first === second
      ? []
      : [
          {
            field: `${row}, ${column}`,
            wrong: 'differs from the other repeats of this reading',
            right: first ?? 'empty, as there',
          },
        ],
  );
}

/** Angles that are zeroed, one on the other, in a ring. */
function circles(readings: Readonly<Record<string, Reading>>): Problem[] {
  const gauges = Object.fromEntries(
    Object.entries(readings).map(([id, r]) => [
      id,
      { shown: 0, ...(r.zeroedOn === undefined ? {} : { zeroedOn: r.zeroedOn }) },
    ]),
  );
  return ANGLE_IDS.flatMap((id) => {
    const found = absoluteAngle(id, gauges);
    if (found.status !== 'circular' || found.chain.at(-1) !== id) return [];
    return [
      {
        field: `${id}, zeroed_on`,
        wrong: `is zeroed on itself: ${found.chain.join(' → ')}`,
        right: 'a chain of zeros that ends at one read against level',
      },
    ];
  });
}

interface ReadRow {
  readonly id: string;
  readonly repeat: Repeat;
  readonly rest: Omit<Reading, 'repeats'>;
}

type Refuse = (column: string, wrong: string, right: string) => Problem;

function readRow(row: Row, place: string): ReadRow | Problem {
  const refuse: Refuse = (column, wrong, right) => ({ field: `${place}, ${column}`, wrong, right });
  const quantity = findQuantity(row['id'] ?? '');
  if (!quantity)
    return refuse('id', `“${row['id'] ?? ''}” is no quantity`, 'an id as docs/plan-format.md lists it');
  const value = readValue(row, quantity, refuse);
  if (typeof value !== 'number') return value;
  const instrument = row['instrument'] || quantity.instrument;
  if (!(instrument in INSTRUMENTS))
    return refuse(
      'instrument',
      `“${instrument}” is not known`,
      `one of ${Object.keys(INSTRUMENTS).join(', ')}`,
    );
  const wrong = wrongNote(row, quantity, refuse);
  if (wrong) return wrong;
  const { at, zeroed_on: zero } = row;
  return {
    id: quantity.id,
    repeat: { value, ...texts(row, 'typed', 'who'), ...(at ? { at: new Date(at).toISOString() } : {}) },
    rest: {
      instrument: instrument as InstrumentId,
      ...texts(row, 'datum', 'note'),
      ...(zero ? { zeroedOn: zero } : {}),
    },
  };
}

/** What is wrong with a row’s time or the angle it was read against. */
function wrongNote(row: Row, quantity: Quantity, refuse: Refuse): Problem | undefined {
  const { at = '', zeroed_on: zero = '' } = row;
  if (at && Number.isNaN(Date.parse(at)))
    return refuse('at', `“${at}” is no time`, 'a time such as 2027-03-20T18:00:00Z');
  const against = ANGLE_IDS.includes(quantity.id) && ANGLE_IDS.includes(zero) && zero !== quantity.id;
  if (!zero || against) return undefined;
  return refuse(
    'zeroed_on',
    `“${zero}” is no angle this can be read against`,
    'the id of another angle, or empty',
  );
}

/**
 * A value at a limit of its quantity comes back as that limit: 90° are 1.570796326795 with the digits of the
 * table, a hair over the 1.5707963267948966 that are allowed.
 */
function ownLimit(value: number, { min, max }: Quantity): number {
  const near = 100 * 10 ** -DIGITS;
  return [min, max].find((limit) => Math.abs(limit - value) < near * Math.max(1, Math.abs(limit))) ?? value;
}

/** The value of a row in core units, or what is wrong with it or its unit. */
function readValue(row: Row, quantity: Quantity, refuse: Refuse): number | Problem {
  const name = row['unit'] ?? '';
  const unit = UNITS[name];
  if (unit?.kind !== quantity.unit)
    return refuse(
      'unit',
      `“${name}” is no unit of ${quantityName(quantity).toLowerCase()}`,
      unitsFor(quantity),
    );
  const text = row['value'] ?? '';
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(text))
    return refuse(
      'value',
      `“${text}” is not a plain number`,
      'digits with a point; the unit stands in its own column',
    );
  const value = ownLimit(Number((Number(text) * unit.per).toFixed(DIGITS)), quantity);
  const wrong = refuseValue(quantity, value);
  return wrong ? refuse('value', wrong, 'a value in that range') : value;
}

/** What a spreadsheet would take for a formula, and what begins with the mark itself. */
const FORMULA = /^['=+\-@\t\r＝＋－＠]/u;
/** Text with a mark before it where a spreadsheet would take it for a formula. */
const marked = (text: string): string => (FORMULA.test(text) ? `'${text}` : text);
const unmarked = (text: string): string =>
  text.startsWith("'") && FORMULA.test(text.slice(1)) ? text.slice(1) : text;

/** Texts that are there, without the mark that kept a spreadsheet from taking them for formulas. */
const texts = (row: Row, ...columns: string[]): Readonly<Record<string, string>> =>
  Object.fromEntries(columns.flatMap((c) => (row[c] ? [[c, unmarked(row[c])] as const] : [])));

const unitsFor = ({ unit }: Quantity): string =>
  `the unit ${Object.entries(UNITS)
    .filter(([, u]) => u.kind === unit)
    .map(([name]) => name)
    .join(' or ')}`;
