import { SIDES, type Side } from '../geometry';
import { expandedUncertainty, given, showValue, type Figure } from '../measure';
import type { LengthUnit } from '../units';
import type { SheetCell, SheetRow } from './sheet';

/** Stands behind a number that rests on a default; the row’s note says which. */
export const ASSUMED_MARK = '*';
const HELD = 'held';
export const NO_CELL: SheetCell = { text: '–' };

/** Columns of the two sides. */
export const SIDED = ['Left', 'Right'] as const;

/** Why a figure may not be printed; undefined where it may. */
export type HeldBy = (figure: Figure) => string | undefined;
export type Printer = (figure: Figure | undefined, withU?: boolean) => SheetCell;

/** How values are printed: as read, or to the hundredth where something is turned, ground or pressed. */
export interface Pen {
  readonly unit: LengthUnit;
  /** With U, the uncertainty follows. */
  readonly print: Printer;
  readonly fine: Printer;
}

/** A cell of a figure that may be printed: nothing while it is not known, `held` while its readings contradict. */
function cellOf(figure: Figure | undefined, heldBy: HeldBy, text: (f: Figure) => string): SheetCell {
  if (!figure) return NO_CELL;
  const held = heldBy(figure);
  if (held !== undefined) return { text: HELD, held };
  const mark = Object.keys(figure.assumed).length ? ASSUMED_MARK : '';
  return { text: text(figure) + mark, figure };
}

/** Prints figures in one unit. */
export function penOf(unit: LengthUnit, heldBy: HeldBy = () => undefined): Pen {
  const small = (f: Figure) => (f.unit === 'mm' ? (unit === 'mm' ? 2 : 4) : undefined);
  return {
    unit,
    print: (figure, withU = false) =>
      cellOf(figure, heldBy, (f) => {
        const text = showValue(f.value, f.unit, unit);
        if (!withU) return text;
        // An uncertainty is a decimal, also beside a fraction.
        return `${text} ± ${showValue(expandedUncertainty(f), f.unit, unit === 'frac' ? 'in' : unit)}`;
      }),
    // A tenth of a thousandth of an inch, where mm are printed to the hundredth.
    fine: (figure) =>
      cellOf(figure, heldBy, (f) => showValue(f.value, f.unit, unit === 'mm' ? 'mm' : 'in', small(f))),
  };
}

/** A row of any cells; what they assume is named in its note. */
export function cellsRow(item: string, note: string, cells: readonly SheetCell[]): SheetRow {
  const labels = cells.flatMap((c) => Object.values(c.figure?.assumed ?? {}).map((a) => a.label));
  const assumed = labels.length
    ? `${ASSUMED_MARK} assumed: ${[...new Set(labels)].join(', ').toLowerCase()}`
    : '';
  return { item, note: [note, assumed].filter(Boolean).join('; '), cells };
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
