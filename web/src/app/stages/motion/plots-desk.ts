import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { alongTravel, extremesOf, standing, type Sweep, type Swept } from '@intervex/core/desks/motion';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';
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
  imports: [LineChart, MatButtonModule],
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
      <h2>Over heave and roll together</h2>
      <p class="actions">
        @if (busy() === undefined) {
          <button mat-stroked-button type="button" (click)="sweep()">Go through all of it</button>
        } @else {
          <progress max="1" [value]="busy()" aria-label="Share of the poses done"></progress>
          <button mat-stroked-button type="button" (click)="stop()">Stop</button>
        }
        @if (trouble(); as why) {
          <span class="second" role="status">{{ why }}</span>
        }
      </p>
      @if (extremes().length) {
        <table class="grid cards">
          <thead>
            <tr>
              <th scope="col">In {{ poses() }} poses</th>
              <th scope="col">Least</th>
              <th scope="col">Most</th>
            </tr>
          </thead>
          <tbody>
            @for (e of extremes(); track e.name) {
              <tr>
                <th scope="row">{{ e.name }}</th>
                @for (end of e.ends; track end.label) {
                  <td class="figure" [attr.data-label]="end.label">
                    {{ end.value }}
                    <button mat-button type="button" (click)="pose.set(end.at)">
                      {{ end.where }}
                      <span class="hidden">: put it there, {{ e.name }}, {{ end.label }}</span>
                    </button>
                  </td>
                }
              </tr>
            }
          </tbody>
        </table>
      }
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
    h2 {
      margin: 14px 0 4px;
      color: var(--ink-2);
      font-size: 13px;
      font-weight: 600;
    }
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: center;
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
  private readonly heavy = inject(HeavyService);
  protected readonly busy = signal<number | undefined>(undefined);
  protected readonly trouble = signal('');
  /** What the last sweep gave; gone with the plan that it was of. */
  private readonly swept = linkedSignal<unknown, Sweep | undefined>({
    source: () => this.store.results().of(standing),
    computation: () => undefined,
  });
  protected readonly poses = computed(() => {
    const s = this.swept();
    return s ? s.heaves.length * s.rolls.length - s.missed : 0;
  });
  protected readonly extremes = computed(() => {
    const s = this.swept();
    return s ? this.extremesOf(s) : [];
  });
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

  private extremesOf(s: Sweep) {
    const named: readonly (readonly [Swept, string, 'mm' | 'rad' | 'ratio'])[] = [
      ['pinion', 'Pinion turned, nose up plus', 'rad'],
      ['forward', 'Axle forward', 'mm'],
      ['left', 'Axle to the left', 'mm'],
      ['steer', 'Axle steers to the left', 'rad'],
      ['bind', 'Length that links lack', 'mm'],
      ['antiSquat', 'Anti-squat', 'ratio'],
      ['rollCentre', 'Roll centre above the ground', 'mm'],
    ];
    const row = (name: string, values: Float64Array, unit: 'mm' | 'rad' | 'ratio', of = (v: number) => v) => {
      const found = extremesOf(s, values);
      if (!found) return [];
      const end = (label: string, e: (typeof found)['least']) => ({
        label,
        value: this.units.show(of(e.value), unit),
        where: `${this.units.show(e.z, 'mm')}, ${this.units.show(e.roll, 'rad')}`,
        at: { z: e.z, roll: e.roll },
      });
      return [{ name, ends: [end('Least', found.least), end('Most', found.most)] }];
    };
    return [
      ...named.flatMap(([key, name, unit]) => row(name, s.values[key], unit)),
      ...s.lengths.flatMap((l) => row(`${l.name}, eye to eye`, l.values, 'mm')),
      ...s.skews.flatMap((l) => row(`${l.name}, rod ends out of square`, l.values, 'rad', Math.asin)),
    ];
  }

  protected async sweep(): Promise<void> {
    this.busy.set(0);
    this.trouble.set('');
    const { plan } = this.store.results();
    try {
      const found = await this.heavy.sweep(plan, (done) => {
        this.busy.set(done);
      });
      // What was edited meanwhile is of another plan.
      if (plan === this.store.results().plan) this.swept.set(found);
      if (!found) this.trouble.set('The travel has to be known first.');
    } catch (error) {
      this.trouble.set(error instanceof Cancelled ? 'Stopped.' : 'It could not be worked out. Try again.');
    } finally {
      this.busy.set(undefined);
    }
  }

  protected stop(): void {
    this.heavy.cancel();
  }

  protected put(mm: number): void {
    this.pose.update((p) => ({ ...p, z: mm }));
  }
}
