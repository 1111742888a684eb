import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  EDGE_NAMES,
  formatAngle,
  KIND_NAMES,
  openUnder,
  places,
  inARow,
  RAD_PER_DEGREE,
  SIDE_NAMES,
} from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { InstrumentsService } from '../../state/instruments.service';
import { PlanStore } from '../../state/plan-store';
import { SelectionService } from '../../state/selection.service';

/** Nearer its target than this a face stands right, rad. */
const RIGHT = 0.2 * RAD_PER_DEGREE;

/** One bracket at a time in large figures: where it goes, and what the gauge must show; live with a connected one. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-card-desk',
  imports: [FigureValue, MatButtonModule, MatIconModule],
  template: `
    @if (card(); as c) {
      <p class="actions">
        <button mat-stroked-button type="button" (click)="go(-1)" [disabled]="at() === 0">Before</button>
        <span class="second">{{ at() + 1 }} of {{ all().length }}</span>
        <button mat-stroked-button type="button" (click)="go(1)" [disabled]="at() === all().length - 1">
          Next
        </button>
      </p>
      <h2>{{ c.item.name }}</h2>
      <p class="second">{{ kind() }}</p>
      @if (open(); as why) {
        <p class="tack" role="status">
          <mat-icon svgIcon="caution" aria-hidden="true" />
          <b>Tack only:</b>
          {{ why }}
        </p>
      }
      <dl>
        <dt>From the casting face</dt>
        <dd><ix-figure [figure]="c.fromCasting" /></dd>
        <dt>From the housing end</dt>
        <dd><ix-figure [figure]="c.fromEnd" /></dd>
        <dt>Clock: top 0, toward the front plus</dt>
        <dd><ix-figure [figure]="c.clock" [digits]="1" /></dd>
        <dt>Gauge, zeroed on the casting’s flat, must show</dt>
        <dd><ix-figure [figure]="c.gauge" [digits]="1" /></dd>
      </dl>
      @if (live(); as l) {
        <p class="live" [class.right]="l.right" aria-live="polite">
          <mat-icon [svgIcon]="l.right ? 'settled' : 'down'" [class.up]="l.up" aria-hidden="true" />
          {{ l.said }}
        </p>
      } @else {
        <p class="second">
          Connect a gauge above and it stands here live: what it shows, and how far it is off.
        </p>
      }
    } @else {
      <p class="text second">
        Nothing stands on the axle yet: list the brackets under
        <em>Map</em>
        .
      </p>
    }
  `,
  styles: `
    .actions {
      display: flex;
      gap: 12px;
      align-items: center;
      margin: 0 0 8px;
    }
    h2 {
      margin: 0;
      font-size: 24px;
    }
    dl {
      display: grid;
      gap: 2px;
      margin: 10px 0;
    }
    dt {
      color: var(--ink-2);
      font-size: 13px;
    }
    dd {
      margin: 0 0 8px;
      font-size: 28px;
    }
    .tack,
    .live {
      display: flex;
      gap: 8px;
      align-items: center;
      padding: 8px 10px;
      border: 1px solid var(--amber);
    }
    .live {
      font-size: 24px;
    }
    .live.right {
      border-color: var(--green);
      color: var(--green);
    }
    .up {
      transform: rotate(180deg);
    }
  `,
})
export class CardDesk {
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly instruments = inject(InstrumentsService);
  protected readonly all = computed(() => this.store.results().of(places));
  private readonly wanted = signal(0);
  /** What was picked on the map stands first. */
  protected readonly at = computed(() => {
    const picked = this.all().findIndex((p) => `bracket.${p.id}` === this.selection.picked());
    return picked >= 0 ? picked : Math.min(this.wanted(), Math.max(0, this.all().length - 1));
  });
  protected readonly card = computed(() => this.all()[this.at()]);
  protected readonly kind = computed(() => {
    const { item } = this.card() ?? {};
    return item ? `${KIND_NAMES[item.kind]}, ${SIDE_NAMES[item.side]}, by its ${EDGE_NAMES[item.edge]}` : '';
  });
  protected readonly open = computed(() => {
    const c = this.card();
    if (!c || c.item.hold !== 'welded') return '';
    const { openings } = this.store.results();
    const names = [c.fromCasting, c.gauge].flatMap((f) => (f ? openUnder(f, openings) : []));
    return names.length ? `${inARow([...new Set(names)])} still open.` : '';
  });
  protected readonly live = computed(() => {
    const [reading, target] = [this.instruments.reading(), this.card()?.gauge];
    if (this.instruments.connected()?.kind !== 'angleGauge' || !reading || !target) return undefined;
    const value = reading.value * RAD_PER_DEGREE;
    const off = value - target.value;
    const right = Math.abs(off) <= RIGHT;
    const shown = formatAngle(value, 1);
    return {
      right,
      up: off < 0,
      said: right
        ? `${shown}: right`
        : `${shown}: front ${formatAngle(Math.abs(off), 1)} too ${off > 0 ? 'high' : 'low'}`,
    };
  });

  protected go(by: number): void {
    const next = this.all()[this.at() + by];
    this.wanted.set(this.at() + by);
    if (next) this.selection.picked.set(`bracket.${next.id}`);
  }
}
