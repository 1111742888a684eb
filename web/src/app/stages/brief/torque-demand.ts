import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';
import { TorqueChart } from './torque-chart';
import { torque } from '@intervex/core';

/** What each shaft must carry, and which side says so. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-torque-demand',
  imports: [FigureValue, TorqueChart],
  template: `
    <h2>Torque each shaft must carry</h2>
    <dl class="facts">
      <div>
        <dt>From the engine</dt>
        <dd><ix-figure [figure]="brief().engineSide" /></dd>
      </div>
      <div>
        <dt>What one tyre holds</dt>
        <dd><ix-figure [figure]="brief().tractionSide" [withU]="true" /></dd>
      </div>
      <div>
        <dt>Rear load at launch</dt>
        <dd><ix-figure [figure]="brief().rearLoad" /></dd>
      </div>
      <div class="demand">
        <dt>Each shaft must carry</dt>
        <dd><ix-figure [figure]="brief().demand" [withU]="true" /></dd>
      </div>
    </dl>
    <p class="second">{{ words() }}</p>
    @if (curve().length > 1) {
      <ix-torque-chart [points]="curve()" />
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 18px;
    }
    h2 {
      font-size: 15px;
    }
    .facts {
      margin-top: 6px;
    }
    .demand {
      padding-left: 12px;
      border-left: 3px solid var(--dye);
    }
    p {
      max-width: 70ch;
      margin: 8px 0;
      font-size: 13px;
    }
  `,
})
export class TorqueDemand {
  private readonly store = inject(PlanStore);
  protected readonly brief = computed(() => this.store.results().of(torque));
  protected readonly curve = computed(() => this.store.plan().brief.torqueCurve);
  protected readonly words = computed(() => {
    const { governs } = this.brief();
    if (governs === 'tyre') return 'The tyre lets go before the engine’s torque is reached: the tyre governs.';
    if (governs === 'engine') return 'The engine gives less than the tyre holds: the engine governs.';
    return this.store.plan().brief.gears.length === 0
      ? 'Write the gearbox ratios, weights, tyre and torque, and it is worked out here.'
      : 'Some readings are still missing; they are named below.';
  });
}
