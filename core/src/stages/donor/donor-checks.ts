import { judgeClosure, type Check, type LimitsOf, type PlaceId } from '../../stage';
import { SIDES } from '../../geometry';
import type { Figure } from '../../measure';
import type { DonorResult } from './donor-stage';
import type { donor } from './words';

type Limits = LimitsOf<typeof donor>;

/** Checks of the donor's own readings: what must add up contradicts itself where it does not. */
export function donorChecks(result: DonorResult, limits: Limits): Check[] {
  const checks: Check[] = [];
  const { widthClosure, splineOff } = result;
  if (widthClosure)
    checks.push(
      closureCheck(
        { id: 'donor.width', what: 'Donor’s halves', figure: widthClosure, at: 'donor.width' },
        limits,
        ['donor.half.left', 'donor.half.right', 'donor.width'],
      ),
    );
  for (const side of SIDES) {
    const figure = result.closure[side];
    if (!figure) continue;
    const at = `donor.tube.${side}` as const;
    checks.push(
      closureCheck({ id: `donor.closure.${side}`, what: `Donor’s ${side} side`, figure, at }, limits, [
        `donor.casting.${side}`,
        at,
        `donor.brakeSpace.${side}`,
        `donor.half.${side}`,
      ]),
    );
  }
  if (splineOff) checks.push(splineCheck(splineOff, limits));
  return checks;
}

interface Closing {
  readonly id: string;
  readonly what: string;
  readonly figure: Figure;
  readonly at: PlaceId;
}

function closureCheck({ id, what, figure, at }: Closing, limits: Limits, readings: readonly string[]): Check {
  return judgeClosure(
    {
      id,
      stage: 'donor',
      figure,
      limit: limits('donor.closure'),
      holds: `${what}: the readings add up`,
      fails: `${what}: the readings do not add up`,
      unknown: `${what}: not known`,
      todo: 'Read each of them again, with the shaft pushed fully home, before any mark is scribed.',
      reason: 'Cuts are differences of these readings: an error in one goes straight into the metal.',
      at,
    },
    readings,
  );
}

function splineCheck(figure: Figure, limits: Limits): Check {
  return judgeClosure(
    {
      id: 'donor.spline',
      stage: 'donor',
      figure,
      limit: limits('donor.splineMajor'),
      // Tops of teeth are turned down, and wear.
      mayDiffer: true,
      holds: 'Spline matches its tooth count and pitch',
      fails: 'Spline is not the one written down',
      unknown: 'Spline: not known',
      todo: 'Count the teeth again and measure over their tops; a 45° spline has another form.',
      reason: 'A shaft with another tooth count, pitch or pressure angle does not enter the side gear.',
      at: 'donor.splineTeeth',
    },
    ['donor.splineTeeth', 'donor.splinePitch', 'donor.splineMajor'],
  );
}
