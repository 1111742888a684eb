import type { ShaftRoute } from './choices';

export const ROUTE_NAMES: Readonly<Record<ShaftRoute, string>> = {
  buy: 'Bought to length',
  shorten: 'Own, shortened and splined again',
};

/** Inner ends of a shaft, as they are ordered. */
export const CLIP_END = 'grooved for the clip';
export const PLAIN_END = 'plain, chamfered 1 × 45°';
