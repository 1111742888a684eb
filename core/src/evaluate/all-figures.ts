import { isPlanned } from '../cut';
import type { Figure } from '../measure';
import type { Results } from './results';

/**
 * Every figure of the results by id, readings included, so that a working can be found by name and its
 * inputs followed down to the readings.
 */
export function allFigures(results: Results): ReadonlyMap<string, Figure> {
  const map = new Map<string, Figure>();
  collect(
    map,
    Object.values(results.known).map((k) => k.figure),
  );
  collect(map, [
    results.brief,
    results.level,
    results.survey,
    results.angles,
    results.room,
    results.donor,
    results.judged,
    results.marks,
    results.square.sets,
    results.shafts,
    results.ends,
    results.stance,
    results.tubes,
    results.float,
    results.learned,
    results.strength,
    results.hubs,
  ]);
  collect(map, results.schools.filter(isPlanned));
  return map;
}

const isFigure = (value: object): value is Figure => 'contributions' in value && 'working' in value;

function collect(map: Map<string, Figure>, value: unknown): void {
  if (typeof value !== 'object' || value === null) return;
  if (!Array.isArray(value) && isFigure(value)) map.set(value.id, value);
  else for (const part of Object.values(value)) collect(map, part);
}
