import type { Figure } from '../../../measure';
import { optionText, type FactKind, type FactOf, type FigureOf } from '../../../stage';
import { DONOR_FACTS } from '../facts';
import { HUB_FACTS } from '../../hubs/facts';
import { SURVEY_FACTS } from '../../survey/facts';
import { rankRings, SAME_SIZE, type RingFit, type RingSeat } from './bearing-fit';
import type { Redrill } from '../../hubs/redrill';
import {
  JOINT_IDS,
  JOINT_NAMES,
  type JointId,
  type JointNote,
  type SearchedJoint,
  type Verdict,
} from './choices';
import type { PartSearch } from '../../../stage';
import { SAME_PCD } from '../../shafts/stock-pairs';
import type { donor } from '../words';
import type { survey } from '../../survey/words';
import type { hubs } from '../../hubs/words';

export interface MatingInput {
  readonly figures: FigureOf<typeof donor | typeof survey>;
  readonly facts: FactOf<typeof donor | typeof survey | typeof hubs>;
  readonly notes: Readonly<Partial<Record<JointId, JointNote>>>;
  readonly searches: Readonly<Partial<Record<SearchedJoint, PartSearch>>>;
  /** New shafts are bought to order, so their journal may be ordered to the bearing. */
  readonly buying: boolean;
  /** How much a journal may be under its bearing’s bore, mm. */
  readonly journalUnder: number;
  /** Number of the shafts taken from stock; empty where none are. */
  readonly taken: string;
  /** How the flange can be drilled to the wheel’s pattern, by the project’s limits; undefined where it need not. */
  readonly redrill: Redrill | undefined;
}

/** One face of a joint: what it is, and its size in words; empty while nothing is known. */
export interface Face {
  readonly of: string;
  readonly text: string;
  /** Quantities and facts (`fact.…`) it is made of. */
  readonly from: readonly string[];
}

/** What dimensions alone say. */
interface Judged {
  readonly verdict: Verdict;
  readonly why: string;
}

export interface JointResult {
  readonly id: JointId;
  readonly label: string;
  readonly faces: readonly [Face, Face];
  readonly computed: Judged;
  /** The verdict that counts: the builder’s where there is one, else the computed. */
  readonly verdict: Verdict;
  readonly note: JointNote;
  /** The best part for it, where the counter was asked. */
  readonly part?: RingFit;
  /** What a bearing or seal has to join, once both sizes are known. */
  readonly seat?: RingSeat;
  /** Set where the counter was asked for other sizes than stand here now. */
  readonly searchStale?: boolean;
}

/** A pilot may be this much smaller than the bore and still centre, mm. */
const PILOT_PLAY = 0.3;

/** Every joint between donor, car and bought parts, judged from both faces where both are known. */
export function matingStage(input: MatingInput): readonly JointResult[] {
  return JOINT_IDS.map((id) => {
    const { faces, judged, part, seat, stale } = JUDGES[id](input);
    const note = input.notes[id] ?? {};
    return {
      id,
      label: JOINT_NAMES[id],
      faces,
      computed: judged,
      verdict: note.verdict ?? judged.verdict,
      note,
      ...(part ? { part } : {}),
      ...(seat ? { seat } : {}),
      ...(stale ? { searchStale: true } : {}),
    };
  });
}

interface Judgement {
  readonly faces: readonly [Face, Face];
  readonly judged: Judged;
  readonly part?: RingFit;
  readonly seat?: RingSeat;
  readonly stale?: boolean;
}
type Judge = (input: MatingInput) => Judgement;

const unknown = (why: string): Judged => ({ verdict: 'unknown', why });
const fits = (why: string): Judged => ({ verdict: 'fits', why });
const work = (why: string): Judged => ({ verdict: 'work', why });
const no = (why: string): Judged => ({ verdict: 'no', why });
const mm = (figure: Figure | undefined, digits = 1): string =>
  figure ? `${figure.value.toFixed(digits)} mm` : '';

