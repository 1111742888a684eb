import { bySide } from '../../../geometry';
import { BOUGHT_SHAFTS } from '../../shafts/shafts-result';
import { needs, running } from '../../shafts/figures/needs';
import { learnedStage } from '../learned-stage';
import { node } from '../node';
import { perchStage, seatOnTube } from '../perch-stage';
import { squareStage } from '../square-stage';
import { standStage } from '../stand-stage';
import { ends } from './ends';
import { clipAfter } from '../../hubs/retention';
import { marks } from './marks';
import { school } from './schools';
import { shrinks, tubeOd, wanted } from './tubes';

/** The axle as it stands by now: measured where it was measured after the work. */
export const stand = node('stand', (r) => {
  const { half, shaft, space } = r.of(ends);
  const need = r.of(needs);
  return standStage({
    plan: r.of(school),
    clip: clipAfter(r),
    half,
    shaft,
    space,
    tube: bySide((side) => r.figure(`donor.tube.${side}`)),
    expected: r.of(marks).halfExpected,
    tacked: bySide((side) => r.figure(`after.tacked.${side}`)),
    welded: bySide((side) => r.figure(`after.welded.${side}`)),
    shrink: r.of(shrinks),
    running: r.of(running),
    received: bySide((side) => {
      const source = need?.[side]?.source;
      return source !== undefined && BOUGHT_SHAFTS.includes(source) && !!r.figure(`shaft.received.${side}`);
    }),
  });
});

/** WMS width of the axle as it stands, or will. */
export const width = node('width', (r) =>
  r.of(stand).open ? undefined : (r.of(stand).width ?? r.of(school)?.width ?? r.figure('brief.targetWidth')),
);

/** How square the ends’ faces are. */
export const square = node('square', (r) => squareStage({ figures: r.figure, tubeOd: r.of(tubeOd) }));

/** What was read after the work, against what was wanted. */
export const learned = node('learned', (r) => {
  const [want, shrink] = [r.of(wanted), r.of(shrinks)];
  return learnedStage({
    wantedLeft: want.left,
    wantedRight: want.right,
    shrinkLeft: shrink.left,
    shrinkRight: shrink.right,
    tackedLeft: r.figure('after.tacked.left'),
    tackedRight: r.figure('after.tacked.right'),
    weldedLeft: r.figure('after.welded.left'),
    weldedRight: r.figure('after.welded.right'),
  });
});

const perchInput = node('perchInput', (r) => {
  const [now, want] = [r.of(stand), r.of(wanted)];
  return {
    spacing: r.figure('spring.spacing'),
    width: r.figure('spring.width'),
    casting: bySide((side) => r.figure(`donor.casting.${side}`)),
    tube: bySide((side) => now.tube[side] ?? want[side]),
    pinion: now.pinion ?? r.of(school)?.pinion,
    offCentre: r.figure('stance.offCentre'),
  };
});

/** Tube left beside the spring seats. */
export const perch = node('perch', (r) => perchStage(r.of(perchInput)));

/** Where the new spring seats will stand on the finished tubes. */
export const seats = node('seats', (r) => bySide((side) => seatOnTube(r.of(perchInput), side)));
