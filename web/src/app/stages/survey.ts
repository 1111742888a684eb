import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { surveyView } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingGroup } from '../readings/reading-group';
import { Walk } from '../readings/walk';
import { FigureValue } from '../shared/figure-value';
import { PlanStore } from '../state/plan-store';
import { Needs } from './needs';
import { Stage } from './stage';
import { walkMode } from './walk-mode';

/** The axle that is in the car now. */
@Component({
  selector: 'ix-survey',
  imports: [FigureValue, MatButtonModule, MatIconModule, Needs, ReadingGroup, Stage, ViewSvg, Walk],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="survey" title="Survey" [view]="view()" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Survey" subtitle="the axle in the car, from behind">
        <button tabs mat-button type="button" (click)="mode.choose('walk')">
          <mat-icon svgIcon="walk" />
          One reading at a time
        </button>
        <div desk>
          <ix-view [view]="view()" />
          <dl class="facts">
            <div>
              <dt>Off the car’s centreline</dt>
              <dd><ix-figure [figure]="survey().offset" [withU]="true" /></dd>
            </div>
            <div>
              <dt>Halves against width</dt>
              <dd><ix-figure [figure]="survey().closure" [withU]="true" /></dd>
            </div>
          </dl>
          <ix-needs />
        </div>
        <ix-reading-group stage="survey" group="Axle in the car" />
        <ix-reading-group stage="survey" group="Driveline" />
      </ix-stage>
    }
  `,
  styleUrls: ['./facts.scss'],
})
export class SurveyStage {
  private readonly store = inject(PlanStore);
  protected readonly mode = walkMode();
  protected readonly view = computed(() => surveyView(this.store.results()));
  protected readonly survey = computed(() => this.store.results().survey);
}
