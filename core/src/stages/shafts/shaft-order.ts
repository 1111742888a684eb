import { keeps, limitOf, type Check, type LimitChange, type LimitId, type StageId } from '../../checks';
import { SIDES, type Side } from '../../geometry';
import type { Figure } from '../../measure';
import { chosenPart, factText, type Plan, type Retention } from '../../plan';
import type { ShaftsResult } from './shafts-stage';

/** One shaft as it is ordered. Lengths mm. */
export interface ShaftLine {
  readonly side: Side;
  readonly length: number;
  /** Teeth and diametral pitch: `31/24`. */
  readonly spline: string;
  readonly splineLength?: number;
  readonly journal?: number;
  readonly body?: number;
  readonly material: string;
  readonly innerEnd: string;
  /** Wheel face to the shoulder the bearing is pressed against, or to where its rollers begin. */
  readonly shoulder?: number;
  /** Groove for the clip: from the inner end to its outer wall, its width, and the diameter at its floor. */
  readonly clipPlace?: number;
  readonly clipWidth?: number;
  readonly clipDiameter?: number;
  /** A shaft from stock, by its seller’s number. */
  readonly part?: string;
  readonly seller?: string;
}

/** The flange both shafts get. Lengths mm. */
export interface FlangeOrder {
  readonly holes?: number;
  readonly pcd?: number;
  readonly hole?: number;
  /** Turned under the wheel’s bore by the play that was chosen. */
  readonly pilot?: number;
  readonly thread?: string;
}

/** All that a shaft maker asks. */
export interface ShaftOrder {
  readonly lines: readonly ShaftLine[];
  readonly flange: FlangeOrder;
  /** What has to be known before it can be ordered, each a phrase; empty where it is whole. */
  readonly lacks: readonly string[];
}

/** What the order rests on: shafts of the chosen way, and readings. */
export interface OrderBasis {
  readonly shafts: ShaftsResult;
  readonly known: Readonly<Record<string, { readonly figure: Figure } | undefined>>;
  /** Sizes of what will run where they are not the donor’s own, by quantity; undefined where not known of it. */
  readonly inUse: Readonly<Record<string, Figure | undefined>>;
}

const CLIP_END = 'grooved for the clip';
const PLAIN_END = 'plain, chamfered 1 × 45°';

/** Sources that are made to order; stock ones are bought as they are, the donor’s own stay. */
const MADE: readonly string[] = ['new', 'other'];

type Of = (id: string) => number | undefined;

/** The order for the shafts that have to be bought: made to length, or from stock by their number. */
export function shaftOrder(plan: Plan, { shafts, known, inUse }: OrderBasis): ShaftOrder {
  const of: Of = (id) => known[id]?.figure.value;
  const lines = SIDES.flatMap((side): ShaftLine[] => {
    const need = shafts.needs[side];
    if (!need) return [];
    if (need.source === 'stockPair') return stockLine(plan, side, need.fitted.value);
    return MADE.includes(need.source) ? [madeLine(plan, of, side, need.fitted.value)] : [];
  });
  const stock = lines.some((l) => l.part !== undefined);
  const flange = stock ? stockFlange((id) => inUse[id]?.value) : flangeOf(plan, of);
  return { lines, flange, lacks: lacksOf(plan, lines, flange) };
}

