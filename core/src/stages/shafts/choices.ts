import { field, oneOf } from '../../stage';

/** Where the new shafts come from: bought to length, or the donor's own shortened and splined again. */
export type ShaftRoute = 'buy' | 'shorten';
export const SHAFT_ROUTES: readonly ShaftRoute[] = ['buy', 'shorten'];

/** Its place in the plan. */
export const SHAFT_SECTION = {
  choices: {
    shaftRoute: field<ShaftRoute>(oneOf(SHAFT_ROUTES), 'buy', {
      since: 1,
      called: () => 'Where the shafts come from',
    }),
  },
  searches: {
    shaftLeft: { belongs: 'axle', called: 'Left shaft from the counter' },
    shaftRight: { belongs: 'axle', called: 'Right shaft from the counter' },
  },
} as const;
