import type { LengthUnit, Parsed } from './definitions';
import { formatNumber } from './format-length';
import { readDecimal, tidyText } from './tidy-text';

/**
 * What is weighed, pulled, turned, pressed, sprung, run, timed or swings: kept in kg, N, N·m, MPa, N/mm, revolutions a minute,
 * rad/s², m/s, s, Hz and, for a road, m.
 */
export type AmountUnit = 'kg' | 'N' | 'Nm' | 'MPa' | 'N/mm' | 'rpm' | 'rad/s2' | 'm/s' | 's' | 'm' | 'Hz';
type System = 'metric' | 'inch';

/** Exact: international avoirdupois pound, standard gravity, inch. */
const KG_PER_LB = 0.453_592_37;
const G = 9.806_65;
const N_PER_LBF = KG_PER_LB * G;
const NM_PER_LBFT = N_PER_LBF * 0.3048;
const MPA_PER_PSI = N_PER_LBF / 25.4 ** 2;
const RATE_PER_LBFIN = N_PER_LBF / 25.4;
const M_PER_FT = 0.3048;
const KMH = 1 / 3.6;
const MPH = (5280 * M_PER_FT) / 3600;

/** What stands behind a number, how much one of it is in the unit that is kept, and how many decimals say enough. */
interface Shown {
  readonly word: string;
  readonly size: number;
  readonly digits: number;
}

/** The same in both systems. */
const both = (word: string, digits: number): Readonly<Record<System, Shown>> => {
  const shown = { word, size: 1, digits };
  return { metric: shown, inch: shown };
};

const SHOWN: Readonly<Record<AmountUnit, Readonly<Record<System, Shown>>>> = {
  kg: { metric: { word: 'kg', size: 1, digits: 0 }, inch: { word: 'lb', size: KG_PER_LB, digits: 0 } },
  N: { metric: { word: 'N', size: 1, digits: 0 }, inch: { word: 'lbf', size: N_PER_LBF, digits: 0 } },
  Nm: { metric: { word: 'N·m', size: 1, digits: 0 }, inch: { word: 'lb·ft', size: NM_PER_LBFT, digits: 0 } },
  MPa: {
    metric: { word: 'MPa', size: 1, digits: 0 },
    inch: { word: 'ksi', size: 1000 * MPA_PER_PSI, digits: 1 },
  },
  'N/mm': {
    metric: { word: 'N/mm', size: 1, digits: 1 },
    inch: { word: 'lbf/in', size: RATE_PER_LBFIN, digits: 0 },
  },
  rpm: both('rpm', 0),
  'rad/s2': both('rad/s²', 0),
  'm/s': { metric: { word: 'km/h', size: KMH, digits: 1 }, inch: { word: 'mph', size: MPH, digits: 1 } },
  s: both('s', 2),
  m: { metric: { word: 'm', size: 1, digits: 1 }, inch: { word: 'ft', size: M_PER_FT, digits: 0 } },
  Hz: both('Hz', 2),
};

/** Units that may be typed, without blanks, dots and dashes, by what they measure. */
const TYPED: Readonly<Record<AmountUnit, Readonly<Record<string, number>>>> = {
  kg: { kg: 1, g: 0.001, t: 1000, lb: KG_PER_LB, lbs: KG_PER_LB },
  N: { n: 1, kn: 1000, kgf: G, lbf: N_PER_LBF, lb: N_PER_LBF, lbs: N_PER_LBF },
  Nm: {
    nm: 1,
    knm: 1000,
    kgfm: G,
    lbft: NM_PER_LBFT,
    lbfft: NM_PER_LBFT,
    ftlb: NM_PER_LBFT,
    ftlbs: NM_PER_LBFT,
    ftlbf: NM_PER_LBFT,
    lbin: NM_PER_LBFT / 12,
    lbfin: NM_PER_LBFT / 12,
    inlb: NM_PER_LBFT / 12,
    inlbs: NM_PER_LBFT / 12,
  },
  MPa: { mpa: 1, kpa: 0.001, bar: 0.1, nmm2: 1, 'n/mm2': 1, psi: MPA_PER_PSI, ksi: 1000 * MPA_PER_PSI },
  'N/mm': {
    'n/mm': 1,
    'kn/m': 1,
    'n/m': 0.001,
    'kgf/mm': G,
    'kg/mm': G,
    'lbf/in': RATE_PER_LBFIN,
    'lb/in': RATE_PER_LBFIN,
    'lbs/in': RATE_PER_LBFIN,
  },
  rpm: { rpm: 1, 'u/min': 1, '1/min': 1, 'r/min': 1 },
  'rad/s2': { 'rad/s2': 1, rads2: 1 },
  'm/s': { 'm/s': 1, 'km/h': KMH, kmh: KMH, kph: KMH, mph: MPH, 'ft/s': M_PER_FT },
  s: { s: 1, sec: 1, ms: 0.001, min: 60 },
  m: { m: 1, km: 1000, ft: M_PER_FT, yd: 3 * M_PER_FT, mi: 5280 * M_PER_FT, mile: 5280 * M_PER_FT },
  Hz: { hz: 1, '1/s': 1 },
};

