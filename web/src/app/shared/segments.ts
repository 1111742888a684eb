import { Component, input, output } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';

/** One of a few that stand side by side: parts of a stage, paper, a unit. */
@Component({
  selector: 'ix-segments',
  imports: [MatButtonToggleModule],
  template: `
    <mat-button-toggle-group
      [value]="value()"
      (change)="picked.emit($event.value)"
      [hideSingleSelectionIndicator]="true"
      [attr.aria-label]="label()"
    >
      @for (o of options(); track o.id) {
        <mat-button-toggle [value]="o.id">{{ o.name }}</mat-button-toggle>
      }
    </mat-button-toggle-group>
  `,
  styles: `
    :host {
      display: inline-block;
      max-width: 100%;
    }
    /* More rows where one is too narrow, ruled between. */
    mat-button-toggle-group {
      flex-wrap: wrap;
    }
    mat-button-toggle {
      box-shadow: 0 -1px 0 var(--rule);
    }
  `,
})
export class Segments<T extends string> {
  /** What is chosen among, for those who cannot see it. */
  readonly label = input.required<string>();
  readonly options = input.required<readonly { readonly id: T; readonly name: string }[]>();
  readonly value = input.required<T>();
  readonly picked = output<T>();
}

/** Papers that sheets are printed on. */
export const PAPERS = [
  { id: 'a4', name: 'A4' },
  { id: 'letter', name: 'Letter' },
] as const;
