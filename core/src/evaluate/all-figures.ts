import { isPlanned } from '../stages/cut';
import { isFigure, type Figure } from '../measure';
import type { Results } from './results';

/**
 * Every figure of the results by id, readings and all that stands between included, so that a working can be found by
 * name and its inputs followed down to the readings, choices and defaults.
 */
export function allFigures(results: Results): ReadonlyMap<string, Figure> {
  const map = new Map<string, Figure>();
  for (const { figure } of Object.values(results.known)) add(map, figure);
  const { known: _known, checks: _checks, decisions: _decisions, schools, ...parts } = results;
  // The chosen way’s figures stand last, so that what is shared goes by them.
  collect(map, parts, new Set());
  collect(map, schools.filter(isPlanned), new Set());
  return map;
}

function add(map: Map<string, Figure>, figure: Figure): void {
  if (map.get(figure.id) === figure) return;
  map.set(figure.id, figure);
  for (const { figure: input } of Object.values(figure.working.inputs)) if (!map.has(input.id)) add(map, input);
}

function collect(map: Map<string, Figure>, value: unknown, seen: Set<object>): void {
  if (typeof value !== 'object' || value === null || seen.has(value)) return;
  seen.add(value);
  if (!Array.isArray(value) && isFigure(value)) add(map, value);
  else for (const part of Object.values(value)) collect(map, part, seen);
}