function madeLine(plan: Plan, of: Of, side: Side, length: number): ShaftLine {
  const [teeth, pitch] = [
    of('new.teeth') ?? of('donor.splineTeeth'),
    of('new.pitch') ?? of('donor.splinePitch'),
  ];
  const material = plan.facts['donor.material'];
  const clip = plan.choices.retentionTo === 'cClip';
  return {
    side,
    length,
    spline: teeth !== undefined && pitch !== undefined ? `${teeth}/${pitch}` : '',
    material: material ? factText('donor.material', material.value) : '',
    innerEnd: clip ? CLIP_END : PLAIN_END,
    ...sizesKnown({
      splineLength: of('shaft.spline') ?? of(`donor.shaftSpline.${side}`),
      journal: of('new.journal') ?? of('donor.journal'),
      body: of('shaft.body') ?? of(`donor.shaftBody.${side}`),
      ...(plan.choices.retentionTo === 'fullFloat' ? {} : { shoulder: of('shaft.shoulder') }),
      ...(clip
        ? {
            clipPlace: of('shaft.clipPlace'),
            clipWidth: of('shaft.clipWidth'),
            clipDiameter: of('shaft.clipDiameter'),
          }
        : {}),
    }),
  };
}

/** A shaft from stock is ordered by its number; its sizes stand with it so that what arrives can be held to them. */
function stockLine({ searches, choices }: Plan, side: Side, length: number): ShaftLine[] {
  const offer = chosenPart(side === 'left' ? searches.shaftLeft : searches.shaftRight);
  if (!offer) return [];
  const { teeth, pitch, spline, journal, body } = offer.size;
  return [
    {
      side,
      length,
      spline: teeth !== undefined && pitch !== undefined ? `${teeth}/${pitch}` : '',
      material: '',
      innerEnd: choices.retentionTo === 'cClip' ? CLIP_END : PLAIN_END,
      part: offer.number,
      seller: offer.seller,
      ...sizesKnown({ splineLength: spline, journal, body }),
    },
  ];
}

/** What is known of these sizes. */
const sizesKnown = <K extends string>(sizes: Readonly<Partial<Record<K, number | undefined>>>) =>
  Object.fromEntries(Object.entries(sizes).filter(([, value]) => value !== undefined)) as Partial<
    Record<K, number>
  >;

const stockFlange = (of: Of): FlangeOrder =>
  sizesKnown({
    holes: of('donor.flangeHoles'),
    pcd: of('donor.flangePcd'),
    hole: of('donor.flangeHole'),
    pilot: of('donor.pilot'),
  });

/** With other shafts, or where they are made anyway, the flange gets the wheel’s own pattern. */
function flangeOf({ facts, choices }: Plan, of: Of): FlangeOrder {
  const wheels = choices.pattern === 'shafts' || choices.pattern === 'undecided';
  const from =
    wheels && of('car.wheelPcd') !== undefined
      ? ['car.wheelHoles', 'car.wheelPcd']
      : ['donor.flangeHoles', 'donor.flangePcd'];
  const [holes, pcd] = from.map(of);
  const bore = of('car.wheelBore');
  const thread = facts['new.studThread'] ?? facts['donor.studThread'];
  return {
    ...sizesKnown({
      holes,
      pcd,
      hole: of('redrill.hole') ?? of('donor.flangeHole'),
      pilot: bore === undefined ? of('donor.pilot') : bore - (of('shaft.pilotPlay') ?? 0),
    }),
    ...(thread ? { thread: factText('donor.studThread', thread.value) } : {}),
  };
}

function lacksOf({ choices }: Plan, lines: readonly ShaftLine[], flange: FlangeOrder): readonly string[] {
  const made = lines.find((l) => l.part === undefined);
  if (lines.length === 0) return ['No shaft has to be bought: nothing to order'];
  // What lies on a shelf has its sizes.
  if (!made) return [];
  return asked(choices.retentionTo, made, flange).flatMap(([name, known]) => (known ? [] : [name]));
}

/** What a maker asks of a shaft that is held in this way, and whether it is known. */
const asked = (
  to: Retention,
  line: ShaftLine,
  { holes, pcd, pilot }: FlangeOrder,
): readonly (readonly [name: string, known: boolean])[] => [
  ['Spline: teeth and pitch', line.spline !== ''],
  ['Spline length', line.splineLength !== undefined],
  ['Bearing journal', line.journal !== undefined],
  ['Wheel face to bearing shoulder', to === 'fullFloat' || line.shoulder !== undefined],
  ['Clip groove’s place', to !== 'cClip' || line.clipPlace !== undefined],
  ['Clip groove’s width', to !== 'cClip' || line.clipWidth !== undefined],
  ['Material', line.material !== ''],
  ['Flange pattern', holes !== undefined && pcd !== undefined],
  ['Pilot', pilot !== undefined],
];

