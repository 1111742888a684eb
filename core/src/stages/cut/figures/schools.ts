import { pair } from '../../shafts/figures/in-use';
import { node } from '../node';
import { isPlanned, schoolsStage } from '../school-stage';
import { ends } from './ends';

/** Every way to choose the two new halves. */
export const schools = node('schools', (r) => {
  const { half, shaft, lacks } = r.of(ends);
  const stock = r.of(pair);
  return schoolsStage({
    halfLeft: half.left,
    halfRight: half.right,
    targetWidth: r.figure('brief.targetWidth'),
    pinionWanted: r.figure('cut.pinion'),
    gearbox: r.figure('survey.gearbox'),
    offCentre: r.figure('stance.offCentre'),
    lacks,
    shaftLeft: shaft.left,
    shaftRight: shaft.right,
    pairLeft: stock.left,
    pairRight: stock.right,
  });
});

/** The chosen way, worked out or not. */
export const chosen = node('chosen', (r) => r.of(schools).find((s) => s.school === r.choice('school')));

/** The chosen way where it can be worked out. */
export const school = node('school', (r) => {
  const way = r.of(chosen);
  return way && isPlanned(way) ? way : undefined;
});
