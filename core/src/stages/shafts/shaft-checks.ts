import { judge, type Check, type LimitsOf, judgeFact, unless } from '../../stage';
import { SIDES, sideName, type Side } from '../../geometry';
import { asMade, derive, type Figure, type Maybe, sized } from '../../measure';
import { BOUGHT_SHAFTS, type ShaftFit, type ShaftNeed, type ShaftsResult } from './shafts-result';
import type { shafts } from './words';
import type { HeldBy } from '../donor/choices';
import type { ShaftRoute } from './choices';
import type { Use } from '../brief/choices';

type Limits = LimitsOf<typeof shafts>;
export interface ShaftChecksInput {
  readonly shafts: ShaftsResult;
  /** What holds the donor’s shafts, and what will hold the new ones. */
  readonly retention: HeldBy;
  readonly retentionTo: HeldBy;
  readonly route: ShaftRoute;
  readonly use: Use;
  /** Spline major diameter by the standard, mm. */
  readonly splineMajor: Maybe;
  /** What is wrong with a pair from stock, each a sentence; empty where nothing is. */
  readonly pairTrouble: readonly string[];
  /** How each shaft from stock suits the axle as it stands by now; undefined where none was taken. */
  readonly suits: Readonly<Record<Side, StockSuits | undefined>>;
  readonly body: Readonly<Record<Side, Maybe>>;
  /** Full-depth spline on each of the donor's shafts, and the whole shaft, mm. */
  readonly spline: Readonly<Record<Side, Maybe>>;
  readonly length: Readonly<Record<Side, Maybe>>;
  readonly floatMin: Maybe;
  readonly floatMax: Maybe;
  /** What stands beyond a clip’s groove that is no longer needed, mm: it may come off. */
  readonly spareEnd: Maybe;
  /** Shafts that arrived, as measured. */
  readonly received: Readonly<Record<Side, Maybe>>;
}

/** Whether a shaft from stock suits. */
export interface StockSuits {
  readonly number: string;
  /** Why it does not; empty where it does. */
  readonly refused: string;
  /** What its list does not say. */
  readonly unsaid: readonly string[];
}

/** Checks of shafts: what may be shortened, what engages, what touches. */
export function shaftChecks(input: ShaftChecksInput, limits: Limits): Check[] {
  const checks: Check[] = [...retentionChecks(input), ...pairChecks(input)];
  const { floatMin, floatMax } = input;
  // Two defaults say nothing of each other.
  if (floatMin && floatMax && !(isDefault(floatMin) && isDefault(floatMax)))
    checks.push(floatCheck(floatMin, floatMax));
  for (const side of SIDES) {
    checks.push(...plausible(input, side), ...suitsCheck(input.suits[side], side));
    const need = input.shafts.needs[side];
    if (!need) continue;
    checks.push(...shortenChecks(input, need, side));
    checks.push(...receivedChecks(input, need, side, limits));
    if (need.source === 'stockShort') checks.push(stockCheck(need, side, limits));
    checks.push(...fitChecks(input, input.shafts.fit[side], side, limits));
  }
  return checks;
}

function retentionChecks({ retentionTo, use }: ShaftChecksInput): Check[] {
  if (retentionTo !== 'cClip' && retentionTo !== 'unsaid') return [];
  const hard = retentionTo === 'cClip' && use === 'strip';
  return [
    judgeFact({
      id: 'shaft.retention',
      stage: 'donor',
      rests: { 'choice.retentionTo': retentionTo === 'unsaid' ? undefined : retentionTo, 'brief.use': use },
      fault: hard
        ? {
            level: 'caution',
            title: 'C-clip shafts on the strip',
            todo: 'Ask the strip’s rules, and plan a bolt-in or full-float conversion before shafts are ordered.',
          }
        : undefined,
      holds: 'C-clip retention noted',
      unknown: 'What holds the shafts: not said',
      reason:
        'If a C-clip shaft breaks, nothing holds the wheel; many strips and codes ask for bolt-in or full-float.',
      at: 'donor.retention',
      lacks: ['donor.retention'],
    }),
  ];
}

/** A shaft that was taken from stock has to suit the axle as it stands by now, whatever it stood like when it was taken. */
function suitsCheck(suits: StockSuits | undefined, side: Side): Check[] {
  if (!suits) return [];
  const { number, refused, unsaid } = suits;
  return [
    judgeFact({
      id: `shaft.suits.${side}`,
      stage: 'shafts',
      rests: {
        [`search.shaft${sideName(side)}`]: unsaid.length ? undefined : number,
        'choice.retentionTo': number,
      },
      fault: refused
        ? {
            level: 'stop',
            title: `${sideName(side)} shaft ${number} does not suit: ${refused}`,
            todo: 'Search again for a pair that suits the axle as it is now, or have shafts made.',
          }
        : undefined,
      holds: `${sideName(side)} shaft ${number} suits this axle by its list`,
      unknown: `Whether ${side} shaft ${number} suits is not known: not said ${unsaid.join(', ')}`,
      reason:
        'A shaft made for clips is held by nothing in a bolt-in end, and the other way round; spline, bearing and flange have to fit as well.',
      at: 'shaft.pair',
      lacks: ['shaft.pair'],
    }),
  ];
}

