import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { findQuantity, isOpen, STAGES, type StageState } from '@intervex/core';
import { SCREENS } from '../stages';
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
  changeDetection: ChangeDetectionStrategy.OnPush,
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

  protected readonly stages = computed(() => {
    const results = this.store.results();
    const { readings } = this.store.results().plan;
    const show = (value: number, digits?: number) => this.units.show(value, 'mm', digits);
    const tools = { show, unit: this.units.unit(), suffix: this.units.suffix() };
    return STAGES.map(({ id, title }) => {
      const open = results.checks.filter((c) => c.stage === id && isOpen(c)).length;
      const read = Object.keys(readings).filter((key) => findQuantity(key)?.stage === id).length;
      const counted = read === 0 ? 'no readings yet' : `${read} ${read === 1 ? 'reading' : 'readings'}`;
      const note =
        open > 0
          ? `${open} ${open === 1 ? 'check' : 'checks'} open`
          : SCREENS[id].note(results, { ...tools, counted });
      const state = results.stages[id];
      return { id, name: title, state, note, word: STATE_WORDS[state] };
    });
  });
}
