import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Figure } from '@intervex/core';
import { FigureValue } from './figure-value';

/** One line of what there is on both sides. */
export interface SidedRow {
  readonly label: string;
  readonly note?: string;
  readonly left?: Figure | undefined;
  readonly right?: Figure | undefined;
  readonly digits?: number | undefined;
  /** Words instead of figures, left and right. */
  readonly words?: readonly [left: string, right: string];
  /** There is only one for both sides; it stands at the left. */
  readonly once?: boolean;
}

/** Figures of both sides beside each other; on a phone each line is a card. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-sided',
  imports: [FigureValue],
  template: `
    <table class="grid cards">
      <thead>
        <tr>
          <th scope="col">{{ title() }}</th>
          @if (noted()) {
            <td class="note"></td>
          }
          <th scope="col">Left</th>
          <th scope="col">Right</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.label) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            @if (noted()) {
              <td class="note second">{{ row.note }}</td>
            }
            @if (row.words; as words) {
              <td data-label="Left">{{ words[0] }}</td>
              <td data-label="Right">{{ words[1] }}</td>
            } @else {
              <td [attr.data-label]="row.once ? '' : 'Left'">
                <ix-figure [figure]="row.left" [digits]="row.digits" />
              </td>
              @if (row.once) {
                <td></td>
              } @else {
                <td data-label="Right"><ix-figure [figure]="row.right" [digits]="row.digits" /></td>
              }
            }
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 10px;
    }
  `,
})
export class SidedTable {
  readonly title = input.required<string>();
  readonly rows = input.required<readonly SidedRow[]>();
  /** Room for what is said of a line. */
  readonly noted = input(false);
}
