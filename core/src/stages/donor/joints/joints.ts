import { node } from '../node';
import { patterns } from '../../hubs/figures/patterns';
import { stockTaken, takenNumbers, using } from '../../shafts/figures/in-use';
import { matingStage } from './mating-stage';

/** Every joint between donor, car and bought parts. */
export const joints = node('joints', (r) => {
  const use = using(r);
  return matingStage({
    figures: use,
    facts: r.fact,
    notes: r.part('joints'),
    searches: { bearing: r.search('bearing'), seal: r.search('seal') },
    buying: r.choice('shaftRoute') === 'buy' && !r.of(stockTaken),
    journalUnder: r.limit('cond.journal').value,
    taken: r.of(takenNumbers),
    redrill: r.of(patterns).redrill,
  });
});
