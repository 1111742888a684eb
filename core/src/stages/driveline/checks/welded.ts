import { judge, type Check } from '../../../stage';
import { weldedOff } from '../figures/welded';
import { node } from '../node';

/** Once it is welded: does the pinion lie as it was wanted? */
export const welds = node('welds', (r): readonly Check[] => {
  if (!r.figure('bench.welded')) return [];
  return [
    judge({
      id: 'drive.welded',
      stage: 'driveline',
      figure: r.of(weldedOff),
      way: 'within',
      limit: r.limit('drive.weldedOff'),
      holds: 'Pinion is welded as it was wanted',
      fails: 'Pinion is welded off what was wanted',
      unknown: 'Whether the pinion is welded as it was wanted: not known',
      reason: 'From here on all is worked out with the pinion as it is welded.',
      todo: 'Look whether it still stands within what is allowed; a wedge under a perch turns it without a cut.',
      at: 'bench.welded',
      lacks: ['drive.aim'],
    }),
  ];
});
