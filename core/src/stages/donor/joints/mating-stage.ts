import { sized } from '../../../measure';
import type { Figure } from '../../../measure';
import { optionText, type FactKind } from '../../../stage';
import { DONOR_FACTS } from '../facts';
import { HUB_FACTS } from '../../hubs/facts';
import { SURVEY_FACTS } from '../../survey/facts';
import type { RingFit, RingSeat } from './bearing-fit';
import { JOINT_IDS, JOINT_NAMES, type JointId, type JointNote, type Verdict } from './choices';
import { SAME_PCD } from '../../shafts/stock-pairs';
import {
  work,
  unknown,
  no,
  mm,
  lacking,
  fits,
  face,
  type Face,
  type Judge,
  type Judged,
  type MatingInput,
} from './judging';
import { bearing, seal } from './ring-joints';

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

/** A pattern in words; empty until both count and circle are known. */
const pattern = (n: Figure | undefined, pcd: Figure | undefined): string =>
  n && pcd ? `${n.value} × ${sized(pcd.value, 'mm', 2)}` : '';

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
        `drill again: ${sized(nearest.metal, 'mm', 2)} of metal to ${nearest.what} at best, ${sized(needed)} needed`,
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
        `the pilot is ${sized(-play, 'mm', 2)} too large: turn it down, or bore the wheel where it allows`,
      ),
    };
  if (play <= PILOT_PLAY) return { faces, judged: fits(`${sized(play, 'mm', 2)} play`) };
  return { faces, judged: work(`centring ring, ${sized(play, 'mm', 2)} to fill`) };
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
    a && b ? `${sized(a.value, 'mm', 2)} × ${sized(b.value, 'mm', 2)}` : '';
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
      judged: work(`bolt holes are ${sized(off)} off: an adapter plate, or other housing ends`),
    };
  const [bore, bearingBore] = [figures('brake.bore'), figures('donor.bearingBore')];
  if (bore && bearingBore && bore.value < bearingBore.value)
    return {
      faces,
      judged: work(
        `the bracket’s bore is ${sized(bearingBore.value - bore.value)} smaller than the bearing: bore it out`,
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
