import type { Figure } from '../measure';

/**
 * True where a figure rests on a reading that is only true while the car stands level, such as a plumb
 * line from the centreline.
 */
export const restsOnLevel = (figure: Figure): boolean => figure.needsLevel;