function face(of: string, from: readonly string[], text: string): Face {
  return { of, from, text };
}

const lacking = (faces: readonly [Face, Face]): Judged | undefined => {
  const open = faces.filter((f) => f.text === '').map((f) => f.of);
  return open.length ? unknown(`not known yet: ${open.join(', ')}`) : undefined;
};

/** A pattern in words; empty until both count and circle are known. */
const pattern = (n: Figure | undefined, pcd: Figure | undefined): string =>
  n && pcd ? `${n.value} × ${Number(pcd.value.toFixed(2))} mm` : '';

const spline: Judge = ({ figures }) => {
  const teeth = figures('donor.splineTeeth');
  const wanted = figures('new.teeth') ?? teeth;
  const pitch = figures('donor.splinePitch');
  const other = figures('new.pitch') ?? pitch;
  const faces = [
    face('side gear', ['donor.splineTeeth'], teeth ? `${teeth.value} teeth` : ''),
    face('new shaft', ['new.teeth'], wanted ? `${wanted.value} teeth` : ''),
  ] as const;
  const judged =
    lacking(faces) ??
    (pitch && other && pitch.value !== other.value
      ? no('another pitch does not enter the side gear; other side gears or other shafts')
      : teeth?.value === wanted?.value
        ? fits('same tooth count')
        : no('another tooth count does not enter the side gear; other side gears or other shafts'));
  return { faces, judged };
};

/** Judges a bearing or seal by what the parts counter offered. */
function ring(joint: SearchedJoint, seat: (input: MatingInput) => SeatFigures): Judge {
  return (input) => {
    const { inside, outside, width, open, from } = seat(input);
    const depth = width ? `, ${mm(width)} deep` : '';
    const faces = [
      face('shaft', from.inside, mm(inside, 2)),
      face('housing', from.outside, outside ? `${mm(outside, 2)}${depth}` : ''),
    ] as const;
    const lacks = lacking(faces);
    if (lacks || !inside || !outside) return { faces, judged: lacks ?? unknown('not known yet') };
    const wanted = {
      inside: inside.value,
      outside: outside.value,
      journalOpen: open,
      ...(joint === 'bearing' ? { journalUnder: input.journalUnder } : {}),
      ...(width ? { width: width.value } : {}),
    };
    return { faces, seat: wanted, ...bySearch(joint, input.searches[joint], wanted) };
  };
}

/** What the counter’s answer says of a seat, as long as it was asked for that seat. */
function bySearch(
  joint: SearchedJoint,
  search: PartSearch | undefined,
  seat: RingSeat,
): Omit<Judgement, 'faces'> {
  if (!search) return { judged: unknown('ask the parts counter what joins them') };
  const moved = (key: 'inside' | 'outside') => Math.abs((search.asked[key] ?? 0) - seat[key]) > SAME_SIZE;
  if (moved('inside') || moved('outside'))
    return { judged: unknown('the sizes have changed since the counter was asked: ask again'), stale: true };
  const ranked = rankRings(search.found, seat);
  const part = ranked.find((r) => r.offer.number === search.chosen) ?? ranked[0];
  return { judged: ringVerdict(joint, search, part, seat), ...(part ? { part } : {}) };
}

interface SeatFigures {
  readonly inside: Figure | undefined;
  readonly outside: Figure | undefined;
  readonly width: Figure | undefined;
  readonly open: boolean;
  readonly from: { readonly inside: readonly string[]; readonly outside: readonly string[] };
}

function ringVerdict(
  joint: SearchedJoint,
  search: PartSearch,
  part: RingFit | undefined,
  { inside, outside }: RingSeat,
): Judged {
  if (!part || part.verdict === 'no')
    return no(
      `none of ${search.of} ${joint}s joins a journal of ${inside.toFixed(2)} mm to a bore of ${outside.toFixed(2)} mm`,
    );
  const gone = part.offer.stock > 0 ? '' : `, out of stock, ${part.offer.leadDays} days`;
  const what = `${part.offer.name}, ${part.offer.number}${gone}`;
  return part.verdict === 'fits' ? fits(what) : work(`${what}: ${part.work}`);
}

