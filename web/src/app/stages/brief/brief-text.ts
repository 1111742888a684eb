import {
  amountShown,
  amountWord,
  formatAmount,
  parseAmount,
  type LengthUnit,
  type TorquePoint,
} from '@intervex/core';

/** What was read from a text, or why it cannot be. */
export type ReadText<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly reason: string };

const refuse = (reason: string): { ok: false; reason: string } => ({ ok: false, reason });
const MOST_GEARS = 10;
const MOST_POINTS = 40;
/** N·m. */
const MOST_TORQUE = 3000;

/** Ratios as one line: `2.92, 1.91, 1.34`. */
export const gearsText = (gears: readonly number[]): string => gears.join(', ');

/**
 * Reads gearbox ratios from first on, with spaces or commas between.
 *
 * @example readGears('2.92, 1.91 1.34') // { ok: true, value: [2.92, 1.91, 1.34] }
 */
export function readGears(text: string): ReadText<readonly number[]> {
  const words = text.split(/[\s,;]+/).filter(Boolean);
  const bad = words.find((w) => !/^\d*\.?\d+$/.test(w));
  if (bad) return refuse(`“${bad}” is no ratio. Write them from first on: 2.92, 1.91, 1.34.`);
  const value = words.map(Number);
  const far = value.find((v) => v < 0.4 || v > 8);
  if (far !== undefined) return refuse(`A gear’s ratio lies between 0.4 and 8; this is ${far}.`);
  return value.length > MOST_GEARS ? refuse(`At most ${MOST_GEARS} gears.`) : { ok: true, value };
}

/** A curve, one point a line: `2500 338`. */
export const curveText = (points: readonly TorquePoint[], unit: LengthUnit = 'mm'): string =>
  points.map((p) => `${p.rpm} ${Number(amountShown(p.torque, 'Nm', unit).toFixed(1))}`).join('\n');

/**
 * Reads a torque curve: a line for each point, rpm and torque with a space, comma or tab between, rpm rising.
 *
 * @param unit of lengths on the page: with inches a torque without a unit is in lb·ft
 * @example readCurve('2500 338\n3500 398').value[1] // { rpm: 3500, torque: 398 }
 */
export function readCurve(text: string, unit: LengthUnit = 'mm'): ReadText<readonly TorquePoint[]> {
  const lines = text.split('\n').filter((l) => l.trim());
  const value: TorquePoint[] = [];
  for (const [i, line] of lines.entries()) {
    const [, rpm = '', turned = ''] = /^\s*(\d+\.?\d*)[\s,;]+(\d+\.?\d*.*)$/.exec(line) ?? [];
    const torque = parseAmount(turned, 'Nm', unit);
    if (!torque.ok)
      return refuse(
        `Line ${i + 1}, “${line.trim()}”: write rpm and ${amountWord('Nm', unit)}, such as 2500 338.`,
      );
    const point = { rpm: Number(rpm), torque: Number(torque.value.toFixed(2)) };
    if (point.rpm > 20_000 || point.torque > MOST_TORQUE)
      return refuse(
        `Line ${i + 1}: at most 20000 rpm and ${formatAmount(MOST_TORQUE, 'Nm', unit)}. Are the two the wrong way round?`,
      );
    const last = value.at(-1);
    if (last && point.rpm <= last.rpm) return refuse(`Line ${i + 1}: rpm must rise from line to line.`);
    value.push(point);
  }
  return value.length > MOST_POINTS ? refuse(`At most ${MOST_POINTS} points.`) : { ok: true, value };
}
