import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { SelectionService } from '../state/selection.service';

/** Every key that does something, by where it does. */
const KEYS: readonly (readonly [where: string, keys: readonly (readonly [key: string, does: string])[]])[] = [
  [
    'Everywhere',
    [
      ['?', 'this list'],
      ['c', 'checks'],
      ['u', 'unit: mm, inch, step of the tape'],
      ['Ctrl Z', 'undo, and go to what it changed'],
      ['Ctrl Y', 'redo, and go to what it changed'],
      ['F9', 'take what the instrument shows'],
      ['Esc', 'close what is open'],
    ],
  ],
  [
    'In a field',
    [
      ['Enter', 'next field in walking order, left before right'],
      ['Shift Enter', 'field before'],
      ['Esc', 'as it stood before'],
    ],
  ],
  [
    'On a drawing',
    [
      ['+ −', 'larger, smaller'],
      ['0', 'whole'],
      ['Arrows', 'move it once it is enlarged'],
      ['Enter', 'on a dimension: change it, or see its working'],
    ],
  ],
  [
    'On a mark or wheel',
    [
      ['Arrows', 'move it by a millimetre or a step of the tape, with Shift by ten'],
      ['Home End', 'as far as it may go'],
    ],
  ],
  [
    'Between drawing and results',
    [
      ['↑ ↓', 'share of the desk'],
      ['Home End', 'least, most'],
    ],
  ],
];

/** The list of keys. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-keys',
  imports: [MatIconModule],
  template: `
    <header>
      <h2>Keys</h2>
      <button type="button" class="plain" aria-label="Close" (click)="selection.closeDrawers()">
        <mat-icon svgIcon="close" />
      </button>
    </header>
    @for (part of parts; track part[0]) {
      <h3>{{ part[0] }}</h3>
      <dl>
        @for (k of part[1]; track k[0]) {
          <div>
            <dt>
              <kbd>{{ k[0] }}</kbd>
            </dt>
            <dd>{{ k[1] }}</dd>
          </div>
        }
      </dl>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 10px 18px 20px;
    }
    header {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    h2 {
      font-size: 17px;
    }
    h3 {
      margin: 12px 0 2px;
      font-size: 13.5px;
    }
    dl {
      margin: 0;
    }
    dl > div {
      display: grid;
      grid-template-columns: 104px 1fr;
      gap: 8px;
      padding: 3px 0;
      font-size: 13px;
    }
    dd {
      margin: 0;
    }
    kbd {
      padding: 1px 6px;
      border: 1px solid var(--edge);
      font: 12.5px var(--figures);
    }
  `,
  host: { role: 'region', 'aria-label': 'Keys' },
})
export class KeysPanel {
  protected readonly selection = inject(SelectionService);
  protected readonly parts = KEYS;
}
