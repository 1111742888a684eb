import type { Port } from '../port';
import { instrumentRoutes } from './routes';

/** Instruments on a bench. */
export const benchPort: Port = {
  id: 'bench',
  routes: (_pool, url, _work, whenEnded) => instrumentRoutes(url, whenEnded),
};
