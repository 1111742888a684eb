import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side } from '../geometry';
import type { Figure } from '../measure';
import type { StrengthResult } from './strength-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

/** Yield in tension over yield in shear, by von Mises. */
const TENSION = Math.sqrt(3);

/** Checks of the shafts that will run: strength, spline pressure, and how unlike they twist. */
export function strengthChecks(
  { side, twistApart }: StrengthResult,
  shearYield: number | undefined,
  limits: Changes,
): Check[] {
  const checks: Check[] = SIDES.flatMap((s) => {
    const { factor, pressure, bending } = side[s];
    return [
      ...(factor ? [factorCheck(factor, s, limits)] : []),
      ...(pressure ? [pressureCheck(pressure, s, limits)] : []),
      ...(bending && shearYield ? [bendingCheck(bending, shearYield, s, limits)] : []),
    ];
  });
  if (twistApart) checks.push(twistCheck(twistApart, limits));
  return checks;
}

function factorCheck(factor: Figure, side: Side, limits: Changes): Check {
  const [good, least] = [limitOf(limits, 'shaft.factor'), limitOf(limits, 'shaft.factorLeast')];
  const level = factor.value < least.value ? 'stop' : factor.value < good.value ? 'caution' : 'ok';
  return {
    id: `strength.factor.${side}`,
    stage: 'shafts',
    ...told(level, {
      holds: `${sideName(side)} shaft carries the launch`,
      fails: `${sideName(side)} shaft is weak for the launch`,
      todo: 'Order a stronger steel or a larger spline, or plan a softer launch in the brief.',
    }),
    figure: compared(factor),
    limit: level === 'stop' ? least : good,
    reason:
      'A shaft that has yielded once breaks soon after, and takes the wheel with it where nothing else holds it.',
    at: 'shaft.body',
  };
}

function pressureCheck(pressure: Figure, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'shaft.pressure');
  const high = pressure.value > limit.value;
  return {
    id: `strength.pressure.${side}`,
    stage: 'shafts',
    ...told(high ? 'caution' : 'ok', {
      holds: `${sideName(side)} spline bears the launch on its flanks`,
      fails: `${sideName(side)} spline is pressed hard`,
      todo: 'Engage more of the side gear, take a larger spline, or ask the maker and change the limit with a reason.',
    }),
    figure: compared(pressure),
    limit,
    reason:
      'Flanks that are pressed too hard wear until the teeth are gone; what a spline bears depends on its hardness.',
    at: 'shaft.spline',
  };
}

function bendingCheck(bending: Figure, shearYield: number, side: Side, limits: Changes): Check {
  const good = limitOf(limits, 'shaft.factor');
  const factor = (shearYield * TENSION) / bending.value;
  const low = factor < good.value;
  return {
    id: `strength.bending.${side}`,
    stage: 'shafts',
    ...told(low ? 'caution' : 'ok', {
      holds: `${sideName(side)} journal bears the corner`,
      fails: `${sideName(side)} journal bends hard in a corner`,
      todo: 'A larger bearing journal, more offset, or full-float ends.',
    }),
    figure: { value: factor, unit: 'count', figureId: bending.id },
    limit: good,
    reason: 'A semi-float shaft carries the car as well as it drives; the journal is where it breaks.',
    at: 'donor.journal',
  };
}

function twistCheck(apart: Figure, limits: Changes): Check {
  const limit = limitOf(limits, 'shaft.twist');
  const over = Math.abs(apart.value) > limit.value;
  return {
    id: 'strength.twist',
    stage: 'shafts',
    ...told(over ? 'caution' : 'ok', {
      holds: 'Both shafts twist nearly alike',
      fails: 'The shafts twist unlike',
      todo: 'Even the shafts up, or make the short one thinner in its body by the maker.',
    }),
    figure: compared(apart),
    limit,
    reason: 'The stiffer side pulls first: with a locked differential the car steers itself at launch.',
    at: 'shaft.body',
  };
}
