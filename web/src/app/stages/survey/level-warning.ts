import { Component, inject } from '@angular/core';
import { PlanStore } from '../../state/plan-store';

/** That the car does not stand level, over everything that rests on it. */
@Component({
  selector: 'ix-level-warning',
  template: `
    @if (store.results().notLevel; as why) {
      <p role="status">
        <b>{{ why }}</b>
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
  protected readonly store = inject(PlanStore);
}
