import type { Port } from '../port';
import { practiceRoutes } from './routes';

/** Gear sets to practise on. */
export const gearSetPort: Port = { id: 'gearset', routes: practiceRoutes };
