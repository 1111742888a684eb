import { MM_PER_FOOT, MM_PER_INCH, type LengthUnit, type Parsed } from './definitions';
import { readDecimal, tidyText } from './tidy-text';

const UNITS: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  '"': MM_PER_INCH,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  "'": MM_PER_FOOT,
  ft: MM_PER_FOOT,
  foot: MM_PER_FOOT,
  feet: MM_PER_FOOT,
  thou: MM_PER_INCH / 1000,
};

/** Longest text that is read at all; more is no reading off a tape. */
const MAX_CHARS = 40;
const NUMBER = String.raw`[\d.,]+`;
/** Whole inches and the fraction stand apart by a blank, or tied by one dash without blanks; `57 -3/8` could be a difference. */
const FRACTION = String.raw`(?:(\d+)(?: |-))?(\d+) ?/ ?(\d+)`;
const UNIT = String.raw`(mm|cm|m|inches|inch|in|"|'|feet|foot|ft|thou)?`;
const FEET = new RegExp(String.raw`^(${NUMBER}) ?(?:'|ft|foot|feet)[ -]*(?=[\d.])(.*)$`, 'i');
const PLAIN = new RegExp(String.raw`^(${NUMBER}) ?${UNIT}\.?$`, 'i');
const MIXED = new RegExp(String.raw`^${FRACTION} ?${UNIT}\.?$`, 'i');
/** What a tape does not show, as it is printed behind the fraction: `57 3/8 −0.012`, in inch, or in mm where it says so. */
const REMAINDER =
  /^(-?\d+(?:[ -]\d+ ?\/ ?\d+)?"?|-?\d+ ?\/ ?\d+"?) ([+-])(?: ?([\d.,]+) ?mm| ?(\d*\.\d+) ?(?:in|")?)$/i;
/** Finest step a tape or rule is divided in, as the number below the line. */
const FINEST = 128;

const refuse = (reason: string): Parsed => ({ ok: false, reason });

/**
 * Reads a length as people type it off a tape, rule, caliper or feeler, in millimetres.
 *
 * Accepts mixed fractions (`57 3/8`, `57-3/8"`, `57⅜″`), feet (`4' 9 3/8`), decimals with a unit
 * (`57.375in`, `145.7cm`, `63 thou`), and what the tape format prints (`57 3/8 −0.012 in`, `57 3/8 −0.3 mm`). A bare number
 * takes `unit`; a bare **fraction is always inches**, since a metric tape has none. Decimal comma: see
 * `readDecimal`. A sign is allowed in front; whether a negative value makes sense is the field's matter.
 *
 * @param text what was typed
 * @param unit unit of a bare number
 * @returns the value in mm, or the reason for refusing
 * @example parseLength('57 3/8', 'mm') // { ok: true, value: 1457.325 }
 */
export function parseLength(text: string, unit: LengthUnit): Parsed {
  const tidy = tidyText(text);
  if (tidy === '') return refuse('Type a length, such as 1457.3 or 57 3/8.');
  if (tidy.length > MAX_CHARS) return refuse('This is too long for a length. Type a number such as 57 3/8.');
  const withRemainder = REMAINDER.exec(tidy);
  if (!withRemainder) return readSigned(tidy, unit);
  const [, main = '', sign, mm, inch] = withRemainder;
  // A plain number with a tail is a tape’s only where the field, or a mark behind it, says inches.
  if (!/[/"]/.test(main) && (unit === 'mm' || mm !== undefined)) return readSigned(tidy, unit);
  const tail = mm === undefined ? `${inch ?? ''}in` : `${mm}mm`;
  return sum(readSigned(main, /["/]/.test(main) ? unit : 'in'), readOne(tail, unit), sign === '-' ? -1 : 1);
}

function readSigned(text: string, unit: LengthUnit): Parsed {
  const negative = text.startsWith('-');
  const body = negative || text.startsWith('+') ? text.slice(1).trim() : text;
  const read = readUnsigned(body, unit);
  return read.ok && negative ? { ok: true, value: -read.value } : read;
}

function readUnsigned(body: string, unit: LengthUnit): Parsed {
  const feet = FEET.exec(body);
  if (feet) {
    const [, ft = '', rest = ''] = feet;
    return sum(readOne(`${ft}ft`, unit), readInches(rest), 1);
  }
  return readOne(body, unit);
}

function readInches(text: string): Parsed {
  const read = readOne(text, 'in');
  // Twelve inches are a foot, binary rounding aside.
  if (read.ok && read.value > MM_PER_FOOT - 1e-6)
    return refuse(`“${text}” after feet is a foot or more: write the whole in feet and inches.`);
  return read;
}

function sum(a: Parsed, b: Parsed, sign: number): Parsed {
  if (!a.ok) return a;
  if (!b.ok) return b;
  return { ok: true, value: a.value + sign * b.value };
}

/** Blanks round the dash, or before it: is it a tie, or a minus? */
const UNCLEAR_DASH = /^(\d+)(?: - ?| ?- )(\d+) ?\/ ?(\d+)/;

function readOne(text: string, unit: LengthUnit): Parsed {
  const unclear = UNCLEAR_DASH.exec(text);
  if (unclear) {
    const [, whole = '', over = '', under = ''] = unclear;
    return refuse(
      `“${text}” can be read two ways: write ${whole} ${over}/${under} for more, or take the fraction off yourself for less.`,
    );
  }
  const mixed = MIXED.exec(text);
  if (mixed) return readFraction(mixed);
  const plain = PLAIN.exec(text);
  if (!plain) return refuse(`“${text}” is not a length. Write it like 1457.3, 57 3/8, 4' 9 3/8 or 63 thou.`);
  const value = readDecimal(plain[1] ?? '');
  if (typeof value === 'string') return refuse(value);
  const perUnit = UNITS[(plain[2] ?? '').toLowerCase()] ?? (unit === 'mm' ? 1 : MM_PER_INCH);
  return { ok: true, value: value * perUnit };
}

function readFraction(match: RegExpExecArray): Parsed {
  const [, whole, over = '', under = '', name] = match;
  const n = Number(over);
  const d = Number(under);
  if (d === 0) return refuse(`${over}/${under} has nothing below the line: write a fraction such as 3/8.`);
  if (!isTapeStep(d))
    return refuse(
      `${over}/${under}: a tape is divided in halves, quarters, eighths and so on. Look again, or write a decimal such as 57.33 in.`,
    );
  if (n >= d) return refuse(`${over}/${under} is one or more: check the tape, then write it like 57 3/8.`);
  const perUnit = UNITS[(name ?? 'in').toLowerCase()] ?? MM_PER_INCH;
  return { ok: true, value: (Number(whole ?? 0) + n / d) * perUnit };
}

/** 2, 4, 8, … 128. */
const isTapeStep = (d: number): boolean => d >= 2 && d <= FINEST && Number.isInteger(Math.log2(d));
