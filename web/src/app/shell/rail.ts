import { Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink, RouterLinkActive } from '@angular/router';
import {
  shafts,
  bareLength,
  findQuantity,
  isOpen,
  SCHOOL_NAMES,
  type StageId,
  type StageState,
} from '@intervex/core';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

const STATE_WORDS: Readonly<Record<StageState, string>> = {
  untouched: 'not begun',
  inWork: 'in work',
  caution: 'caution',
  stop: 'stop',
  settled: 'settled',
};

/** The stages in the order of the work, each with how it stands by shape and words. */
@Component({
  selector: 'ix-rail',
  imports: [MatIconModule, RouterLink, RouterLinkActive],
  template: `
    <nav aria-label="Stages" [class.narrow]="narrow()">
      @for (stage of stages(); track stage.id) {
        <a [routerLink]="stage.id" routerLinkActive="here" ariaCurrentWhenActive="page" [class]="stage.state">
          <mat-icon [svgIcon]="stage.state" aria-hidden="true" />
          <span class="words">
            <b>{{ stage.name }}</b>
            <small>{{ stage.note }}</small>
            <span class="hidden">, {{ stage.word }}</span>
          </span>
        </a>
      }
      <a class="aside" routerLink="routes" routerLinkActive="here" ariaCurrentWhenActive="page">
        <mat-icon svgIcon="routes" aria-hidden="true" />
        <span class="words">
          <b>Routes</b>
          <small>side by side</small>
        </span>
      </a>
    </nav>
  `,
  styleUrl: './rail.scss',
})
export class Rail {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly narrow = input(false);

  /** Lengths of the shafts, left and right. */
  private shafts(): string {
    const { left, right } = this.store.results().of(shafts).needs;
    if (!left || !right) return 'lengths not known';
    // In so little room an inch is a decimal.
    const show = (mm: number) =>
      this.units.unit() === 'mm' ? bareLength(mm, 'mm', 1) : bareLength(mm, 'in', 2);
    return `${show(left.fitted.value)} and ${show(right.fitted.value)} ${this.units.suffix()}`;
  }

  protected readonly stages = computed(() => {
    const { stages, checks, decisions } = this.store.results();
    const { brief, choices, readings } = this.store.plan();
    const count = (stage: StageId) =>
      Object.keys(readings).filter((id) => findQuantity(id)?.stage === stage).length;
    const width = this.store.results().known['brief.targetWidth'];
    const lacks = decisions.filter((d) => d.stage === 'cut').some((d) => d.lacks.length > 0);
    const readingsNote = (n: number) =>
      n === 0 ? 'no readings yet' : `${n} ${n === 1 ? 'reading' : 'readings'}`;
    const notes: Readonly<Record<StageId, string>> = {
      brief: width ? this.units.show(width.figure.value, 'mm', 0) : brief.vehicle || 'say what and why',
      survey: readingsNote(count('survey')),
      donor: readingsNote(count('donor')),
      stance: choices.tyre || 'choose tyre and wheel',
      cut: SCHOOL_NAMES[choices.school].toLowerCase(),
      shafts: this.shafts(),
      hubs: readingsNote(count('hubs')),
      sheets: lacks ? 'readings missing' : 'cut sheet',
    };
    const names: Readonly<Record<StageId, string>> = {
      brief: 'Brief',
      survey: 'Survey',
      donor: 'Donor',
      stance: 'Stance',
      cut: 'Cut',
      shafts: 'Shafts',
      hubs: 'Hub ends',
      sheets: 'Sheets',
    };
    return (Object.keys(names) as StageId[]).map((id) => {
      const open = checks.filter((c) => c.stage === id && isOpen(c)).length;
      const counted = open > 0 ? `${open} ${open === 1 ? 'check' : 'checks'} open` : notes[id];
      return { id, name: names[id], state: stages[id], note: counted, word: STATE_WORDS[stages[id]] };
    });
  });
}
