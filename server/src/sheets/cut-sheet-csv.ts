import {
  COVERAGE,
  MM_PER_INCH,
  RAD_PER_DEGREE,
  SIDES,
  standardUncertainty,
  type CutSheet,
  type Figure,
  type LengthUnit,
} from '@intervex/core';
import { stringify } from 'csv-stringify/sync';

const COLUMNS = ['section', 'item', 'note', 'side', 'value', 'unit', 'uncertainty_k2', 'text'] as const;

/**
 * The cut sheet as a table, one row an item and side: plain decimals with a point, unit in its own column,
 * and the text as the paper prints it. Text that a spreadsheet could take for a formula is escaped.
 */
export function cutSheetCsv(sheet: CutSheet, unit: LengthUnit): string {
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
      for (const side of SIDES) {
        const { text, figure, held } = row.cells[side];
        const column = section.columns?.[side === 'left' ? 0 : 1] ?? side;
        rows.push([
          section.title,
          row.item,
          row.note,
          column,
          ...numbers(figure, unit),
          held === undefined ? text : `held: ${held}`,
        ]);
      }
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
  return { scale: 1, name: kind, digits: 3 };
}
