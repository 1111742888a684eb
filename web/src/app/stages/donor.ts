import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { donorView, placeWord, RETENTION_NAMES, RETENTIONS } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingGroup } from '../readings/reading-group';
import { Walk } from '../readings/walk';
import { FigureValue } from '../shared/figure-value';
import { PlanStore } from '../state/plan-store';
import { Needs } from './needs';
import { Stage } from './stage';
import { walkMode } from './walk-mode';

const GROUPS = ['Left side', 'Left shaft', 'Centre section', 'Right side', 'Right shaft'] as const;

/** The donor: halves, tubes, shafts, spline and what holds the shafts in. */
@Component({
  selector: 'ix-donor',
  imports: [
    FigureValue,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatSelectModule,
    Needs,
    ReadingGroup,
    Stage,
    ViewSvg,
    Walk,
  ],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="donor" title="Donor" [view]="view()" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Donor" [subtitle]="store.plan().brief.donor || 'the axle that comes in'">
        <button tabs mat-button type="button" (click)="mode.choose('walk')">
          <mat-icon svgIcon="walk" />
          One reading at a time
        </button>
        <div desk>
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
          <ix-needs />
        </div>
        <h2>Shafts held in by</h2>
        <mat-form-field appearance="outline" subscriptSizing="dynamic" class="wide">
          <mat-label>Shaft retention</mat-label>
          <mat-select
            [value]="store.plan().choices.retention"
            (valueChange)="store.choose('retention', $event)"
          >
            @for (r of retentions; track r.id) {
              <mat-option [value]="r.id">{{ r.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        @for (group of groups; track group) {
          <ix-reading-group stage="donor" [group]="group" />
        }
      </ix-stage>
    }
  `,
  styleUrls: ['./facts.scss'],
  styles: `
    .wide {
      width: 100%;
      margin-top: 6px;
    }
  `,
})
export class DonorStage {
  protected readonly store = inject(PlanStore);
  protected readonly mode = walkMode();
  protected readonly groups = GROUPS;
  protected readonly retentions = RETENTIONS.map((id) => ({ id, name: RETENTION_NAMES[id] }));
  protected readonly view = computed(() => donorView(this.store.results()));
  protected readonly donor = computed(() => this.store.results().donor);
  protected readonly pinionWord = computed(() => {
    const pinion = this.donor().pinion;
    return pinion ? placeWord(pinion.value) : 'from the middle';
  });
}
