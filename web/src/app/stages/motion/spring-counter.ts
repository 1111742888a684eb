import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PartOffer } from '@intervex/core';
import { stockSprings, wantedSpring } from '@intervex/core/desks/motion';
import { FigureTable } from '../../shared/figure-table';
import { FigureValue } from '../../shared/figure-value';
import { CounterService } from '../../state/counter.service';
import { PlanStore } from '../../state/plan-store';

/** What a list of springs says that becomes the plan’s, by the size that says it. */
const TAKEN = { 'coil.rate': 'rate', 'coil.free': 'free', 'coil.solid': 'solid' } as const;
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
        Needs a rate and a free length: as read, or by the frequency and the seats that are wanted.
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
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">Spring</th>
            <th scope="col">Frequency, Hz</th>
            <th scope="col">Seats inside the eyes</th>
            <th scope="col">Left before solid</th>
            <th scope="col" class="words">Against it</th>
            <th scope="col"><span class="hidden">What to do</span></th>
          </tr>
        </thead>
        <tbody>
          @for (r of rows(); track r.offer.number) {
            <tr [class.picked]="r.offer.number === s.chosen">
              <th scope="row">
                {{ r.offer.name }}
                <small class="second">
                  {{ r.offer.number }}, {{ r.offer.price }},
                  {{ r.offer.stock ? r.offer.stock + ' there' : r.offer.leadDays + ' days' }}
                </small>
              </th>
              <td data-label="Frequency, Hz"><ix-figure [figure]="r.spring.frequency" [digits]="2" /></td>
              <td data-label="Seats inside the eyes"><ix-figure [figure]="r.spring.seat" /></td>
              <td data-label="Left before solid"><ix-figure [figure]="r.spring.left" /></td>
              <td class="words" data-label="Against it">{{ r.said }}</td>
              <td>
                <button
                  type="button"
                  class="plain link"
                  [attr.aria-pressed]="r.offer.number === s.chosen"
                  [attr.aria-label]="(r.offer.number === s.chosen ? 'taken ' : 'take ') + r.offer.number"
                  (click)="take(r.offer)"
                >
                  {{ r.offer.number === s.chosen ? 'taken' : 'take' }}
                </button>
              </td>
            </tr>
          } @empty {
            <tr><td>None that says its rate and its length.</td></tr>
          }
        </tbody>
      </table>
    }
  `,
  styles: `
    .actions {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin: 10px 0;
    }
    small {
      display: block;
      font-weight: 400;
    }
  `,
})
export class SpringCounter {
  protected readonly counter = inject(CounterService);
  private readonly store = inject(PlanStore);
  private readonly wish = computed(() => this.store.results().of(wantedSpring));
  protected readonly search = computed(() => this.store.plan().searches.spring);

  protected readonly wanted = computed(() => {
    const { rate, free, over } = this.wish();
    return [
      { name: 'Rate', note: 'by the frequency wanted, else as read', figure: rate },
      { name: 'Free length', note: 'by the seats wanted, else as read', figure: free },
      { name: 'It goes over', note: 'its inside is wider', figure: over },
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
      .map((row) => ({ ...row, said: row.does ? 'nothing' : row.against.join('; ') })),
  );
  protected readonly doing = computed(() => this.rows().filter((r) => r.does).length);

  protected async ask(): Promise<void> {
    const like = this.question();
    if (like) await this.counter.keep('spring', { kind: 'spring', like });
  }

  /** Takes a spring: what its list says stands in the plan until it is read. */
  protected take(offer: PartOffer): void {
    this.counter.pick('spring', offer.number);
    for (const [id, size] of Object.entries(TAKEN)) {
      const value = offer.size[size];
      if (value) this.store.setReading(id, { repeats: [{ value }], instrument: 'seller', note: offer.number });
    }
    this.store.saveNow();
  }
}
