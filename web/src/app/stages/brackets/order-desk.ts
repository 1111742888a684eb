import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { order } from '@intervex/core/desks/brackets';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** In which order all is tacked, tried and welded; each step ticked off with its day. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-order-desk',
  imports: [MatIconModule, OpenChecks],
  template: `
    <ol>
      @for (s of steps(); track s.id) {
        <li [class.hold]="s.hold" [class.done]="s.done">
          <label>
            <input
              type="checkbox"
              [checked]="!!s.done"
              [disabled]="s.waits || !!s.unread?.length"
              (change)="tick(s.id, !s.done)"
            />
            <span>
              @if (s.hold) {
                <b class="tag">
                  <mat-icon svgIcon="caution" aria-hidden="true" />
                  Hold
                </b>
              }
              {{ s.what }}
              <small class="second">{{ s.why }}{{ s.done ? ' Done ' + s.done + '.' : '' }}</small>
              @if (s.unread?.length) {
                <small>Not read yet: {{ s.unread?.join(', ') }}. Enter each under Map.</small>
              }
              @if (s.waits) {
                <small>Waits for the hold point before it.</small>
              }
            </span>
          </label>
        </li>
      }
    </ol>
    <ix-open-checks of="bracket" />
  `,
  styles: `
    ol {
      margin: 0;
      padding-left: 26px;
    }
    li {
      padding: 6px 0;
      border-bottom: 1px solid var(--rule);
    }
    li.hold {
      background: var(--dye-tint);
    }
    label {
      display: flex;
      gap: 8px;
      align-items: start;
    }
    input {
      flex: none;
      width: 20px;
      height: 20px;
    }
    small {
      display: block;
    }
    .tag {
      display: inline-flex;
      gap: 3px;
      align-items: center;
      margin-right: 6px;
    }
    .tag mat-icon {
      width: 18px;
      height: 18px;
    }
    .done {
      color: var(--ink-2);
    }
  `,
})
export class OrderDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly steps = computed(() => {
    const done = this.store.plan().weldSteps;
    let held = false;
    return this.store
      .results()
      .of(order)
      .map((s) => {
        // A hold without its readings holds, whoever ticked it.
        const day = s.unread?.length ? undefined : done[s.id];
        const waits = held && !day;
        if (s.hold && !day) held = true;
        return { ...s, what: this.units.say(s.what), done: day, waits };
      });
  });

  protected tick(id: string, done: boolean): void {
    this.store.put('weldSteps', id, done ? new Date().toISOString().slice(0, 10) : undefined);
    this.store.saveNow();
  }
}
