import { Component, computed, effect, inject, signal } from '@angular/core';
import {
  tubeViews,
  schools,
  CUT_METHODS,
  DATUM_NAMES,
  MARK_DATUMS,
  markDatum,
  METHOD_NAMES,
  rearView,
  RETENTION_NAMES,
  RETENTIONS,
  ROUTE_NAMES,
  SHAFT_ROUTES,
  SIDES,
  sideName,
  isPlanned,
} from '@intervex/core';
import { EndFace } from '../drawing/end-face';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingField } from '../readings/reading-field';
import { ReadingGroup } from '../readings/reading-group';
import { Walk } from '../readings/walk';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { ChoiceField } from './choice-field';
import { AfterWeld } from './cut/after-weld';
import { TubeFit } from './cut/tube-fit';
import { TubeItems } from './cut/tube-items';
import { MarksTable } from './marks-table';
import { Needs } from './needs';
import { SchoolsTable } from './schools-table';
import { SquarePanel } from './square-panel';
import { Stage } from './stage';
import { WalkButton } from './walk-button';
import { walkMode } from './walk-mode';
import { Segments } from '../shared/segments';

type Tab = 'rear' | 'left' | 'right' | 'face' | 'ends';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'rear', name: 'Rear' },
  { id: 'left', name: 'Left tube' },
  { id: 'right', name: 'Right tube' },
  { id: 'face', name: 'End faces' },
  { id: 'ends', name: 'Tubes and ends' },
];

const SUBTITLES: Readonly<Record<Tab, string>> = {
  rear: 'result over donor, from behind',
  left: 'left tube with its marks, from behind',
  right: 'right tube with its marks, from behind',
  face: 'end faces, seen from outside',
  ends: 'new tubes, full-float ends, after the work',
};

/** Ways to cut side by side, marks on the tube, saw and weld, squareness. */
@Component({
  selector: 'ix-cut',
  imports: [
    AfterWeld,
    ChoiceField,
    EndFace,
    MarksTable,
    Needs,
    ReadingField,
    ReadingGroup,
    SchoolsTable,
    Segments,
    SquarePanel,
    Stage,
    TubeFit,
    TubeItems,
    ViewSvg,
    Walk,
    WalkButton,
  ],
  templateUrl: './cut.html',
  styleUrls: ['./cut.scss'],
})
export class CutStage {
  protected readonly store = inject(PlanStore);
  protected readonly tabs = TABS;
  protected readonly mode = walkMode(false);
  protected readonly tab = signal<Tab>('rear');
  private readonly selection = inject(SelectionService);
  protected readonly subtitle = computed(() => SUBTITLES[this.tab()]);
  protected readonly methods = CUT_METHODS.map((id) => ({ id, name: METHOD_NAMES[id] }));
  /** An end that comes off takes its face with it: nothing is marked from there. */
  protected readonly datums = computed(() =>
    MARK_DATUMS.filter((id) => markDatum(this.choices().method, id) === id).map((id) => ({
      id,
      name: DATUM_NAMES[id],
    })),
  );
  protected readonly datumNow = computed(() => markDatum(this.choices().method, this.choices().datum));
  protected readonly routes = SHAFT_ROUTES.map((id) => ({ id, name: ROUTE_NAMES[id] }));
  protected readonly sides = SIDES;
  protected readonly sideName = sideName;
  protected readonly retentions = RETENTIONS.map((id) => ({ id, name: RETENTION_NAMES[id] }));
  protected readonly choices = computed(() => this.store.plan().choices);
  protected readonly driveline = computed(() => this.choices().school === 'driveline');
  protected readonly cuts = computed(() => {
    const found = this.store
      .results()
      .of(schools)
      .find((s) => s.school === this.choices().school);
    return found && isPlanned(found) ? found : undefined;
  });
  /** Headings of what is read for the way it is cut. */
  protected readonly walked = computed(() => {
    const { method, retentionTo } = this.choices();
    return [
      'leftTube',
      'rightTube',
      'saw',
      ...(method === 'newTubes' ? ['tubes', 'leftNew', 'rightNew'] : []),
      ...(retentionTo === 'fullFloat' ? ['float'] : []),
      'leftFace',
      'rightFace',
    ];
  });
  protected readonly rear = computed(() => this.store.results().of(rearView));
  protected readonly view = computed(() => {
    const results = this.store.results();
    const tab = this.tab();
    if (tab === 'left' || tab === 'right') return results.of(tubeViews)[tab];
    return this.rear();
  });

  constructor() {
    // The drawing follows the field that has focus.
    effect(() => {
      const tab = tabOf(this.selection.focused());
      if (tab) this.tab.set(tab);
    });
  }
}

/** The drawing that shows a quantity best; undefined where the present one will do. */
function tabOf(quantityId: string): Tab | undefined {
  if (quantityId.startsWith('square.')) return 'face';
  return /^(tube|float|after)\./.test(quantityId) ? 'ends' : undefined;
}
