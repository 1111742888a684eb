import { ChangeDetectionStrategy, Component, computed, inject, type OnDestroy, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import {
  findQuantity,
  SIDES,
  sideName,
  STACK_OUTCOMES,
  type Sided,
  type StackOutcome,
  type StackResult,
} from '@intervex/core';
import { stackSides, stackLimits } from '@intervex/core/desks/shafts';
import { JumpService } from '../../state/jump.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { Cancelled, HeavyService } from '../../work/heavy.service';

/** How often each side is drawn. */
const DRAWS = 100_000;
const SEED = 2027;
/** Parts that are named as worth improving. */
const MOST_NAMED = 3;
/** A part that explains less is not worth a second reading. */
const WORTH = 0.05;

const NAMES: Readonly<Record<StackOutcome, readonly [name: string, what: string]>> = {
  engagement: ['Spline engaged enough', 'share of the side gear'],
  gap: ['Clear of the cross shaft', 'shaft fully home'],
  inboard: ['Tyre clears inboard', 'tightest pose'],
  outboard: ['Tyre clears the lip', 'tightest pose'],
  align: ['Caliper over the rotor', 'after shims'],
};

/** The chance that everything fits as it will be made, and which reading to improve first. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-chances',
  imports: [MatButtonModule, MatProgressBarModule],
  template: `
    <p class="text">
      Builds each side {{ draws }} times, with every reading, the saw, the weld and the shaft maker off by what
      each may be, and counts how often all of it fits.
    </p>
    <button mat-flat-button type="button" [disabled]="running()" (click)="run()">
      {{ result() ? 'Run again' : 'Run ' + draws + ' builds' }}
    </button>
    @if (running()) {
      <button mat-button type="button" (click)="heavy.cancel()">Stop</button>
      <mat-progress-bar mode="determinate" [value]="100 * done()" aria-label="Share drawn" />
    }
    @if (trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (stale()) {
      <p class="text second" role="status">The plan has changed since; draw again.</p>
    }
    @if (rows().length) {
      <table class="grid">
        <thead>
          <tr>
            <th scope="col">How often it holds</th>
            <td class="note"></td>
            <th scope="col">Left</th>
            <th scope="col">Right</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.name) {
            <tr>
              <th scope="row">{{ row.name }}</th>
              <td class="note second">{{ row.what }}</td>
              @for (cell of row.cells; track $index) {
                <td class="figure" [class.low]="cell.low">
                  {{ cell.holds }}
                  <small class="second">{{ cell.spread }}</small>
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
      @for (side of advice(); track side.side) {
        <p class="text">
          <b>{{ side.name }}: {{ side.all }} all together.</b>
          @if (side.first.length) {
            Improve first
            @for (b of side.first; track b.id; let last = $last) {
              @if (b.known) {
                <button type="button" class="plain link" (click)="jumps.to(b.id)">{{ b.label }}</button>
              } @else {
                {{ b.label.toLowerCase() }}
              }
              ({{ b.share }}){{ last ? '.' : ', ' }}
            }
          }
        </p>
      }
    } @else if (result()) {
      <p class="text">Nothing can be drawn yet: the shafts and the differential need their readings first.</p>
    }
  `,
  styles: `
    small {
      display: block;
      font: 400 12px var(--words);
    }
    .low {
      color: var(--red);
      font-weight: 650;
    }
    mat-progress-bar {
      max-width: 420px;
      margin-top: 8px;
    }
  `,
})
export class ChancesDesk implements OnDestroy {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly heavy = inject(HeavyService);
  protected readonly jumps = inject(JumpService);
  protected readonly draws = DRAWS.toLocaleString('en');
  protected readonly running = signal(false);
  protected readonly done = signal(0);
  protected readonly trouble = signal('');
  protected readonly result = signal<Sided<StackResult> | undefined>(undefined);
  private readonly drawnOf = signal<unknown>(undefined);
  protected readonly stale = computed(
    () => this.result() !== undefined && this.drawnOf() !== this.store.plan(),
  );

  protected async run(): Promise<void> {
    const [plan, results] = [this.store.plan(), this.store.results()];
    this.running.set(true);
    this.trouble.set('');
    this.done.set(0);
    try {
      const draw = (side: 'left' | 'right', from: number) =>
        this.heavy.runStack(
          results.of(stackSides)[side],
          results.of(stackLimits)[side],
          DRAWS,
          SEED,
          (done) => {
            this.done.set((from + done) / 2);
          },
        );
      const left = await draw('left', 0);
      const right = await draw('right', 1);
      this.result.set({ left, right });
      this.drawnOf.set(plan);
    } catch (error) {
      this.trouble.set(error instanceof Cancelled ? 'Stopped. Nothing was changed.' : String(error));
    } finally {
      this.running.set(false);
    }
  }

  ngOnDestroy(): void {
    if (this.running()) this.heavy.cancel();
  }

  protected readonly rows = computed(() => {
    const result = this.result();
    if (!result) return [];
    return STACK_OUTCOMES.flatMap((id) => {
      const cells = SIDES.map((side) => {
        const outcome = result[side].outcomes.find((o) => o.id === id);
        if (!outcome) return { holds: '–', spread: '', low: false };
        const show = (v: number) => this.units.show(v, id === 'engagement' ? 'ratio' : 'mm');
        return {
          holds: percent(outcome.holds),
          spread: `${show(outcome.low)} to ${show(outcome.high)}`,
          low: outcome.holds < 0.95,
        };
      });
      const [name, what] = NAMES[id];
      return cells.every((c) => c.holds === '–') ? [] : [{ name, what, cells }];
    });
  });

  protected readonly advice = computed(() => {
    const result = this.result();
    if (!result) return [];
    return SIDES.map((side) => ({
      side,
      name: sideName(side),
      all: percent(result[side].all),
      first: result[side].blame
        .filter((b) => b.share >= WORTH)
        .slice(0, MOST_NAMED)
        .map((b) => ({
          id: b.id,
          label: b.label,
          share: percent(b.share),
          known: findQuantity(b.id) !== undefined,
        })),
    }));
  });
}

/** A share; never 100 % of what can fail. */
function percent(share: number): string {
  if (share >= 1 - 0.5 / DRAWS) return 'over 99.99 %';
  return `${(100 * share).toFixed(share > 0.99 ? 2 : 1)} %`;
}
