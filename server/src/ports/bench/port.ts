import type { Port } from '../port';
import { instrumentRoutes, listensTo } from './routes';

/** Instruments on a bench. */
export const benchPort: Port = {
  id: 'bench',
  routes: (_pool, url) => instrumentRoutes(url),
  listens: listensTo,
};
