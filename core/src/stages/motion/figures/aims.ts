import { derive, type Figure, type Maybe } from '../../../measure';
import { node } from '../node';
import { study } from './study';

/** How far the side view is off what it is aimed at, by each school. Plus is above, more, or farther forward. */
interface Aims {
  /** Instant centre above the line from the rear patch to the centre of gravity’s height at the front wheels, mm. */
  readonly neutral: Maybe;
  /** Anti-squat more than wanted. */
  readonly percent: Maybe;
  /** Instant centre forward of, and above, the place wanted, mm. */
  readonly along: Maybe;
  readonly height: Maybe;
}

/** The side view against each aim. */
export const aims = node('aims', (r): Aims => {
  const told = r.of(study);
  const off = (id: string, label: string, is: Maybe, wanted: Maybe): Figure | undefined =>
    is &&
    wanted &&
    derive({
      id: `motion.off.${id}`,
      label,
      unit: is.unit,
      formula: '{x} − {w}',
      source: 'What it is less what is wanted',
      inputs: { x: is, w: wanted },
    });
  return {
    neutral: told.aboveNeutral,
    percent: off('squat', 'Anti-squat off what is wanted', told.antiSquat, r.figure('motion.squatWanted')),
    along: off(
      'icAlong',
      'Instant centre forward of the place wanted',
      told.icAlong,
      r.figure('motion.wantedAlong'),
    ),
    height: off(
      'icHeight',
      'Instant centre above the place wanted',
      told.icHeight,
      r.figure('motion.wantedHeight'),
    ),
  };
});
