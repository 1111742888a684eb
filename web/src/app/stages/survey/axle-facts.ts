import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { oldAxle } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';

/** Where the old axle stands in the car, and whether its readings close. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-axle-facts',
  imports: [FigureValue],
  template: `
    <dl class="facts">
      <div>
        <dt>Off the car’s centreline</dt>
        <dd><ix-figure [figure]="axle().offset" [withU]="true" /></dd>
      </div>
      <div>
        <dt>Halves against width</dt>
        <dd><ix-figure [figure]="axle().closure" [withU]="true" /></dd>
      </div>
    </dl>
  `,
})
export class AxleFacts {
  private readonly store = inject(PlanStore);
  protected readonly axle = computed(() => this.store.results().of(oldAxle));
}
