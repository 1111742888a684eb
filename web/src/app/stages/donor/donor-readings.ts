import { Component, computed, inject, input } from '@angular/core';
import { axle, placeWord, type View } from '@intervex/core';
import { ViewSvg } from '../../drawing/view-svg';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { AnglesTable } from '../angles-table';
import { Needs } from '../needs';

/** The donor to scale, what follows from its readings, and its angles. */
@Component({
  selector: 'ix-donor-readings',
  imports: [AnglesTable, FigureValue, Needs, ViewSvg],
  template: `
    <ix-view [view]="view()" />
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
    <ix-needs stage="donor" />
    <h2>Angles on the donor</h2>
    <ix-angles stage="donor" />
  `,
  styleUrl: '../facts.scss',
  styles: `
    h2 {
      margin: 18px 0 6px;
      font-size: 15px;
    }
  `,
})
export class DonorReadings {
  private readonly store = inject(PlanStore);
  readonly view = input.required<View>();
  protected readonly donor = computed(() => this.store.results().of(axle));
  protected readonly pinionWord = computed(() => {
    const pinion = this.donor().pinion;
    return pinion ? placeWord(pinion.value) : 'from the middle';
  });
}
