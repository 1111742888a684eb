import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { changedPlaces, placesText } from '../state/changed-places';
import type { Unsaved } from '../state/unsaved.service';

/** Offers work back that a page left behind before it was saved. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-left-behind',
  imports: [MatButtonModule],
  template: `
    <p role="alert">
      Work of {{ time() }} was not saved before its page was closed: {{ what() }}.
      <button mat-button type="button" (click)="settled.emit(true)">Take it up again</button>
      @if (sure()) {
        <button mat-button type="button" (click)="settled.emit(false)">Throw it away for good</button>
        <button mat-button type="button" (click)="sure.set(false)">Leave it</button>
      } @else {
        <button mat-button type="button" (click)="sure.set(true)">Throw it away</button>
      }
    </p>
  `,
  styles: `
    p {
      margin: 0;
    }
  `,
})
export class LeftBehind {
  readonly work = input.required<Unsaved>();
  /** True to take it up again. */
  readonly settled = output<boolean>();
  /** Asked once more. */
  protected readonly sure = signal(false);
  protected readonly what = computed(
    () => placesText(changedPlaces(this.work().base, this.work().plan)) || 'changes of the plan',
  );
  protected readonly time = computed(() =>
    new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
      new Date(this.work().at),
    ),
  );
}
