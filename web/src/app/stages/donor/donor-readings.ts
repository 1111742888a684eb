import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { axle, placeWord } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { AnglesTable } from '../survey/angles-table';

/** The donor to scale, what follows from its readings, and its angles. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-donor-readings',
  imports: [AnglesTable, FigureValue],
  template: `
    <dl class="facts">
      <div>
        <dt>WMS width</dt>
        <dd><ix-figure [figure]="donor().width" [withU]="true" /></dd>
      </div>
      <div>
        <dt>Pinion, {{ pinionWord() }}</dt>
        <dd><ix-figure [figure]="donor().pinion" [withU]="true" /></dd>
      </div>
      <div>
        <dt>Spline pitch diameter</dt>
        <dd><ix-figure [figure]="donor().spline?.pitch" [digits]="2" /></dd>
      </div>
      <div>
        <dt>Spline major diameter</dt>
        <dd><ix-figure [figure]="donor().spline?.major" [digits]="2" /></dd>
      </div>
      <div>
        <dt>Spline minor diameter</dt>
        <dd><ix-figure [figure]="donor().spline?.minor" [digits]="2" /></dd>
      </div>
      <div>
        <dt>Left parts against half</dt>
        <dd><ix-figure [figure]="donor().closure.left" [withU]="true" /></dd>
      </div>
      <div>
        <dt>Right parts against half</dt>
        <dd><ix-figure [figure]="donor().closure.right" [withU]="true" /></dd>
      </div>
    </dl>
    <h2>Angles on the donor</h2>
    <ix-angles stage="donor" flat="donor.angle.flat" />
  `,
  styles: `
    h2 {
      margin: 18px 0 6px;
      font-size: 15px;
    }
  `,
})
export class DonorReadings {
  private readonly store = inject(PlanStore);
  protected readonly donor = computed(() => this.store.results().of(axle));
  protected readonly pinionWord = computed(() => {
    const pinion = this.donor().pinion;
    return pinion ? placeWord(pinion.value) : 'from the middle';
  });
}
