import type { Reading } from '../measure';
import type { AnyField, PartOffer, Section } from '../stage';
import { STAGES } from '../stages';
import { findEntry } from './catalogue';
import { CHOICE_FIELDS, EMPTY_PLAN, PART_FIELDS, SEARCHES, type Plan, type SearchId } from './plan';

const SECTIONS: readonly Section[] = STAGES.map((s) => s.section);
type Fields = Readonly<Record<string, unknown>>;

/** True for a reading, or a fact as `fact.…`, that stays when another donor takes the place of this one. */
export function staysWithCar(place: string): boolean {
  return findEntry(place)?.belongs === 'car';
}

const kept = <T>(all: Readonly<Record<string, T>>, stays: (id: string) => boolean) =>
  Object.fromEntries(Object.entries(all).filter(([id]) => stays(id)));

/** A field as it stays with the car, or begins anew. */
function ofCar(field: AnyField, value: unknown): unknown {
  if (field.belongs === 'car') return value;
  return field.forDonor ? field.forDonor(value as never) : field.start;
}

const fieldsOf = (fields: Readonly<Record<string, AnyField>>, values: Fields): Fields =>
  Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, ofCar(field, values[key])]));

/** Readings that stand for what the yard says of a donor, as the seller’s word. */
function saidOf(offer: PartOffer): Readonly<Record<string, Reading>> {
  const note = `${offer.number}, ${offer.seller}`;
  const said = (value: number): Reading => ({ repeats: [{ value }], instrument: 'seller', note });
  const entries = SECTIONS.flatMap(({ claims = {}, bought }) => [
    ...Object.entries(claims).flatMap(([size, id]) => {
      const value = offer.size[size];
      return value === undefined ? [] : [[id, said(value)] as const];
    }),
    ...(bought
      ? [[bought.price, said(offer.price)] as const, [bought.leadDays, said(offer.leadDays)] as const]
      : []),
  ]);
  return Object.fromEntries(entries);
}

/** Parts of the plan that name the donor, with the name of the new one. */
const namedAfter = (parts: Fields, name: string): Fields =>
  Object.fromEntries(
    SECTIONS.flatMap(({ donorName }) =>
      donorName ? [[donorName[0], { ...(parts[donorName[0]] as object), [donorName[1]]: name }]] : [],
    ),
  );

/**
 * A plan for another donor in the same car: what belongs to the car, its wheels and its builder stays, everything of the
 * old donor goes, verdicts on it too, and what a yard says of the new one stands as the seller’s word.
 *
 * @param plan the present one
 * @param name of the new donor
 * @param offer what a yard says of it; nothing of it is known without
 * @example planForDonor(plan, 'Stag axle').readings['wheel.et'] // as it was
 */
export function planForDonor(plan: Plan, name: string, offer?: PartOffer): Plan {
  const parts = fieldsOf(PART_FIELDS, plan as unknown as Fields);
  return {
    ...EMPTY_PLAN,
    ...parts,
    ...namedAfter(parts, name),
    choices: Object.assign(
      {},
      fieldsOf(CHOICE_FIELDS, plan.choices as unknown as Fields),
      ...SECTIONS.map((s) => (offer && s.ofOffer?.(offer)) ?? {}),
    ),
    limits: plan.limits,
    readings: { ...kept(plan.readings, staysWithCar), ...(offer && saidOf(offer)) },
    facts: kept(plan.facts, (id) => staysWithCar(`fact.${id}`)),
    searches: kept(plan.searches as Fields, (id) => SEARCHES[id as SearchId].belongs === 'car'),
    photos: Object.fromEntries(Object.entries(plan.photos).filter(([, { place }]) => staysWithCar(place))),
  } as unknown as Plan;
}
