import { Component, computed, effect, ElementRef, inject, signal } from '@angular/core';
import { donorView, findFact, findQuantity, JOINT_IDS, type JointId } from '@intervex/core';
import { Walk } from '../../readings/walk';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';
import { Stage } from '../stage';
import { walkMode } from '../walk-mode';
import { WalkButton } from '../walk-button';
import { WalkSheet } from '../walk-sheet';
import { DonorReadings } from './donor-readings';
import { JointPanel } from './joint-panel';
import { JudgeDesk } from './judge-desk';
import { JudgePanel, JUDGED_GROUPS } from './judge-panel';
import { MatingTable } from './mating-table';
import { ReadingsPanel } from './readings-panel';
import { Segments } from '../../shared/segments';

type Tab = 'readings' | 'judge' | 'mating';

const TABS: readonly { readonly id: Tab; readonly name: string }[] = [
  { id: 'readings', name: 'Readings' },
  { id: 'judge', name: 'Judge' },
  { id: 'mating', name: 'Mating' },
];

/** The donor: its dimensions, whether it is worth buying, and how it joins the car. */
@Component({
  selector: 'ix-donor',
  imports: [
    DonorReadings,
    JointPanel,
    JudgeDesk,
    JudgePanel,
    MatingTable,
    ReadingsPanel,
    Segments,
    Stage,
    Walk,
    WalkButton,
    WalkSheet,
  ],
  template: `
    @if (mode.walking()) {
      <ix-walk stage="donor" title="Donor" [view]="view()" (closed)="mode.choose('list')" />
    } @else {
      <ix-stage title="Donor" [subtitle]="store.plan().brief.donor || 'the axle that comes in'">
        <div tabs class="tabs">
          <ix-segments label="What of the donor" [options]="tabs" [value]="tab()" (picked)="tab.set($event)" />
          <ix-walk-button (begun)="mode.choose('walk')" />
          <ix-walk-sheet stage="donor" />
        </div>
        <div desk>
          @switch (tab()) {
            @case ('readings') {
              <ix-donor-readings [view]="view()" />
            }
            @case ('judge') {
              <ix-judge-desk />
            }
            @case ('mating') {
              <ix-mating [chosen]="joint()" (choose)="open($event)" />
            }
          }
        </div>
        @switch (tab()) {
          @case ('readings') {
            <ix-donor-readings-panel />
          }
          @case ('judge') {
            <ix-judge-panel />
          }
          @case ('mating') {
            <ix-joint [id]="joint()" />
          }
        }
      </ix-stage>
    }
  `,
  styleUrl: '../survey.scss',
})
export class DonorStage {
  protected readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly mode = walkMode();
  protected readonly tabs = TABS;
  protected readonly tab = signal<Tab>('readings');
  protected readonly joint = signal<JointId>('spline');
  protected readonly view = computed(() => this.store.results().of(donorView));

  constructor() {
    // A jump opens the part of the stage its place stands in.
    effect(() => {
      const wanted = this.selection.wanted();
      const tab = tabOf(wanted);
      if (!tab) return;
      this.tab.set(tab);
      const joint = JOINT_IDS.find((id) => wanted === `joint.${id}`);
      if (joint) this.joint.set(joint);
    });
  }

  /** Shows a joint; on a phone its panel stands far below the table. */
  protected open(joint: JointId): void {
    this.joint.set(joint);
    setTimeout(() => {
      this.host.nativeElement.querySelector('ix-joint')?.scrollIntoView({ block: 'nearest' });
    });
  }
}

/** Where in the stage a place is edited. */
function tabOf(place: string): Tab | undefined {
  if (place.startsWith('joint.')) return 'mating';
  if (place === 'donor') return 'judge';
  const known = place.startsWith('fact.') ? findFact(place.slice('fact.'.length)) : findQuantity(place);
  if (known?.stage !== 'donor') return undefined;
  return JUDGED_GROUPS.includes(known.group) ? 'judge' : 'readings';
}
