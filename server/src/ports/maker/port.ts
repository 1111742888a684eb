import type { Port } from '../port';
import { orderRoutes } from './routes';
import { resumePaying } from './service';

/** A maker of shafts. */
export const makerPort: Port = { id: 'maker', routes: orderRoutes, resume: resumePaying };
