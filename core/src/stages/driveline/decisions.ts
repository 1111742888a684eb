import { type DecisionDef, type PlaceId, unless } from '../../stage';
import { atRest, shaking } from './figures/motion';
import { line } from './figures/line';
import { bench, benchLacks } from './figures/bench';
import { setSlope, wantedSlope } from './figures/slopes';
import { node } from './node';

/** What the driveline as a whole needs. */
const lineNeeds = node('lineNeeds', (r): readonly PlaceId[] => r.of(line).lacks);

export const slopeDecision: DecisionDef = {
  id: 'pinionSlope',
  label: 'The pinion’s slope',
  needs: node('slopeNeeds', (r): readonly PlaceId[] => [
    ...unless(r.choice('aim') !== 'undecided', 'drive.aim'),
    ...r.of(lineNeeds),
    ...unless(r.choice('aim') === 'parallel' || r.choice('aim') === 'undecided', 'drive.preset'),
  ]),
  rests: node('slopeRests', (r) => [r.of(setSlope), r.of(shaking).torsional]),
};

export const lengthDecision: DecisionDef = {
  id: 'driveshaft',
  label: 'The driveshaft’s length',
  needs: node('lengthNeeds', (r) => [
    ...unless(r.of(setSlope), 'drive.aim'),
    ...r.of(lineNeeds),
    'drive.outside',
    'drive.wall',
    'drive.bottom',
    'drive.engaged',
  ]),
  rests: node('lengthRests', (r) => r.of(atRest)?.shafts.map((s) => s.length) ?? []),
};

export const perchDecision: DecisionDef = {
  id: 'perchAngle',
  label: 'The perch angle on the bench',
  needs: node('perchNeeds', (r) => [...unless(r.of(wantedSlope), 'drive.aim'), ...r.of(benchLacks)]),
  rests: node('perchRests', (r) => r.of(bench).map((f) => f.fromPinion)),
};
