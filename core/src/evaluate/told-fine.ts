import type { Dimension } from '../drawing';
import type { Results } from './results';

/**
 * Whether a dimension is told in decimals in inch work: as its view says, or as the reading it shows was taken; else it
 * lies along a tape.
 */
export const toldFine = ({ known }: Pick<Results, 'known'>, { fine, figureId }: Dimension): boolean =>
  fine ?? known.get(figureId)?.figure.byTape === false;
