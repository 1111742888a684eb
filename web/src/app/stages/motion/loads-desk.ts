import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { torque } from '@intervex/core';
import { armLoads, loadInputs, memberId, springLoads } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** What every link takes at a launch and under braking; which spring wants preload. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-loads-desk',
  imports: [FigureTable, FigureValue, OpenChecks],
  template: `
    @if (rows().length) {
      <p class="text second">
        Pulls plus, pushes minus, without the project’s factor: axle, wheels and shafts as one free body, tyres
        at their limit; in a bend the outer one pressed.
        @if (shared()) {
          More holds the axle than must: bushings and springs share it by their stiffness; the last column is
          the most, however they share.
        }
      </p>
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">Link</th>
            <th scope="col">At launch</th>
            <th scope="col">Under braking</th>
            <th scope="col">Left bend</th>
            <th scope="col">Right bend</th>
            @if (shared()) {
              <th scope="col">At most</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.id) {
            <tr>
              <th scope="row">{{ r.name }}</th>
              <td data-label="At launch"><ix-figure [figure]="r.launch" /></td>
              <td data-label="Under braking"><ix-figure [figure]="r.braking" /></td>
              <td data-label="Left bend"><ix-figure [figure]="r.leftBend" /></td>
              <td data-label="Right bend"><ix-figure [figure]="r.rightBend" /></td>
              @if (shared()) {
                <td class="figure" data-label="At most">{{ r.most }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
      <ix-figure-table of="Road and springs at launch" [rows]="pushes()" />
    } @else {
      <p class="text second">
        Loads follow from the links and the springs: list both. Leaf springs take them themselves, see Springs.
      </p>
    }
    <ix-open-checks of="arm" />
  `,
})
export class LoadsDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly of = computed(() => this.store.results().of);
  protected readonly rows = computed(() =>
    this.of()(armLoads).map(({ member, launch, braking, leftBend, rightBend, atMost }) => ({
      id: memberId(member),
      name: member.name,
      launch,
      braking,
      leftBend,
      rightBend,
      most: atMost === undefined ? '–' : this.units.show(atMost, 'N'),
    })),
  );
  /** Whether statics alone does not tell what each takes. */
  protected readonly shared = computed(() => this.of()(armLoads).some(({ atMost }) => atMost !== undefined));
  /** Which tyre the driveshaft’s torque takes load from. */
  private readonly lifts = computed(() =>
    this.store.results().plan.choices.shaftTurns === 'counter' ? 'Left tyre loses' : 'Right tyre loses',
  );
  protected readonly pushes = computed(() => {
    const { launch } = this.of()(loadInputs);
    const { loads, preload, preloadTurns } = this.of()(springLoads);
    return [
      { name: 'Push of both tyres', note: '', figure: launch?.thrust },
      { name: 'Load on both tyres', note: '', figure: launch?.load },
      { name: 'Driveshaft’s torque on the housing', note: 'minus lifts the right side', figure: launch?.turn },
      ...loads.map(({ member, launch: push }) => ({
        name: member.name,
        note: 'pushes, for even tyres',
        figure: push,
      })),
      {
        name: this.lifts(),
        note: 'while both springs push alike: what preload is for',
        figure: this.of()(torque).reaction,
      },
      { name: 'Left spring more than the right', note: 'minus: the right one more', figure: preload },
      { name: 'As length of preload', note: 'by the rate of one spring', figure: preloadTurns },
    ];
  });
}