const isDefault = (figure: Figure): boolean => figure.assumed[figure.id] !== undefined;

function floatCheck(least: Figure, most: Figure): Check {
  const crossed = least.value > most.value;
  return judgeFact({
    id: 'shaft.float',
    stage: 'donor',
    rests: { 'donor.endFloatMin': least, 'donor.endFloatMax': most },
    fault: crossed
      ? {
          level: 'stop',
          title: 'End-float: the least is more than the most',
          todo: 'Read the end-float again, or swap the two numbers.',
          contradicts: ['donor.endFloatMin', 'donor.endFloatMax'],
        }
      : undefined,
    figure: least,
    holds: 'End-float: the least is no more than the most',
    unknown: '',
    reason: 'Engagement is worked out at both ends of the float.',
    at: 'donor.endFloatMin',
  });
}

function plausible({ spline, length }: ShaftChecksInput, side: Side): Check[] {
  const l = spline[side];
  const L = length[side];
  if (!l || !L) return [];
  return [
    judgeFact({
      id: `shaft.splineLength.${side}`,
      stage: 'donor',
      rests: { [l.id]: l, [L.id]: L },
      fault:
        l.value >= L.value
          ? {
              level: 'stop',
              title: `${sideName(side)} shaft is shorter than its spline`,
              todo: 'Read both again: the length runs from the wheel face to the inner end.',
              contradicts: [l.id, L.id],
            }
          : undefined,
      figure: l,
      holds: `${sideName(side)} shaft is longer than its spline`,
      unknown: '',
      reason: `The shaft is ${sized(L.value)} long.`,
      at: `donor.shaftSpline.${side}`,
    }),
  ];
}

function shortenChecks(
  { retention, route, splineMajor, body }: ShaftChecksInput,
  need: ShaftNeed,
  side: Side,
): Check[] {
  if (route !== 'shorten' || need.source !== 'shortened') return [];
  const clip = judgeFact({
    id: `shaft.cClip.${side}`,
    stage: 'cut',
    rests: { 'choice.retention': retention === 'unsaid' ? undefined : retention },
    fault:
      retention === 'cClip'
        ? {
            level: 'stop',
            title: `${sideName(side)} shaft cannot be shortened: C-clip groove`,
            todo: 'Order new shafts with the groove ground at the right place, or convert to bolt-in ends.',
          }
        : undefined,
    holds: `${sideName(side)} shaft has no C-clip groove to lose`,
    unknown: `Whether the ${side} shaft has a C-clip groove to lose: not known`,
    reason: 'The groove sits at the inner end; what is cut off takes the groove and the hardened end with it.',
    at: 'donor.retention',
    lacks: ['donor.retention'],
  });
  return [clip, neckedCheck(body[side], splineMajor, side)];
}

function neckedCheck(d: Maybe, D_o: Maybe, side: Side): Check {
  const spare =
    d &&
    D_o &&
    derive({
      id: `shaft.spare.${side}`,
      label: `Body over the spline’s major diameter, ${side}`,
      unit: 'mm',
      formula: '{d} − {D_o}',
      source: 'Minus where the teeth would have no tops',
      inputs: { d, D_o },
    });
  return judge({
    id: `shaft.necked.${side}`,
    stage: 'cut',
    figure: spare,
    way: 'atLeast',
    limit: 0,
    beyond: 'stop',
    holds: `${sideName(side)} shaft’s body is thick enough for a new spline`,
    fails: `${sideName(side)} shaft cannot be splined again: necked body`,
    unknown: `Whether the ${side} shaft’s body takes a new spline: not known`,
    reason: 'A full spline needs its major diameter; thinner stock leaves the teeth without tops.',
    todo: 'Order new shafts. Never build a shaft up by welding.',
    at: `donor.shaftBody.${side}`,
    lacks: [`donor.shaftBody.${side}`, 'donor.splineTeeth', 'donor.splinePitch'],
  });
}

const CLIPPED =
  'The clip holds its inner end, so the wheel face moves by what it is off, and the rotor with it.';
const FREE = 'Engagement and gap are worked out for the one that arrived.';

