import { Component, computed, effect, inject, signal } from '@angular/core';
import { findFact, findQuantity, flangeView, rearView } from '@intervex/core';
import { FactField } from '../../readings/fact-field';
import { FactGroup } from '../../readings/fact-group';
import { ReadingField } from '../../readings/reading-field';
import { ReadingGroup } from '../../readings/reading-group';
import { Walk } from '../../readings/walk';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { Needs } from '../needs';
import { Stage } from '../stage';
import { WalkButton } from '../walk-button';
import { walkMode } from '../walk-mode';
import { BrakesDesk } from './brakes-desk';
import { LinesDesk } from './lines-desk';
import { PatternDesk } from './pattern-desk';
import { PatternSide } from './pattern-panel';
import { RetentionDesk } from './retention-desk';
import { StudsDesk } from './studs-desk';
import { Segments } from '../../shared/segments';

type Tab = 'pattern' | 'studs' | 'retention' | 'brakes' | 'lines';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'pattern', name: 'Pattern' },
  { id: 'studs', name: 'Studs' },
  { id: 'retention', name: 'Retention' },
  { id: 'brakes', name: 'Brakes' },
  { id: 'lines', name: 'Lines' },
];
const SUBTITLES: Readonly<Record<Tab, string>> = {
  pattern: 'do flange and wheel agree',
  studs: 'studs and nuts',
  retention: 'what holds the shafts in',
  brakes: 'rotor, caliper, hose',
  lines: 'bend tables',
};
/** Headings, and the part of the stage that shows each. */
const TAB_OF_GROUP: Readonly<Record<string, Tab>> = {
  drill: 'pattern',
  cost: 'pattern',
  studs: 'studs',
  retention: 'retention',
  brakes: 'brakes',
};

/** The wheel’s end of the axle: pattern, studs, retention, brakes and lines. */
@Component({
  selector: 'ix-hubs',
  imports: [
    BrakesDesk,
    FactField,
    FactGroup,
    LinesDesk,
    Needs,
    PatternDesk,
    PatternSide,
    ReadingField,
    ReadingGroup,
    RetentionDesk,
    Segments,
    Stage,
    StudsDesk,
    Walk,
    WalkButton,
  ],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="hubs" title="Hub ends" [view]="view()" [only]="walked" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Hub ends" [subtitle]="subtitle()">
        <div tabs class="tabs">
          <ix-segments
            label="What of the hub ends"
            [options]="tabs"
            [value]="tab()"
            (picked)="tab.set($event)"
          />
          <ix-walk-button (begun)="mode.choose('walk')" />
        </div>
        <div desk>
          @switch (tab()) {
            @case ('pattern') {
              <ix-pattern-desk />
            }
            @case ('studs') {
              <ix-studs />
            }
            @case ('retention') {
              <ix-retention />
            }
            @case ('brakes') {
              <ix-brakes />
            }
            @case ('lines') {
              <ix-lines />
            }
          }
          <ix-needs stage="hubs" />
        </div>
        @switch (tab()) {
          @case ('pattern') {
            <ix-pattern-panel />
          }
          @case ('studs') {
            <ix-fact-group stage="hubs" group="studs" />
            <ix-reading-group stage="hubs" group="studs" [bare]="true" />
            <h2>In the car</h2>
            <ix-fact id="car.studThread" />
            <ix-fact id="car.seat" />
          }
          @case ('retention') {
            <ix-reading-group stage="hubs" group="retention" />
            <ix-reading id="float.shift" />
            <h2>Bearing and seal</h2>
            @for (id of bearing; track id) {
              <ix-reading [id]="id" />
            }
          }
          @case ('brakes') {
            <ix-reading-group stage="hubs" group="brakes" />
            <ix-fact-group stage="hubs" group="brakes" [bare]="true" />
            <h2>Round the brake</h2>
            @for (id of round; track id) {
              <ix-reading [id]="id" />
            }
          }
          @default {
            <h2>Brake lines</h2>
            <p class="second">
              Bend marks count from the cut end, flare included. Use line that is made for brakes, flare it as
              the fitting asks, and test every joint under pressure before the road.
            </p>
            <ix-reading id="car.hoseReach" />
            <ix-reading id="hose.droop" />
          }
        }
      </ix-stage>
    }
  `,
})
export class HubsStage {
  private readonly selection = inject(SelectionService);
  private readonly store = inject(PlanStore);
  protected readonly mode = walkMode(false);
  protected readonly walked = ['drill', 'studs', 'retention', 'brakes'];
  protected readonly view = computed(
    () => this.store.results().of(flangeView) ?? this.store.results().of(rearView),
  );
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('pattern');
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
  protected readonly bearing = [
    'donor.journal',
    'new.journal',
    'donor.bearingBore',
    'donor.bearingWidth',
    'donor.sealJournal',
    'donor.sealBore',
  ];
  protected readonly round = ['donor.endWide', 'donor.endHigh', 'rim.inside', 'brake.radius', 'car.hoseReach'];

  constructor() {
    // A jump opens the part of the stage its place stands in.
    effect(() => {
      const wanted = this.selection.wanted();
      const known = wanted.startsWith('fact.') ? findFact(wanted.slice('fact.'.length)) : findQuantity(wanted);
      const tab = known?.stage === 'hubs' ? TAB_OF_GROUP[known.group] : undefined;
      if (tab) this.tab.set(tab);
    });
  }
}
