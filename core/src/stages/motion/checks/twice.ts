import { derive, given, expandedUncertainty, type Figure, type Maybe } from '../../../measure';
import { judgeClosure, judgeFact, type Check, type PlaceId } from '../../../stage';
import { arms, memberId } from '../figures/arms';
import type { Member } from '../figures/held';
import { asRead } from '../../driveline/figures/datums';
import { height, pressed } from '../figures/scales';
import { rearRate } from '../figures/springs';
import { standing } from '../figures/study';
import { rightBracket } from '../figures/inputs';
import type { Arm } from '../choices';
import { node, type Reads } from '../node';
import { AT } from './moves';

const STAGE = 'motion';

/** Two figures that tell of one thing. */
interface Twice {
  readonly id: string;
  readonly what: string;
  readonly a: Maybe;
  readonly b: Maybe;
  /** Ids of the readings behind them. */
  readonly readings: readonly string[];
  readonly at: PlaceId;
  readonly reason: string;
}

/** Holds two figures of one thing against each other, by what they can tell; nothing while one of them is not known. */
function heldTwice({ id, what, a, b, readings, at, reason }: Twice): Check[] {
  if (!a || !b) return [];
  const figure = derive({
    id: `${id}.apart`,
    label: `${what}, one less the other`,
    unit: a.unit,
    formula: '{a} − {b}',
    source: 'Both are of one thing',
    inputs: { a, b },
  });
  return judgedTwice({ id, what, figure, readings, at, reason });
}

/** Judges what two figures of one thing differ by; nothing while that is not known. */
function judgedTwice({
  id,
  what,
  figure,
  readings,
  at,
  reason,
}: Omit<Twice, 'a' | 'b'> & { readonly figure: Maybe }): Check[] {
  if (!figure) return [];
  return [
    judgeClosure(
      {
        id,
        stage: STAGE,
        figure,
        limit: 0,
        holds: `${what}: both say the same`,
        fails: `${what}: said twice, and not the same`,
        unknown: '',
        reason,
        todo: 'Read both again; keep the one that is right and empty the other.',
        at,
      },
      readings,
    ),
  ];
}

/** A place of a member among what holds the axle. */
function placeOf(r: Reads, member: Member, end: 'axle' | 'car', k: 0 | 1 | 2): Maybe {
  const stands = r.of(standing);
  return stands?.stand.held.inputs[member[end][k]];
}

/** The lateral bar by its length and rise, and by its listed ends. */
function bars(r: Reads): Check[] {
  const bar = r.of(arms).find(({ member }) => member.kind === 'lateral');
  if (!bar) return [];
  const id = memberId(bar.member);
  const ends = [placeOf(r, bar.member, 'car', 2), placeOf(r, bar.member, 'axle', 2)];
  const [c, a] = ends;
  const rise =
    c &&
    a &&
    derive({
      id: `${id}.rise`,
      label: `${bar.member.name}, rise by its ends`,
      unit: 'mm',
      formula: '{c} − {a}',
      source: 'Its end on the car above that on the axle',
      inputs: { c, a },
    });
  const reason =
    'Stance goes by one of them and the motion by the other: what clears in one does not in the other.';
  const listed = [`arm.${bar.member.key}`];
  return [
    ...heldTwice({
      id: 'twice.bar.length',
      what: 'Length of the lateral bar',
      a: r.figure('bar.length'),
      b: bar.length,
      readings: ['bar.length', ...listed],
      at: 'bar.length',
      reason,
    }),
    ...heldTwice({
      id: 'twice.bar.rise',
      what: 'Rise of the lateral bar',
      a: r.figure('bar.rise'),
      b: rise,
      readings: ['bar.rise', ...listed],
      at: 'bar.rise',
      reason,
    }),
  ];
}

/** Heights of the links at the axle, as read for the brackets and as their ends are listed. */
const linkHeights = (r: Reads): Check[] =>
  (
    [
      ['lower', 'link.low', 'Lower links at the axle'],
      ['upper', 'link.high', 'Upper links at the axle'],
    ] as const
  ).flatMap(([kind, id, what]) => {
    const link = r.of(arms).find(({ member }) => member.kind === kind);
    return heldTwice({
      id: `twice.${id}`,
      what: `${what}, above the ground`,
      a: r.figure(id),
      b: link && placeOf(r, link.member, 'axle', 2),
      readings: [id, ...(link ? [`arm.${link.member.key}`] : [])],
      at: id,
      reason: 'What the brackets are held to follows from these heights.',
    });
  });

/** The height of the centre of gravity as the brief was told and as the scales give it. */
const gravity = (r: Reads): Check[] =>
  r.wasRead('brief.cgHeight')
    ? heldTwice({
        id: 'twice.cgHeight',
        what: 'Height of the centre of gravity',
        a: r.figure('brief.cgHeight'),
        b: r.of(height),
        readings: ['brief.cgHeight', 'scales.raisedRear', 'scales.raisedBy'],
        at: 'brief.cgHeight',
        reason: 'Load transfer, anti-squat and the torque each shaft must carry follow from it.',
      })
    : [];

/** Least that a loaded tyre’s middle stands above the ground, as a share of half of its free diameter. */
const FLATTENED = 0.85;

