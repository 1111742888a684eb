import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PartOffer } from '@intervex/core';
import { stockSprings, toldSize, wantedSpring } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { FigureValue } from '../../shared/figure-value';
import { CounterService } from '../../state/counter.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** What a list of springs says that becomes the plan’s, by the size that says it. */
const TAKEN = [
  ['coil.rate', 'rate'],
  ['coil.free', 'free'],
  ['coil.solid', 'solid'],
] as const;
/** Sizes are asked for to so many digits. */
const DIGITS = 2;

/** Springs that can be bought, and what each would do in this car. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-spring-counter',
  imports: [FigureTable, FigureValue, MatButtonModule, MatIconModule],
  providers: [CounterService],
  template: `
    <ix-figure-table of="Spring from the counter" [rows]="wanted()" />
    <p class="actions">
      <button mat-stroked-button type="button" [disabled]="counter.asking() || !question()" (click)="ask()">
        <mat-icon svgIcon="counter" />
        {{ counter.asking() ? 'Asking…' : search() ? 'Ask again' : 'Ask the counter for springs' }}
      </button>
      @if (counter.asking()) {
        <button mat-button type="button" (click)="counter.stop()">Stop</button>
      }
    </p>
    @if (!question()) {
      <p class="text second">
        Needs a rate and a free length above nothing: as read, or by the frequency and the seats that are
        wanted.
      </p>
    }
    @if (counter.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (search(); as s) {
      <p class="text second" role="status">
        {{ doing() }} of {{ rows().length }} would do; {{ s.of }} looked through,
        {{ s.from === 'list' ? 'from the last known list of' : 'asked' }} {{ s.at.slice(0, 10) }}.
      </p>
      <ul>
        @for (r of rows(); track r.offer.number) {
          <li [class.does]="r.does" [class.picked]="r.offer.number === s.chosen">
            <span class="head">
              <b>{{ r.name }}</b>
              <button
                type="button"
                class="plain link"
                [attr.aria-pressed]="r.offer.number === s.chosen"
                [attr.aria-label]="(r.offer.number === s.chosen ? 'taken ' : 'take ') + r.offer.number"
                (click)="take(r.offer)"
              >
                {{ r.offer.number === s.chosen ? 'taken' : 'take' }}
              </button>
            </span>
            <small class="second">
              {{ r.offer.number }}, {{ r.offer.seller }}, {{ r.offer.price }},
              {{ r.offer.stock ? r.offer.stock + ' there' : r.offer.leadDays + ' days' }}
            </small>
            <dl>
              @for (f of r.figures; track f.name) {
                <div>
                  <dt class="second">{{ f.name }}</dt>
                  <dd><ix-figure [figure]="f.figure" /></dd>
                </div>
              }
            </dl>
            <span>{{ r.said }}</span>
          </li>
        } @empty {
          <li>None that says its rate and its length.</li>
        }
      </ul>
    }
  `,
  styles: `
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 10px 0;
    }
    ul {
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-direction: column;
      gap: 2px;
      padding: 8px;
      border-bottom: 1px solid var(--rule);
      border-left: 3px solid transparent;
      font-size: 13px;
    }
    li.does {
      border-left-color: var(--dye);
    }
    li.picked {
      background: var(--dye-tint);
    }
    .head {
      display: flex;
      gap: 12px;
      align-items: baseline;
      justify-content: space-between;
    }
    small {
      font-size: 12px;
    }
    dl {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 22px;
      margin: 2px 0;
    }
    dl div {
      display: flex;
      gap: 8px;
      align-items: baseline;
    }
    dd {
      margin: 0;
    }
  `,
})
export class SpringCounter {
  protected readonly counter = inject(CounterService);
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly wish = computed(() => this.store.results().of(wantedSpring));
  protected readonly search = computed(() => this.store.plan().searches.spring);

  protected readonly wanted = computed(() => {
    const { rate, free, over } = this.wish();
    return [
      { name: 'Rate', note: 'by the frequency wanted, else as read', figure: rate },
      { name: 'Free length', note: 'by the seats wanted, else as read', figure: free },
      { name: 'It goes over', note: 'the damper’s body: its inside is wider', figure: over },
    ];
  });
  protected readonly question = computed(() => {
    const { rate, free, over } = this.wish();
    if (!rate || !free || rate.value <= 0 || free.value <= 0) return undefined;
    const round = (value: number) => Number(value.toFixed(DIGITS));
    return {
      rate: round(rate.value),
      free: round(free.value),
      ...(over ? { inside: round(over.value) } : {}),
    };
  });
  protected readonly rows = computed(() =>
    this.store
      .results()
      .of(stockSprings)
      .map((row) => ({
        ...row,
        name: this.sizes(row.offer),
        figures: [
          { name: 'frequency', figure: row.spring.frequency },
          { name: 'seats inside the eyes', figure: row.spring.seat },
          { name: 'left before solid', figure: row.spring.left },
          { name: 'pressed at droop by', figure: row.spring.loose },
        ],
        said: row.does ? 'would do' : `against it: ${row.against.join('; ')}`,
      })),
  );
  protected readonly doing = computed(() => this.rows().filter((r) => r.does).length);

  /** What its list says of a spring, in the unit on the page. */
  private sizes(offer: PartOffer): string {
    const [rate, free, inside] = [toldSize(offer, 'rate'), toldSize(offer, 'free'), toldSize(offer, 'inside')];
    const one = (value: number | undefined, unit: 'N/mm' | 'mm') =>
      value === undefined ? 'not told' : this.units.show(value, unit);
    return `${one(rate, 'N/mm')}, ${one(free, 'mm')} long, ${one(inside, 'mm')} inside`;
  }

  protected async ask(): Promise<void> {
    const like = this.question();
    if (like) await this.counter.keep('spring', { kind: 'spring', like });
  }

  /** Takes a spring: what its list says stands in the plan until it is read. */
  protected take(offer: PartOffer): void {
    this.counter.pick('spring', offer.number);
    for (const [id, size] of TAKEN) {
      const value = toldSize(offer, size);
      // What its list does not say is not known of it: what was read of another spring goes.
      this.store.setReading(
        id,
        value === undefined ? undefined : { repeats: [{ value }], instrument: 'seller', note: offer.number },
      );
    }
    this.store.saveNow();
  }
}
