import { SIDES, type Side } from '../geometry';
import {
  expandedUncertainty,
  given,
  showFigure,
  tellingDigits,
  showUncertainty,
  showValue,
  type Figure,
} from '../measure';
import { decimalOf, type LengthUnit } from '../units';
import { inARow, OPEN_NAMES, openUnder, unsettledUnder, type Openings } from './open-choice';
import type { SheetCell, SheetRow } from './sheet';

/** Stands behind a number that rests on a default; the row’s note says which. */
export const ASSUMED_MARK = '*';
/** Stands behind a number that is true of a choice that is still open; the row’s note says which. */
export const OPEN_MARK = '†';
const HELD = 'held';
export const NO_CELL: SheetCell = { text: '–' };

/** Columns of the two sides. */
export const SIDED = ['Left', 'Right'] as const;

/** What holds or loosens a figure. */
export interface Standing {
  /** Why it may not be printed; undefined where it may. */
  readonly heldBy: (figure: Figure) => string | undefined;
  readonly openings: Openings;
}
export type Printer = (figure: Figure | undefined, withU?: boolean) => SheetCell;

/** How values are printed: as read, or to the hundredth where something is turned, ground or pressed. */
export interface Pen {
  readonly unit: LengthUnit;
  /** With U, the uncertainty follows. */
  readonly print: Printer;
  readonly fine: Printer;
}

/** A cell of a figure that may be printed: nothing while it is not known, `held` while its readings contradict. */
function cellOf(figure: Figure | undefined, standing: Standing, text: (f: Figure) => string): SheetCell {
  if (!figure) return NO_CELL;
  const held = standing.heldBy(figure);
  if (held !== undefined) return { text: HELD, held };
  const open = openUnder(figure, standing.openings);
  const unsaid = unsettledUnder(figure, standing.openings)
    .map((choice) => OPEN_NAMES[choice])
    .filter((name) => !open.includes(name));
  const mark = `${Object.keys(figure.assumed).length ? ASSUMED_MARK : ''}${open.length ? OPEN_MARK : ''}`;
  return {
    text: text(figure) + mark,
    figure,
    ...(open.length ? { open } : {}),
    ...(unsaid.length ? { unsaid } : {}),
  };
}

const FIRM: Standing = { heldBy: () => undefined, openings: {} };

/** Prints figures in one unit. */
export function penOf(unit: LengthUnit, standing: Standing = FIRM): Pen {
  return {
    unit,
    print: (figure, withU = false) =>
      cellOf(figure, standing, (f) => {
        const text = showFigure(f, unit);
        return withU ? `${text} ± ${showUncertainty(expandedUncertainty(f), f.unit, unit)}` : text;
      }),
    fine: (figure) => cellOf(figure, standing, (f) => fineText(f, unit)),
  };
}

/**
 * To the hundredth of a millimetre, or a tenth of a thousandth of an inch, where that is known: never finer than what it is
 * uncertain by. A seller’s word says so, with that.
 */
function fineText(f: Figure, unit: LengthUnit): string {
  const style = decimalOf(unit);
  if (f.unit !== 'mm') return showValue(f.value, f.unit, style);
  const U = expandedUncertainty(f);
  const known = (U > 2 ? 0 : U > 0.2 ? 1 : 2) + (style === 'mm' ? 0 : 2);
  const digits = U < 0.05 ? Math.max(known, tellingDigits(f.value, 'mm', style) ?? 0) : known;
  const text = showValue(f.value, 'mm', style, digits);
  return f.evidence === 'seller' ? `${text} ± ${showUncertainty(U, 'mm', unit)}, seller’s word` : text;
}

const namesOf = (cells: readonly SheetCell[], of: 'open' | 'unsaid'): readonly string[] => [
  ...new Set(cells.flatMap((c) => c[of] ?? [])),
];

/** A row of any cells; what they assume is named in its note. */
export function cellsRow(item: string, note: string, cells: readonly SheetCell[]): SheetRow {
  const labels = cells.flatMap((c) => Object.values(c.figure?.assumed ?? {}).map((a) => a.label));
  const assumed = labels.length
    ? `${ASSUMED_MARK} assumed: ${[...new Set(labels)].join(', ').toLowerCase()}`
    : '';
  const open = namesOf(cells, 'open');
  const preliminary = open.length ? `${OPEN_MARK} preliminary: ${inARow(open)} still open` : '';
  return { item, note: [note, assumed, preliminary].filter(Boolean).join('; '), cells };
}

/** Said of a weld whose place may still move. */
export const TACK_ONLY = 'TACK ONLY';

/** A row that is welded by: while something that it is true of is open, or was never said to be settled, it is tacked. */
export function weldRow(item: string, note: string, cells: readonly SheetCell[]): SheetRow {
  const [open, unsaid] = [namesOf(cells, 'open'), namesOf(cells, 'unsaid')];
  const why = [
    open.length ? `${inARow(open)} still open` : '',
    unsaid.length ? `not settled: ${inARow(unsaid)}` : '',
  ].filter(Boolean);
  const { note: said, ...made } = cellsRow(item, note, cells);
  return {
    ...made,
    note: [why.length ? `${TACK_ONLY}: ${why.join('; ')}` : '', said].filter(Boolean).join('; '),
  };
}

/** A row with a value for each side. */
export const row = (item: string, note: string, of: (side: Side) => SheetCell): SheetRow =>
  cellsRow(item, note, SIDES.map(of));

/** A row whose value is the same on both sides. */
export const bothRow = (item: string, note: string, cell: SheetCell): SheetRow => row(item, note, () => cell);

/** Text in a cell; a dash where there is none. */
export const textCell = (value: string | undefined): SheetCell => (value ? { text: value } : NO_CELL);

/** A bare number as something to print: no reading stands behind it. */
export const bare = (value: number, unit: Figure['unit'] = 'mm'): Figure => given('', '', value, 0, unit, '');
