import { NgComponentOutlet } from '@angular/common';
import { Component, computed, effect, inject, input, untracked } from '@angular/core';
import { findEntry, headingsOf, restsOnDefaults, stageTitle, WALKED, type StageId } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { Walk } from '../readings/walk';
import { Segments } from '../shared/segments';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { Needs } from './needs';
import { Panel } from './panel';
import type { StageLook, StageTab } from './look';
import { ScreenState } from './screen-state';
import { WalkButton } from './walk-button';
import { walkMode } from './walk-mode';
import { WalkSheet } from './walk-sheet';

/** The screen of any stage: title, tabs that follow the field with focus, desk, panel, what is still needed. */
@Component({
  selector: 'ix-stage-screen',
  imports: [NgComponentOutlet, Needs, Panel, Segments, ViewSvg, Walk, WalkButton, WalkSheet],
  providers: [ScreenState],
  templateUrl: './stage-screen.html',
  styleUrl: './stage-screen.scss',
})
export class StageScreenView {
  private readonly selection = inject(SelectionService);
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
    () => this.tab().subtitle ?? this.look().subtitle?.(this.store.plan()) ?? '',
  );
  protected readonly view = computed(() => this.tab().view?.(this.store.results()));
  protected readonly panel = computed(() => this.tab().panel ?? this.look().panel ?? []);
  protected readonly walked = computed(() => WALKED.includes(this.stage()));
  protected readonly only = computed(() => this.look().walk?.only?.(this.store.plan()));
  protected readonly walkView = computed(() => this.look().walk?.view(this.store.results()));
  /** Heading that is brought into sight when its tab is picked. */
  protected readonly firstGroup = computed(() => {
    const groups = this.look().tabs.find((t) => t.id === this.state.picked())?.groups;
    return groups && headingsOf(this.stage()).find((h) => groups.includes(h.id))?.id;
  });
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
      if (wanted) this.state.place.set(wanted);
      this.follow(wanted);
    });
  }

  /** Opens the tab on which a place stands; the present one where none claims it. */
  private follow(place: string): void {
    const found = this.look().tabs.find((tab) => shows(tab, this.stage(), place));
    if (found) this.state.open(found.id);
  }
}

function shows({ groups = [], places = [] }: StageTab, stage: string, place: string): boolean {
  if (!place) return false;
  if (places.includes(place)) return true;
  const known = findEntry(place);
  return known?.stage === stage && groups.includes(known.group);
}
