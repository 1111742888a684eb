import { sheets as brackets } from './brackets/sheets';
import { sheets as cut } from './cut/sheets';
import { sheets as driveline } from './driveline/sheets';
import { sheets as gears } from './gears/sheets';
import { sheets as hubs } from './hubs/sheets';
import { sheets as motion } from './motion/sheets';
import { sheets as shafts } from './shafts/sheets';

/** What is printed of the stages, in working order: fetched only where a sheet is looked at. */
export const PRINTED = [...cut, ...shafts, ...hubs, ...driveline, ...gears, ...brackets, ...motion] as const;
