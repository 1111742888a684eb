import { idsOf, withAcceptance } from '../../../stage';
import { stands } from '../checks';
import { SILLS } from '../level-quantities';
import { notLevel } from '../level-stage';
import { node } from '../node';
import { SURVEY_QUANTITIES } from '../quantities';

/** Said where readings need a level car, and whether it stands level was never read. */
const NEVER_LEVELLED = 'It was not read whether the car stands level: sills left and right, front and rear.';

const HEIGHTS = idsOf(SILLS);
const NEED_LEVEL = idsOf(SURVEY_QUANTITIES.filter((q) => q.needsLevel));

/** Why readings by plumb line and level cannot be trusted yet; undefined where they can. */
export const levelDoubt = node('levelDoubt', (r): string | undefined => {
  const told = notLevel(r.of(stands).map((check) => withAcceptance(check, r.accepted(check.id))));
  if (told !== undefined) return told;
  const doubtful = NEED_LEVEL.some(r.wasRead) && !HEIGHTS.every(r.wasRead);
  return doubtful ? NEVER_LEVELLED : undefined;
});
