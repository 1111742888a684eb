import { Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { parseAngle, parseLength, RAD_PER_DEGREE } from '@intervex/core';
import { UnitsService } from '../state/units.service';

/** One column of a list that is edited in place. Lengths are held in mm, angles in rad. */
export interface RowColumn {
  readonly key: string;
  readonly label: string;
  readonly kind: 'text' | 'mm' | 'angle' | 'whole' | 'choice';
  readonly options?: readonly { readonly id: string; readonly name: string }[];
  readonly min?: number;
  readonly max?: number;
  /** May be left empty. */
  readonly optional?: boolean;
}
export type RowValues = Readonly<Record<string, string | number | undefined>>;
export interface EditedRow {
  readonly id: string;
  readonly values: RowValues;
}

type Read =
  | { readonly ok: true; readonly value: string | number | undefined }
  | { readonly ok: false; readonly why: string };
const NEW = '';

/** How wide a column is beside others, and what they take of the table together, %: the rest is the button’s. */
const WIDTHS: Readonly<Record<RowColumn['kind'], number>> = {
  whole: 0.55,
  angle: 0.9,
  mm: 1.35,
  text: 1.2,
  choice: 1.25,
};
const FILLED = 91;

/** A short list edited in place; what cannot be read stays as typed, with the reason, and changes nothing. */
@Component({
  selector: 'ix-rows',
  imports: [MatButtonModule, MatIconModule],
  template: `
    <table>
      <caption class="hidden">{{ name() }}</caption>
      <colgroup>
        @for (share of shares(); track $index) {
          <col [style.width.%]="share" />
        }
        <col class="button" />
      </colgroup>
      <thead>
        <tr>
          @for (c of columns(); track c.key) {
            <th scope="col">{{ c.label }}</th>
          }
          <td></td>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id; let i = $index) {
          <tr>
            @for (c of columns(); track c.key) {
              <td>
                @if (c.kind === 'choice') {
                  <select
                    class="choice"
                    [attr.aria-label]="label(c, i)"
                    (change)="change(row, c, $any($event.target).value)"
                  >
                    @for (o of c.options; track o.id) {
                      <option [value]="o.id" [selected]="o.id === row.values[c.key]">{{ o.name }}</option>
                    }
                  </select>
                } @else {
                  <input
                    type="text"
                    maxlength="60"
                    class="box"
                    [class.figure]="c.kind !== 'text'"
                    [class.long]="(kept(row.id, c.key) ?? show(c, row.values[c.key])).length > 7"
                    [attr.aria-label]="label(c, i)"
                    [value]="kept(row.id, c.key) ?? show(c, row.values[c.key])"
                    [attr.aria-invalid]="kept(row.id, c.key) === undefined ? null : 'true'"
                    (change)="change(row, c, $any($event.target).value)"
                  />
                }
              </td>
            }
            <td>
              <button
                type="button"
                class="plain"
                [attr.aria-label]="'Remove row ' + (i + 1)"
                (click)="removed.emit(row.id)"
              >
                <mat-icon svgIcon="remove" />
              </button>
            </td>
          </tr>
        }
        <tr class="new">
          @for (c of columns(); track c.key) {
            <td>
              @if (c.kind === 'choice') {
                <select
                  class="choice"
                  [attr.aria-label]="label(c)"
                  (change)="draft(c, $any($event.target).value)"
                >
                  @for (o of c.options; track o.id) {
                    <option [value]="o.id" [selected]="o.id === (kept('', c.key) ?? c.options?.[0]?.id)">
                      {{ o.name }}
                    </option>
                  }
                </select>
              } @else {
                <input
                  type="text"
                  maxlength="60"
                  class="box"
                  [class.figure]="c.kind !== 'text'"
                  [attr.aria-label]="label(c)"
                  [value]="kept('', c.key) ?? ''"
                  (input)="draft(c, $any($event.target).value)"
                  (keydown.enter)="add()"
                />
              }
            </td>
          }
          <td>
            <button type="button" class="plain" [attr.aria-label]="'Add to ' + name()" (click)="add()">
              <mat-icon svgIcon="add" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    @if (problem(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      table-layout: fixed;
    }
    th {
      padding: 2px 3px;
      color: var(--ink-2);
      font-size: 12px;
      font-weight: 500;
      text-align: left;
      vertical-align: bottom;
    }
    col.button {
      width: 30px;
    }
    td {
      padding: 2px;
    }
    select {
      width: 100%;
      min-width: 0;
    }
    input.box {
      padding: 0 5px;
      font-size: 13px;
    }
    input.box.long {
      padding: 0 2px;
      font-size: 11px;
      letter-spacing: -0.6px;
    }
    .new input {
      border-style: dashed;
    }
    button {
      display: grid;
      width: 26px;
      height: 28px;
      place-items: center;
      color: var(--ink-2);
    }
    mat-icon {
      width: 18px;
      height: 18px;
    }
  `,
})
export class RowsEditor {
  private readonly units = inject(UnitsService);
  /** What the list is of, for those who do not see it. */
  readonly name = input.required<string>();
  readonly columns = input.required<readonly RowColumn[]>();
  readonly rows = input.required<readonly EditedRow[]>();
  readonly changed = output<EditedRow>();
  readonly removed = output<string>();

  protected readonly problem = signal('');
  /** Text that was refused or belongs to the row not added yet, by row and column. */
  private readonly typed = signal<Readonly<Record<string, string>>>({});

  /** Room for each column, % of the table: what is counted takes little, a length may be a long fraction. */
  protected readonly shares = computed(() => {
    const wide = this.columns().map(({ kind }) => WIDTHS[kind]);
    const all = wide.reduce((sum, w) => sum + w, 0);
    return wide.map((w) => (FILLED * w) / all);
  });

  protected label = (c: RowColumn, i?: number): string =>
    i === undefined ? `New row, ${c.label}` : `Row ${i + 1}, ${c.label}`;
  protected kept = (row: string, key: string): string | undefined => this.typed()[`${row}.${key}`];

  protected show({ kind }: RowColumn, value: string | number | undefined): string {
    if (value === undefined) return '';
    if (kind === 'mm') return this.units.plain(Number(value), 'mm');
    return kind === 'angle' ? String(Number((Number(value) / RAD_PER_DEGREE).toFixed(2))) : String(value);
  }

  protected change(row: EditedRow, column: RowColumn, text: string): void {
    const read = this.read(column, text);
    this.keep(row.id, column.key, read.ok ? undefined : text);
    this.problem.set(read.ok ? '' : read.why);
    if (read.ok) this.changed.emit({ id: row.id, values: { ...row.values, [column.key]: read.value } });
  }

  protected draft(column: RowColumn, text: string): void {
    this.keep(NEW, column.key, text);
  }

  /** Adds the last row where every part of it can be read. */
  protected add(): void {
    const values: Record<string, string | number | undefined> = {};
    for (const column of this.columns()) {
      const read = this.read(column, this.kept(NEW, column.key) ?? column.options?.[0]?.id ?? '');
      if (!read.ok) {
        this.problem.set(read.why);
        return;
      }
      values[column.key] = read.value;
    }
    this.problem.set('');
    for (const { key } of this.columns()) this.keep(NEW, key, undefined);
    this.changed.emit({ id: crypto.randomUUID(), values });
  }

  private keep(row: string, key: string, text: string | undefined): void {
    this.typed.update(({ [`${row}.${key}`]: _before, ...rest }) =>
      text === undefined ? rest : { ...rest, [`${row}.${key}`]: text },
    );
  }

  private read(column: RowColumn, text: string): Read {
    const tidy = text.trim();
    if (tidy === '' && column.optional) return { ok: true, value: undefined };
    return column.kind === 'text' || column.kind === 'choice' ? word(column, tidy) : this.number(column, tidy);
  }

  private number({ kind, label, min = -Infinity, max = Infinity }: RowColumn, text: string): Read {
    const unit = kind === 'mm' ? 'mm' : kind === 'angle' ? 'rad' : 'count';
    const read =
      unit === 'mm' ? parseLength(text, this.units.unit()) : unit === 'rad' ? parseAngle(text) : whole(text);
    if (!read.ok) return { ok: false, why: `${label}: ${read.reason}` };
    if (read.value >= min && read.value <= max) return read;
    const show = (v: number) => this.units.show(v, unit);
    return {
      ok: false,
      why: `${label} must lie between ${show(min)} and ${show(max)}; this is ${show(read.value)}.`,
    };
  }
}

function word({ kind, label, options }: RowColumn, text: string): Read {
  const ok = kind === 'text' ? text !== '' : (options?.some((o) => o.id === text) ?? false);
  return ok
    ? { ok, value: text }
    : { ok, why: `${label}: ${kind === 'text' ? 'write a word or two' : 'choose one'}.` };
}

const whole = (text: string) =>
  /^-?\d+$/.test(text)
    ? { ok: true as const, value: Number(text) }
    : { ok: false as const, reason: `“${text}” is no whole number.` };
