import { Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatIconModule } from '@angular/material/icon';
import { endView, findQuantity, surveyView, topView, type Results, type View } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingGroup } from '../readings/reading-group';
import { Walk } from '../readings/walk';
import { FigureValue } from '../shared/figure-value';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { LevelFacts } from './level-facts';
import { Needs } from './needs';
import { Stage } from './stage';
import { walkMode } from './walk-mode';

type Tab = 'level' | 'square' | 'axle';

/** Headings in walking order, and the drawing that shows each. */
const TAB_OF_GROUP: Readonly<Record<string, Tab>> = {
  Floor: 'level',
  Level: 'level',
  Square: 'square',
  'Axle in the car': 'axle',
  Driveline: 'axle',
};
const GROUPS = Object.keys(TAB_OF_GROUP);
const SUBTITLES: Readonly<Record<Tab, string>> = {
  level: 'does the car stand level',
  square: 'does the axle stand square, from above',
  axle: 'the axle in the car, from behind',
};
const VIEWS: Readonly<Record<Tab, (results: Results) => View>> = {
  level: endView,
  square: topView,
  axle: surveyView,
};

/** How the car stands, and the axle that is in it now. */
@Component({
  selector: 'ix-survey',
  imports: [
    FigureValue,
    LevelFacts,
    MatButtonModule,
    MatButtonToggleModule,
    MatIconModule,
    Needs,
    ReadingGroup,
    Stage,
    ViewSvg,
    Walk,
  ],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="survey" title="Survey" [view]="view()" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Survey" [subtitle]="subtitle()">
        <div tabs class="tabs">
          <mat-button-toggle-group
            [value]="tab()"
            (change)="tab.set($event.value)"
            [hideSingleSelectionIndicator]="true"
            aria-label="Drawing"
          >
            <mat-button-toggle value="level">Level</mat-button-toggle>
            <mat-button-toggle value="square">Square</mat-button-toggle>
            <mat-button-toggle value="axle">Axle</mat-button-toggle>
          </mat-button-toggle-group>
          <button mat-button type="button" (click)="mode.choose('walk')">
            <mat-icon svgIcon="walk" />
            One at a time
          </button>
        </div>
        <div desk>
          @if (store.results().notLevel; as why) {
            <p class="warning" role="status">
              <b>{{ why }}</b>
              Rear numbers marked with a triangle are not to be trusted before it is level, or the lean is
              accepted with a reason.
            </p>
          }
          <ix-view [view]="view()" />
          @if (tab() === 'axle') {
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
          } @else {
            <ix-level-facts />
          }
          <ix-needs />
        </div>
        @for (group of groups; track group) {
          <ix-reading-group stage="survey" [group]="group" />
        }
      </ix-stage>
    }
  `,
  styleUrls: ['./facts.scss', './survey.scss'],
})
export class SurveyStage {
  protected readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  protected readonly mode = walkMode();
  protected readonly groups = GROUPS;
  protected readonly tab = signal<Tab>('axle');
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
  protected readonly view = computed(() => VIEWS[this.tab()](this.store.results()));
  protected readonly survey = computed(() => this.store.results().survey);

  constructor() {
    // A car that has not been levelled yet, or does not stand level, shows that first.
    const { level, notLevel } = this.store.results();
    if (notLevel || !level.frontLean) this.tab.set('level');
    // The drawing follows the field that has focus.
    effect(() => {
      const quantity = findQuantity(this.selection.focused());
      const tab = quantity?.stage === 'survey' ? TAB_OF_GROUP[quantity.group] : undefined;
      if (tab) this.tab.set(tab);
    });
  }
}
