import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import {
  accelerationOf,
  driving,
  engineLimit,
  fastest,
  motionAt,
  runningSlope,
  whips,
  limitIn,
} from '@intervex/core';
import { drivelineAt, roadPerTurn, slopeCurve } from '@intervex/core/desks/driveline';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { Segments } from '../../shared/segments';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

const DEGREE = Math.PI / 180;
/** Speeds of the slider, rpm. */
const STEP = 50;

/** What the driveline does at a speed: each joint, each shaft, the pinion; and over the pinion’s slope. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-speed-desk',
  imports: [LineChart, Segments],
  template: `
    @if (most(); as top) {
      @if (gears().length) {
        <div class="gears">
          <span>Gear</span>
          <ix-segments label="Gear" [options]="gears()" [value]="gear()" (picked)="picked.set($event)" />
          <span class="second">{{ engine() }}</span>
        </div>
      }
      <label class="speed">
        <span>
          Driveshaft
          <output class="figure">{{ rpm() }} rpm</output>
        </span>
        <input
          type="range"
          aria-label="Speed of the driveshaft"
          min="0"
          [max]="top"
          [step]="step"
          [value]="rpm()"
          [attr.aria-valuetext]="rpm() + ' rpm, ' + road()"
          (input)="chosen.set(+$any($event.target).value)"
        />
        <span class="second">{{ road() }}</span>
      </label>
      <table class="grid">
        <thead>
          <tr>
            <th scope="col">At this speed</th>
            <th scope="col">Angle</th>
            <th scope="col">By itself</th>
          </tr>
        </thead>
        <tbody>
          @for (j of joints(); track j.name) {
            <tr>
              <th scope="row">{{ j.name }}</th>
              <td class="figure">{{ j.angle }}</td>
              <td class="figure">{{ j.alone }}</td>
            </tr>
          }
        </tbody>
      </table>
      <dl class="facts">
        @for (f of facts(); track f.name) {
          <div>
            <dt>{{ f.name }}</dt>
            <dd class="figure" [class.over]="f.over">{{ f.value }}</dd>
          </div>
        }
      </dl>
      <ix-line-chart class="tall" [lines]="lines()" [x]="x" [y]="y()" [words]="words()" />
    } @else {
      <p class="text second">
        Speeds follow from the driveline, the chosen way, and the driveshaft at its fastest: read or choose
        those first.
      </p>
    }
  `,
  styles: `
    .gears {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: center;
      margin-top: 8px;
      font-size: 14px;
    }
    .speed {
      display: grid;
      grid-template-columns: minmax(150px, auto) minmax(0, 1fr) minmax(90px, auto);
      gap: 12px;
      align-items: center;
      margin: 8px 0;
      font-size: 14px;
    }
    .speed output {
      font-weight: 620;
    }
    input[type='range'] {
      min-width: 0;
      height: 28px;
      accent-color: var(--dye);
    }
    .over {
      color: var(--red);
    }
    .tall {
      height: 270px;
      margin-top: 14px;
    }
    @media (max-width: 760px) {
      .speed {
        grid-template-columns: 1fr;
        gap: 2px;
      }
    }
  `,
})
export class SpeedDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly step = STEP;
  /** As the slider stands; at the fastest until it is moved. */
  protected readonly chosen = signal<number | undefined>(undefined);
  private readonly results = computed(() => this.store.results());
  private readonly line = computed(() => this.results().of(drivelineAt));
  /** Gear that was picked; the highest until then. */
  protected readonly picked = signal<string | undefined>(undefined);
  protected readonly gears = computed(() =>
    this.results().plan.brief.gears.map((_, i) => ({ id: String(i + 1), name: String(i + 1) })),
  );
  protected readonly gear = computed(() => {
    const gears = this.gears();
    return gears.find(({ id }) => id === this.picked())?.id ?? gears.at(-1)?.id ?? '';
  });
  private readonly gearRatio = computed(() => this.results().plan.brief.gears[Number(this.gear()) - 1]);
  /** Fastest of the driveshaft in this gear: in the highest, as it was read or worked out. */
  protected readonly most = computed(() => {
    const [{ of }, ratio] = [this.results(), this.gearRatio()];
    const [top, engine] = [of(fastest)?.value, of(engineLimit)?.value];
    if (top === undefined || !this.line()) return undefined;
    const inGear = ratio && engine && this.picked() ? Math.min(top, engine / ratio) : top;
    return Math.ceil(inGear / STEP) * STEP;
  });
  protected readonly rpm = computed(() => Math.min(this.chosen() ?? this.most() ?? 0, this.most() ?? 0));
  private readonly motion = computed(() => {
    const [line, slope] = [this.line(), this.results().of(runningSlope)];
    return line && slope ? motionAt(line, slope.value) : undefined;
  });
  protected readonly joints = computed(() =>
    (this.results().of(driving)?.joints ?? []).map((joint, i) => ({
      name: `Joint ${i + 1}`,
      angle: this.units.figure(joint),
      alone:
        this.line()?.aim === 'cv' && i === 0
          ? 'turns evenly'
          : this.units.show(accelerationOf(joint.value, this.rpm()), 'rad/s2'),
    })),
  );
  protected readonly facts = computed(() => {
    const [motion, { of, plan }] = [this.motion(), this.results()];
    if (!motion) return [];
    const limit = (id: 'drive.torsional' | 'drive.inertia') => limitIn(plan.limits, id).value;
    const row = (name: string, angle: number, most: number) => {
      const value = accelerationOf(angle, this.rpm());
      return { name, value: this.units.show(value, 'rad/s2'), over: value > most };
    };
    return [
      row('Pinion, torsional', motion.equivalent, limit('drive.torsional')),
      ...motion.drive.map((a, i) => row(`Driveshaft ${i + 1}, driving`, a, limit('drive.inertia'))),
      ...motion.coast.map((a, i) => row(`Driveshaft ${i + 1}, coasting`, a, limit('drive.inertia'))),
      ...of(whips).flatMap(({ critical }, i) =>
        critical
          ? [
              {
                name: `Of critical speed, shaft ${i + 1}`,
                value: this.units.show(this.rpm() / critical.value, 'ratio'),
                over: this.rpm() / critical.value > limitIn(plan.limits, 'drive.critical').value,
              },
            ]
          : [],
      ),
    ];
  });
  /** Road speed, where axle ratio and tyre are known. */
  protected readonly road = computed(() => {
    const mm = this.results().of(roadPerTurn)?.value;
    return mm === undefined
      ? 'road speed not known'
      : this.units.show((this.rpm() / 60) * (mm / 1000), 'm/s', 0);
  });
  /** Engine speed in the gear. */
  protected readonly engine = computed(() => {
    const ratio = this.gearRatio();
    return ratio === undefined ? '' : `engine ${this.units.show(this.rpm() * ratio, 'rpm')}`;
  });
  protected readonly x = { title: 'pinion slope at rest, °' };
  protected readonly y = computed(() => ({
    title: 'rad/s²',
    min: 0,
    max: 2 * limitIn(this.results().plan.limits, 'drive.torsionalMost').value,
  }));
  protected readonly lines = computed((): readonly ChartLine[] => {
    const { of, plan } = this.results();
    const curve = of(slopeCurve);
    if (!curve) return [];
    const points = curve.angles.map(([slope, angle]) => ({
      x: slope / DEGREE,
      y: accelerationOf(angle, this.rpm()),
    }));
    const [first, last] = [points[0]?.x ?? 0, points.at(-1)?.x ?? 0];
    const level = (name: string, y: number, colour: string): ChartLine => ({
      name,
      colour,
      dashed: true,
      points: [
        { x: first, y },
        { x: last, y },
      ],
    });
    const now = curve.now / DEGREE;
    return [
      { name: 'torsional acceleration', colour: '--dye', points },
      level('good', limitIn(plan.limits, 'drive.torsional').value, '--amber'),
      level('most', limitIn(plan.limits, 'drive.torsionalMost').value, '--red'),
      {
        name: 'as set',
        colour: '--ink',
        dots: true,
        points: [{ x: now, y: accelerationOf(this.motion()?.equivalent ?? 0, this.rpm()) }],
      },
    ];
  });
  protected readonly words = computed(() => {
    const [as, top] = [this.lines().at(-1)?.points[0], this.rpm()];
    return as
      ? `Torsional acceleration over the pinion’s slope at ${top} rpm; as set ${as.x.toFixed(1)}°, ${as.y.toFixed(0)} rad/s²`
      : 'Torsional acceleration over the pinion’s slope';
  });
}
