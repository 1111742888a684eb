import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES } from '../geometry';
import type { Figure } from '../measure';
import type { DonorResult } from './donor-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

/** Checks of the donor's own readings. */
export function donorChecks(result: DonorResult, limits: Changes): Check[] {
  const checks: Check[] = [];
  const { widthClosure, splineOff } = result;
  if (widthClosure)
    checks.push(closureCheck('donor.width', 'Donor’s halves', widthClosure, limits, 'donor.width'));
  for (const side of SIDES) {
    const figure = result.closure[side];
    if (figure)
      checks.push(
        closureCheck(`donor.closure.${side}`, `Donor’s ${side} side`, figure, limits, `donor.tube.${side}`),
      );
  }
  if (splineOff) checks.push(splineCheck(splineOff, limits));
  return checks;
}

function closureCheck(id: string, what: string, figure: Figure, limits: Changes, at: string): Check {
  const limit = limitOf(limits, 'donor.closure');
  const over = Math.abs(figure.value) > limit.value;
  return {
    id,
    stage: 'donor',
    ...told(over ? 'caution' : 'ok', {
      holds: `${what}: the readings add up`,
      fails: `${what}: the readings do not add up`,
      todo: 'Read each of them again, with the shaft pushed fully home, before any mark is scribed.',
    }),
    figure: compared(figure),
    limit,
    reason: 'Cuts are differences of these readings: an error in one goes straight into the metal.',
    at,
  };
}

function splineCheck(figure: Figure, limits: Changes): Check {
  const limit = limitOf(limits, 'donor.splineMajor');
  const over = Math.abs(figure.value) > limit.value;
  return {
    id: 'donor.spline',
    stage: 'donor',
    ...told(over ? 'caution' : 'ok', {
      holds: 'Spline matches its tooth count and pitch',
      fails: 'Spline is not the one written down',
      todo: 'Count the teeth again and measure over their tops; a 45° spline has another form.',
    }),
    figure: compared(figure),
    limit,
    reason: 'A shaft with another tooth count, pitch or pressure angle does not enter the side gear.',
    at: 'donor.splineTeeth',
  };
}
