import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { AIM_NAMES, AIM_NOTES, aimWays, formatAngle, placeName, type AimWay } from '@intervex/core';
import { wayStudy } from '@intervex/core/desks/driveline';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { PlanStore } from '../../state/plan-store';

/** The ways to aim the pinion side by side: slope wanted, what is allowed, joints, shaking, perch. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-aim-ways',
  imports: [FigureValue, OpenChecks],
  template: `
    <div role="radiogroup" aria-label="How the pinion is aimed">
      <table class="grid wide cards">
        <thead>
          <tr>
            <th scope="col" class="words">Pinion aimed</th>
            <th scope="col">Set at rest</th>
            <th scope="col">Driving</th>
            <th scope="col">Joints driving</th>
            <th scope="col">Shakes pinion</th>
            <th scope="col">Perch L</th>
            <th scope="col">Perch R</th>
          </tr>
        </thead>
        <tbody>
          @for (w of ways(); track w.way) {
            <tr [class.picked]="w.way === aim()">
              <th scope="row">
                <label class="one">
                  <input type="radio" name="aim" [checked]="w.way === aim()" (change)="choose(w.way)" />
                  {{ names[w.way] }}
                </label>
                <small class="second">{{ notes[w.way] }}</small>
                @if (w.range) {
                  <small>allowed at rest: {{ w.range }}</small>
                }
              </th>
              @if (w.lacks) {
                <td colspan="6" class="words second">needs {{ w.lacks }}</td>
              } @else {
                <td data-label="Set at rest"><ix-figure [figure]="w.set" /></td>
                <td data-label="Driving"><ix-figure [figure]="w.running" /></td>
                <td data-label="Joints driving">
                  @for (joint of w.joints; track joint.id) {
                    <div><ix-figure [figure]="joint" /></div>
                  }
                </td>
                <td data-label="Shakes pinion"><ix-figure [figure]="w.torsional" /></td>
                <td data-label="Perch turns, left"><ix-figure [figure]="w.perch.left" /></td>
                <td data-label="Perch turns, right"><ix-figure [figure]="w.perch.right" /></td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="second note">
      Perch: how far each one turns from where the donor’s stands, front up plus. Independent of how the axle is
      rolled.
    </p>
    <ix-open-checks of="drive" />
  `,
  styles: `
    .note {
      margin: 6px 0;
      font-size: 12.5px;
    }
    th small {
      max-width: 46ch;
    }
  `,
})
export class WaysTable {
  private readonly store = inject(PlanStore);
  protected readonly names = AIM_NAMES;
  protected readonly notes = AIM_NOTES;
  protected readonly aim = computed(() => this.store.plan().choices.aim);
  protected readonly ways = computed(() => {
    const { of } = this.store.results();
    return of(aimWays).map((w) => ({
      ...w,
      lacks: w.lacks.map(placeName).join(', '),
      range: w.lacks.length
        ? ''
        : w.allowed.map(([from, to]) => `${formatAngle(from)} to ${formatAngle(to)}`).join(', ') || 'none',
      ...of(wayStudy)[w.way],
    }));
  });

  protected choose(way: AimWay): void {
    this.store.choose('aim', way);
    this.store.saveNow();
  }
}
