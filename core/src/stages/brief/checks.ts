import { briefChecks } from './brief-stage';
import { torque } from './figures/torque';
import { OPEN_CHOICES, OPEN_NAMES, unknownCheck, LEAST_REASON, type Check } from '../../stage';
import { node } from './node';

/** What is said to be open or only assumed, without saying why: kept so, and asked for. */
export const openings = node('openWhy', (r): readonly Check[] =>
  OPEN_CHOICES.flatMap((choice) => {
    const said = r.part('open')[choice];
    if (!said || said.reason.trim().length >= LEAST_REASON) return [];
    return [
      unknownCheck({
        id: `open.${choice}`,
        stage: 'brief',
        unknown: `Why ${OPEN_NAMES[choice]} is ${said.state}: not said`,
        reason: 'Whoever comes back to it in a month has to know what it waits for.',
        at: 'brief.open',
      }),
    ];
  }),
);

export const weights = node('weights', (r) => briefChecks(r.of(torque), r.limit));
