import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  PendingTasks,
  untracked,
} from '@angular/core';
import { captionText, toldFine, type View } from '@intervex/core';
import { Following } from '../state/following';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

/**
 * A drawing in words: every dimension and what is written into it. It follows the drawing a moment later, and is laid out
 * by itself: a table among the rest would have all of it laid out at every key.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-view-words',
  host: { class: 'hidden' },
  template: `
    <table>
      <caption>{{ shown().title }}: dimensions</caption>
      <tbody>
        @for (row of table(); track $index) {
          <tr>
            <th scope="row">{{ row.label }}</th>
            <td>{{ row.text }}</td>
          </tr>
        }
      </tbody>
    </table>
    <p>{{ words() }}</p>
  `,
  styles: `
    :host {
      contain: strict;
    }
  `,
})
export class ViewWords {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  readonly view = input.required<View>();
  private readonly following = new Following(this.view, inject(PendingTasks));
  protected readonly shown = this.following.shown;

  protected readonly table = computed(() =>
    this.shown().dimensions.map((d) => ({
      label: d.label,
      text: toldFine(this.store.results(), d) ? this.units.show(d.value, 'mm') : this.units.tape(d.value),
    })),
  );
  protected readonly words = computed(() =>
    this.shown()
      .captions.map((c) => captionText(c, (mm) => (c.fine ? this.units.show(mm, 'mm') : this.units.tape(mm))))
      .join(', '),
  );

  constructor() {
    effect(() => {
      this.view();
      untracked(() => {
        this.following.soon();
      });
    });
  }
}
