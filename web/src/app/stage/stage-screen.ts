import { NgComponentOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  linkedSignal,
  untracked,
} from '@angular/core';
import { findEntry, restsOnDefaults, stageTitle, WALKED, type StageId, type View } from '@intervex/core';
import { ViewSvg, type MarkMove } from '../drawing/view-svg';
import { Walk } from '../readings/walk';
import { Segments } from '../shared/segments';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { chosen } from './chosen';
import { Divider, shareOf } from './divider';
import { narrowPage } from './narrow-page';
import { NextStepLine } from './next-step';
import { Panel } from './panel';
import type { StageLook, StageTab } from './look';
import { ScreenState } from './screen-state';
import { WalkButton } from './walk-button';
import { walkMode } from './walk-mode';
import { WalkSheet } from './walk-sheet';

/** More parts of a stage than this are chosen from a list: they do not stand in one row. */
const MOST_TABS = 8;

/** The screen of any stage: title, tabs that follow the field with focus, desk, panel, what is still needed. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-stage-screen',
  imports: [Divider, NextStepLine, NgComponentOutlet, Panel, Segments, ViewSvg, Walk, WalkButton, WalkSheet],
  providers: [ScreenState],
  templateUrl: './stage-screen.html',
  styleUrl: './stage-screen.scss',
})
export class StageScreenView {
  protected readonly selection = inject(SelectionService);
  protected readonly store = inject(PlanStore);
  protected readonly state = inject(ScreenState);
  protected readonly mode = walkMode(() => this.look().walk?.byItself ?? false);
  readonly stage = input.required<StageId>();
  readonly look = input.required<StageLook>();

  protected readonly title = computed(() => stageTitle(this.stage()));
  protected readonly tabs = computed(() => this.look().tabs.map(({ id, name }) => ({ id, name })));
  protected readonly tab = computed<StageTab>(() => {
    const { tabs } = this.look();
    return tabs.find((t) => t.id === this.state.tab()) ?? (tabs[0] as StageTab);
  });
  protected readonly subtitle = computed(
    () => this.tab().subtitle ?? this.look().subtitle?.(this.store.results().plan) ?? '',
  );
  protected readonly views = computed(() => {
    const drawn = this.tab().view?.(this.store.now());
    return (Array.isArray(drawn) ? drawn : [drawn]).filter((v): v is View => v !== undefined);
  });
  protected readonly narrow = narrowPage();
  protected readonly MOST_TABS = MOST_TABS;
  protected readonly hasResults = computed(
    () => !!this.look().above || !!this.tab().desk?.length || !!this.look().below?.length,
  );
  /** What the share of this desk is remembered for. */
  protected readonly place = computed(() => `${this.stage()}.${this.tab().id}`);
  /** The drawing’s share of the desk, %; as the results leave it where nobody set it. */
  protected readonly share = linkedSignal(() => (this.narrow() ? undefined : shareOf(this.place())));
  protected readonly panel = computed(() => this.tab().panel ?? this.look().panel ?? []);
  protected readonly walked = computed(() => WALKED.includes(this.stage()));
  protected readonly only = computed(() => this.look().walk?.only?.(this.store.results().plan));
  protected readonly walkView = computed(() => this.look().walk?.view(this.store.now()));
  /** Headings the tab is about: they stand first in the panel. */
  protected readonly firstGroups = computed(() => this.tab().groups ?? []);
  /** Something that is shown may carry the mark of a default. */
  protected readonly assumes = computed(() => restsOnDefaults(this.store.results()));

  constructor() {
    effect(() => {
      const { first, tabs } = this.look();
      untracked(() => {
        this.state.open(first?.(this.store.results()) ?? tabs[0]?.id ?? '');
      });
    });
    effect(() => {
      const place = this.selection.focused();
      // In a tab’s own panel a field stands where it is looked at.
      if (!untracked(this.tab).panel) this.follow(place);
    });
    effect(() => {
      const wanted = this.selection.wanted();
      if (!wanted) return;
      this.state.place.set(wanted);
      this.follow(wanted);
    });
    // What was asked for here and has no field is not asked for on the next stage.
    inject(DestroyRef).onDestroy(() => {
      this.selection.wanted.set('');
    });
  }

  protected setShare(percent: number | undefined): void {
    this.share.set(percent);
  }

  protected moved(move: MarkMove): void {
    const { quantityId, value } = move;
    const { move: put } = this.tab();
    if (put) put(this.store, move);
    else if (this.tab().dragged === 'chosen') this.store.setReading(quantityId, chosen(value));
    else this.store.moveMark(quantityId, value);
  }

  /** Opens the tab on which a place stands; the present one where none claims it. */
  private follow(place: string): void {
    const found = this.look().tabs.find((tab) => shows(tab, this.stage(), place));
    if (found) this.state.open(found.id);
  }
}

function shows({ groups = [], places = [] }: StageTab, stage: string, place: string): boolean {
  if (!place) return false;
  if (places.some((one) => one === place)) return true;
  const known = findEntry(place);
  return known?.stage === stage && groups.some((group) => group === known.group);
}
