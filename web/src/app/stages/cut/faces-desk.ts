import { ChangeDetectionStrategy, Component } from '@angular/core';
import { SIDES } from '@intervex/core';
import { EndFace } from './end-face';

/** Both end faces, as squareness shows them. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-faces',
  imports: [EndFace],
  template: `
    @defer (on immediate) {
      @for (side of sides; track side) {
        <ix-end-face [side]="side" />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
    @media (max-width: 760px) {
      :host {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class FacesDesk {
  protected readonly sides = SIDES;
}
