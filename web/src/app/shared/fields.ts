import { ChangeDetectionStrategy, Component, inject, input, linkedSignal, output } from '@angular/core';
import { UnitsService } from '../state/units.service';
import { readColumn, showColumn, type RowColumn } from './row-column';
import type { RowValues } from './rows-editor';

/** One field of a thing that was changed: a value in core units; undefined where it was emptied. */
export interface FieldChange {
  readonly key: string;
  readonly value: string | number | undefined;
}

/** Fields of one thing with their names; what cannot be read stays as typed, with the reason, and changes nothing. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-fields',
  template: `
    @for (c of columns(); track c.key) {
      <div class="field">
        <span class="second" aria-hidden="true">{{ c.label }}</span>
        @if (c.kind === 'choice') {
          <select class="choice" [attr.aria-label]="c.label" (change)="change(c, $any($event.target).value)">
            @if (!chosen(c)) {
              <option value="" selected disabled>choose</option>
            }
            @for (o of c.options; track o.id) {
              <option [value]="o.id" [selected]="o.id === (values()[c.key] ?? '')">{{ o.name }}</option>
            }
          </select>
        } @else {
          <input
            type="text"
            maxlength="200"
            class="box"
            [attr.aria-label]="c.label"
            [class.figure]="c.kind !== 'text'"
            [value]="typed()[c.key]?.text ?? show(c)"
            [attr.aria-invalid]="typed()[c.key] ? 'true' : null"
            (change)="change(c, $any($event.target).value)"
          />
        }
        @if (typed()[c.key]; as wrong) {
          <span class="trouble" role="alert">{{ wrong.why }}</span>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
      gap: 6px 10px;
      align-items: end;
    }
    .field {
      display: grid;
      gap: 2px;
      min-width: 0;
      font-size: 12px;
    }
    input,
    select {
      width: 100%;
      min-width: 0;
      font-size: 13px;
    }
    .trouble {
      grid-column: 1 / -1;
    }
  `,
})
export class Fields {
  private readonly units = inject(UnitsService);
  readonly columns = input.required<readonly RowColumn[]>();
  readonly values = input.required<RowValues>();
  /** Whose fields they are: text that was refused goes with it. */
  readonly of = input.required<string>();
  readonly changed = output<FieldChange>();

  /** Text that was refused, and why. */
  protected readonly typed = linkedSignal<
    string,
    Readonly<Record<string, { text: string; why: string } | undefined>>
  >({
    source: this.of,
    computation: () => ({}),
  });

  protected show = (c: RowColumn): string => showColumn(c, this.values()[c.key], this.units);

  /** True where a choice is made already, or may be left unmade. */
  protected readonly chosen = ({ key, optional, options }: RowColumn): boolean =>
    this.values()[key] !== undefined || optional === true || (options ?? []).some(({ id }) => id === '');

  protected change(column: RowColumn, text: string): void {
    const read = readColumn(column, text, this.units);
    const { key } = column;
    this.typed.update((all) => ({ ...all, [key]: read.ok ? undefined : { text, why: read.why } }));
    if (read.ok) this.changed.emit({ key, value: read.value });
  }
}
