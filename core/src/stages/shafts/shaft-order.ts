import { sized } from '../../measure';
import { chosenPart, optionText, type Check } from '../../stage';
import { SIDES, type Side } from '../../geometry';
import type { Figure } from '../../measure';
import type { HeldBy } from '../donor/choices';
import { DONOR_FACTS } from '../donor/facts';
import { inUse } from './figures/in-use';
import { shafts } from './figures/shafts';
import type { InUse } from './in-use';
import { node, type Reads } from './node';
import { CLIP_END, PLAIN_END } from './names';

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
  /** Where the seal’s lip runs, and over the tops of the spline. */
  readonly sealJournal?: number;
  readonly splineMajor?: number;
  /** What it may be off by when it comes: its length, and its journal. */
  readonly lengthOff?: number;
  readonly journalOff?: number;
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
  /** Outside of the flange, and how thick it is. */
  readonly rim?: number;
  readonly thick?: number;
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

/** Sources that are made to order; stock ones are bought as they are, the donor’s own stay. */
const MADE: readonly string[] = ['new', 'other'];

const valueOf = (figure: Figure | undefined): number | undefined => figure?.value;

/** How an answer to a fact is written, of the kinds an order names. */
const written = (id: (typeof DONOR_FACTS)[number]['id'], value: string): string =>
  optionText(
    DONOR_FACTS.find((kind) => kind.id === id),
    value,
  );

/** The order for the shafts that have to be bought: made to length, or from stock by their number. */
export const shaftOrder = node('order', (r): ShaftOrder => {
  const { needs } = r.of(shafts);
  const lines = SIDES.flatMap((side): ShaftLine[] => {
    const need = needs[side];
    if (!need) return [];
    if (need.source === 'stockPair') return stockLine(r, side, need.fitted.value);
    return MADE.includes(need.source) ? [madeLine(r, side, need.fitted.value)] : [];
  });
  const stock = lines.some((l) => l.part !== undefined);
  const flange = stock ? stockFlange(r.of(inUse)) : flangeOf(r);
  return { lines, flange, lacks: lacksOf(r.choice('retentionTo'), lines, flange) };
});

/** How a shaft’s inner end is made, by what holds it. */
const INNER_END: Readonly<Record<HeldBy, string>> = {
  unsaid: '',
  cClip: CLIP_END,
  boltIn: PLAIN_END,
  fullFloat: PLAIN_END,
};

function madeLine(r: Reads, side: Side, length: number): ShaftLine {
  const teeth = valueOf(r.figure('new.teeth') ?? r.figure('donor.splineTeeth'));
  const pitch = valueOf(r.figure('new.pitch') ?? r.figure('donor.splinePitch'));
  const material = r.fact('donor.material');
  const to = r.choice('retentionTo');
  return {
    side,
    length,
    spline: teeth !== undefined && pitch !== undefined ? `${teeth}/${pitch}` : '',
    material: material ? written('donor.material', material.value) : '',
    innerEnd: INNER_END[to],
    ...sizesKnown({
      splineLength: valueOf(r.figure('shaft.spline') ?? r.figure(`donor.shaftSpline.${side}`)),
      journal: valueOf(r.figure('new.journal') ?? r.figure('donor.journal')),
      body: valueOf(r.figure('shaft.body') ?? r.figure(`donor.shaftBody.${side}`)),
      sealJournal: valueOf(r.figure('donor.sealJournal')),
      splineMajor: valueOf(r.figure('new.teeth') ? undefined : r.figure('donor.splineMajor')),
      lengthOff: r.limit('order.length').value,
      journalOff: r.limit('order.journal').value,
      ...(to === 'fullFloat' ? {} : { shoulder: valueOf(r.figure('shaft.shoulder')) }),
      ...(to === 'cClip' ? clipSizes(r) : {}),
    }),
  };
}

