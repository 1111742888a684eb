import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { readColumn, showColumn, startsWith, type ColumnRead, type RowColumn } from './row-column';
import { UnitsService } from '../state/units.service';

export type RowValues = Readonly<Record<string, string | number | undefined>>;
export interface EditedRow {
  readonly id: string;
  readonly values: RowValues;
}

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
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-rows',
  imports: [MatButtonModule, MatIconModule],
  template: `
    <table [class.tall]="tall()" [class.many]="columns().length > 4" [class.few]="columns().length < 4">
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
              <td [attr.data-label]="c.label">
                @if (c.kind === 'choice') {
                  <select
                    class="choice"
                    [attr.aria-label]="label(c, i)"
                    (change)="change(row, c, $any($event.target).value)"
                    (keydown.enter)="goOn($event)"
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
                    [attr.aria-label]="label(c, i)"
                    [value]="kept(row.id, c.key) ?? show(c, row.values[c.key])"
                    [attr.aria-invalid]="kept(row.id, c.key) === undefined ? null : 'true'"
                    (change)="change(row, c, $any($event.target).value)"
                    (keydown.enter)="goOn($event)"
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
            <td [attr.data-label]="c.label">
              @if (c.kind === 'choice') {
                <select
                  class="choice"
                  [attr.aria-label]="label(c)"
                  (change)="draft(c, $any($event.target).value)"
                  (keydown.enter)="goOn($event)"
                >
                  @if (start(c) === undefined && kept('', c.key) === undefined) {
                    <option value="" selected disabled>choose</option>
                  }
                  @for (o of c.options; track o.id) {
                    <option [value]="o.id" [selected]="o.id === (kept('', c.key) ?? start(c))">
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
                  (keydown.enter)="goOn($event)"
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
    /* Each row takes two lines, its headings beside the fields. */
    .tall :is(colgroup, thead) {
      display: none;
    }
    .tall,
    .tall tbody {
      display: block;
    }
    .tall tr {
      display: grid;
      grid-template-columns: 1fr 1fr 30px;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
    }
    .tall td {
      display: flex;
      gap: 5px;
      align-items: center;
    }
    .tall td[data-label]::before {
      flex: none;
      min-width: 30px;
      color: var(--ink-2);
      font-size: 12px;
      content: attr(data-label);
    }
    .tall:not(.many) td:nth-child(3) {
      grid-column: 1;
    }
    .tall.few tr {
      grid-template-columns: 1fr 30px;
    }
    .tall.few td {
      grid-column: 1;
    }
    .tall.few td:last-child {
      grid-column: 2;
    }
    .many tr {
      grid-template-columns: 1fr 1fr;
    }
    .many td:last-child {
      justify-content: end;
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

  /** Words and numbers together need more room than a row has. */
  protected readonly tall = computed(
    () =>
      this.columns().some((c) => c.kind === 'text') &&
      // Two lengths in fractions and a name do not stand side by side.
      (this.columns().length > 3 ||
        (this.units.unit().startsWith('frac') && this.columns().filter((c) => c.byTape).length > 1)),
  );

  /** What a new row’s choice starts with: nothing, unless the last row says how the series is read. */
  protected start(column: RowColumn): string | undefined {
    const last = column.goesOn ? this.rows().at(-1)?.values[column.key] : undefined;
    return last === undefined ? startsWith(column) : String(last);
  }

  protected label = (c: RowColumn, i?: number): string =>
    i === undefined ? `New row, ${c.label}` : `Row ${i + 1}, ${c.label}`;
  protected kept = (row: string, key: string): string | undefined => this.typed()[`${row}.${key}`];

  protected show(column: RowColumn, value: string | number | undefined): string {
    return showColumn(column, value, this.units);
  }

  protected change(row: EditedRow, column: RowColumn, text: string): void {
    const read = this.read(column, text);
    this.keep(row.id, column.key, read.ok ? undefined : text);
    this.problem.set(read.ok ? '' : read.why);
    if (read.ok) this.changed.emit({ id: row.id, values: { ...row.values, [column.key]: read.value } });
  }

  /** Enter goes to the next field of the list; in the last one it adds the row. */
  protected goOn(event: Event): void {
    const { target } = event;
    if (!(target instanceof HTMLInputElement || target instanceof HTMLSelectElement)) return;
    event.preventDefault();
    const fields = [...(target.closest('table')?.querySelectorAll<HTMLElement>('input, select') ?? [])];
    const next = fields[fields.indexOf(target) + 1];
    target.dispatchEvent(new Event('change', { bubbles: true }));
    if (next) next.focus();
    else this.add();
  }

  protected draft(column: RowColumn, text: string): void {
    this.keep(NEW, column.key, text);
  }

  /** Adds the last row where every part of it can be read. */
  protected add(): void {
    const values: Record<string, string | number | undefined> = {};
    for (const column of this.columns()) {
      const read = this.read(column, this.kept(NEW, column.key) ?? this.start(column) ?? '');
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

  private read(column: RowColumn, text: string): ColumnRead {
    return readColumn(column, text, this.units);
  }
}
