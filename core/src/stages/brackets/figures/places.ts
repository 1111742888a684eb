import { setSlope } from '../../driveline/figures/slopes';
import { unless, type PlaceId } from '../../../stage';
import { SIDES, type Side } from '../../../geometry';
import { derive, given, type Maybe } from '../../../measure';
import { wrapped } from '../../../mechanics';
import type { Bracket } from '../choices';
import { EDGE_NAMES } from '../names';
import { node, perBracket, type Reads } from '../node';
import { newFrame, oldFrame, signOf } from './frame';
import { fromDatum, GAUGE, uncertaintyOf, wanted, type Asked, type Found, type PlacedBy } from './sources';

/** A bracket on the new axle. Lateral places from the car’s centreline, left plus, mm; clock rad. */
export interface PlacedBracket {
  readonly id: string;
  readonly item: Bracket;
  readonly by?: PlacedBy;
  /** What stands for its side: for what lies all across, the side its middle is on. */
  readonly side: Side;
  /** Of the part of it that it is measured by. */
  readonly y: Maybe;
  /** Of its middle. */
  readonly middle: Maybe;
  /** From the new axle’s casting face and housing end to the same part of it, mm. */
  readonly fromCasting: Maybe;
  readonly fromEnd: Maybe;
  /** Against the casting’s flat: 0 on top, toward the front plus. */
  readonly clock: Maybe;
  /** What the gauge shows on its face, zeroed on the flat; front higher plus. */
  readonly gauge: Maybe;
  /** As planned, where it was read after the work. */
  readonly planned?: { readonly fromCasting: Maybe; readonly clock: Maybe };
  readonly lacks: readonly PlaceId[];
}

/** Where it was read to stand once it was tacked or welded. */
function asMade(asked: Asked): Pick<PlacedBracket, 'y' | 'clock'> | undefined {
  const { id, item, now } = asked;
  if (!item.made) return undefined;
  const word = item.made.by;
  const a = given(`bracket.${id}.made`, `${item.name}, as ${word}`, item.made.at, uncertaintyOf('rule'), 'mm', {
    source: `Read from the ${item.side === 'across' ? 'left ' : ''}casting face, by steel rule, ${word}`,
    evidence: 'measured',
    byTape: true,
  });
  const clock =
    item.made.clock === undefined
      ? undefined
      : given(`bracket.${id}.madeClock`, `${item.name}, clock as ${word}`, item.made.clock, GAUGE, 'rad', {
          source: `Gauge zeroed on the casting’s flat, ${word}`,
          evidence: 'measured',
        });
  // What lies all across is read from the left face, as the sheet gives it.
  const read = item.side === 'across' ? { ...asked, item: { ...item, side: asked.side } } : asked;
  return { y: fromDatum(read, now, 'casting', a, 'asMade'), clock };
}

/** From a face of the new axle to the part it is measured by, outboard of the casting, inboard of the end. */
function fromFace({ id, item, side }: Asked, face: Maybe, y: Maybe, what: 'Casting' | 'End', tag = ''): Maybe {
  if (!face || !y) return undefined;
  const out = (side === 'left') === (what === 'Casting');
  return derive({
    id: `bracket.${id}.from${what}${tag}`,
    label: `${item.name}, ${EDGE_NAMES[item.edge]} from the ${item.side === 'across' ? 'left ' : ''}${what === 'Casting' ? 'casting face' : 'housing end'}`,
    unit: 'mm',
    formula: out ? '{y} − {f}' : '{f} − {y}',
    source: 'Both from the car’s centreline',
    inputs: { y, f: face },
  });
}

