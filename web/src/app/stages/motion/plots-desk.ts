import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { alongTravel, standing } from '@intervex/core/desks/motion';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { pose } from './pose';

const DEGREE = Math.PI / 180;

interface Plot {
  readonly title: string;
  readonly y: { readonly title: string };
  readonly lines: readonly ChartLine[];
  readonly words: string;
}

/** What the axle does along its travel, with a cursor where it is put. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-plots-desk',
  imports: [LineChart],
  template: `
    @if (plots(); as all) {
      <label class="heave">
        <span>Heave</span>
        <input
          type="range"
          aria-label="Heave"
          [min]="ends().low"
          [max]="ends().high"
          step="1"
          [value]="pose().z"
          [attr.aria-valuetext]="here()"
          (input)="put(+$any($event.target).value)"
        />
        <output class="figure">{{ here() }}</output>
      </label>
      <div class="plots">
        @for (p of all; track p.title) {
          <figure>
            <figcaption>{{ p.title }}</figcaption>
            <ix-line-chart [lines]="p.lines" [x]="x()" [y]="p.y" [words]="p.words" />
          </figure>
        }
      </div>
    } @else {
      <p class="text second">
        Plots follow from the links and the travel: list what holds the axle, and read bump and droop.
      </p>
    }
  `,
  styles: `
    .heave {
      display: grid;
      grid-template-columns: 60px minmax(0, 1fr) minmax(120px, auto);
      gap: 12px;
      align-items: center;
      margin: 8px 0;
      font-size: 14px;
    }
    input[type='range'] {
      min-width: 0;
      height: 28px;
      accent-color: var(--dye);
    }
    .plots {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
      gap: 14px;
    }
    figure {
      min-width: 0;
      margin: 0;
    }
    figcaption {
      color: var(--ink-2);
      font-size: 13px;
      font-weight: 600;
    }
  `,
})
export class PlotsDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly pose = pose;
  private readonly inches = computed(() => this.units.unit() !== 'mm');
  private readonly length = computed(() => (this.inches() ? 1 / 25.4 : 1));
  private readonly unit = computed(() => (this.inches() ? 'in' : 'mm'));
  private readonly along = computed(() => {
    const stands = this.store.results().of(standing);
    return stands && alongTravel(stands.stand, pose().roll);
  });
  protected readonly ends = computed(() => {
    const heave = this.along()?.heave ?? [0];
    return { low: heave[0] ?? 0, high: heave.at(-1) ?? 0 };
  });
  protected readonly here = computed(() => this.units.show(pose().z, 'mm'));
  protected readonly x = computed(() => ({ title: `up from ride height, ${this.unit()}` }));
  protected readonly plots = computed((): readonly Plot[] | undefined => {
    const a = this.along();
    if (!a) return undefined;
    const k = this.length();
    return [
      this.plot('Pinion turned, nose up plus', '°', a.heave, a.pinion, 1 / DEGREE),
      this.plot('Axle forward', this.unit(), a.heave, a.forward, k),
      this.plot('Axle to the left', this.unit(), a.heave, a.left, k),
      this.plot('Axle steers to the left', '°', a.heave, a.steer, 1 / DEGREE),
      this.plot('Anti-squat', '%', a.heave, a.antiSquat, 100),
      this.plot('Roll centre above the ground', this.unit(), a.heave, a.rollCentre, k),
      this.plot('Length that links lack', this.unit(), a.heave, a.bind, k),
    ];
  });

  private plot(
    title: string,
    unit: string,
    heave: readonly number[],
    values: readonly number[],
    scale: number,
  ): Plot {
    const k = this.length();
    const points = heave
      .map((z, i) => ({ x: z * k, y: (values[i] ?? NaN) * scale }))
      .filter(({ y }) => Number.isFinite(y));
    const at = points.reduce(
      (best, p) => (Math.abs(p.x - pose().z * k) < Math.abs(best.x - pose().z * k) ? p : best),
      points[0] ?? { x: 0, y: 0 },
    );
    const [first, last] = [points[0], points.at(-1)];
    const say = (p: { readonly y: number } | undefined) => (p ? `${p.y.toFixed(2)} ${unit}` : 'not known');
    return {
      title,
      y: { title: unit },
      lines: [
        { name: title, colour: '--dye', points },
        { name: 'here', colour: '--ink', dots: true, points: points.length ? [at] : [] },
      ],
      words: `${title}: ${say(first)} at full droop, ${say(at)} here, ${say(last)} at full bump`,
    };
  }

  protected put(mm: number): void {
    this.pose.update((p) => ({ ...p, z: mm }));
  }
}
