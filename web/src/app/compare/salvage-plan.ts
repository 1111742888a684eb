import { findQuantity, type PartOffer, type Plan, type Reading } from '@intervex/core';

/** What a salvage yard says of an axle, and the quantity it is a claim about. */
const CLAIMS: Readonly<Record<string, string>> = {
  teeth: 'donor.splineTeeth',
  holes: 'donor.flangeHoles',
  pcd: 'donor.flangePcd',
};

/**
 * A plan for another donor in the same car: the car’s readings stay, everything of the old donor goes, and what the
 * yard says of the new one stands as the seller’s word.
 *
 * @param plan the present one
 * @param offer a salvage donor
 */
export function planForDonor(plan: Plan, offer: PartOffer): Plan {
  const stays = (id: string) => {
    const stage = findQuantity(id)?.stage;
    return stage === 'brief' || stage === 'survey';
  };
  const kept = Object.fromEntries(Object.entries(plan.readings).filter(([id]) => stays(id)));
  const note = `${offer.number}, ${offer.seller}`;
  const claimed = Object.entries(CLAIMS).flatMap(([size, id]): (readonly [string, Reading])[] => {
    const value = offer.size[size];
    return value === undefined ? [] : [[id, { repeats: [{ value }], instrument: 'seller', note }]];
  });
  const carFacts = Object.entries(plan.facts).filter(([id]) => id.startsWith('car.') || id.startsWith('room.'));
  return {
    ...plan,
    brief: { ...plan.brief, donor: offer.name },
    readings: {
      ...kept,
      ...Object.fromEntries(claimed),
      'cost.donor': { repeats: [{ value: offer.price }], instrument: 'seller', note },
      'time.lead': { repeats: [{ value: offer.leadDays }], instrument: 'seller', note },
    },
    facts: Object.fromEntries(carFacts),
    accepted: {},
    joints: {},
    searches: {},
    verdicts: {},
    photos: Object.fromEntries(
      Object.entries(plan.photos).filter(([, p]) => stays(p.place) || /^fact\.(car|room)\./.test(p.place)),
    ),
  };
}
