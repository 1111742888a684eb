import { SIDES } from '../../geometry';
import { CUT } from './saw-quantities';
import { squareSide } from './square-quantities';
import { TUBE_WORK } from './tube-quantities';

/** What is read and chosen for the cut, in working order. */
export const CUT_QUANTITIES = [...CUT, ...TUBE_WORK, ...SIDES.flatMap(squareSide)];
