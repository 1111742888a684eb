import type { Acceptance } from '../../stage';
import type { Reading } from '../../measure';
import type { Side } from '../../geometry';
import type { Received } from './received';

/** Lengths that differ by less are one, mm. */
const SAME = 1e-6;

/** Who took the shafts, and why where one is kept although it is not as ordered. */
export interface Taken {
  readonly who: string;
  readonly reason?: string;
  /** ISO 8601. */
  readonly at: string;
}

/** What of a plan they stand in. */
interface Kept {
  readonly readings: Readonly<Record<string, Reading>>;
  readonly accepted: Readonly<Record<string, Acceptance>>;
}

/**
 * The plan with shafts that were taken standing in it as they were measured. One that is kept although its length is
 * off is an accepted deviation: its reason stands with the check, and so on the sheet.
 */
export function withReceived<P extends Kept>(plan: P, { sizes }: Received, { who, reason, at }: Taken): P {
  const lengths = sizes.filter((s) => s.what === 'length');
  const others = sizes.filter((s) => !s.ok && s.what !== 'length');
  const said = (side: string) =>
    others.filter((s) => s.side === side).map((s) => `${s.what} off by ${s.off.toFixed(2)} mm`);
  const readings = lengths.map(({ side, measured }) => {
    const note = [reason, ...said(side)].filter(Boolean).join('; ');
    return [
      `shaft.received.${side}`,
      {
        repeats: [{ value: measured, who, at }],
        instrument: 'rule' as const,
        datum: 'inner end',
        ...(note ? { note } : {}),
      },
    ] as const;
  });
  const accepted = lengths
    .filter((s) => !s.ok && reason !== undefined)
    .map(
      ({ side, off }) => [`shaft.received.${side}`, { reason: reason ?? '', figure: off, who, at }] as const,
    );
  return {
    ...plan,
    readings: { ...plan.readings, ...Object.fromEntries(readings) },
    accepted: { ...plan.accepted, ...Object.fromEntries(accepted) },
  };
}

/** A shaft that was measured and taken, and that the plan knows nothing of, or otherwise. */
export interface NotHeld {
  readonly side: Side;
  /** Length on arrival, mm. */
  readonly measured: number;
  /** Length that the plan holds, newest reading, mm; left out where it holds none. */
  readonly stands?: number;
}

/**
 * Lengths measured on arrival that the plan does not hold among its readings: an undo took them back, or they were typed over.
 *
 * @example receivedNotHeld(plan, { ok: true, sizes: [left of 684.4 mm] }) // [{ side: 'left', measured: 684.4 }]
 */
export const receivedNotHeld = (
  { readings }: Pick<Kept, 'readings'>,
  { sizes }: Received,
): readonly NotHeld[] =>
  sizes
    .filter((s) => s.what === 'length')
    .flatMap(({ side, measured }) => {
      const repeats = readings[`shaft.received.${side}`]?.repeats ?? [];
      if (repeats.some(({ value }) => Math.abs(value - measured) < SAME)) return [];
      const stands = repeats.at(-1)?.value;
      return [{ side, measured, ...(stands === undefined ? {} : { stands }) }];
    });
