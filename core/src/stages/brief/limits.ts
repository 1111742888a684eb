import { limit } from '../../stage';

/** What its checks compare with. */
export const BRIEF_LIMITS = [limit('brief.weights', 'Axle loads against the mass', 'kg', 15, [0, 500])];
