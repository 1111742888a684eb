import { parseAngle, parseLength, RAD_PER_DEGREE } from '@intervex/core';
import type { UnitsService } from '../state/units.service';

/** One column of a list that is edited in place. Lengths are held in mm, angles in rad. */
export interface RowColumn {
  readonly key: string;
  readonly label: string;
  readonly kind: 'text' | 'mm' | 'angle' | 'whole' | 'choice';
  readonly options?: readonly { readonly id: string; readonly name: string }[];
  readonly min?: number;
  readonly max?: number;
  /** A place along a tape. */
  readonly byTape?: boolean;
  /** May be left empty. */
  readonly optional?: boolean;
  /** A new row goes on as the last one was: readings of one series. */
  readonly goesOn?: boolean;
}

/** Choices that say nothing yet. */
const SAYS_NOTHING = ['unsaid', 'none', 'any'];

/** What a new thing’s column starts with: a choice that says nothing, where it has one; else nothing. */
export function startsWith({ options }: RowColumn): string | undefined {
  const first = options?.[0]?.id;
  return options?.length === 1 || (first !== undefined && SAYS_NOTHING.includes(first)) ? first : undefined;
}

/** What was read of a column, or why it cannot be. */
export type ColumnRead =
  | { readonly ok: true; readonly value: string | number | undefined }
  | { readonly ok: false; readonly why: string };

function word({ kind, label, options }: RowColumn, text: string): ColumnRead {
  const ok = kind === 'text' ? text !== '' : (options?.some((o) => o.id === text) ?? false);
  return ok
    ? { ok, value: text }
    : { ok, why: `${label}: ${kind === 'text' ? 'write a word or two' : 'choose one'}.` };
}

const whole = (text: string) =>
  /^-?\d+$/.test(text)
    ? { ok: true as const, value: Number(text) }
    : { ok: false as const, reason: `“${text}” is no whole number.` };

/** Reads what was typed into a column, in core units; or says why it cannot be. */
export function readColumn(column: RowColumn, text: string, units: UnitsService): ColumnRead {
  const tidy = text.trim();
  if (tidy === '' && column.optional) return { ok: true, value: undefined };
  return column.kind === 'text' || column.kind === 'choice'
    ? word(column, tidy)
    : numberOf(column, tidy, units);
}

function numberOf(
  { kind, label, min = -Infinity, max = Infinity }: RowColumn,
  text: string,
  units: UnitsService,
): ColumnRead {
  const unit = kind === 'mm' ? 'mm' : kind === 'angle' ? 'rad' : 'count';
  const read =
    unit === 'mm' ? parseLength(text, units.unit()) : unit === 'rad' ? parseAngle(text) : whole(text);
  if (!read.ok) return { ok: false, why: `${label}: ${read.reason}` };
  if (read.value >= min && read.value <= max) return read;
  const show = (v: number) => units.show(v, unit);
  return {
    ok: false,
    why: `${label} must lie between ${show(min)} and ${show(max)}; this is ${show(read.value)}.`,
  };
}

/** What a column’s value is typed as. */
export function showColumn(
  { kind, byTape }: RowColumn,
  value: string | number | undefined,
  units: UnitsService,
): string {
  if (value === undefined) return '';
  if (kind === 'mm') return units.plain(Number(value), 'mm', byTape);
  return kind === 'angle' ? String(Number((Number(value) / RAD_PER_DEGREE).toFixed(2))) : String(value);
}
