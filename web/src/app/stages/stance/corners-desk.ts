import { Component, computed, inject } from '@angular/core';
import { SIDES } from '@intervex/core';
import { cornerViews } from '@intervex/core/views/stance';
import { ViewSvg, type MarkMove } from '../../drawing/view-svg';
import { PlanStore } from '../../state/plan-store';
import { chosen } from './chosen';

/** Both rear corners to scale; wheels and faces may be dragged. */
@Component({
  selector: 'ix-corners',
  imports: [ViewSvg],
  template: `
    <div class="corners">
      @for (view of views(); track view.title) {
        <ix-view [view]="view" (moved)="moved($event)" (held)="store.hold($event)" />
      }
    </div>
    <p class="second">
      Drag a wheel to change its offset, a wheel face to change the width. Dashed: full bump.
    </p>
  `,
  styles: `
    .corners {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    p {
      margin: 4px 0 0;
      font-size: 12.5px;
    }
    @media (max-width: 760px) {
      .corners {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class CornersDesk {
  protected readonly store = inject(PlanStore);
  protected readonly views = computed(() => SIDES.map((side) => this.store.results().of(cornerViews)[side]));

  protected moved({ quantityId, value }: MarkMove): void {
    this.store.setReading(quantityId, chosen(value));
  }
}
