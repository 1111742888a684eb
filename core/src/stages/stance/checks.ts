import { factsRead, idsOf } from '../../stage';
import { SURVEY_FACTS } from '../survey/facts';
import { stance } from './figures/stance';
import { node } from './node';
import { stanceChecks } from './stance-checks';

const FACTS = idsOf(SURVEY_FACTS);

export const clears = node('clears', (r) =>
  stanceChecks(
    {
      stance: r.of(stance),
      spacer: r.choice('spacer'),
      spacerThick: r.figure('spacer.thick'),
      facts: factsRead(r, FACTS),
    },
    r.limit,
  ),
);
