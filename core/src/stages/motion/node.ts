import { nodesOf, type ReadOf } from '../../stage';
import { brackets } from '../brackets/words';
import { brief } from '../brief/words';
import { cut } from '../cut/words';
import { donor } from '../donor/words';
import { driveline } from '../driveline/words';
import { gears } from '../gears/words';
import { hubs } from '../hubs/words';
import { shafts } from '../shafts/words';
import { stance } from '../stance/words';
import { survey } from '../survey/words';
import { motion } from './words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(
  motion,
  brief,
  survey,
  donor,
  stance,
  cut,
  shafts,
  hubs,
  driveline,
  gears,
  brackets,
);
export type Reads = ReadOf<typeof node>;
