import { field, oneOf, verdictShape, type BuilderVerdict } from '../../stage';
import { JOINT_SECTION } from '../mating/choices';

/** What holds a shaft in. */
export type Retention = 'cClip' | 'boltIn' | 'fullFloat';
export const RETENTIONS: readonly Retention[] = ['cClip', 'boltIn', 'fullFloat'];

/** Whether a donor is bought. */
export const DONOR_VERDICTS = ['accepted', 'rejected'] as const;
export type DonorVerdict = BuilderVerdict<(typeof DONOR_VERDICTS)[number]>;

/** Its place in the plan. */
export const DONOR_SECTION = {
  choices: { retention: field<Retention>(oneOf(RETENTIONS), 'boltIn', { since: 1, belongs: 'donor' }) },
  parts: JOINT_SECTION.parts,
  searches: JOINT_SECTION.searches,
  verdicts: { donor: field(verdictShape(DONOR_VERDICTS), undefined, { since: 4, belongs: 'donor' }) },
};
