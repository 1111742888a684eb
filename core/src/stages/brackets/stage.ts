import { stage, type Thing } from '../../stage';
import { donorThings } from './figures/donor-things';
import { boltJoints, heights, linked, strengths } from './checks/links';
import { meets, onOld } from './checks/meets';
import { asWelded, kits, stands } from './checks/places';
import { archRoom, flips, perchAngles, pins, uBolts } from './checks/springs';
import { clampDecision, placesDecision } from './decisions';
import { clamps, flip, perchOff, PLATE_ANSWERS, wheelbase } from './figures/perches';
import { pairLoads } from './figures/links';
import { node } from './node';
import { brackets } from './words';

/** The stage with all that it computes. */
export const bracketsStage = stage(brackets, {
  checks: [
    stands,
    meets,
    onOld,
    asWelded,
    kits,
    perchAngles,
    flips,
    archRoom,
    pins,
    uBolts,
    linked,
    strengths,
    boltJoints,
    heights,
  ],
  decisions: [placesDecision, clampDecision],
  answers: PLATE_ANSWERS,
  things: node('things', (r): readonly Thing[] => [
    ...Object.entries(r.part('brackets')).map(([id, { name }]): Thing => ({ id, kind: 'bracket', name })),
    ...r.of(donorThings).map(({ id, name }): Thing => ({ id, kind: 'tubeItem', name })),
  ]),
  figures: [clamps, flip, perchOff, wheelbase, pairLoads],
  begun: node('begun', (r) =>
    [r.part('brackets'), r.part('links'), r.part('boltJoints')].some((part) => Object.keys(part).length > 0),
  ),
  state: { decisions: [placesDecision, clampDecision] },
});
