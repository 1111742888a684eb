import { placeName, type Plan } from '@intervex/core';
import { same } from './merge-plans';

/** Sections of a plan whose entries are places of their own, and how they are named. */
const SECTIONS = {
  readings: '',
  facts: 'fact.',
  choices: '',
  brief: '',
  limits: '',
  accepted: '',
  tubeItems: '',
  joints: 'joint.',
} as const;
type Section = keyof typeof SECTIONS;

/** Places that differ between two states of a plan, in the order of its sections: quantities first. */
export function changedPlaces(before: Plan, after: Plan): readonly string[] {
  return (Object.keys(SECTIONS) as Section[]).flatMap((section) => {
    const [was, is] = [before, after].map(
      (plan) => (plan as unknown as Record<string, Record<string, unknown>>)[section] ?? {},
    );
    const keys = [...new Set([...Object.keys(was ?? {}), ...Object.keys(is ?? {})])];
    return keys.filter((key) => !same(was?.[key], is?.[key])).map((key) => `${SECTIONS[section]}${key}`);
  });
}

/**
 * Names of places for a line of text.
 *
 * @example placesText(['donor.tube.left', 'cut.kerf']) // 'casting to housing end, left and 1 more'
 */
export function placesText(places: readonly string[]): string {
  const [first = '', ...more] = places;
  return `${placeName(first)}${more.length ? ` and ${more.length} more` : ''}`;
}
