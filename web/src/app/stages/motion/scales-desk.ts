import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { height, weighed } from '@intervex/core/desks/motion';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';

/** Where the centre of gravity is, from scales under the wheels: level, and with the front raised. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-scales-desk',
  imports: [FigureValue, OpenChecks],
  template: `
    <table class="grid">
      <thead>
        <tr>
          <th scope="col">By the scales</th>
          <th scope="col"><span class="hidden">Value</span></th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.name) {
          <tr>
            <th scope="row">
              {{ row.name }}
              @if (row.note) {
                <small class="second">{{ row.note }}</small>
              }
            </th>
            <td><ix-figure [figure]="row.figure" /></td>
          </tr>
        }
      </tbody>
    </table>
    <p class="text second">
      With the front raised, springs are held at ride length, brakes off and the gearbox in neutral. Chock the
      rear wheels before and behind, raise it on a lift or ramps made for it, and never get under it: a car on
      blocks kills.
    </p>
    @if (found()) {
      <p class="text" role="status">
        The height by the scales goes before the one of the brief, with its uncertainty, wherever it enters.
      </p>
    }
    <ix-open-checks of="scales" />
  `,
  styles: `
    small {
      display: block;
      font-weight: 400;
    }
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
    ];
  });
}
