import { demand } from '../../brief/figures/torque';
import { capacityStage, steelOf, type ShaftMaterial } from '../capacity';
import { node } from '../node';
import { ratioStage } from '../ratio-stage';
import { slipFinding } from '../slip';
import { axle } from './axle';

/** Its ratio, by teeth and by turning. */
export const ratio = node('ratio', (r) => {
  const how = r.fact('ratio.how')?.value;
  return ratioStage({
    ring: r.figure('ratio.ring'),
    pinion: r.figure('ratio.pinion'),
    wheelTurns: r.figure('ratio.wheelTurns'),
    pinionTurns: r.figure('ratio.pinionTurns'),
    how: how === 'both' || how === 'held' ? how : undefined,
    planned: r.figure('brief.axleRatio'),
  });
});

/** What is said and was seen of its differential. */
export const slipInput = node('slipInput', (r) => ({
  claim: r.fact('slip.claim'),
  look: r.fact('slip.look'),
  turn: r.fact('slip.turn'),
  torque: r.figure('slip.torque'),
  wanted: r.field('brief', 'differential'),
}));

/** What its differential is. */
export const slip = node('slip', (r) => slipFinding(r.of(slipInput)));

/** Strength of the steel that is named, or as its maker says. */
export const steel = node('steel', (r) =>
  steelOf(r.fact('donor.material')?.value as ShaftMaterial | undefined, {
    yield: r.figure('shaft.yield'),
    tensile: r.figure('shaft.tensile'),
  }),
);

/** What its own shafts bear. */
export const capacity = node('capacity', (r) =>
  capacityStage({
    demand: r.of(demand),
    splineMinor: r.of(axle).spline?.minor,
    bodyLeft: r.figure('donor.shaftBody.left'),
    bodyRight: r.figure('donor.shaftBody.right'),
    shearYield: r.of(steel).yield,
  }),
);
