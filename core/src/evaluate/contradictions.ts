import type { Check } from '../stage';
import { restsOn, type Figure } from '../measure';

/** Readings that contradict others of the same thing, each with what is said of it. */
export type Contradicted = Readonly<Record<string, string>>;

/** Readings that stop what rests on them, by the checks that found them out. */
export function contradictions(checks: readonly Check[]): Contradicted {
  const found: Record<string, string> = {};
  for (const { level, contradicts = [], title } of checks)
    if (level === 'stop') for (const id of contradicts) found[id] ??= title;
  return found;
}

/**
 * Why a figure may not be cut, ordered or signed by: one of the readings it rests on contradicts others. Nothing where
 * none does.
 */
export function heldBy(figure: Figure | undefined, contradicted: Contradicted): string | undefined {
  if (!figure) return undefined;
  const ids = Object.keys(contradicted);
  if (ids.length === 0) return undefined;
  const rests = restsOn(figure);
  const id = ids.find((one) => rests.has(one));
  return id === undefined ? undefined : contradicted[id];
}