/** What each is called in a refusal, and an example of it in both systems. */
const CALLED: Readonly<Record<AmountUnit, readonly [what: string, example: string]>> = {
  kg: ['a mass', '1020 kg or 2250 lb'],
  N: ['a force', '2200 N or 500 lbf'],
  Nm: ['a torque', '420 N·m or 310 lbft'],
  MPa: ['a pressure or stress', '760 MPa or 110 ksi'],
  'N/mm': ['a spring rate', '25 N/mm or 143 lb/in'],
  rpm: ['a speed of turning', '6500 rpm'],
  'rad/s2': ['an angular acceleration', '400 rad/s²'],
  'm/s': ['a speed', '110 km/h or 68 mph'],
  s: ['a time', '0.35 s'],
  m: ['a distance', '402 m or 1320 ft'],
  Hz: ['a frequency', '1.6 Hz'],
};

export const AMOUNT_UNITS: readonly AmountUnit[] = [
  'kg',
  'N',
  'Nm',
  'MPa',
  'N/mm',
  'rpm',
  'rad/s2',
  'm/s',
  's',
  'm',
  'Hz',
];

export const isAmountUnit = (unit: string): unit is AmountUnit => Object.hasOwn(SHOWN, unit);

/** Lengths in inches go with pounds. */
const systemOf = (length: LengthUnit): System => (length === 'mm' ? 'metric' : 'inch');

/**
 * What stands behind an amount.
 *
 * @example amountWord('Nm', 'in') // 'lb·ft'
 */
export const amountWord = (unit: AmountUnit, length: LengthUnit): string => SHOWN[unit][systemOf(length)].word;

/** How much one of the unit it is shown in is, in the unit that is kept. */
export const amountSize = (unit: AmountUnit, length: LengthUnit): number => SHOWN[unit][systemOf(length)].size;

/**
 * Name of the unit in a table: plain letters, which are read again.
 *
 * @example amountColumn('Nm', 'in') // 'lbft'
 */
export const amountColumn = (unit: AmountUnit, length: LengthUnit): string =>
  amountWord(unit, length).replace(/·/g, '').replace('²', '2');

/** An amount in the unit it is shown in. */
export const amountShown = (value: number, unit: AmountUnit, length: LengthUnit): number =>
  value / amountSize(unit, length);

/** Decimals that a small torque is told with, such as what turns a pinion in its bearings. */
const finer = (shown: number): number =>
  shown === 0 || Math.abs(shown) >= 10 ? 0 : Math.abs(shown) >= 1 ? 1 : 2;

/**
 * Prints an amount with its unit.
 *
 * @param value in the unit that is kept
 * @example formatAmount(1315.42, 'kg', 'frac') // '2900 lb'
 */
export function formatAmount(value: number, unit: AmountUnit, length: LengthUnit, digits?: number): string {
  const shown = SHOWN[unit][systemOf(length)];
  return `${formatNumber(value / shown.size, digits ?? shown.digits + (unit === 'Nm' ? finer(value / shown.size) : 0))} ${shown.word}`;
}

const AMOUNT = /^([+-]?)([\d.,]+) ?(.*)$/;

/**
 * Reads an amount as people type it, in either system; a bare number is in the unit that the field shows.
 *
 * @param unit what is read, and the unit it is kept in
 * @param length unit of lengths on the page: with inches go pounds
 * @returns the value in the unit that is kept, or the reason for refusing
 * @example parseAmount('380 lbft', 'Nm', 'mm') // { ok: true, value: 515.21 }
 * @source NIST SP 811, appendix B: pound, pound-force and their products, exact
 */
export function parseAmount(text: string, unit: AmountUnit, length: LengthUnit): Parsed {
  const [what, example] = CALLED[unit];
  const tidy = tidyText(text.replace(/²/g, '2'));
  const [, sign = '', digits = '', word = ''] = AMOUNT.exec(tidy) ?? [];
  if (digits === '') return { ok: false, reason: `“${tidy}” is not ${what}. Write it like ${example}.` };
  const number = readDecimal(digits);
  if (typeof number === 'string') return { ok: false, reason: number };
  const size = sizeOf(word, unit, length);
  if (size === undefined)
    return { ok: false, reason: `“${word}” is no unit of ${what}. Write it like ${example}.` };
  return { ok: true, value: (sign === '-' ? -number : number) * size };
}

function sizeOf(word: string, unit: AmountUnit, length: LengthUnit): number | undefined {
  const plain = word.toLowerCase().replace(/[\s·.*×-]/g, '');
  return plain === ''
    ? SHOWN[unit][systemOf(length)].size
    : Object.hasOwn(TYPED[unit], plain)
      ? TYPED[unit][plain]
      : undefined;
}
