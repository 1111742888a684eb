import { nodesOf, type ReadOf } from '../../stage';
import { brief } from '../brief/words';
import { donor } from '../donor/words';
import { gears } from './words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(gears, brief, donor);
export type Reads = ReadOf<typeof node>;
