import type { VariantView } from '@intervex/contract';
import {
  evaluate,
  expandedUncertainty,
  isoDay,
  SIDED,
  SIDES,
  type LengthUnit,
  type SheetCell,
  type SheetDef,
  type SheetRow,
} from '@intervex/core';
import { sheetOf } from '@intervex/core/sheets';

/** The mark by which an order file is known, and its version. */
const ORDER_FORMAT = 'intervex-order';
const ORDER_VERSION = 1;

const cellOf = ({ text, figure, held }: SheetCell) => ({
  text,
  ...(held === undefined ? {} : { held }),
  ...(figure?.id ? { value: figure.value, unit: figure.unit, uncertaintyK2: expandedUncertainty(figure) } : {}),
});

/** Cells by side; those of any other columns in their order. */
const cellsOf = ({ cells }: SheetRow, columns: readonly string[]) =>
  cells.length === SIDES.length
    ? Object.fromEntries(SIDES.map((side, i) => [side, cellOf(cells[i] as SheetCell)]))
    : { cells: columns.map((_, i) => cellOf(cells[i] as SheetCell)) };

/** A sheet as an open file: what it prints, and the plain values behind it; lengths in mm, angles in rad. */
export function sheetFile({ plan, ...variant }: VariantView, def: SheetDef, units: LengthUnit) {
  const results = evaluate(plan, isoDay(new Date()));
  const { head, sections, lacks, assumed, checks, cautions } = sheetOf(def, results, units);
  return {
    format: ORDER_FORMAT,
    version: ORDER_VERSION,
    sheet: def.id,
    project: variant.projectName,
    variant: variant.name,
    revision: variant.revision,
    head: Object.fromEntries(head),
    sections: sections.map(({ title, columns, rows }) => ({
      title,
      ...(columns === SIDED ? {} : { columns }),
      rows: rows.map((row) => ({ item: row.item, note: row.note, ...cellsOf(row, columns) })),
    })),
    ...Object.fromEntries(Object.entries(def.data ?? {}).map(([name, node]) => [name, results.of(node)])),
    lacks,
    assumed,
    openChecks: checks.map(({ level, title, figure, limit, todo, note }) => ({
      level,
      title,
      figure,
      limit,
      todo,
      ...(note ? { note } : {}),
    })),
    cautions,
  };
}