/** The axle stands on its tyres: no higher than they are round, and not on their rims. */
function onTyres(r: Reads): Check[] {
  const [H, D] = [r.figure('drive.axleHeight'), r.figure('brief.tyreDiameter')];
  if (!H || !D) return [];
  const over = derive({
    id: 'twice.axleHeight.over',
    label: 'Axle above half of its tyre',
    unit: 'mm',
    formula: '{H} − {D}/2',
    source: 'A tyre under load stands lower than it is round',
    inputs: { H, D },
  });
  const U = expandedUncertainty(over);
  const wrong = over.value > U || H.value < (FLATTENED * D.value) / 2 - U;
  return [
    judgeFact({
      id: 'twice.axleHeight',
      stage: STAGE,
      rests: { 'drive.axleHeight': H, 'brief.tyreDiameter': D },
      fault: wrong
        ? {
            level: 'stop',
            title: 'The axle does not stand on tyres of this size',
            todo: 'Read the axle’s height and the tyre’s diameter again, on the wheels it has at ride height.',
            contradicts: ['drive.axleHeight', 'brief.tyreDiameter'],
          }
        : undefined,
      figure: over,
      holds: 'The axle stands on its tyres',
      unknown: '',
      reason: 'Its middle stands at 0.85 to 1 of half of the tyre’s free diameter.',
      at: 'drive.axleHeight',
    }),
  ];
}

/** A bolt’s size as listed of the link and of the bracket that holds it, mm: more apart are two bolts. */
const SAME_BOLT = 0.3;
const boltsOf = (r: Reads): Check[] =>
  Object.entries(r.part('arms')).flatMap(([key, arm]): Check[] => [
    ...boltAt(r, key, arm, arm.bracket, ''),
    ...boltAt(r, key, arm, rightBracket(r.part('brackets'), arm), '.right'),
  ]);

function boltAt(r: Reads, key: string, arm: Arm, holder: string | undefined, tag: string): Check[] {
  const bracket = holder === undefined ? undefined : r.part('brackets')[holder];
  if (arm.bolt === undefined || bracket?.bolt === undefined) return [];
  const listed = (id: string, label: string, value: number): Figure =>
    given(id, label, value, 0, 'mm', 'As listed');
  const off = derive({
    id: `twice.bolt.${key}${tag}`,
    label: `${arm.name}, its bolt against its bracket’s hole`,
    unit: 'mm',
    formula: '{d} − {h}',
    source: 'One bolt goes through both',
    inputs: {
      d: listed(`arm.${key}.bolt`, `${arm.name}, bolt`, arm.bolt),
      h: listed(`bracket.${holder}.bolt`, `${bracket.name}, bolt`, bracket.bolt),
    },
  });
  return [
    judgeFact({
      id: `twice.bolt.${key}${tag}`,
      stage: STAGE,
      rests: { [`arm.${key}`]: arm.bolt, [`bracket.${holder}`]: bracket.bolt },
      fault:
        Math.abs(off.value) > SAME_BOLT
          ? {
              level: 'stop',
              title: `${arm.name}: its bolt is not the one of ${bracket.name}`,
              todo: 'Say the bolt that goes through both, in both lists.',
            }
          : undefined,
      figure: off,
      holds: `${arm.name}: one bolt goes through link and bracket`,
      unknown: '',
      reason: 'The bolt that is listed of the link is judged by its load, and the hole by the bracket’s.',
      at: AT,
    }),
  ];
}

/** The rear’s rate by its springs, and by a mass laid over the axle. */
function rates(r: Reads): Check[] {
  const [K, k] = [r.of(pressed), r.of(rearRate)];
  if (!K || !k) return [];
  return [
    judgeClosure(
      {
        id: 'twice.rate',
        stage: STAGE,
        figure: derive({
          id: 'twice.rate.off',
          label: 'Rate by the scales over that of the springs, less one',
          unit: 'ratio',
          formula: '{K}/{k} − 1',
          source: 'Both are of the rear axle going straight up',
          inputs: { K, k },
        }),
        limit: r.limit('motion.rates'),
        mayDiffer: true,
        holds: 'Springs by the scales: as their own rate',
        fails: 'Springs by the scales: not as their own rate',
        unknown: '',
        reason: 'Frequency, ride length and roll follow from the rate; bushings and bind add a little to it.',
        todo: 'Press it again with all loose, or have a spring pressed on a bench.',
        at: 'scales.pressedBy',
      },
      ['scales.pressed', 'scales.pressedBy', r.choice('suspension') === 'leaf' ? 'leaf.rate' : 'coil.rate'],
    ),
  ];
}

/** The last driveshaft as it was read, and between its joints as the plan has them. */
function driveshaft(r: Reads): Check[] {
  const places = ['drive.along', 'drive.height', 'drive.nose', 'drive.drop', 'drive.axleHeight'] as const;
  const { length, slope } = r.of(asRead);
  return (
    [
      ['drive.readLength', 'Length of the driveshaft', length],
      ['drive.readSlope', 'Slope of the driveshaft', slope],
    ] as const
  ).flatMap(([id, what, figure]) =>
    judgedTwice({
      id: `twice.${id}`,
      what,
      figure,
      readings: [id, ...places.filter((place) => r.wasRead(place))],
      at: id,
      reason:
        'It is ordered by its length, and both joints bend by its slope: what the plan has of gearbox, nose or pinion is not what stands in the car.',
    }),
  );
}

/** What is said twice: both have to say the same, within what they can tell. */
export const saidTwice = node('saidTwice', (r): readonly Check[] => [
  ...bars(r),
  ...linkHeights(r),
  ...gravity(r),
  ...onTyres(r),
  ...boltsOf(r),
  ...rates(r),
  ...driveshaft(r),
]);
