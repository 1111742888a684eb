import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { PlanStore } from '../state/plan-store';
import { ConflictFields } from './conflict-fields';

/** What another page changed meanwhile, field by field, and other trouble with saving. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-conflicts',
  imports: [ConflictFields, MatButtonModule],
  template: `
    @if (store.conflicts().length) {
      @defer (on immediate) {
        <ix-conflict-fields />
      } @error {
        <p class="note" role="alert">
          Somebody changed the same fields in another page. Load the page again to choose; nothing is
          overwritten.
        </p>
      }
    }
    @if (store.trouble(); as why) {
      <p class="note" role="alert">{{ why }}</p>
    }
    @if (store.dropped().length) {
      <p class="note" role="status">
        Kept by an earlier version, and left out here: {{ store.dropped().join(', ') }}. Earlier revisions still
        hold it.
        <button mat-button type="button" (click)="store.dropped.set([])">Good</button>
      </p>
    }
    @if (store.merged(); as what) {
      <p class="note" role="status">
        {{ what }}
        <button mat-button type="button" (click)="store.merged.set('')">Good</button>
      </p>
    }
  `,
  styles: `
    .note {
      margin: 0;
      padding: 10px 16px;
      border-bottom: 1px solid var(--rule);
      border-left: 3px solid var(--amber);
      background: var(--amber-tint);
      font-size: 13px;
    }
  `,
})
export class ConflictPanel {
  protected readonly store = inject(PlanStore);
}
