import { type Side, sideName } from '../../geometry';
import { expandedUncertainty, type Figure, sized } from '../../measure';
import type { Check } from '../../stage/check';
import { unknownCheck, judge } from '../../stage/judge';
import type { CutChecksInput } from './checks-input';
import type { CutLimits } from './checks-input';
import { CLOCKS } from './square-quantities';
import { type FaceSquare, clockName } from './square-stage';

/** Some readings round a face, but not enough for its plane. */
export function halfReadFaces({ square, faces }: CutChecksInput, side: Side): Check[] {
  return (['tacked', 'welded'] as const).flatMap((phase): Check[] => {
    if (square.sets[side][phase]) return [];
    const ids = CLOCKS.map((c) => `square.${side}.${phase}.${c.id}` as const);
    if (!ids.some((id) => faces(id))) return [];
    const open = (['top', 'front', 'bottom', 'rear'] as const).map(
      (c) => `square.${side}.${phase}.${c}` as const,
    );
    const lacks = ([`square.${side}.radius`, ...open] as const).filter((id) => !faces(id));
    return [
      unknownCheck({
        id: `square.${phase}.${side}`,
        stage: 'cut',
        unknown: `${sideName(side)} end’s squareness, ${phase}: not known yet`,
        reason: 'A plane takes three places round the face and the radius where they were read.',
        at: lacks[0] ?? `square.${side}.radius`,
        lacks,
      }),
    ];
  });
}

export function faceChecks(face: FaceSquare, side: Side, limits: CutLimits): Check[] {
  const checks = [
    angleCheck('camber', face, face.camber, side, limits),
    angleCheck('toe', face, face.toe, side, limits),
  ];
  const limit = limits('square.camber');
  const U = expandedUncertainty(face.camber);
  if (U <= limit.value) return checks;
  return [
    ...checks,
    {
      id: `square.resolution.${side}`,
      stage: 'cut',
      level: 'caution',
      title: `Squareness, ${side}: the readings cannot tell`,
      figure: { value: U, unit: 'rad', figureId: face.camber.id },
      limit,
      reason: 'The instrument’s own uncertainty is larger than the limit it is to prove.',
      todo: 'Read with a caliper or a dial indicator, or at a larger radius, and repeat each reading.',
      at: `square.${side}.${face.phase}.top`,
    },
  ];
}

function angleCheck(
  kind: 'camber' | 'toe',
  face: FaceSquare,
  figure: Figure,
  side: Side,
  limits: CutLimits,
): Check {
  const soft = limits(`square.${kind}`);
  const hard = limits('square.stop');
  return judge({
    id: `square.${kind}.${side}`,
    stage: 'cut',
    figure,
    way: 'within',
    limit: soft,
    stop: hard.value > soft.value ? hard : soft,
    holds: `${sideName(side)} end is square in ${kind}`,
    fails: `${kind === 'camber' ? 'Camber' : 'Toe'} from the ${side} cut`,
    unknown: `${sideName(side)} end’s ${kind}: not known`,
    todo: mendAdvice(face),
    reason: 'The wheel stands as the end face stands: it wears the tyre and loads the bearing and spline.',
    at: `square.${side}.${face.phase}.top`,
  });
}

function mendAdvice({ phase, farthestRad, mend }: FaceSquare): string {
  const open = clockName(farthestRad + Math.PI);
  const by = mend
    ? sized(mend.value, 'mm', 2)
    : 'tilt times the tube’s outside diameter, which is not read yet,';
  return phase === 'welded'
    ? `Do not heat or bend by eye: have the housing straightened on an alignment bar (${by} across the tube, short at the ${open}), then read again.`
    : `Open the tack at the ${open} by ${by} and read again, or accept it with a reason.`;
}