const clipSizes = (r: Reads) => ({
  clipPlace: valueOf(r.figure('shaft.clipPlace')),
  clipWidth: valueOf(r.figure('shaft.clipWidth')),
  clipDiameter: valueOf(r.figure('shaft.clipDiameter')),
});

/** A shaft from stock is ordered by its number; its sizes stand with it so that what arrives can be held to them. */
function stockLine(r: Reads, side: Side, length: number): ShaftLine[] {
  const offer = chosenPart(r.search(side === 'left' ? 'shaftLeft' : 'shaftRight'));
  if (!offer) return [];
  const { teeth, pitch, spline, journal, body } = offer.size;
  return [
    {
      side,
      length,
      spline: teeth !== undefined && pitch !== undefined ? `${teeth}/${pitch}` : '',
      material: '',
      innerEnd: INNER_END[r.choice('retentionTo')],
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

const stockFlange = (sizes: InUse): FlangeOrder =>
  sizesKnown({
    holes: sizes['donor.flangeHoles']?.value,
    pcd: sizes['donor.flangePcd']?.value,
    hole: sizes['donor.flangeHole']?.value,
    pilot: sizes['donor.pilot']?.value,
  });

/** With other shafts, or where they are made anyway, the flange gets the wheel’s own pattern. */
function flangeOf(r: Reads): FlangeOrder {
  const route = r.choice('pattern');
  const wheels = (route === 'shafts' || route === 'undecided') && r.figure('car.wheelPcd') !== undefined;
  const [holes, pcd] = wheels
    ? [r.figure('car.wheelHoles'), r.figure('car.wheelPcd')]
    : [r.figure('donor.flangeHoles'), r.figure('donor.flangePcd')];
  const bore = r.figure('car.wheelBore')?.value;
  const thread = r.fact('new.studThread') ?? r.fact('donor.studThread');
  return {
    ...sizesKnown({
      holes: valueOf(holes),
      pcd: valueOf(pcd),
      hole: valueOf(r.figure('redrill.hole') ?? r.figure('donor.flangeHole')),
      rim: valueOf(r.figure('donor.flangeRim')),
      thick: valueOf(r.figure('shaft.flange')),
      pilot:
        bore === undefined
          ? valueOf(r.figure('donor.pilot'))
          : bore - (valueOf(r.figure('shaft.pilotPlay')) ?? 0),
    }),
    ...(thread ? { thread: written('donor.studThread', thread.value) } : {}),
  };
}

function lacksOf(to: HeldBy, lines: readonly ShaftLine[], flange: FlangeOrder): readonly string[] {
  const made = lines.find((l) => l.part === undefined);
  if (lines.length === 0) return ['No shaft has to be bought: nothing to order'];
  // What lies on a shelf has its sizes.
  if (!made) return [];
  return asked(to, made, flange).flatMap(([name, known]) => (known ? [] : [name]));
}

/** What a maker asks of a shaft that is held in this way, and whether it is known. */
const asked = (
  to: HeldBy,
  line: ShaftLine,
  { holes, pcd, pilot }: FlangeOrder,
): readonly (readonly [name: string, known: boolean])[] => [
  ['What holds the shafts', to !== 'unsaid'],
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
const SHAFT_STAGES: readonly string[] = ['donor', 'stance', 'cut', 'shafts', 'hubs'];

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
  sealJournal: 'seal journal',
  splineMajor: 'spline’s outside',
  lengthOff: 'length’s tolerance',
  journalOff: 'journal’s tolerance',
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
  rim: 'flange diameter',
  thick: 'flange thickness',
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
      const text = (value: unknown) => sizeText(value, key !== 'holes');
      return `${words[key] ?? ''} ${text(a[key])}, now ${text(b[key])}`;
    });
}

const sameSize = (a: unknown, b: unknown): boolean =>
  typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < SAME_ON_PAPER : a === b;

function sizeText(value: unknown, length: boolean): string {
  if (typeof value === 'number') return length ? sized(value, 'mm', 2) : String(value);
  return typeof value === 'string' && value !== '' ? value : 'not given';
}