function middleOf({ id, item, side }: Asked, y: Maybe): Maybe {
  if (!y) return undefined;
  const out = signOf(side) > 0 ? ['+', '−'] : ['−', '+'];
  const sign = { inner: out[0], outer: out[1], middle: undefined }[item.edge];
  const w = given(`bracket.${id}.wide`, `${item.name}, its width`, item.wide, 0, 'mm', {
    source: 'Its own size along the axle',
    byTape: true,
  });
  return derive({
    id: `bracket.${id}.middle`,
    label: `${item.name}, middle from the car’s centreline`,
    unit: 'mm',
    formula: sign ? `{y} ${sign} {w}/2` : '{y}',
    source: 'Its measured part and half of its width; left is plus',
    inputs: sign ? { y, w } : { y },
  });
}

function gaugeOf({ id, item }: Asked, clock: Maybe): Maybe {
  if (!clock) return undefined;
  // A face looks up, forward, down or back: the gauge lies on it, or upright against it.
  const quarter = Math.round(wrapped(clock.value) / (Math.PI / 2)) * (Math.PI / 2) + turns(clock.value);
  const q = given(
    `bracket.${id}.quarter`,
    'Quarter that its face looks to',
    quarter,
    0,
    'rad',
    'The nearest one',
  );
  return derive({
    id: `bracket.${id}.gauge`,
    label: `${item.name}, what the gauge shows on its face`,
    unit: 'rad',
    formula: '{q} − {c}',
    source:
      'Gauge zeroed on the casting’s flat, and set to the quarter the face looks to; front higher is plus',
    inputs: { q, c: clock },
  });
}
const turns = (angle: number): number => angle - wrapped(angle);

/** Where one bracket stands on the new axle. */
function placed(r: Reads, id: string, item: Bracket): PlacedBracket {
  const [old, now] = [r.of(oldFrame), r.of(newFrame)];
  const side: Side = item.side === 'right' ? 'right' : 'left';
  const asked: Asked = { r, id, item, side, old, now };
  const want = wanted(asked);
  const made = asMade(asked);
  const y = made ? made.y : want.y;
  const clock = made?.clock ?? want.clock;
  return {
    id,
    item,
    side,
    ...(made ? { by: 'made', planned: plannedOf(asked, want) } : want.by ? { by: want.by } : {}),
    y,
    middle: middleOf(asked, y),
    fromCasting: fromFace(asked, now.casting[side], y, 'Casting'),
    fromEnd: fromFace(asked, now.end[side], y, 'End'),
    clock,
    gauge: gaugeOf(asked, clock),
    lacks: [...(y ? [] : want.lacks.filter((q) => lacking(r, q))), ...(clock ? [] : clockLacks(r, item, side))],
  };
}

/** What is missing for its clock angle: the slopes it is carried over by, or that a perch is turned by. */
function clockLacks(r: Reads, item: Bracket, side: Side): readonly PlaceId[] {
  const read = item.old?.clock === undefined ? undefined : item.old;
  if (!read && item.kind !== 'perch') return [];
  const flats = read
    ? read.zero === 'flat'
      ? (['angle.flat'] as const)
      : []
    : ([`angle.perch.${side}`] as const);
  const needed = [...flats, 'donor.angle.flat', 'donor.angle.pinion'] as const;
  return [...needed.filter((id) => r.figure(id) === undefined), ...unless(r.of(setSlope), 'drive.aim')];
}

const plannedOf = (asked: Asked, { y, clock }: Found): PlacedBracket['planned'] & object => ({
  fromCasting: fromFace(asked, asked.now.casting[asked.side], y, 'Casting', '.planned'),
  clock,
});

/** Whether a quantity that a datum rests on is missing. */
const lacking = (r: Reads, id: string): boolean => r.figure(id as 'brief.targetWidth') === undefined;

/** Where one bracket stands, by its id. */
export const placeOf = perBracket('place', placed);

/** Every bracket on the new axle, in the order they were listed. */
export const places = node('places', (r): readonly PlacedBracket[] =>
  Object.keys(r.part('brackets')).flatMap((id) => r.of(placeOf(id)) ?? []),
);

/** Sides that a bracket lies on. */
export const sidesOf = ({ item }: PlacedBracket): readonly Side[] =>
  item.side === 'across' ? SIDES : [item.side];
