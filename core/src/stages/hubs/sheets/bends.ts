import { bare, NO_CELL, textCell, type Pen, type SheetCell, type SheetSection } from '../../../stage';
import { turnSense } from '../bend-table';
import { lines } from '../figures/hub-ends';
import type { Reads } from '../node';

/** A bend table a line: where each bend begins, and how far line and bender are turned. */
export function lineSections(r: Reads, { print }: Pen): readonly SheetSection[] {
  const tables = r.of(lines);
  return Object.entries(r.part('lines')).flatMap(([id, line]): SheetSection[] => {
    const bent = tables[id];
    if (!bent?.ok) return [];
    const { bends, cut, stock, last } = bent.table;
    const mm = (value: number) => print(bare(value));
    const degrees = (value: number) => print(bare(value, 'rad'));
    const cells = (item: string, note: string, left: SheetCell, right: SheetCell) => ({
      item,
      note,
      cells: [left, right],
    });
    return [
      {
        title: `${line.name}: marks`,
        columns: ['Mark from the start', 'Straight before it'],
        rows: [
          ...bends.map((b, i) =>
            cells(
              `Bend ${i + 1}`,
              'start: the cut end nearest point 1; where the bend begins',
              mm(b.mark),
              mm(b.straight),
            ),
          ),
          cells('Last straight', 'after the last bend', NO_CELL, mm(last)),
        ],
      },
      {
        title: `${line.name}: bends`,
        columns: ['Bend by', 'Its plane turned'],
        rows: [
          ...bends.map((b, i) =>
            cells(
              `Bend ${i + 1}`,
              i === 0 ? 'the plane from which the next turn counts' : TURN_NOTE,
              degrees(b.angle),
              i === 0 ? NO_CELL : turn(b.rotation, degrees),
            ),
          ),
          cells(
            'Radius of every bend',
            'to the middle of the line, not to its inside',
            mm(line.radius),
            NO_CELL,
          ),
        ],
      },
      {
        title: `${line.name}: length`,
        columns: ['Cut to', 'Nearest ready-made'],
        rows: [
          cells(
            'Both flares in it',
            '',
            mm(cut),
            stock === undefined ? textCell('none long enough') : mm(stock),
          ),
        ],
      },
    ];
  });
}

/** What is turned against what, and from where it is seen. */
const TURN_NOTE = 'plane of this bend against the bend before, seen from the start looking along the line';

/** Below this a turn is none, rad. */
const NO_TURN = 0.0005;

/** A turn as its size and its sense; a bare sign could be read two ways. */
function turn(rotation: number, degrees: (value: number) => SheetCell): SheetCell {
  if (Math.abs(rotation) < NO_TURN) return { text: 'none' };
  const cell = degrees(Math.abs(rotation));
  return { ...cell, text: `${cell.text} ${turnSense(rotation)}` };
}
