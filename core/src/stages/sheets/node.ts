import { nodesOf, type ReadOf } from '../../stage';
import { sheets } from './words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(sheets);
export type Reads = ReadOf<typeof node>;
