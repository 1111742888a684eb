import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReadingField } from './reading-field';

/** What is read on both sides: one label, left and right in two columns. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-reading-pair',
  imports: [ReadingField],
  template: `
    <span class="label">{{ label() }}</span>
    <ix-reading [id]="left()" [side]="true" />
    <ix-reading [id]="right()" [side]="true" />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(2, minmax(0, 1fr));
      gap: 0 12px;
      padding: 3px 0;
    }
    .label {
      grid-column: 1 / -1;
      font-size: 13px;
    }
  `,
  host: { role: 'group', '[attr.aria-label]': 'label()' },
})
export class ReadingPair {
  readonly left = input.required<string>();
  readonly right = input.required<string>();
  readonly label = input.required<string>();
}
