import { isPlanned, type SchoolPlan } from '../stages/cut';
import { otherSide, SIDES } from '../geometry';
import type { Figure } from '../measure';
import { CORNERS, type Plan } from '../plan';
import { heldBy, type Contradicted } from './contradictions';
import type { Decision, Results } from './results';

type Parts = Pick<
  Results,
  'known' | 'schools' | 'ends' | 'marks' | 'shafts' | 'stance' | 'brief' | 'tubes' | 'inUse'
>;

const sides = (...ids: string[]): string[] => ids.flatMap((id) => [`${id}.left`, `${id}.right`]);

/**
 * What each decision still needs, in walking order, and what stops it although all is there.
 *
 * @param parts results so far
 * @param school the chosen way to cut, where it can be worked out
 * @param contradicted readings that contradict others
 */
export function decisions(
  plan: Plan,
  parts: Parts,
  school: SchoolPlan | undefined,
  contradicted: Contradicted,
): readonly Decision[] {
  const list: readonly Omit<Decision, 'lacks'>[] = [
    { id: 'cut', label: 'The cut', stage: 'cut' },
    { id: 'marks', label: 'The scribe marks', stage: 'cut' },
    { id: 'shafts', label: 'The shafts', stage: 'cut' },
    { id: 'engagement', label: 'Spline engagement', stage: 'cut' },
    { id: 'torque', label: 'The torque each shaft must carry', stage: 'brief' },
    { id: 'level', label: 'Whether the car stands level', stage: 'survey' },
    { id: 'survey', label: 'The old axle’s place', stage: 'survey' },
    { id: 'room', label: 'The wheel room', stage: 'survey' },
    { id: 'stance', label: 'What the wheels clear', stage: 'stance' },
    { id: 'strength', label: 'What the shafts bear', stage: 'shafts' },
    { id: 'pattern', label: 'Whether flange and wheel agree', stage: 'hubs' },
    { id: 'studs', label: 'Whether studs and nuts hold', stage: 'hubs' },
    { id: 'brakes', label: 'Where rotor and caliper stand', stage: 'hubs' },
    { id: 'ratio', label: 'The donor’s ratio', stage: 'donor' },
  ];
  const needs = needsOf(plan, parts);
  const rests = restsOf(parts, school);
  return list.map((d) => {
    const lacks = [...new Set(needs[d.id] ?? [])].filter((id) => lacking(plan, parts, id));
    const held = (rests[d.id] ?? []).map((f) => heldBy(f, contradicted)).find((why) => why !== undefined);
    return { ...d, lacks, ...(held === undefined ? {} : { held }) };
  });
}

/** True while a quantity, or a fact named `fact.…`, is not known. A default in its place is known, and assumed. */
export function lacking(
  { facts }: Pick<Plan, 'facts'>,
  { known, inUse }: Pick<Parts, 'known' | 'inUse'>,
  id: string,
) {
  if (id.startsWith('fact.')) return facts[id.slice(5)] === undefined;
  return id in inUse ? inUse[id] === undefined : known[id] === undefined;
}

