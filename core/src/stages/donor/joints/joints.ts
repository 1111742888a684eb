import { factsRead, idsOf } from '../../../stage';
import { DONOR_FACTS } from '../facts';
import { DONOR_MATING } from '../mating-quantities';
import { node } from '../node';
import { HUB_FACTS } from '../../hubs/facts';
import { patterns } from '../../hubs/figures/patterns';
import { stockTaken, takenNumbers, using } from '../../shafts/figures/in-use';
import { BRAKES, LINE } from '../../survey/car-quantities';
import { SURVEY_FACTS } from '../../survey/facts';
import { matingStage } from './mating-stage';

const FACES = [
  ...idsOf(DONOR_MATING),
  ...idsOf(LINE),
  ...idsOf(BRAKES),
  'donor.splineTeeth',
  'donor.splinePitch',
] as const;
const FACTS = [...idsOf(DONOR_FACTS), ...idsOf(SURVEY_FACTS), ...idsOf(HUB_FACTS)] as const;

/** Every joint between donor, car and bought parts. */
export const joints = node('joints', (r) => {
  const use = using(r);
  return matingStage({
    figures: Object.fromEntries(FACES.map((id) => [id, use(id)])),
    facts: factsRead(r, FACTS),
    notes: r.part('joints'),
    searches: { bearing: r.search('bearing'), seal: r.search('seal') },
    buying: r.choice('shaftRoute') === 'buy' && !r.of(stockTaken),
    journalUnder: r.limit('cond.journal').value,
    taken: r.of(takenNumbers),
    redrill: r.of(patterns).redrill,
  });
});
