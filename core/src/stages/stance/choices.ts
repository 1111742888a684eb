import { field, freeText, oneOf } from '../../stage';

/** What stands between flange and wheel. */
export const SPACERS = ['none', 'plain', 'adapter'] as const;
export type Spacer = (typeof SPACERS)[number];

/** Its place in the plan. */
export const STANCE_SECTION = {
  choices: {
    /** Size as it stands on the sidewall; empty while none is chosen. */
    tyre: field(freeText(40, 0), '', { since: 5, called: () => 'Tyre size' }),
    spacer: field<Spacer>(oneOf(SPACERS), 'none', { since: 5, called: () => 'Between flange and wheel' }),
  },
  searches: { wheel: { belongs: 'car', called: 'Wheels from the counter' } },
} as const;
