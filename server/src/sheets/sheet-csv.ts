import {
  amountColumn,
  amountSize,
  COVERAGE,
  isAmountUnit,
  MM_PER_INCH,
  RAD_PER_DEGREE,
  SIDED,
  standardUncertainty,
  type Figure,
  type LengthUnit,
  type Sheet,
} from '@intervex/core';
import { stringify } from 'csv-stringify/sync';

const COLUMNS = ['section', 'item', 'note', 'side', 'value', 'unit', 'uncertainty_k2', 'text'] as const;

/**
 * A sheet as a table, one row an item and column: plain decimals with a point, unit in its own column,
 * and the text as the paper prints it. Text that a spreadsheet could take for a formula is escaped.
 */
export function sheetCsv(sheet: Sheet, unit: LengthUnit): string {
  const rows: (string | number)[][] = sheet.head.map(([item, text]) => [
    'Head',
    item,
    '',
    '',
    '',
    '',
    '',
    text,
  ]);
  for (const section of sheet.sections)
    for (const row of section.rows)
      row.cells.forEach(({ text, figure, held }, i) => {
        rows.push([
          section.title,
          row.item,
          row.note,
          columnName(section.columns, i),
          ...numbers(figure, unit),
          held === undefined ? text : `held: ${held}`,
        ]);
      });
  for (const check of [...sheet.checks, ...sheet.accepted])
    rows.push([
      'Checks',
      check.title,
      check.todo,
      '',
      '',
      '',
      '',
      [
        check.accepted ? 'accepted' : check.level,
        check.figure,
        check.limit && `limit ${check.limit}`,
        check.accepted,
        check.note,
      ]
        .filter(Boolean)
        .join('; '),
    ]);
  for (const line of sheet.lacks) rows.push(['Not complete', line, '', '', '', '', '', '']);
  for (const line of sheet.assumed) rows.push(['Assumed', line, '', '', '', '', '', '']);
  for (const line of sheet.limits) rows.push(['Changed limits', line, '', '', '', '', '', '']);
  return stringify(rows, { header: true, columns: [...COLUMNS], escape_formulas: true, bom: true });
}

/** A side is written small, as programs read it; any other column as the sheet has it. */
const columnName = (columns: readonly string[], i: number): string =>
  columns === SIDED ? (columns[i] ?? '').toLowerCase() : (columns[i] ?? '');

/** Value, unit and U (k = 2) of a figure as plain numbers. */
function numbers(figure: Figure | undefined, unit: LengthUnit): (string | number)[] {
  if (!figure) return ['', '', ''];
  const { scale, name, digits } = column(figure, unit);
  const U = COVERAGE * standardUncertainty(figure);
  return [Number((figure.value / scale).toFixed(digits)), name, Number((U / scale).toFixed(digits))];
}

function column({ unit: kind }: Figure, unit: LengthUnit): { scale: number; name: string; digits: number } {
  if (kind === 'rad') return { scale: RAD_PER_DEGREE, name: 'deg', digits: 3 };
  if (kind === 'mm')
    return unit === 'mm' ? { scale: 1, name: 'mm', digits: 2 } : { scale: MM_PER_INCH, name: 'in', digits: 4 };
  if (isAmountUnit(kind)) return { scale: amountSize(kind, unit), name: amountColumn(kind, unit), digits: 3 };
  return { scale: 1, name: kind, digits: 3 };
}
