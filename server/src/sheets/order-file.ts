import type { VariantView } from '@intervex/contract';
import {
  evaluate,
  expandedUncertainty,
  isoDay,
  orderSheet,
  shaftOrder,
  SIDES,
  type LengthUnit,
  type OrderSheetId,
  type SheetCell,
} from '@intervex/core';

/** The mark by which an order file is known, and its version. */
export const ORDER_FORMAT = 'intervex-order';
export const ORDER_VERSION = 1;

const cellOf = ({ text, figure, held }: SheetCell) => ({
  text,
  ...(held === undefined ? {} : { held }),
  ...(figure?.id ? { value: figure.value, unit: figure.unit, uncertaintyK2: expandedUncertainty(figure) } : {}),
});

/** An order sheet as an open file: what it prints, and the plain values behind it; lengths in mm, angles in rad. */
export function orderFile({ plan, ...variant }: VariantView, sheet: OrderSheetId, units: LengthUnit) {
  const results = evaluate(plan, isoDay(new Date()));
  const { head, sections, lacks, assumed, checks, cautions } = orderSheet(sheet, plan, results, units);
  return {
    format: ORDER_FORMAT,
    version: ORDER_VERSION,
    sheet,
    project: variant.projectName,
    variant: variant.name,
    revision: variant.revision,
    head: Object.fromEntries(head),
    sections: sections.map(({ title, columns, rows }) => ({
      title,
      ...(columns ? { columns } : {}),
      rows: rows.map((row) => ({
        item: row.item,
        note: row.note,
        ...Object.fromEntries(SIDES.map((side) => [side, cellOf(row.cells[side])])),
      })),
    })),
    ...(sheet === 'shafts' ? { order: shaftOrder(plan, results) } : {}),
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
