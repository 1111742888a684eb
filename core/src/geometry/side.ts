/** Side of the car. Left is +y. */
export type Side = 'left' | 'right';

/** A value for each side. */
export interface Sided<T> {
  readonly left: T;
  readonly right: T;
}

export const SIDES: readonly Side[] = ['left', 'right'];

/** Applies `make` to both sides. */
export const bySide = <T>(make: (side: Side) => T): Sided<T> => ({ left: make('left'), right: make('right') });

export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');

/** `left` → `Left`, for the start of a sentence. */
export const sideName = (side: Side): string => (side === 'left' ? 'Left' : 'Right');
