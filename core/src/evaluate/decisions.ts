import { CORNERS, type Plan } from '../plan';
import type { Decision, Known } from './results';

const sides = (...ids: string[]): string[] => ids.flatMap((id) => [`${id}.left`, `${id}.right`]);

/**
 * What each decision still needs, as quantity ids in walking order.
 *
 * @param plan the plan
 * @param known what is known of each quantity
 */
export function decisions(plan: Plan, known: Readonly<Record<string, Known>>): readonly Decision[] {
  const width = ['shortShaft', 'stockShafts'].includes(plan.choices.school) ? [] : ['brief.targetWidth'];
  const pinion = plan.choices.school === 'driveline' && !known['survey.gearbox'] ? ['cut.pinion'] : [];
  const cut = [...width, ...sides('donor.half'), ...pinion];
  const marks = [...sides('donor.tube'), ...(plan.choices.datum === 'pinion' ? sides('donor.casting') : [])];
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
  const needs: Readonly<Record<string, readonly string[]>> = {
    cut,
    marks: [...cut, ...marks],
    shafts: [...cut, ...sides('donor.shaft')],
    engagement: [...sides('donor.shaft', 'donor.shaftSpline', 'donor.sideGear'), 'donor.sideGearSpline'],
    torque: torqueNeeds(plan),
    level: CORNERS.map((c) => `level.height.${c}`),
    survey: ['survey.left', 'survey.right', 'survey.width'],
    room: sides('room.in.ride.axle', 'room.out.ride', 'room.in.bump.top', 'room.out.bump'),
    stance: ['wheel.rim', 'wheel.et', ...width, ...sides('room.in.ride.axle', 'room.out.ride')],
    strength: [...sides('donor.shaft', 'donor.shaftBody'), 'donor.splineTeeth', 'donor.splinePitch'],
    pattern: ['donor.flangeHoles', 'donor.flangePcd', 'donor.flangeHole', 'car.wheelHoles', 'car.wheelPcd'],
    studs: ['stud.length', 'stud.hat', 'stud.pad', 'stud.nut', 'stud.torque'],
    brakes: [...sides('donor.brakeSpace'), 'rotor.offset', 'caliper.middle'],
    ratio: known['ratio.pinionTurns'] ? ['ratio.wheelTurns'] : ['ratio.ring', 'ratio.pinion'],
  };
  return list.map((d) => ({ ...d, lacks: (needs[d.id] ?? []).filter((id) => !known[id]) }));
}

/** Readings the torque demand rests on. Gearbox ratios are no reading; the brief asks for them itself. */
function torqueNeeds({ brief }: Plan): readonly string[] {
  const peak = brief.torqueCurve.length > 0 ? [] : ['brief.torque'];
  return ['brief.front', 'brief.rear', 'brief.wheelbase', 'brief.tyreDiameter', ...peak, 'brief.axleRatio'];
}
