import { ChangeDetectionStrategy, Component } from '@angular/core';

/** How the corners are worked with. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-corners-said',
  template: 'Drag a wheel to change its offset, a wheel face to change the width. Dashed: full bump.',
  styles: `
    :host {
      display: block;
      margin: 4px 0;
      color: var(--ink-2);
      font-size: 12.5px;
    }
  `,
})
export class CornersSaid {}
