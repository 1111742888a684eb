import { nodesOf, type ReadOf } from '../../stage';
import { brief } from '../brief/words';
import { donor } from '../donor/words';
import { survey } from './words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(survey, brief, donor);
export type Reads = ReadOf<typeof node>;
