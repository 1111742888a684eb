import type { Reading } from '../measure';
import { findQuantity } from './catalogue';
import { EMPTY_PLAN, type Plan } from './plan';
import type { PartOffer } from '../stage';
import { RETENTIONS, type Retention } from '../stages/donor/choices';

/** What a salvage yard says of an axle, and the quantity it is a claim about. */
const CLAIMS: Readonly<Record<string, string>> = {
  teeth: 'donor.splineTeeth',
  holes: 'donor.flangeHoles',
  pcd: 'donor.flangePcd',
};

/** Stages whose readings are the car’s or the builder’s, whatever axle goes in. */
const CAR_STAGES: readonly string[] = ['brief', 'survey', 'stance'];
/** Readings of those stages that are the donor’s, and of others that are the builder’s, the wheel’s or the maker’s. */
const DONORS: readonly string[] = ['brake.radius'];
const BUILDERS: readonly string[] = [
  'cut.kerf',
  'cut.gap',
  'cut.shrink',
  'shaft.step',
  'shaft.made',
  'shaft.corner',
  'shaft.pilotPlay',
  'jig.drill',
  'jig.play',
];

/** True for a reading that stays when another donor takes the place of this one. */
export function staysWithCar(id: string): boolean {
  if (DONORS.includes(id)) return false;
  return BUILDERS.includes(id) || CAR_STAGES.includes(findQuantity(id)?.stage ?? '');
}

/** Facts of the car, of what stands round its wheels, and of studs and nuts to be used. */
const CAR_FACT = /^(car|room|bar|new)\./;

/** What the yard says holds the shafts, where it says so. */
const HELD: readonly Retention[] = RETENTIONS;
const retentionOf = ({ size }: PartOffer): Retention =>
  HELD[(size['retention'] ?? 0) - 1] ?? EMPTY_PLAN.choices.retention;

/**
 * A plan for another donor in the same car: the car’s readings, its wheels and tyres stay, everything of the old donor
 * goes, and what the yard says of the new one stands as the seller’s word.
 *
 * @param plan the present one
 * @param offer a salvage donor
 * @example planForDonor(plan, offer).readings['wheel.et'] // as it was
 */
export function planForDonor(plan: Plan, offer: PartOffer): Plan {
  const note = `${offer.number}, ${offer.seller}`;
  const said = (value: number): Reading => ({ repeats: [{ value }], instrument: 'seller', note });
  const claimed = Object.entries(CLAIMS).flatMap(([size, id]) => {
    const value = offer.size[size];
    return value === undefined ? [] : [[id, said(value)] as const];
  });
  const kept = <T>(all: Readonly<Record<string, T>>, stays: (id: string) => boolean) =>
    Object.fromEntries(Object.entries(all).filter(([id]) => stays(id)));
  const retention = retentionOf(offer);
  const { wheel } = plan.patterns;
  return {
    ...EMPTY_PLAN,
    brief: { ...plan.brief, donor: offer.name },
    choices: { ...plan.choices, retention, retentionTo: retention, pattern: EMPTY_PLAN.choices.pattern },
    limits: plan.limits,
    readings: {
      ...kept(plan.readings, staysWithCar),
      ...Object.fromEntries(claimed),
      'cost.donor': said(offer.price),
      'time.lead': said(offer.leadDays),
    },
    facts: kept(plan.facts, (id) => CAR_FACT.test(id)),
    searches: plan.searches.wheel ? { wheel: plan.searches.wheel } : {},
    patterns: wheel ? { wheel } : {},
    photos: Object.fromEntries(
      Object.entries(plan.photos).filter(
        ([, { place }]) =>
          staysWithCar(place) || (place.startsWith('fact.') && CAR_FACT.test(place.slice('fact.'.length))),
      ),
    ),
  };
}
