import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Fields, type FieldChange } from './fields';
import { startsWith, type RowColumn } from './row-column';
import type { RowValues } from './rows-editor';

/** Fields of a thing that is not there yet: it is added once all that it must have was said. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-draft',
  imports: [Fields, MatButtonModule],
  template: `
    <ix-fields of="new" [columns]="columns()" [values]="values()" (changed)="change($event)" />
    <p class="actions">
      <button mat-flat-button type="button" [disabled]="missing().length > 0" (click)="add()">Add it</button>
      <button mat-stroked-button type="button" (click)="dropped.emit()">Leave it</button>
      @if (missing().length) {
        <span class="second">Missing: {{ missing().join(', ') }}</span>
      }
    </p>
  `,
  styles: `
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
      margin: 10px 0;
    }
  `,
})
export class DraftFields {
  readonly columns = input.required<readonly RowColumn[]>();
  readonly added = output<RowValues>();
  readonly dropped = output();
  protected readonly values = linkedSignal<readonly RowColumn[], RowValues>({
    source: this.columns,
    computation: (columns) =>
      Object.fromEntries(
        columns.flatMap((column) => {
          const start = startsWith(column);
          return start === undefined ? [] : [[column.key, start]];
        }),
      ),
  });
  protected readonly missing = computed(() =>
    this.columns()
      .filter(({ key, optional }) => !optional && this.values()[key] === undefined)
      .map(({ label }) => label.toLowerCase()),
  );

  protected add(): void {
    if (this.missing().length === 0) this.added.emit(this.values());
  }

  protected change({ key, value }: FieldChange): void {
    this.values.update((all) => ({ ...all, [key]: value }));
  }
}
