import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TubeFit } from './tube-fit';

/** New tubes and full-float ends, fetched when they are looked at. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-ends-desk',
  imports: [TubeFit],
  template: `
    @defer (on immediate) {
      <ix-tube-fit />
    }
  `,
})
export class EndsDesk {}
