import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { heldBy, markMove, marks, windows, type Side } from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { chosen } from '../../stage/chosen';

/** Where the cut of one side may be, and the button that puts it into the best place, with why it is. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-windows',
  imports: [FigureValue, MatButtonModule],
  template: `
    @if (found(); as w) {
      <p>
        <span class="second">Free for the first mark:</span>
        @for (f of w.free; track f.from.id) {
          <span class="free">
            <ix-figure [figure]="f.from" />
            to
            <ix-figure [figure]="f.to" />
          </span>
        } @empty {
          <b>nowhere on this tube</b>
        }
      </p>
      @if (w.best; as best) {
        <p class="best">
          @if (held(); as why) {
            <b role="status">{{ why }}</b>
          } @else if (there()) {
            <span class="second">The mark stands in the best place. {{ w.why }}.</span>
          } @else {
            <button mat-stroked-button type="button" (click)="move(best.value)">
              Move it to the best place
            </button>
            <span class="second">
              {{ w.why }}:
              <ix-figure [figure]="best" />
            </span>
          }
        </p>
      }
    }
  `,
  styles: `
    p {
      margin: 4px 0;
      font-size: 12.5px;
    }
    .free {
      display: inline-flex;
      gap: 4px;
      align-items: baseline;
      margin-left: 4px;
      white-space: nowrap;
    }
    .free + .free::before {
      content: 'or';
    }
    .best {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      align-items: center;
    }
  `,
})
export class WindowsNote {
  private readonly store = inject(PlanStore);
  readonly side = input.required<Side>();
  protected readonly found = computed(() => this.store.results().of(windows)[this.side()]);
  private readonly marks = computed(() => this.store.results().of(marks).marks[this.side()]);
  /** Why no place may be taken: readings it follows from contradict each other. */
  protected readonly held = computed(() => heldBy(this.found()?.best, this.store.results().contradicted) ?? '');
  protected readonly there = computed(() => {
    const [best, mark] = [this.found()?.best, this.marks()?.inner.fromCasting];
    return best !== undefined && mark !== undefined && Math.abs(best.value - mark.value) < NEAR;
  });

  protected move(place: number): void {
    const found = this.marks();
    if (!found) return;
    const { quantityId, value } = markMove(found, this.store.plan().choices.method, this.side(), place);
    this.store.setReading(quantityId, chosen(Math.round(value * 100) / 100));
    this.store.saveNow();
  }
}

/** Nearer than a scribed line is there, mm. */
const NEAR = 0.1;
