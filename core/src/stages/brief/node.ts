import { nodesOf } from '../../stage';
import { brief } from './words';
import { stance } from '../stance/words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(brief, stance);
