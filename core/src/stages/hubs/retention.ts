import type { Sided } from '../../geometry';
import type { Figure } from '../../measure';
import type { HeldBy, Retention } from '../donor/choices';

/** One way to hold the shafts in, beside what the donor has. */
export interface RetentionWay {
  readonly to: Retention;
  readonly kept: boolean;
  /** How far the WMS moves out: brake space, shaft and half grow by as much, mm; undefined while not known. */
  readonly moved: Sided<Figure | undefined>;
  /** What it asks for, and what it is good for. */
  readonly asks: string;
  readonly risk: string;
}

const ASKS: Readonly<Record<Retention, string>> = {
  cClip: 'Groove ground at the right place; the shaft cannot be shortened at its inner end.',
  boltIn: 'Ends with a bearing bore and a retainer’s bolt pattern, a bearing pressed onto the shaft.',
  fullFloat: 'Spindle ends welded on an alignment bar, hubs with two bearings, drive flanges or plates.',
};
const RISK: Readonly<Record<Retention, string>> = {
  cClip: 'If the shaft breaks outside the clip, wheel, brake and stub leave the car.',
  boltIn: 'If the shaft breaks outside the bearing, the wheel leaves; inside it the wheel stays.',
  fullFloat: 'If the shaft breaks the wheel stays on its hub; heavier, and the hubs want their bearings set.',
};

/** Reads what is chosen. */
interface ChosenEnds {
  choice(id: 'retentionTo'): HeldBy;
}

/** Whether a clip will hold the shafts’ inner ends; undefined while nobody said what will. */
export function clipAfter(r: ChosenEnds): boolean | undefined {
  const to = r.choice('retentionTo');
  return to === 'unsaid' ? undefined : to === 'cClip';
}

/** The three ways, the donor’s own first. */
export const retentionWays = (
  from: HeldBy,
  movedBy: (to: Retention) => Sided<Figure | undefined>,
): readonly RetentionWay[] =>
  (['cClip', 'boltIn', 'fullFloat'] as const)
    .filter((to) => to === from || from === 'unsaid' || to !== 'cClip')
    .map((to) => ({
      to,
      kept: to === from,
      moved: to === from ? { left: undefined, right: undefined } : movedBy(to),
      asks: ASKS[to],
      risk: RISK[to],
    }));
