import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** That the car does not stand level, over everything that rests on it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-level-warning',
  template: `
    @if (why(); as said) {
      <p role="status">
        <b>{{ said }}</b>
        Rear numbers marked with a triangle are not to be trusted before it is level, or the lean is accepted
        with a reason.
      </p>
    }
  `,
  styles: `
    p {
      margin: 0 0 10px;
      padding: 8px 12px;
      border-left: 3px solid var(--amber);
      background: var(--amber-tint);
      font-size: 13px;
    }
  `,
})
export class LevelWarning {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly why = computed(() => this.units.say(this.store.results().notLevel ?? ''));
}
