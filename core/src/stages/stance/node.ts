import { nodesOf, type ReadOf } from '../../stage';
import { brief } from '../brief/words';
import { cut } from '../cut/words';
import { hubs } from '../hubs/words';
import { stance } from './words';
import { survey } from '../survey/words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(stance, brief, survey, cut, hubs);
export type Reads = ReadOf<typeof node>;
