import type { ShaftRoute } from './choices';

export const ROUTE_NAMES: Readonly<Record<ShaftRoute, string>> = {
  buy: 'Bought to length',
  shorten: 'Own, shortened and splined again',
};
