import type { Side } from '../../geometry';
import { derive, given, type Figure, type Maybe } from '../../measure';
import type { TubeItem } from './choices';
import type { SideMarks } from './marks-result';

/** What stands on a tube that a cut or its weld keeps clear of, mm from the casting face. */
export interface KeepClear {
  readonly id: string;
  readonly name: string;
  readonly from: Figure;
  readonly to: Figure;
  /** Only the weld keeps clear of it: it comes onto the tube afterwards. */
  readonly later?: true;
}

/** A stretch of tube in which the first mark may stand, mm from the casting face. */
export interface Window {
  readonly from: Figure;
  readonly to: Figure;
  /** What it ends at on either side. */
  readonly between: readonly [string, string];
}

/** Where the cut of one side may be. */
export interface Windows {
  readonly free: readonly Window[];
  /** Middle of the widest one: where the first mark is best. */
  readonly best: Maybe;
  /** Why there. */
  readonly why: string;
  /** Nearest free place to where the mark is now; undefined where it is free as it is, or nothing is. */
  readonly nearest: Maybe;
}

export interface WindowsInput {
  readonly marks: Pick<SideMarks, 'spacing'> & { readonly inner: Pick<SideMarks['inner'], 'fromCasting'> };
  /** First mark nearest the casting, and nearest the housing end, mm. */
  readonly nearCasting: Figure;
  readonly nearEnd: Figure;
  readonly keepClear: readonly KeepClear[];
  /** Least distance from what stands on the tube, mm. */
  readonly apart: Figure;
}

/** A bound of a stretch: its place, and what is there. */
interface Bound {
  readonly at: Figure;
  readonly of: string;
}
interface Stretch {
  readonly from: Bound;
  readonly to: Bound;
}

/** A window narrower than a scribed line is none, mm. */
const LEAST = 0.5;

/** Things from the plan’s list of what is on a tube. */
export const listed = (items: Readonly<Record<string, TubeItem>>, side: Side): readonly KeepClear[] =>
  Object.entries(items)
    .filter(([, item]) => item.side === side)
    .map(([id, { name, from, to }]) => ({
      id: `item.${id}`,
      name,
      from: edge(`item.${id}.begins`, `${name}, begins`, from),
      to: edge(`item.${id}.ends`, `${name}, ends`, to),
    }));

const edge = (id: string, label: string, value: number): Figure =>
  given(id, label, value, 0, 'mm', { source: 'Listed on the tube, from the casting face', byTape: true });

/**
 * The stretches of a tube in which the first mark may stand, so that both cuts and the weld keep their distance from
 * casting, housing end and all that stands on the tube; what lies wholly between the cuts goes off with the slug.
 *
 * @param side names the figures
 */
export function windowsStage(input: WindowsInput, side: Side): Windows {
  const { marks, nearCasting, nearEnd, keepClear, apart } = input;
  const whole = { from: { at: nearCasting, of: 'the casting' }, to: { at: nearEnd, of: 'the housing end' } };
  let free: Stretch[] = nearEnd.value > nearCasting.value ? [whole] : [];
  for (const thing of keepClear) {
    const shut = shutBy(thing, marks, apart, side);
    free = free.flatMap((stretch) =>
      shut.reduce<Stretch[]>((parts, no) => parts.flatMap((p) => without(p, no)), [stretch]),
    );
  }
  const windows = free
    .filter(({ from, to }) => to.at.value - from.at.value > LEAST)
    .map(({ from, to }): Window => ({ from: from.at, to: to.at, between: [from.of, to.of] }));
  const widest = windows.reduce<Window | undefined>(
    (best, w) => (!best || w.to.value - w.from.value > best.to.value - best.from.value ? w : best),
    undefined,
  );
  return {
    free: windows,
    best: widest && middleOf(widest, side),
    why: widest
      ? `Middle of the widest free stretch, between ${widest.between[0]} and ${widest.between[1]}`
      : '',
    nearest: nearestTo(marks.inner.fromCasting.value, windows),
  };
}

const middleOf = ({ from: a, to: b }: Window, side: Side): Figure =>
  derive({
    id: `window.best.${side}`,
    label: `Best place of the first mark, ${side}`,
    unit: 'mm',
    formula: '({a} + {b})/2',
    source: 'Middle of the widest free stretch',
    inputs: { a, b },
  });

/** Stretches that a thing shuts: up to two, for a cut may also pass on both sides of it. */
function shutBy(thing: KeepClear, marks: WindowsInput['marks'], apart: Figure, side: Side): readonly Stretch[] {
  const { from: a, to: b, name } = thing;
  const s = marks.spacing;
  const at = (id: string, formula: string, inputs: Readonly<Record<string, Figure>>): Bound => ({
    at: derive({
      id: `window.${side}.${thing.id}.${id}`,
      label: `First mark clear of ${name}`,
      unit: 'mm',
      formula,
      source: 'Its edge and the distance to keep, less what lies between the marks where that comes first',
      inputs,
    }),
    of: name,
  });
  if (thing.later)
    return [
      { from: at('before', '{a} − {L}', { a, L: apart }), to: at('after', '{b} + {L}', { b, L: apart }) },
    ];
  const before = at('before', '{a} − {L} − {s}', { a, L: apart, s });
  const after = at('after', '{b} + {L}', { b, L: apart });
  const [over, under] = [at('over', '{b} − {s}', { b, s }), at('under', '{a}', { a })];
  if (under.at.value - over.at.value <= LEAST) return [{ from: before, to: after }];
  return [
    { from: before, to: over },
    { from: under, to: after },
  ];
}

/** What is left of a stretch where another is shut. */
function without(stretch: Stretch, shut: Stretch): Stretch[] {
  if (shut.to.at.value <= stretch.from.at.value || shut.from.at.value >= stretch.to.at.value) return [stretch];
  const parts: Stretch[] = [];
  if (shut.from.at.value > stretch.from.at.value) parts.push({ from: stretch.from, to: shut.from });
  if (shut.to.at.value < stretch.to.at.value) parts.push({ from: shut.to, to: stretch.to });
  return parts;
}

/** The free place nearest to where a mark is; nothing where it stands free. */
function nearestTo(x: number, windows: readonly Window[]): Maybe {
  if (windows.some(({ from, to }) => x >= from.value - 1e-6 && x <= to.value + 1e-6)) return undefined;
  return windows
    .flatMap(({ from, to }) => [from, to])
    .reduce<Maybe>(
      (best, f) => (!best || Math.abs(f.value - x) < Math.abs(best.value - x) ? f : best),
      undefined,
    );
}
