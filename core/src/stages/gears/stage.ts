import { stage } from '../../stage';
import { agree, clutchPack, settled, turns } from './checks';
import { ratioDecision } from './decisions';
import { axlesApart, speedoTeeth } from './figures/others';
import { ratios } from './figures/ratios';
import { backlash } from './figures/set-up';
import { node } from './node';
import { strip } from './strip';
import { gears } from './words';

/** The stage with all that it computes. */
export const gearsStage = stage(gears, {
  checks: [agree, settled, turns, clutchPack],
  decisions: [ratioDecision],
  figures: [ratios, axlesApart, speedoTeeth, backlash],
  strip,
  begun: node(
    'begun',
    (r) =>
      r.choice('gearSet') !== '' ||
      Object.keys(r.part('gearOffers')).length > 0 ||
      Object.keys(r.part('gearTrials')).length > 0,
  ),
  state: { decisions: [ratioDecision] },
});