function needsOf(plan: Plan, parts: Parts): Readonly<Record<string, readonly string[]>> {
  const { known, ends, stance } = parts;
  const { method, datum, spacer, school } = plan.choices;
  const chosen = parts.schools.find((s) => s.school === school);
  const cut = chosen && !isPlanned(chosen) ? chosen.lacks : [];
  const pieces = method === 'slug' ? [] : sides('cut.endPiece');
  const marks = [
    ...sides('donor.tube'),
    ...(method !== 'newTubes' && datum === 'pinion' ? sides('donor.casting') : []),
    ...pieces,
    ...(method === 'newTubes' ? ['tube.insert'] : []),
  ];
  const shafts = SIDES.flatMap((side) => ends.lacks[side].shaft);
  return {
    cut,
    marks: [...cut, ...marks],
    shafts: [...cut, ...shafts],
    engagement: [...cut, ...shafts, ...splineNeeds(parts), ...sides('donor.sideGear'), 'donor.sideGearSpline'],
    torque: torqueNeeds(plan),
    level: CORNERS.map((c) => `level.height.${c}`),
    survey: ['survey.left', 'survey.right', 'survey.width'],
    room: sides(
      ...['low', 'axle', 'top'].flatMap((h) => [`room.in.ride.${h}`, `room.in.bump.${h}`]),
      'room.out.ride',
      'room.out.bump',
      'room.lip',
    ),
    stance: SIDES.flatMap((side) => [...stance.lacks[side].inboard, ...stance.lacks[side].outboard]),
    strength: strengthNeeds(plan),
    pattern: ['donor.flangeHoles', 'donor.flangePcd', 'donor.flangeHole', 'car.wheelHoles', 'car.wheelPcd'],
    studs: [
      'stud.length',
      'stud.hat',
      'stud.pad',
      'stud.nut',
      'stud.torque',
      'fact.new.studClass',
      ...(spacer === 'none' ? [] : ['spacer.thick']),
      ...(spacer === 'adapter' ? ['adapter.floor', 'adapter.nut', 'adapter.stud'] : []),
    ],
    brakes: [...sides('donor.brakeSpace'), ...endsNeeds(parts), 'rotor.offset', 'caliper.middle'],
    ratio: known['ratio.pinionTurns'] ? ['ratio.wheelTurns', 'fact.ratio.how'] : ['ratio.ring', 'ratio.pinion'],
  };
}

/** Figures that a decision rests on. */
function restsOf({ marks, shafts, stance, brief, tubes }: Parts, school: SchoolPlan | undefined) {
  const both = <T>(pick: (side: 'left' | 'right') => T): T[] => SIDES.map(pick);
  const rests: Readonly<Record<string, readonly (Figure | undefined)[]>> = {
    cut: both((s) => school?.cut[s]),
    marks: [
      ...both((s) => marks.marks[s]?.inner.fromCasting),
      ...both((s) => marks.marks[s]?.outer.fromCasting),
      ...both((s) => tubes.piece[s]),
    ],
    shafts: both((s) => shafts.needs[s]?.fitted),
    engagement: both((s) => shafts.fit[s].share),
    stance: stance.clearances.map((c) => c.gap),
    torque: [brief.demand],
  };
  return rests;
}

/** Sizes of other ends that are not known. */
const endsNeeds = ({ ends }: Parts): readonly string[] =>
  SIDES.flatMap((side) => ends.lacks[side].half.filter((id) => !id.startsWith('donor.half')));

/** The spline of the shafts that will run: that of the shaft whose length is not known on a side. */
const splineNeeds = ({ shafts }: Parts): readonly string[] =>
  SIDES.flatMap((side) => {
    if (shafts.fit[side].spline) return [];
    const short = shafts.needs[side]?.source === 'stockShort';
    return shafts.needs[side]?.source === 'stockPair'
      ? ['shaft.pair']
      : [`donor.shaftSpline.${short ? otherSide(side) : side}`];
  });

function strengthNeeds({ choices, readings }: Plan): readonly string[] {
  const body = readings['shaft.body'] ? [] : sides('donor.shaftBody');
  const steel = readings['shaft.yield'] ? [] : ['fact.donor.material'];
  const taken = choices.school === 'stockShafts' ? [] : sides('donor.shaft');
  return [...taken, ...body, 'donor.splineTeeth', 'donor.splinePitch', ...steel];
}

/** Readings the torque demand rests on. Gearbox ratios are no reading; the brief asks for them itself. */
export function torqueNeeds({ brief }: Pick<Plan, 'brief'>): readonly string[] {
  const peak = brief.torqueCurve.length > 0 ? [] : ['brief.torque'];
  return [
    'brief.targetWidth',
    'brief.front',
    'brief.rear',
    'brief.wheelbase',
    'brief.tyreDiameter',
    ...peak,
    'brief.axleRatio',
  ];
}
