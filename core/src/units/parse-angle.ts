import { RAD_PER_DEGREE, type Parsed } from './definitions';
import { readDecimal, tidyText } from './tidy-text';

const refuse = (reason: string): Parsed => ({ ok: false, reason });
const DEGREES = /^([\d.,]+) ?(?:°|deg|degrees?)?$/i;
const RADIANS = /^([\d.,]+) ?rad$/i;
const SEXAGESIMAL = /^(\d+) ?(?:°|deg|d) ?([\d.,]+) ?(?:'|m|min)(?: ?([\d.,]+) ?(?:"|s|sec))?$/i;
const MINUTES = /^([\d.,]+) ?(?:'|min)$/i;

/**
 * Reads an angle as typed off a gauge: `2.5`, `2.5°`, `2°30'`, `2° 30' 15"`, `45'`, `0.04 rad`. A bare
 * number is degrees.
 *
 * @returns the value in rad, or the reason for refusing
 * @example parseAngle("2°30'") // { ok: true, value: 0.0436332… }
 */
export function parseAngle(text: string): Parsed {
  const tidy = tidyText(text);
  if (tidy === '') return refuse("Type an angle, such as 2.5 or 2°30'.");
  const negative = tidy.startsWith('-');
  const body = negative || tidy.startsWith('+') ? tidy.slice(1).trim() : tidy;
  const read = readUnsigned(body);
  if (typeof read === 'string') return refuse(read);
  return { ok: true, value: negative ? -read : read };
}

function readUnsigned(body: string): number | string {
  const degrees = DEGREES.exec(body);
  if (degrees) return scaled(degrees[1], RAD_PER_DEGREE);
  const radians = RADIANS.exec(body);
  if (radians) return scaled(radians[1], 1);
  const minutes = MINUTES.exec(body);
  if (minutes) return scaled(minutes[1], RAD_PER_DEGREE / 60);
  const parts = SEXAGESIMAL.exec(body);
  if (!parts) return `“${body}” is not an angle. Write it like 2.5, 2.5° or 2°30'.`;
  return degreesMinutesSeconds(parts);
}

function degreesMinutesSeconds(parts: RegExpExecArray): number | string {
  const minutes = readDecimal(parts[2] ?? '');
  const seconds = parts[3] === undefined ? 0 : readDecimal(parts[3]);
  if (typeof minutes === 'string') return minutes;
  if (typeof seconds === 'string') return seconds;
  if (minutes >= 60 || seconds >= 60) return "Minutes and seconds stay below 60: write 2°30', not 1°90'.";
  return (Number(parts[1]) + minutes / 60 + seconds / 3600) * RAD_PER_DEGREE;
}

function scaled(text: string | undefined, by: number): number | string {
  const value = readDecimal(text ?? '');
  return typeof value === 'string' ? value : value * by;
}
