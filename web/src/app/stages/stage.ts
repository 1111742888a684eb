import { Component, computed, inject, input } from '@angular/core';
import { PlanStore } from '../state/plan-store';

/** The frame of a stage: title, drawing desk in the middle, readings and choices at the right. */
@Component({
  selector: 'ix-stage',
  template: `
    <section class="desk">
      <header>
        <h1>{{ title() }}</h1>
        <span class="second">{{ subtitle() }}</span>
        <span class="tabs"><ng-content select="[tabs]" /></span>
      </header>
      <ng-content select="[desk]" />
      @if (assumes()) {
        <p class="second legend">
          * rests on a value that is assumed, not read. Open the figure: its working says which, and why.
        </p>
      }
    </section>
    <section class="panel" [attr.aria-label]="title() + ', readings and choices'">
      <ng-content />
    </section>
  `,
  styleUrl: './stage.scss',
})
export class Stage {
  readonly title = input.required<string>();
  readonly subtitle = input('');
  private readonly store = inject(PlanStore);
  /** Something that is shown may carry the mark of a default. */
  protected readonly assumes = computed(() =>
    [...this.store.figures().values()].some((f) => Object.keys(f.assumed).length > 0),
  );
}
