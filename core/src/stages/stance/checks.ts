import { stance } from './figures/stance';
import { node } from './node';
import { stanceChecks } from './stance-checks';

export const clears = node('clears', (r) =>
  stanceChecks(
    {
      stance: r.of(stance),
      spacer: r.choice('spacer'),
      spacerThick: r.figure('spacer.thick'),
      facts: r.fact,
    },
    r.limit,
  ),
);
