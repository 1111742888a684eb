import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import {
  inSentence,
  amountShown,
  amountWord,
  placeName,
  runQuestion,
  type RunEnd,
  type SetRun,
} from '@intervex/core';
import { LineChart, type ChartLine } from '../../shared/line-chart';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';

const ENDS: Readonly<Record<RunEnd, string>> = {
  finished: '',
  cannotMove: 'does not get away',
  stops: 'stops on the way',
  tooSlow: 'not there within ten minutes',
};
/** Colours of the quickest; the rest are not drawn. */
const COLOURS = ['--dye', '--amber', '--green', '--red', '--ink-2'];

/** Every gear set over the distance: time, speed, changes, where the tyre lets go; over one another. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-run-desk',
  imports: [LineChart],
  template: `
    @if (question().lacks.length) {
      <p class="text second">Needs {{ lacks() }}.</p>
    } @else if (question().trouble; as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    } @else if (trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    } @else {
      @if (speeds().length) {
        <div class="charts">
          <ix-line-chart class="half" [lines]="speeds()" [x]="timeAxis" [y]="speedAxis()" [words]="words()" />
          <ix-line-chart class="half" [lines]="revs()" [x]="wayAxis()" [y]="rpmAxis" [words]="words()" />
        </div>
      }
      <table class="grid wide cards" [attr.aria-busy]="busy()">
        <thead>
          <tr>
            <th scope="col">Ratio</th>
            <th scope="col">Time</th>
            <th scope="col">Speed</th>
            <th scope="col">Engine</th>
            <th scope="col">{{ start }}</th>
            <th scope="col" class="words">Changes at</th>
            <th scope="col" class="words">Tyre lets go</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.ratio) {
            <tr [class.picked]="row.ids.includes(chosen())">
              <th scope="row">
                {{ row.ratio }}
                <small class="second">{{ row.name }}</small>
              </th>
              @if (row.end) {
                <td colspan="6" class="words">{{ row.end }}</td>
              } @else {
                <td data-label="Time" class="figure">{{ row.time }}</td>
                <td data-label="Speed" class="figure">{{ row.speed }}</td>
                <td data-label="Engine" class="figure">{{ row.rpm }}</td>
                <td [attr.data-label]="start" class="figure">{{ row.first }}</td>
                <td data-label="Changes at" class="words">{{ row.changes }}</td>
                <td data-label="Tyre lets go" class="words">{{ row.spins }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
      <p class="text second">Assumed: {{ assumed() }}.</p>
      <p class="text second">
        Clutch or converter at the launch, load moving back with the push, drag and gradient counted; the driver
        makes no mistake and the tyre is at its best. Ratios are compared by it; a clock says what a car really
        does.
      </p>
    }
  `,
  styles: `
    .charts {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
      gap: 10px;
      margin-bottom: 8px;
    }
    .half {
      height: 230px;
    }
    td.figure {
      white-space: nowrap;
    }
  `,
})
export class RunDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly heavy = inject(HeavyService);
  protected readonly question = computed(() => this.store.results().of(runQuestion));
  protected readonly chosen = computed(() => this.store.plan().choices.gearSet);
  protected readonly lacks = computed(() => this.question().lacks.map(placeName).join(', '));
  protected readonly assumed = computed(() => this.question().assumed.map(inSentence).join(', '));
  private readonly runs = signal<readonly SetRun[]>([]);
  protected readonly busy = signal(false);
  protected readonly trouble = signal('');
  /** Only the answer to the last question counts. */
  private asked = 0;

  constructor() {
    effect(() => {
      const question = this.question();
      const asked = (this.asked += 1);
      this.busy.set(true);
      this.heavy
        .runSets(question)
        .then((runs) => {
          if (asked !== this.asked) return;
          this.runs.set(runs);
          this.trouble.set('');
        })
        .catch((error: unknown) => {
          if (!(error instanceof Cancelled))
            this.trouble.set(error instanceof Error ? error.message : String(error));
        })
        .finally(() => {
          if (asked === this.asked) this.busy.set(false);
        });
    });
  }

  protected readonly rows = computed(() =>
    this.runs().map(({ ids, names, ratio, run }) => {
      const { last, changes, spins, splits, end, limited } = run;
      return {
        ids,
        name: names.join('; '),
        ratio: ratio.toFixed(3),
        end: ENDS[end],
        time: this.units.show(last.t, 's'),
        speed: this.units.show(last.v, 'm/s'),
        rpm: `${this.units.show(last.rpm, 'rpm')} in ${last.gear}${limited ? ', at its limit' : ''}`,
        first: splits[0] ? this.units.show(splits[0].t, 's') : '–',
        changes: changes.map((c) => this.units.show(c.x, 'm')).join(', ') || 'none',
        spins:
          spins
            .filter(({ from, to }) => to.x - from.x > 0.05)
            .map(({ from, to }) => `${this.units.show(from.x, 'm')} to ${this.units.show(to.x, 'm')}`)
            .join(', ') || 'never',
      };
    }),
  );
  private readonly drawn = computed(() =>
    this.runs()
      .filter(({ run }) => run.end === 'finished')
      .slice(0, COLOURS.length),
  );
  /** The first split, in the unit of the page. */
  protected readonly start = this.units.show(18.288, 'm', 0);
  protected readonly timeAxis = { title: 's', min: 0 };
  protected readonly rpmAxis = { title: 'rpm', min: 0 };
  protected readonly speedAxis = computed(() => ({ title: amountWord('m/s', this.units.unit()), min: 0 }));
  protected readonly wayAxis = computed(() => ({ title: amountWord('m', this.units.unit()), min: 0 }));
  protected readonly speeds = computed((): readonly ChartLine[] =>
    this.drawn().map(({ ratio, run }, i) => ({
      name: ratio.toFixed(2),
      colour: COLOURS[i] ?? '--ink',
      points: run.moments.map((m) => ({ x: m.t, y: amountShown(m.v, 'm/s', this.units.unit()) })),
    })),
  );
  protected readonly revs = computed((): readonly ChartLine[] =>
    this.drawn().map(({ ratio, run }, i) => ({
      name: ratio.toFixed(2),
      colour: COLOURS[i] ?? '--ink',
      points: run.moments.map((m) => ({ x: amountShown(m.x, 'm', this.units.unit()), y: m.rpm })),
    })),
  );
  protected readonly words = computed(() =>
    this.rows()
      .map((r) => `${r.ratio}: ${r.end || `${r.time}, ${r.speed}`}`)
      .join('; '),
  );
}