const bearing = ring('bearing', ({ figures, buying }) => ({
  inside: figures('new.journal') ?? figures('donor.journal'),
  outside: figures('donor.bearingBore'),
  width: figures('donor.bearingWidth'),
  // A journal given for the new shafts is fixed by their maker.
  open: buying && !figures('new.journal'),
  from: { inside: ['new.journal', 'donor.journal'], outside: ['donor.bearingBore', 'donor.bearingWidth'] },
}));
const seal = ring('seal', ({ figures }) => ({
  inside: figures('donor.sealJournal'),
  outside: figures('donor.sealBore'),
  width: undefined,
  open: false,
  from: { inside: ['donor.sealJournal'], outside: ['donor.sealBore'] },
}));

const wheelPattern: Judge = ({ figures, redrill, taken }) => {
  const [n, pcd] = [figures('donor.flangeHoles'), figures('donor.flangePcd')];
  const [m, wheel] = [figures('car.wheelHoles'), figures('car.wheelPcd')];
  const faces = [
    face(
      taken ? `flange of ${taken}` : 'flange',
      ['donor.flangeHoles', 'donor.flangePcd', 'donor.flangeHole'],
      pattern(n, pcd),
    ),
    face('wheel', ['car.wheelHoles', 'car.wheelPcd'], pattern(m, wheel)),
  ] as const;
  const lacks = lacking(faces);
  if (lacks || !n || !pcd || !m || !wheel) return { faces, judged: lacks ?? unknown('not known yet') };
  if (n.value === m.value && Math.abs(pcd.value - wheel.value) <= SAME_PCD)
    return { faces, judged: fits('same pattern') };
  if (!redrill)
    return { faces, judged: unknown('the stud hole’s diameter says whether it can be drilled again') };
  const { nearest, needed, possible, reasons } = redrill;
  const judged = possible
    ? work(
        `drill again: ${nearest.metal.toFixed(2)} mm of metal to ${nearest.what} at best, ${needed.toFixed(1)} needed`,
      )
    : work(`not to be drilled again: ${reasons.join(' ')} Bolted adapters, or other shafts`);
  return { faces, judged };
};

const wheelPilot: Judge = ({ figures }) => {
  const [pilot, bore] = [figures('donor.pilot'), figures('car.wheelBore')];
  const faces = [
    face('pilot', ['donor.pilot'], mm(pilot, 2)),
    face('wheel bore', ['car.wheelBore'], mm(bore, 2)),
  ] as const;
  const lacks = lacking(faces);
  if (lacks || !pilot || !bore) return { faces, judged: lacks ?? unknown('not known yet') };
  const play = bore.value - pilot.value;
  if (play < 0)
    return {
      faces,
      judged: work(
        `the pilot is ${(-play).toFixed(2)} mm too large: turn it down, or bore the wheel where it allows`,
      ),
    };
  if (play <= PILOT_PLAY) return { faces, judged: fits(`${play.toFixed(2)} mm play`) };
  return { faces, judged: work(`centring ring, ${play.toFixed(2)} mm to fill`) };
};

const pinionFlange: Judge = ({ figures }) => {
  const [n, pcd, pilot] = (['donor.pinionBolts', 'donor.pinionPcd', 'donor.pinionPilot'] as const).map((id) =>
    figures(id),
  );
  const [m, line, reg] = (['line.flangeBolts', 'line.flangePcd', 'line.flangePilot'] as const).map((id) =>
    figures(id),
  );
  const faces = [
    face('pinion flange', ['donor.pinionBolts', 'donor.pinionPcd', 'donor.pinionPilot'], pattern(n, pcd)),
    face('driveshaft', ['line.flangeBolts', 'line.flangePcd', 'line.flangePilot'], pattern(m, line)),
  ] as const;
  const lacks = lacking(faces);
  if (lacks || !n || !pcd || !m || !line) return { faces, judged: lacks ?? unknown('not known yet') };
  const bolts = n.value === m.value && Math.abs(pcd.value - line.value) <= SAME_PCD;
  if (!bolts) return { faces, judged: work('another flange on the pinion or the driveshaft, balanced again') };
  if (!pilot || !reg)
    return { faces, judged: unknown('the pilots are not known; bolts alone do not centre it') };
  const centred = Math.abs(pilot.value - reg.value) <= PILOT_PLAY;
  return {
    faces,
    judged: centred
      ? fits('bolts and pilot agree')
      : work('bolts agree, pilots do not: a ring, or a flange turned to it'),
  };
};

