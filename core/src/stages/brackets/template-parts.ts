import type { PlaceId } from '../../stage';
import type { JigLayer, JigShape, Spot } from '../hubs/jig';

/** A word on a template, mm. */
export interface TemplateWord {
  readonly text: string;
  readonly at: Spot;
}

/** Shapes in full size, or what they lack. */
export interface Template {
  readonly shapes: readonly JigShape[];
  readonly words: readonly TemplateWord[];
  /** Said under its title. */
  readonly said: string;
  /** Quantities without which it cannot be made; then there are no shapes. */
  readonly lacks: readonly PlaceId[];
}

export const path = (layer: JigLayer, points: readonly Spot[], closed = false): JigShape => ({
  kind: 'path',
  layer,
  points,
  closed,
});
export const rectangle = (layer: JigLayer, x0: number, x1: number, y0: number, y1: number): JigShape =>
  path(
    layer,
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    true,
  );
export const lacking = (...lacks: readonly PlaceId[]): Template => ({ shapes: [], words: [], said: '', lacks });
