import type { Figure } from './figure';

const known = new WeakMap<Figure, ReadonlySet<string>>();

/**
 * Ids of all that a figure rests on, itself among them: readings, choices, defaults and the figures between.
 *
 * @example restsOn(cut).has('donor.half.left') // true
 */
export function restsOn(figure: Figure): ReadonlySet<string> {
  const before = known.get(figure);
  if (before) return before;
  const ids = new Set([figure.id]);
  for (const { figure: input } of Object.values(figure.working.inputs))
    for (const id of restsOn(input)) ids.add(id);
  known.set(figure, ids);
  return ids;
}
