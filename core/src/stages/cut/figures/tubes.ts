import { bySide, type Sided } from '../../../geometry';
import type { Figure } from '../../../measure';
import { shrinkOf } from '../marks-stage';
import { floatStage } from '../float-stage';
import { node } from '../node';
import { tubeStage, wantedTubes } from '../tube-stage';
import { school } from './schools';

/** What one butt of each side pulls: as planned once its side is begun, as learned from other welds before that. */
export const shrinks = node('shrinks', (r): Sided<Figure | undefined> =>
  bySide((side) =>
    shrinkOf(
      r.figure('cut.shrink'),
      r.figure('cut.pull'),
      !!(r.figure(`after.tacked.${side}`) ?? r.figure(`after.welded.${side}`)),
    ),
  ),
);

/** Length of each tube that is wanted. */
export const wanted = node('wanted', (r) => {
  const cut = r.of(school)?.cut;
  return wantedTubes({
    tubeLeft: r.figure('donor.tube.left'),
    tubeRight: r.figure('donor.tube.right'),
    cutLeft: cut?.left,
    cutRight: cut?.right,
  });
});

/** New tubes: their fit in the casting and their pieces. */
export const tubes = node('tubes', (r) => {
  const [want, shrink] = [r.of(wanted), r.of(shrinks)];
  return tubeStage({
    figures: r.figure,
    wantedLeft: want.left,
    wantedRight: want.right,
    endLeft: r.figure('cut.endPiece.left'),
    endRight: r.figure('cut.endPiece.right'),
    gap: r.figure('cut.gap'),
    shrinkLeft: shrink.left,
    shrinkRight: shrink.right,
  });
});

/** Outside of the tubes that are cut or will be there. */
export const tubeOd = node('tubeOd', (r): Sided<Figure | undefined> => {
  if (r.choice('method') === 'newTubes') return r.of(tubes).outside;
  const od = r.figure('donor.tubeOd');
  // One size for both until the right one is said to be another.
  return { left: od, right: r.figure('donor.rightTubeOd') ?? od };
});

/** Full-float ends: plugs, bores, built-in angles. */
export const float = node('float', (r) =>
  floatStage({
    figures: r.figure,
    tubeOd: r.of(tubeOd),
    tubeWall: r.choice('method') === 'newTubes' ? undefined : r.figure('donor.tubeWall'),
  }),
);
