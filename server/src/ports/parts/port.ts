import type { Port } from '../port';
import { partRoutes } from './routes';

/** A parts counter. */
export const partsPort: Port = { id: 'parts', routes: partRoutes };
