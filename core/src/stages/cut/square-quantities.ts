import type { Side } from '../../geometry';
import { RAD_PER_DEGREE } from '../../units';
import { quantities } from './headings';

/** When squareness was read. */
export type SquarePhase = 'before' | 'tacked' | 'welded';
export const SQUARE_PHASES: readonly SquarePhase[] = ['before', 'tacked', 'welded'];

/** The eight places round an end face, by clock angle in rad: 0 at the top, positive toward the front. */
export const CLOCKS = [
  { id: 'top', label: 'Top', clockRad: 0 },
  { id: 'topFront', label: 'Top front', clockRad: 45 * RAD_PER_DEGREE },
  { id: 'front', label: 'Front', clockRad: 90 * RAD_PER_DEGREE },
  { id: 'bottomFront', label: 'Bottom front', clockRad: 135 * RAD_PER_DEGREE },
  { id: 'bottom', label: 'Bottom', clockRad: 180 * RAD_PER_DEGREE },
  { id: 'bottomRear', label: 'Bottom rear', clockRad: 225 * RAD_PER_DEGREE },
  { id: 'rear', label: 'Rear', clockRad: 270 * RAD_PER_DEGREE },
  { id: 'topRear', label: 'Top rear', clockRad: 315 * RAD_PER_DEGREE },
] as const;

/** Readings round one end’s face. */
export function squareSide(side: Side) {
  const face = quantities(`${side}Face`, {
    side,
    instrument: 'caliper',
    datum: 'fixed ring on the tube',
  });
  const radius = face(
    `square.${side}.radius`,
    'Radius read at',
    'Tube centre to where the readings touch the end face.',
    [10, 200],
    {
      instrument: 'rule',
      datum: 'tube centre',
    },
  );
  const stations = SQUARE_PHASES.flatMap((phase) =>
    CLOCKS.map((c) =>
      face(
        `square.${side}.${phase}.${c.id}`,
        c.label,
        'Fixed ring to the end face; or an indicator on the alignment bar, more where the face stands farther out.',
        [-20, 1500],
      ),
    ),
  );
  return [radius, ...stations];
}
