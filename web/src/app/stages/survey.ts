import { Component, computed, effect, ElementRef, inject, signal } from '@angular/core';
import {
  level,
  oldAxle,
  room,
  endView,
  findQuantity,
  headingsOf,
  roomView,
  surveyView,
  topView,
  type Node,
  type RoomResult,
  type View,
} from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { FactGroup } from '../readings/fact-group';
import { ReadingGroup } from '../readings/reading-group';
import { Walk } from '../readings/walk';
import { FigureValue } from '../shared/figure-value';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { AnglesTable } from './angles-table';
import { LevelFacts } from './level-facts';
import { Needs } from './needs';
import { Stage } from './stage';
import { walkMode } from './walk-mode';
import { WalkButton } from './walk-button';
import { WalkSheet } from './walk-sheet';
import { Segments } from '../shared/segments';

type Tab = 'level' | 'square' | 'axle' | 'room' | 'angles';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'level', name: 'Level' },
  { id: 'square', name: 'Square' },
  { id: 'axle', name: 'Axle' },
  { id: 'room', name: 'Room' },
  { id: 'angles', name: 'Angles' },
];

/** Headings, and the drawing that shows each. */
const TAB_OF_GROUP: Readonly<Record<string, Tab>> = {
  floor: 'level',
  level: 'level',
  square: 'square',
  axle: 'axle',
  line: 'axle',
  roomLeft: 'room',
  roomRight: 'room',
  springs: 'axle',
  brakes: 'axle',
  angles: 'angles',
};
/** Headings in walking order. */
const GROUPS = headingsOf('survey').map((heading) => heading.id);
const SUBTITLES: Readonly<Record<Tab, string>> = {
  level: 'does the car stand level',
  square: 'does the axle stand square, from above',
  axle: 'the axle in the car, from behind',
  room: 'what stands beside the wheels, from behind',
  angles: 'slopes, and what the gauge was zeroed on',
};
const VIEWS: Readonly<Record<Tab, Node<View>>> = {
  level: endView,
  square: topView,
  axle: surveyView,
  room: roomView,
  angles: surveyView,
};

const HEIGHTS: Readonly<Record<RoomResult['height'], string>> = {
  low: 'at the rim’s bottom',
  axle: 'at axle height',
  top: 'at the tyre’s top',
};

/** How the car stands, the axle in it, the room round its wheels, and its angles. */
@Component({
  selector: 'ix-survey',
  imports: [
    AnglesTable,
    FactGroup,
    FigureValue,
    LevelFacts,
    Needs,
    ReadingGroup,
    Segments,
    Stage,
    ViewSvg,
    Walk,
    WalkButton,
    WalkSheet,
  ],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="survey" title="Survey" [view]="view()" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Survey" [subtitle]="subtitle()">
        <div tabs class="tabs">
          <ix-segments label="Drawing" [options]="tabs" [value]="tab()" (picked)="open($event)" />
          <ix-walk-button (begun)="mode.choose('walk')" />
          <ix-walk-sheet stage="survey" />
        </div>
        <div desk>
          @if (store.results().notLevel; as why) {
            <p class="warning" role="status">
              <b>{{ why }}</b>
              Rear numbers marked with a triangle are not to be trusted before it is level, or the lean is
              accepted with a reason.
            </p>
          }
          @if (tab() === 'angles') {
            <ix-angles stage="survey" />
          } @else {
            <ix-view [view]="view()" />
          }
          @if (tab() === 'room') {
            <dl class="facts">
              @for (r of rooms(); track r.width.id) {
                <div>
                  <dt>{{ roomName(r) }}</dt>
                  <dd><ix-figure [figure]="r.width" [withU]="true" /></dd>
                </div>
              } @empty {
                <div class="second">Read the nearest thing inboard and the arch lip of a side.</div>
              }
            </dl>
          } @else if (tab() === 'axle') {
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
          } @else if (tab() !== 'angles') {
            <ix-level-facts />
          }
          <ix-needs stage="survey" />
        </div>
        @for (group of groups; track group) {
          <ix-reading-group stage="survey" [group]="group" [attr.data-group]="group" />
          @if (group === 'roomRight') {
            <ix-fact-group stage="survey" group="room" [bare]="true" />
          }
          <ix-fact-group stage="survey" [group]="group" [bare]="true" />
        }
      </ix-stage>
    }
  `,
  styleUrls: ['./facts.scss', './survey.scss'],
})
export class SurveyStage {
  protected readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly mode = walkMode();
  protected readonly groups = GROUPS;
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('axle');
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
  protected readonly view = computed(() => this.store.results().of(VIEWS[this.tab()]));
  protected readonly rooms = computed(() => this.store.results().of(room));
  protected readonly survey = computed(() => this.store.results().of(oldAxle));

  constructor() {
    // A car that has not been levelled yet, or does not stand level, shows that first.
    const { of, notLevel } = this.store.results();
    if (notLevel || !of(level).frontLean) this.tab.set('level');
    // The drawing follows the field that has focus.
    effect(() => {
      const quantity = findQuantity(this.selection.focused());
      const tab = quantity?.stage === 'survey' ? TAB_OF_GROUP[quantity.group] : undefined;
      if (tab) this.tab.set(tab);
    });
  }

  protected roomName({ side, pose, height }: RoomResult): string {
    return `${side === 'left' ? 'Left' : 'Right'}, ${pose === 'ride' ? 'ride height' : 'full bump'}, least ${HEIGHTS[height]}`;
  }

  /** Shows a drawing, and the first readings that belong to it. */
  protected open(tab: Tab): void {
    this.tab.set(tab);
    const group = GROUPS.find((g) => TAB_OF_GROUP[g] === tab);
    const heading = [...this.host.nativeElement.querySelectorAll('[data-group]')].find(
      (e) => e.getAttribute('data-group') === group,
    );
    heading?.scrollIntoView({ block: 'start' });
  }
}
