import type { Side } from '../../geometry';
import type { LimitsOf } from '../../stage/check';
import { keeps } from '../../stage/judge';
import { CLIP_END } from './names';
import type { ShaftOrder, ShaftLine } from './shaft-order';
import { type shafts as words } from './words';

/** What arrived, as it was measured on the bench. Lengths mm. */
export interface ReceivedShaft {
  readonly side: Side;
  readonly length: number;
  readonly journal?: number;
  readonly splineLength?: number;
}

/** One size of a received shaft against its order. */
export interface ReceivedSize {
  readonly side: Side;
  readonly what: 'length' | 'journal' | 'splineLength';
  readonly ordered: number;
  readonly measured: number;
  readonly off: number;
  readonly limit: number;
  readonly ok: boolean;
  /** What it means and what to do; empty where it is right. */
  readonly todo: string;
}

export interface Received {
  readonly sizes: readonly ReceivedSize[];
  readonly ok: boolean;
}

/**
 * Compares shafts that arrived with their order. A spline may be longer than ordered, never shorter.
 *
 * @throws RangeError where a shaft was not ordered, or is not there
 */
export function compareReceived(
  order: ShaftOrder,
  received: readonly ReceivedShaft[],
  limits: LimitsOf<typeof words>,
): Received {
  for (const { side } of received)
    if (!order.lines.some((l) => l.side === side)) throw new RangeError(`No ${side} shaft was ordered.`);
  const missing = order.lines.find((l) => !received.some((r) => r.side === l.side));
  if (missing) throw new RangeError(`The ${missing.side} shaft has not been measured.`);
  const lengthLimit = limits('order.length').value;
  const journalLimit = limits('order.journal').value;
  const sizes = received.flatMap((r): ReceivedSize[] => {
    const line = order.lines.find((l) => l.side === r.side) as ShaftLine;
    const list: (ReceivedSize | undefined)[] = [
      sizeOf(line, 'length', r.length, lengthLimit),
      sizeOf(line, 'journal', r.journal, journalLimit),
      sizeOf(line, 'splineLength', r.splineLength, lengthLimit),
    ];
    return list.filter((s) => s !== undefined);
  });
  return { sizes, ok: sizes.every((s) => s.ok) };
}

function sizeOf(
  line: ShaftLine,
  what: ReceivedSize['what'],
  measured: number | undefined,
  limit: number,
): ReceivedSize | undefined {
  const ordered = line[what];
  if (ordered === undefined || measured === undefined) return undefined;
  const off = measured - ordered;
  const ok = what === 'splineLength' ? keeps('atLeast', off, -limit, 'mm') : keeps('within', off, limit, 'mm');
  return { side: line.side, what, ordered, measured, off, limit, ok, todo: ok ? '' : todoOf(line, what, off) };
}

function todoOf({ innerEnd }: ShaftLine, what: ReceivedSize['what'], off: number): string {
  if (what === 'journal')
    return off > 0
      ? 'The bearing will not go on: send it back to be ground.'
      : 'The bearing has no seat: send it back. Never build a journal up by welding.';
  if (what === 'splineLength')
    return 'Less of the side gear engages: work the engagement out again, or send it back.';
  const long = off > 0 ? 'Too long' : 'Too short';
  if (innerEnd === CLIP_END)
    return `${long}: the clip holds its inner end, so wheel face and rotor stand further ${off > 0 ? 'out' : 'in'}. Send it back.`;
  return off > 0
    ? `${long}: it runs into the cross shaft or pushes the bearing out. Send it back, or have its inner end shortened and chamfered.`
    : `${long}: less of the spline engages. Send it back.`;
}