const brakeBracket: Judge = ({ figures }) => {
  const [across, upright] = [figures('donor.endWide'), figures('donor.endHigh')];
  const [wide, high] = [figures('brake.endWide'), figures('brake.endHigh')];
  const size = (a: Figure | undefined, b: Figure | undefined) =>
    a && b ? `${Number(a.value.toFixed(2))} × ${Number(b.value.toFixed(2))} mm` : '';
  const faces = [
    face('housing end', ['donor.endWide', 'donor.endHigh'], size(across, upright)),
    face('bracket', ['brake.endWide', 'brake.endHigh', 'brake.bore'], size(wide, high)),
  ] as const;
  const lacks = lacking(faces);
  if (lacks || !across || !upright || !wide || !high)
    return { faces, judged: lacks ?? unknown('not known yet') };
  const off = Math.max(Math.abs(across.value - wide.value), Math.abs(upright.value - high.value));
  if (off > SAME_PCD)
    return {
      faces,
      judged: work(`bolt holes are ${off.toFixed(1)} mm off: an adapter plate, or other housing ends`),
    };
  const [bore, bearingBore] = [figures('brake.bore'), figures('donor.bearingBore')];
  if (bore && bearingBore && bore.value < bearingBore.value)
    return {
      faces,
      judged: work(
        `the bracket’s bore is ${(bearingBore.value - bore.value).toFixed(1)} mm smaller than the bearing: bore it out`,
      ),
    };
  return { faces, judged: fits('bolt holes agree') };
};

const KINDS: readonly FactKind[] = [...DONOR_FACTS, ...SURVEY_FACTS, ...HUB_FACTS];
const kindOf = (id: string) => KINDS.find((kind) => kind.id === id);

type FactId = Parameters<MatingInput['facts']>[0];

/** A joint of two named things that are the same or not. */
function named(ofDonor: string, donor: FactId, ofCar: string, car: FactId, different: Judged): Judge {
  return ({ facts }) => {
    const text = (id: FactId) => {
      const fact = facts(id);
      return fact ? optionText(kindOf(id), fact.value) : '';
    };
    const faces = [
      face(ofDonor, [`fact.${donor}`], text(donor)),
      face(ofCar, [`fact.${car}`], text(car)),
    ] as const;
    const same = facts(donor)?.value === facts(car)?.value;
    return { faces, judged: lacking(faces) ?? (same ? fits('the same') : different) };
  };
}

const JUDGES: Readonly<Record<JointId, Judge>> = {
  spline,
  bearing,
  seal,
  wheelPattern,
  wheelPilot,
  studNut: named(
    'donor stud',
    'donor.studThread',
    'front stud',
    'car.studThread',
    work('other studs pressed in, or two sizes of nut in the car'),
  ),
  pinionFlange,
  brakeBracket,
  parkingBrake: named(
    'donor brake',
    'donor.cable',
    'car’s cable',
    'car.cable',
    work('a cable with another end, or a bracket for it'),
  ),
  hose: named(
    'donor hose',
    'donor.hoseThread',
    'car’s line',
    'car.hoseThread',
    work('an adapter or another hose; never a thread that nearly fits'),
  ),
  sensor: named(
    'donor sensor',
    'donor.sensor',
    'car reads',
    'car.sensor',
    work('another sensor, a converter, or a ring at another place'),
  ),
};
