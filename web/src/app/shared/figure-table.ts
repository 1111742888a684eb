import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Figure } from '@intervex/core';
import { FigureValue } from './figure-value';

/** A figure with what it is of, and what has to be said beside it. */
interface FigureRow {
  readonly name: string;
  readonly note?: string;
  readonly figure: Figure | undefined;
}

/** Figures under each other, by name. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-figure-table',
  imports: [FigureValue],
  template: `
    <table class="grid">
      <thead>
        <tr>
          <th scope="col">{{ of() }}</th>
          <th scope="col"><span class="hidden">Value</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">
              {{ row.name }}
              @if (row.note) {
                <small class="second">{{ row.note }}</small>
              }
            </th>
            <td><ix-figure [figure]="row.figure" /></td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 12px;
    }
    small {
      display: block;
      font-weight: 400;
    }
  `,
})
export class FigureTable {
  /** What the figures are of. */
  readonly of = input.required<string>();
  readonly rows = input.required<readonly FigureRow[]>();
}
