import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { height, pressed, rearRate, weighed } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';

/** Where the centre of gravity is, from scales under the wheels: level, and with the front raised. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-scales-desk',
  imports: [FigureTable, OpenChecks],
  template: `
    <ix-figure-table of="By the scales" [rows]="rows()" />
    <p class="text second">
      With the front raised, springs are held at ride length, brakes off and the gearbox in neutral. Chock the
      rear wheels before and behind, raise it on a lift or ramps made for it, and never get under it: a car on
      blocks kills.
    </p>
    @if (found()) {
      <p class="text" role="status">
        The height by the scales replaces the brief’s, with its uncertainty, wherever it enters.
      </p>
    }
    <ix-open-checks of="scales" />
  `,
})
export class ScalesDesk {
  private readonly store = inject(PlanStore);
  private readonly of = computed(() => this.store.results().of);
  protected readonly found = computed(() => this.of()(height));
  protected readonly rows = computed(() => {
    const w = this.of()(weighed);
    return [
      { name: 'Mass', note: '', figure: w.mass },
      { name: 'Front axle', note: '', figure: w.front },
      { name: 'Rear axle', note: '', figure: w.rear },
      { name: 'Centre of gravity before the rear axle', note: '', figure: w.fromRear },
      { name: 'Centre of gravity left of the middle', note: 'minus right', figure: w.left },
      { name: 'Cross-weight', note: 'left front and right rear, of all', figure: w.cross },
      { name: 'Centre of gravity above the ground', note: 'with the front raised', figure: this.found() },
      { name: 'Rate of the rear', note: 'by a mass laid over the axle', figure: this.of()(pressed) },
      { name: 'Rate of the rear', note: 'by its springs', figure: this.of()(rearRate) },
    ];
  });
}
