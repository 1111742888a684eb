import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { aims, holding, holeRows, MOST_WAYS, waysOf, type HoleWay } from '@intervex/core/desks/motion';
import { limitIn, type Plan } from '@intervex/core';
import { FigureTable } from '../../shared/figure-table';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';

const SHOWN = 40;

/** Least length of the plot’s axis, mm. */
const LEAST_MM = 20;

/** All ways to bolt the links up, best for what is aimed at first; one is picked. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-holes-desk',
  imports: [FigureTable, LineChart, MatButtonModule],
  template: `
    <ix-figure-table of="Side view, as it is bolted up" [rows]="schools()" />
    @if (said(); as words) {
      <p class="text second" role="status">{{ words }}</p>
    }
    @if (best().length) {
      <ix-line-chart
        class="tall"
        [lines]="lines()"
        [x]="along()"
        [y]="{ title: 'anti-squat, %' }"
        [words]="words()"
      />
      <table class="grid cards">
        <thead>
          <tr>
            @for (h of heads(); track h) {
              <th scope="col">{{ h }}</th>
            }
            <th scope="col">Anti-squat</th>
            <th scope="col">Instant centre</th>
            <th scope="col">Above neutral</th>
            <th scope="col">Pinion turns</th>
            <th scope="col">Bind</th>
            <th scope="col"><span class="hidden">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          @for (w of best(); track w.id) {
            <tr [class.picked]="w.used">
              @for (h of w.holes; track $index) {
                <td class="figure" [attr.data-label]="heads()[$index]">{{ h }}</td>
              }
              <td class="figure" data-label="Anti-squat">{{ w.antiSquat }}</td>
              <td class="figure" data-label="Instant centre">{{ w.along }}</td>
              <td class="figure" data-label="Above neutral">{{ w.above }}</td>
              <td class="figure" data-label="Pinion turns">{{ w.pinion }}</td>
              <td class="figure" data-label="Bind">{{ w.bind }}</td>
              <td>
                @if (w.used) {
                  in use
                } @else {
                  <button mat-button type="button" (click)="use(w.way)">
                    Use it
                    <span class="hidden">, holes {{ w.holes.join(', ') }}</span>
                  </button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styles: `
    .tall {
      height: 260px;
      margin: 10px 0;
    }
  `,
})
export class HolesDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly heavy = inject(HeavyService);
  private readonly results = computed(() => this.store.results());
  private readonly rows = computed(() => holeRows(this.results().plan.arms));
  protected readonly heads = computed(() =>
    this.rows().map(({ arm, end }) => `${arm.name}, ${end === 'a' ? 'axle' : 'car'}`),
  );
  private readonly ways = signal<readonly HoleWay[]>([]);
  private readonly trouble = signal('');
  protected readonly length = computed(() => (this.units.unit() === 'mm' ? 'mm' : 'in'));
  protected readonly schools = computed(() => {
    const found = this.results().of(aims);
    return [
      { name: 'Above the neutral line', figure: found.neutral },
      { name: 'Anti-squat off what is wanted', figure: found.percent },
      { name: 'Instant centre forward of the place wanted', figure: found.along },
      { name: 'Instant centre above the place wanted', figure: found.height },
    ];
  });
  protected readonly said = computed(() => {
    if (!this.results().of(holding).held)
      return 'Holes can be told apart once it is known how the axle is held.';
    if (!this.rows().length)
      return 'No bracket has more than one hole: list how many there are, and how far apart, under Links.';
    const count = waysOf(this.rows());
    return count > MOST_WAYS
      ? `There are ${count} ways to bolt it up; at most ${MOST_WAYS} are worked out. Take holes out of the list.`
      : this.trouble();
  });
  protected readonly best = computed(() => {
    const used = this.rows().map((row) => row.used);
    const show = (value: number, unit: 'mm' | 'rad' | 'ratio', without = 'none') =>
      Number.isFinite(value) ? this.units.show(value, unit) : without;
    return [...this.ways()]
      .sort((a, b) => this.off(a) - this.off(b))
      .slice(0, SHOWN)
      .map((way) => ({
        id: way.holes.join(' '),
        way,
        holes: way.holes,
        used: way.holes.every((h, i) => h === used[i]),
        antiSquat: show(way.antiSquat, 'ratio'),
        along: show(way.icAlong, 'mm'),
        above: show(way.aboveNeutral, 'mm'),
        pinion: show(way.pinion, 'rad', 'not reached'),
        bind: show(way.bind, 'mm', 'not reached'),
      }));
  });
  protected readonly lines = computed((): readonly ChartLine[] => {
    const k = this.length() === 'mm' ? 1 : 1 / 25.4;
    const most = limitIn(this.results().plan.limits, 'motion.bind').value;
    const point = (w: HoleWay) => ({ x: w.icAlong * k, y: 100 * w.antiSquat });
    const near = this.ways().filter((w) => Number.isFinite(w.icAlong) && Math.abs(w.icAlong) < 12_000);
    const used = this.rows().map((row) => row.used);
    const dots = (name: string, colour: string, list: readonly HoleWay[]): ChartLine => ({
      name,
      colour,
      dots: true,
      only: true,
      points: list.map(point),
    });
    return [
      dots(
        'in use',
        '--ink',
        near.filter((w) => w.holes.every((h, i) => h === used[i])),
      ),
      dots(
        'free',
        '--dye',
        near.filter((w) => w.bind <= most),
      ),
      dots(
        'binds',
        '--red',
        near.filter((w) => w.bind > most),
      ),
      ...(near.some((w) => Number.isNaN(w.bind))
        ? [
            dots(
              'travel not reached',
              '--ink-2',
              near.filter((w) => Number.isNaN(w.bind)),
            ),
          ]
        : []),
    ];
  });
  /** Where all stand nearly as far forward, the axis does not go into what cannot be measured. */
  protected readonly along = computed(() => {
    const title = `instant centre forward of the axle, ${this.length()}`;
    const at = this.lines().flatMap(({ points }) => points.map(({ x }) => x));
    const [low, high, least] = [
      Math.min(...at),
      Math.max(...at),
      this.length() === 'mm' ? LEAST_MM : LEAST_MM / 25.4,
    ];
    if (!at.length || high - low >= least) return { title };
    const middle = Math.round((low + high) / 2);
    return { title, min: middle - Math.ceil(least / 2), max: middle + Math.ceil(least / 2) };
  });
  protected readonly words = computed(
    () =>
      `${this.ways().length} ways to bolt it up, anti-squat over the instant centre’s distance, red where links bind`,
  );

  constructor() {
    effect((stop) => {
      const { plan } = this.results();
      const rows = this.rows();
      if (!this.results().of(holding).held || !rows.length || waysOf(rows) > MOST_WAYS) {
        this.ways.set([]);
        return;
      }
      let here = true;
      stop(() => {
        here = false;
      });
      void this.work(plan, () => here);
    });
  }

  private async work(plan: Plan, wanted: () => boolean): Promise<void> {
    this.trouble.set('Working them out…');
    try {
      const ways = await this.heavy.holeWays(plan);
      if (!wanted()) return;
      this.ways.set(ways);
      this.trouble.set('');
    } catch (error) {
      if (wanted())
        this.trouble.set(error instanceof Cancelled ? '' : 'They could not be worked out. Try again.');
    }
  }

  /** What is wanted, as it was chosen. */
  private wanted(id: 'motion.squatWanted' | 'motion.wantedAlong' | 'motion.wantedHeight'): number | undefined {
    return this.results().known.get(id)?.figure.value;
  }

  /** How far a way is off what is aimed at; all alike while nobody said what is wanted. */
  private off(way: HoleWay): number {
    const bad = (v: number, w = v) => (Number.isFinite(v) ? Math.abs(v - w) : Infinity);
    const aim = this.results().plan.choices.squatAim;
    if (aim === 'percent') return bad(way.antiSquat, this.wanted('motion.squatWanted'));
    if (aim === 'place')
      return (
        bad(way.icAlong, this.wanted('motion.wantedAlong')) +
        bad(way.icHeight, this.wanted('motion.wantedHeight'))
      );
    return bad(way.aboveNeutral, 0);
  }

  protected use(way: HoleWay): void {
    const arms = this.store.plan().arms;
    const next = new Map(Object.entries(arms));
    this.rows().forEach(({ key, end }, i) => {
      const arm = next.get(key);
      if (arm) next.set(key, { ...arm, [`${end}Use`]: way.holes[i] });
    });
    for (const [key, arm] of next) if (arm !== arms[key]) this.store.put('arms', key, arm);
    this.store.saveNow();
  }
}
