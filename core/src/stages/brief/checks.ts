import { briefChecks } from './brief-stage';
import { torque } from './figures/torque';
import { node } from './node';

export const weights = node('weights', (r) => briefChecks(r.of(torque), r.limit));
