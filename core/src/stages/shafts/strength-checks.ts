import { judge, type Check, type LimitsOf } from '../../stage';
import { SIDES, sideName, type Side } from '../../geometry';
import type { StrengthResult } from './strength-stage';
import type { shafts } from './words';

type Limits = LimitsOf<typeof shafts>;

/** Checks of the shafts that will run: strength, spline pressure, bending, fatigue, and how unlike they twist. */
export function strengthChecks(result: StrengthResult, planned: boolean, limits: Limits): Check[] {
  // Before there is a way to cut there is no shaft to be judged.
  if (!planned) return [];
  const checks = SIDES.flatMap((side) => [
    factorCheck(result, side, limits),
    pressureCheck(result, side, limits),
    ...(result.carries ? [bendingCheck(result, side, limits), fatigueCheck(result, side, limits)] : []),
  ]);
  return [...checks, twistCheck(result, limits)];
}

const SHAFT = ['donor.splineTeeth', 'donor.splinePitch', 'fact.donor.material', 'brief.demand'] as const;

function factorCheck({ side: of }: StrengthResult, side: Side, limits: Limits): Check {
  return judge({
    id: `strength.factor.${side}`,
    stage: 'shafts',
    figure: of[side].factor,
    way: 'atLeast',
    limit: limits('shaft.factor'),
    stop: limits('shaft.factorLeast'),
    holds: `${sideName(side)} shaft carries the launch`,
    fails: `${sideName(side)} shaft is weak for the launch`,
    unknown: `Whether the ${side} shaft carries the launch: not known`,
    todo: 'Order a stronger steel or a larger spline, or plan a softer launch in the brief.',
    reason:
      'A shaft that has yielded once breaks soon after, and takes the wheel with it where nothing else holds it.',
    at: 'shaft.body',
    lacks: [...SHAFT, `donor.shaftBody.${side}`],
  });
}

function pressureCheck({ side: of }: StrengthResult, side: Side, limits: Limits): Check {
  return judge({
    id: `strength.pressure.${side}`,
    stage: 'shafts',
    figure: of[side].pressure,
    way: 'atMost',
    limit: limits('shaft.pressure'),
    holds: `${sideName(side)} spline bears the launch on its flanks`,
    fails: `${sideName(side)} spline is pressed hard`,
    unknown: `Pressure on the ${side} spline: not known`,
    todo: 'Engage more of the side gear, take a larger spline, or ask the maker and change the limit with a reason.',
    reason:
      'Flanks that are pressed too hard wear until the teeth are gone; what a spline bears depends on its hardness.',
    at: 'shaft.spline',
    lacks: [
      'donor.splineTeeth',
      'donor.splinePitch',
      'donor.sideGearSpline',
      `donor.sideGear.${side}`,
      'brief.demand',
    ],
  });
}

const CARRIED = ['brief.rear', 'brief.tyreDiameter', 'wheel.et', 'donor.journal'] as const;

function bendingCheck({ side: of }: StrengthResult, side: Side, limits: Limits): Check {
  return judge({
    id: `strength.bending.${side}`,
    stage: 'shafts',
    figure: of[side].bendingFactor,
    way: 'atLeast',
    limit: limits('shaft.factor'),
    stop: limits('shaft.factorLeast'),
    holds: `${sideName(side)} journal bears the corner`,
    fails: `${sideName(side)} journal bends hard in a corner`,
    unknown: `Whether the ${side} journal bears the corner: not known`,
    todo: 'A larger bearing journal, less arm between wheel and bearing, or full-float ends.',
    reason: 'A semi-float shaft carries the car as well as it drives; the journal is where it breaks.',
    at: 'donor.journal',
    lacks: [...CARRIED, `donor.brakeSpace.${side}`, 'fact.donor.material', 'brief.demand'],
  });
}

function fatigueCheck({ side: of }: StrengthResult, side: Side, limits: Limits): Check {
  return judge({
    id: `strength.fatigue.${side}`,
    stage: 'shafts',
    figure: of[side].fatigue,
    way: 'atLeast',
    limit: limits('shaft.fatigue'),
    stop: limits('shaft.fatigueLeast'),
    holds: `${sideName(side)} journal bears turning under load`,
    fails: `${sideName(side)} journal tires under load`,
    unknown: `Whether the ${side} journal tires: not known`,
    todo: 'A larger bearing journal, a wheel whose middle stands nearer the bearing, or full-float ends.',
    reason: 'With every turn the journal is bent to and fro; under a pressed bearing a crack starts unseen.',
    at: 'donor.journal',
    lacks: [...CARRIED, `donor.brakeSpace.${side}`, 'fact.donor.material'],
  });
}

function twistCheck({ twistApart }: StrengthResult, limits: Limits): Check {
  return judge({
    id: 'strength.twist',
    stage: 'shafts',
    figure: twistApart,
    way: 'within',
    limit: limits('shaft.twist'),
    holds: 'Both shafts twist nearly alike',
    fails: 'The shafts twist differently',
    unknown: 'Difference in twist: not known',
    todo: 'Even the shafts up, or make the short one thinner in its body by the maker.',
    reason: 'The stiffer side pulls first: with a locked differential the car steers itself at launch.',
    at: 'shaft.body',
    lacks: ['donor.shaftBody.left', 'donor.shaftBody.right', 'brief.demand'],
  });
}
