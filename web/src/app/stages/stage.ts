import { Component, input } from '@angular/core';

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
}