/** A shaft that arrived against the one that the plan wants; what engages follows from the one that arrived. */
function receivedChecks(
  { received: both, retentionTo }: ShaftChecksInput,
  need: ShaftNeed,
  side: Side,
  limits: Limits,
): Check[] {
  const received = both[side];
  const clip = retentionTo === 'cClip';
  if (!received || !BOUGHT_SHAFTS.includes(need.source)) return [];
  const off = differ(received, need.fitted, {
    id: `shaft.receivedOff.${side}`,
    label: `Shaft as received against the plan, ${side}`,
  });
  const long = off.value > 0;
  return [
    judge({
      id: `shaft.received.${side}`,
      stage: 'shafts',
      figure: off,
      way: 'within',
      limit: limits('order.length'),
      holds: `${sideName(side)} shaft that arrived is as planned`,
      fails: `${sideName(side)} shaft that arrived is too ${long ? 'long' : 'short'}`,
      unknown: `${sideName(side)} shaft that arrived: not known`,
      reason: `The plan wants ${sized(need.fitted.value)}. ${clip ? CLIPPED : FREE}`,
      todo: `Send it back, or look at ${clip ? 'wheel room and brake' : 'engagement and gap'} and keep it with a reason.`,
      at: `shaft.received.${side}`,
    }),
  ];
}

const differ = (read: Figure, wanted: Figure, name: Pick<Figure, 'id' | 'label'>): Figure =>
  derive({
    unit: 'mm',
    formula: '{L} − {L_0}',
    source: 'What is there less what is wanted, by its number',
    inputs: {
      L: read,
      L_0: asMade(wanted, { id: `${name.id}.wanted`, label: wanted.label, u: 0, source: 'As ordered' }),
    },
    ...name,
  });

function stockCheck(need: ShaftNeed, side: Side, limits: Limits): Check {
  return judge({
    id: `shaft.stock.${side}`,
    stage: 'cut',
    figure: derive({
      id: `shaft.stockOff.${side}`,
      label: `Stock short shaft against the length needed, ${side}`,
      unit: 'mm',
      formula: '{L_short} − {L_new}',
      source: 'What is had less what is needed',
      inputs: { L_short: need.fitted, L_new: need.needed },
    }),
    way: 'within',
    limit: limits('shaft.stock'),
    holds: `Stock short shaft suits the ${side} side`,
    fails: `Stock short shaft does not match the ${side} side`,
    unknown: `Stock short shaft, ${side}: not known`,
    todo: 'Check both shaft lengths and halves; cut this side by the difference, or order a shaft to length.',
    reason:
      'The side gears may stand at different distances from the pinion axis, so a short shaft is not always right on the other side.',
    at: `donor.shaft.${side}`,
  });
}

const pairChecks = ({ pairTrouble }: ShaftChecksInput): Check[] =>
  pairTrouble.map((reason, i) => ({
    id: `shaft.pair.${i + 1}`,
    stage: 'shafts',
    level: 'stop',
    title: 'The two shafts from stock are unlike',
    reason,
    todo: 'Take two with the same flange, bearing and spline.',
    at: 'shaft.pair',
  }));

function fitChecks(input: ShaftChecksInput, fit: ShaftFit, side: Side, limits: Limits): Check[] {
  const { retentionTo: to, spareEnd } = input;
  const share = shareCheck(fit.share, to, side, limits);
  return to === 'cClip' ? [share] : [share, gapCheck(fit.gap, spareEnd, side, limits)];
}

function shareCheck(share: Maybe, to: HeldBy, side: Side, limits: Limits): Check {
  return judge({
    id: `shaft.engagement.${side}`,
    stage: 'cut',
    figure: share,
    way: 'atLeast',
    limit: limits('shaft.engagement'),
    stop: limits('shaft.engagementLeast'),
    holds: `${sideName(side)} spline engages fully enough`,
    fails: `${sideName(side)} spline engages too little`,
    unknown: `How far the ${side} spline engages: not known`,
    todo: 'Order a longer spline or a longer shaft, and check the gap to the cross shaft.',
    reason: 'Too little spline in the side gear strips or twists under load.',
    at: 'shaft.spline',
    lacks: [
      ...unless(to !== 'unsaid', 'donor.retention'),
      'shaft.spline',
      `donor.shaftSpline.${side}`,
      `donor.sideGear.${side}`,
      'donor.sideGearSpline',
    ],
  });
}

function gapCheck(gap: Maybe, spare: Maybe, side: Side, limits: Limits): Check {
  const end = spare ? ` ${sized(spare.value)} beyond the old groove may come off.` : '';
  return judge({
    id: `shaft.gap.${side}`,
    stage: 'cut',
    figure: gap,
    way: 'atLeast',
    limit: limits('shaft.gap'),
    stop: 0,
    holds: `${sideName(side)} shaft is clear of the cross shaft`,
    fails: (level) =>
      `${sideName(side)} shaft ${level === 'stop' ? 'runs into' : 'is too near'} the cross shaft`,
    unknown: `Whether the ${side} shaft clears the cross shaft: not known`,
    todo: `Shorten the order length, or take the difference off the inner end and chamfer it.${end}`,
    reason:
      'A shaft that touches the cross shaft pushes the bearing out when the axle warms up or the end-float closes.',
    at: `donor.shaft.${side}`,
    lacks: ['donor.crossShaft', `donor.shaft.${side}`],
  });
}
