import { bySide, type Side } from '../../../geometry';
import { derive, given, type Figure } from '../../../measure';
import { SHORTEST_END_PIECE } from '../marks-stage';
import type { SideMarks } from '../marks-result';
import { node, type Reads } from '../node';
import { listed, windowsStage, type KeepClear, type Windows } from '../windows-stage';
import { marks } from './marks';
import { school } from './schools';
import { seats } from './stand';

/** A limit of this project as a figure to reckon with, mm. */
const kept = (id: string, label: string, value: number): Figure =>
  given(id, label, value, 0, 'mm', { source: 'Limit of this project', byTape: true });

/** How near the housing end the first mark may stand: both cuts keep their distance from it. */
function nearEnd(r: Reads, side: Side, { tube: T, spacing: s }: SideMarks): Figure {
  const L =
    r.choice('method') === 'endOff'
      ? given(
          'endPiece.least',
          'Shortest end piece',
          SHORTEST_END_PIECE,
          0,
          'mm',
          'Less cannot be held and faced',
        )
      : kept('cut.fromHousingEnd', 'Least distance from the housing end', r.limit('cut.fromHousingEnd').value);
  return derive({
    id: `window.end.${side}`,
    label: `First mark nearest the housing end, ${side}`,
    unit: 'mm',
    formula: '{T} − {L} − {s}',
    source: 'Tube less the distance to keep and what lies between the marks',
    inputs: { T, L, s },
  });
}

/** Nothing once the saw has run: then the cut is where it is. */
const sawn = (r: Reads, side: Side): boolean =>
  r.figure(`after.tacked.${side}`) !== undefined || r.figure(`after.welded.${side}`) !== undefined;

function windowsOf(r: Reads, side: Side): Windows | undefined {
  const found = r.of(marks).marks[side];
  if (!found || r.of(school)?.work[side] !== 'shorten' || sawn(r, side)) return undefined;
  const seat = r.of(seats)[side];
  const later: KeepClear[] = seat ? [{ id: 'seat', name: 'the new spring seat', later: true, ...seat }] : [];
  return windowsStage(
    {
      marks: found,
      nearCasting: kept('cut.fromCasting', 'Least distance from the casting', r.limit('cut.fromCasting').value),
      nearEnd: nearEnd(r, side, found),
      keepClear: [...listed(r.part('tubeItems'), side), ...later],
      apart: kept(
        'cut.fromBracket',
        'Least distance from brackets and their welds',
        r.limit('cut.fromBracket').value,
      ),
    },
    side,
  );
}

/** Where on each tube the cut may be; nothing for a side that is not shortened, is sawn already, or not known yet. */
export const windows = node('windows', (r) => bySide((side) => windowsOf(r, side)));
