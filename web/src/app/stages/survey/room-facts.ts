import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { room, sideName, type RoomResult } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';

const HEIGHTS: Readonly<Record<RoomResult['height'], string>> = {
  low: 'at the rim’s bottom',
  axle: 'at axle height',
  top: 'at the tyre’s top',
};

/** The least room beside each wheel, by pose. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-room-facts',
  imports: [FigureValue],
  template: `
    <dl class="facts">
      @for (r of rooms(); track r.width.id) {
        <div>
          <dt>{{ nameOf(r) }}</dt>
          <dd><ix-figure [figure]="r.width" [withU]="true" /></dd>
        </div>
      } @empty {
        <div class="second">Read the nearest thing inboard and the arch lip of a side.</div>
      }
    </dl>
  `,
})
export class RoomFacts {
  private readonly store = inject(PlanStore);
  protected readonly rooms = computed(() => this.store.results().of(room));

  protected nameOf({ side, pose, height }: RoomResult): string {
    return `${sideName(side)}, ${pose === 'ride' ? 'ride height' : 'full bump'}, least ${HEIGHTS[height]}`;
  }
}
