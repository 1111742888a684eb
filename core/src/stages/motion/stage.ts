import { stage, type Thing } from '../../stage';
import { bears, strengths } from './checks/loads';
import { saidTwice } from './checks/twice';
import { barListed, holds, pairs, placed, reaches, rodEnds, travels } from './checks/moves';
import { agrees, dampersAgree, lengthsAgree } from './checks/scales';
import { carried, clears, damperEnds, springEnds, springTaken, shackles, tyresClear } from './checks/sprung';
import { linksDecision } from './decisions';
import { ANSWERS } from './figures/answers';
import { armLoads, loadInputs, springLoads } from './figures/loads';
import { aims } from './figures/aims';
import { arms, sprung } from './figures/arms';
import { leaf } from './figures/leaf';
import { height, pressed, weighed } from './figures/scales';
import { rearRate } from './figures/springs';
import { rollRate, springs } from './figures/springs';
import { takenSpring, wantedSpring } from './figures/stock-springs';
import { study } from './figures/study';
import { node } from './node';
import { strip } from './strip';
import { motion } from './words';

/** The stage with all that it computes. */
export const motionStage = stage(motion, {
  checks: [
    holds,
    barListed,
    pairs,
    shackles,
    placed,
    reaches,
    travels,
    rodEnds,
    springEnds,
    springTaken,
    damperEnds,
    clears,
    tyresClear,
    carried,
    bears,
    agrees,
    dampersAgree,
    lengthsAgree,
    saidTwice,
  ],
  decisions: [linksDecision],
  strip,
  answers: ANSWERS,
  things: node('things', (r): readonly Thing[] => [
    ...Object.entries(r.part('arms')).map(([id, { name }]): Thing => ({ id, kind: 'arm', name })),
    ...Object.entries(r.part('cranks')).map(([id, { name }]): Thing => ({ id, kind: 'crank', name })),
  ]),
  figures: [
    aims,
    study,
    arms,
    sprung,
    springs,
    wantedSpring,
    takenSpring,
    rollRate,
    leaf,
    armLoads,
    springLoads,
    loadInputs,
    strengths,
    weighed,
    pressed,
    rearRate,
    height,
  ],
  begun: node('begun', (r) =>
    [r.part('arms'), r.part('cranks'), r.part('obstacles')].some((part) => Object.keys(part).length > 0),
  ),
  state: { decisions: [linksDecision] },
});
