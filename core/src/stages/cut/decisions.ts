import { otherSide, SIDES } from '../../geometry';
import { type DecisionDef, type PlaceId, unless } from '../../stage';
import { shafts } from '../shafts/figures/shafts';
import { ends } from './figures/ends';
import { marks } from './figures/marks';
import { chosen, school } from './figures/schools';
import { tubes } from './figures/tubes';
import { node } from './node';
import { isPlanned } from './school-stage';

/** Both sides of a reading. */
const sides = (id: 'donor.tube' | 'donor.casting' | 'donor.sideGear' | 'cut.endPiece'): readonly PlaceId[] =>
  SIDES.map((side) => `${id}.${side}` as const);

const cutNeeds = node('cutNeeds', (r): readonly PlaceId[] => {
  const way = r.of(chosen);
  return way && !isPlanned(way) ? way.lacks : [];
});

const marksNeeds = node('marksNeeds', (r): readonly PlaceId[] => {
  const [method, datum] = [r.choice('method'), r.choice('datum')];
  return [
    ...r.of(cutNeeds),
    ...sides('donor.tube'),
    ...(method !== 'newTubes' && datum === 'pinion' ? sides('donor.casting') : []),
    ...(method === 'slug' ? [] : sides('cut.endPiece')),
    ...unless(method !== 'newTubes', 'tube.insert'),
  ];
});

const shaftsNeeds = node('shaftsNeeds', (r): readonly PlaceId[] => [
  ...unless(r.choice('retentionTo') !== 'unsaid', 'donor.retention'),
  ...r.of(cutNeeds),
  ...SIDES.flatMap((side) => r.of(ends).lacks[side].shaft),
]);

/** The spline of the shafts that will run: that of the shaft whose length is not known on a side. */
const splineNeeds = node('splineNeeds', (r): readonly PlaceId[] => {
  const { needs, fit } = r.of(shafts);
  return SIDES.flatMap((side): readonly PlaceId[] => {
    if (fit[side].spline) return [];
    const source = needs[side]?.source;
    if (source === 'stockPair') return ['shaft.pair'];
    return [`donor.shaftSpline.${source === 'stockShort' ? otherSide(side) : side}`];
  });
});

export const cutDecision: DecisionDef = {
  id: 'cut',
  label: 'The cut',
  needs: cutNeeds,
  rests: node('cutRests', (r) => SIDES.map((s) => r.of(school)?.cut[s])),
};
export const marksDecision: DecisionDef = {
  id: 'marks',
  label: 'The scribe marks',
  needs: marksNeeds,
  rests: node('marksRests', (r) => {
    const found = r.of(marks).marks;
    return [
      ...SIDES.map((s) => found[s]?.inner.fromCasting),
      ...SIDES.map((s) => found[s]?.outer.fromCasting),
      ...SIDES.map((s) => r.of(tubes).piece[s]),
    ];
  }),
};
export const shaftsDecision: DecisionDef = {
  id: 'shafts',
  label: 'The shafts',
  needs: shaftsNeeds,
  rests: node('shaftsRests', (r) => SIDES.map((s) => r.of(shafts).needs[s]?.fitted)),
};
export const engagementDecision: DecisionDef = {
  id: 'engagement',
  label: 'Spline engagement',
  needs: node('engagementNeeds', (r): readonly PlaceId[] => [
    ...r.of(shaftsNeeds),
    ...r.of(splineNeeds),
    ...sides('donor.sideGear'),
    'donor.sideGearSpline',
  ]),
  rests: node('engagementRests', (r) => SIDES.map((s) => r.of(shafts).fit[s].share)),
};

/** All that is decided here: what the sheet for the saw lacks, it lacks. */
export const cutDecisions = [cutDecision, marksDecision, shaftsDecision, engagementDecision] as const;
