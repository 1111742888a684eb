import { marksStage } from '../marks-stage';
import { node, type Reads } from '../node';
import { ends } from './ends';
import { school } from './schools';
import { shrinks, tubes } from './tubes';

const sideRead = (r: Reads, side: 'left' | 'right') => ({
  half: r.of(ends).half[side],
  casting: r.figure(`donor.casting.${side}`),
  tube: r.figure(`donor.tube.${side}`),
  mark: r.figure(`cut.mark.${side}`),
  endPiece: r.figure(`cut.endPiece.${side}`),
  shrink: r.of(shrinks)[side],
  piece: r.of(tubes).piece[side],
});

/** Where the saw goes, and what is expected of it. */
export const marks = node('marks', (r) =>
  marksStage({
    plan: r.of(school),
    method: r.choice('method'),
    datum: r.choice('datum'),
    kerf: r.figure('cut.kerf'),
    gap: r.figure('cut.gap'),
    insert: r.figure('tube.insert'),
    fromCasting: r.limit('cut.fromCasting').value,
    fromHousingEnd: r.limit('cut.fromHousingEnd').value,
    left: sideRead(r, 'left'),
    right: sideRead(r, 'right'),
  }),
);