/** Stages whose stops can make a shaft wrong. */
const SHAFT_STAGES: readonly StageId[] = ['donor', 'stance', 'cut', 'shafts', 'hubs'];

/**
 * What has to be settled before shafts are paid for: open stops of the stages that they follow from. Steel that is
 * cut does not come back.
 *
 * @returns titles of the checks; empty where nothing holds
 */
export const orderHolds = (checks: readonly Check[]): readonly string[] =>
  checks.filter((c) => c.level === 'stop' && SHAFT_STAGES.includes(c.stage)).map((c) => c.title);

const LINE_WORDS: Readonly<Record<Exclude<keyof ShaftLine, 'side'>, string>> = {
  length: 'length',
  spline: 'spline',
  splineLength: 'spline length',
  journal: 'journal',
  body: 'smallest body',
  material: 'material',
  innerEnd: 'inner end',
  shoulder: 'bearing shoulder',
  clipPlace: 'clip groove’s place',
  clipWidth: 'clip groove’s width',
  clipDiameter: 'clip groove’s diameter',
  part: 'number',
  seller: 'seller',
};
const FLANGE_WORDS: Readonly<Record<keyof FlangeOrder, string>> = {
  holes: 'studs',
  pcd: 'circle',
  hole: 'stud hole',
  pilot: 'pilot',
  thread: 'stud thread',
};

/** Sizes that differ by less are the same on any drawing, mm. */
const SAME_ON_PAPER = 0.005;

/**
 * What a plan asks for now that an earlier order did not, or otherwise.
 *
 * @returns phrases such as `left length 684.5 mm, now 683 mm`; empty where the order still stands
 */
export function orderMoved(then: ShaftOrder, now: ShaftOrder): readonly string[] {
  const sides = SIDES.flatMap((side) => {
    const [a, b] = [then, now].map((order) => order.lines.find((l) => l.side === side));
    if (!a || !b) return a === b ? [] : [`${side} shaft ${b ? 'not ordered, now wanted' : 'no longer wanted'}`];
    return differing(a, b, LINE_WORDS).map((phrase) => `${side} ${phrase}`);
  });
  return [...sides, ...differing(then.flange, now.flange, FLANGE_WORDS).map((phrase) => `flange ${phrase}`)];
}

function differing<T extends object>(a: T, b: T, words: Readonly<Partial<Record<keyof T, string>>>): string[] {
  return (Object.keys(words) as (keyof T)[])
    .filter((key) => !sameSize(a[key], b[key]))
    .map((key) => {
      const unit = key === 'holes' ? '' : ' mm';
      return `${words[key] ?? ''} ${sizeText(a[key], unit)}, now ${sizeText(b[key], unit)}`;
    });
}

const sameSize = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < SAME_ON_PAPER : a === b;

function sizeText(value: unknown, unit: string): string {
  if (typeof value === 'number') return `${Math.round(value * 100) / 100}${unit}`;
  return typeof value === 'string' && value !== '' ? value : 'not given';
}

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
  limits: Readonly<Partial<Record<LimitId, LimitChange>>>,
): Received {
  for (const { side } of received)
    if (!order.lines.some((l) => l.side === side)) throw new RangeError(`No ${side} shaft was ordered.`);
  const missing = order.lines.find((l) => !received.some((r) => r.side === l.side));
  if (missing) throw new RangeError(`The ${missing.side} shaft has not been measured.`);
  const lengthLimit = limitOf(limits, 'order.length').value;
  const journalLimit = limitOf(limits, 'order.journal').value;
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
