import { isFigure, type Figure } from '../measure';
import { STAGES } from '../stages';
import type { Results } from './results';

const FIGURES = STAGES.flatMap((s) => s.contents.figures ?? []);

const found = new WeakMap<object, readonly Figure[]>();

/** Figures in what a node gave, found once as long as it gives the same. */
function figuresIn(value: unknown): readonly Figure[] {
  if (typeof value !== 'object' || value === null) return [];
  const before = found.get(value);
  if (before) return before;
  const figures = isFigure(value) ? [value] : Object.values(value).flatMap(figuresIn);
  found.set(value, figures);
  return figures;
}

/**
 * Every figure of the results by id, readings and all that stands between included, so that a working can be found by
 * name and its inputs followed down to the readings, choices and defaults.
 */
export function allFigures(results: Results): ReadonlyMap<string, Figure> {
  const map = new Map<string, Figure>();
  for (const { figure } of results.known.values()) add(map, figure);
  FIGURES.forEach(results.of);
  for (const value of results.given()) for (const figure of figuresIn(value)) add(map, figure);
  return map;
}

const assumes = (figure: Figure): boolean => Object.keys(figure.assumed).length > 0;

/** True where any figure of the results is a default or rests on one. */
export function restsOnDefaults(results: Results): boolean {
  for (const { figure } of results.known.values()) if (assumes(figure)) return true;
  return [...allFigures(results).values()].some(assumes);
}

function add(map: Map<string, Figure>, figure: Figure): void {
  if (map.get(figure.id) === figure) return;
  map.set(figure.id, figure);
  for (const { figure: input } of Object.values(figure.working.inputs)) if (!map.has(input.id)) add(map, input);
}
