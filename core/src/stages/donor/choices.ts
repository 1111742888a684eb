import { field, oneOf, verdictShape, type BuilderVerdict, type PartOffer } from '../../stage';
import { JOINT_SECTION } from './joints/choices';

/** What holds a shaft in. */
export type Retention = 'cClip' | 'boltIn' | 'fullFloat';
export const RETENTIONS: readonly Retention[] = ['cClip', 'boltIn', 'fullFloat'];
/** What holds a shaft in, or that nobody said it. */
export type HeldBy = Retention | 'unsaid';
export const HELD_BY: readonly HeldBy[] = ['unsaid', ...RETENTIONS];

/** Whether a donor is bought. */
export const DONOR_VERDICTS = ['accepted', 'rejected'] as const;
export type DonorVerdict = BuilderVerdict<(typeof DONOR_VERDICTS)[number]>;

/** What the yard says holds the shafts, where it says so. */
const heldBy = ({ size }: PartOffer): HeldBy => RETENTIONS[(size['retention'] ?? 0) - 1] ?? 'unsaid';

/** Its place in the plan. */
export const DONOR_SECTION = {
  choices: {
    retention: field<HeldBy>(oneOf(HELD_BY), 'unsaid', {
      since: 1,
      belongs: 'axle',
      called: () => 'What holds the donor’s shafts',
    }),
  },
  parts: JOINT_SECTION.parts,
  searches: JOINT_SECTION.searches,
  claims: {
    teeth: 'donor.splineTeeth',
    holes: 'donor.flangeHoles',
    pcd: 'donor.flangePcd',
  },
  bought: { price: 'cost.donor', leadDays: 'time.lead' },
  ofOffer: (offer: PartOffer) => ({ retention: heldBy(offer), retentionTo: heldBy(offer) }),
  verdicts: { donor: field(verdictShape(DONOR_VERDICTS), undefined, { since: 4, belongs: 'axle' }) },
};
