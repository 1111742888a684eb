import { benchPort } from './bench/port';
import { gearSetPort } from './gearset/port';
import { makerPort } from './maker/port';
import { partsPort } from './parts/port';
import type { Port } from './port';

/** All that stands outside. This is the only list of them. */
export const PORTS: readonly Port[] = [benchPort, partsPort, makerPort, gearSetPort];
