import { ChangeDetectionStrategy, Component, computed, inject, type OnInit, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import type { PairsAnswer } from '@intervex/contract/wire';
import {
  placeWord,
  quantity,
  quantityInSentence,
  type PartOffer,
  type PartSearch,
  type StockPair,
  type ShaftWanted,
} from '@intervex/core';
import { pairQuestion } from '@intervex/core/desks/shafts';
import { CounterService } from '../../state/counter.service';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { OrdersService } from './orders.service';

/** Pairs that are kept with the plan when one is taken. */
const MOST_KEPT = 20;

/** Best pairs of shafts that can be bought, over everything the counter has; one is taken, and the cut suits it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-pairs',
  imports: [MatButtonModule, MatIconModule],
  providers: [CounterService],
  template: `
    <p class="text">
      Searches all left and right pairs for the width wanted. Spline, retention, bearing, seal and flange have
      to agree; a flange that can be re-drilled counts. Taking a pair sets the way to cut to “Stock shafts
      first”.
    </p>
    @if (lacks(); as what) {
      <p class="trouble">Needs {{ what }} first.</p>
    } @else {
      <button mat-flat-button type="button" [disabled]="counter.asking()" (click)="ask()">
        <mat-icon svgIcon="counter" />
        {{ answer() ? 'Search again' : 'Search the counter' }}
      </button>
      @if (counter.asking()) {
        <button mat-button type="button" (click)="counter.stop()">Stop</button>
      }
    }
    @if (counter.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (made(); as m) {
      <p class="text second">Made to order instead: {{ m }}</p>
    }
    @if (answer(); as a) {
      <p class="text second" role="status">
        {{ a.passed }} of {{ a.of }} shafts pass{{ a.from === 'list' ? ', by the last known list' : '' }}.
        {{ refusedText() }}
      </p>
    }
    @if (rows().length) {
      <table class="grid cards">
        <thead>
          <tr>
            <th scope="col">Left</th>
            <th scope="col">Right</th>
            <th scope="col">Width, {{ units.suffix() }}</th>
            <th scope="col">Off, {{ units.suffix() }}</th>
            <th scope="col">Pinion, {{ units.suffix() }}</th>
            <th scope="col">Cut L, {{ units.suffix() }}</th>
            <th scope="col">Cut R, {{ units.suffix() }}</th>
            <th scope="col">Price</th>
            <th scope="col">Wait</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.key) {
            <tr [class.picked]="row.picked">
              <th scope="row" data-label="Left">
                {{ row.left }}
                <small class="second">{{ row.pair.left.number }}</small>
                @if (row.pair.drill.left) {
                  <small class="second">re-drill</small>
                }
              </th>
              <td data-label="Right">
                {{ row.right }}
                <small class="second">{{ row.pair.right.number }}</small>
                @if (row.pair.drill.right) {
                  <small class="second">re-drill</small>
                }
              </td>
              <td class="figure" [attr.data-label]="'Width, ' + units.suffix()">{{ row.width }}</td>
              <td class="figure" [attr.data-label]="'Off, ' + units.suffix()">{{ row.off }}</td>
              <td class="figure" [attr.data-label]="'Pinion, ' + units.suffix()">{{ row.pinion }}</td>
              <td class="figure" [attr.data-label]="'Cut L, ' + units.suffix()">{{ row.cutLeft }}</td>
              <td class="figure" [attr.data-label]="'Cut R, ' + units.suffix()">{{ row.cutRight }}</td>
              <td class="figure" data-label="Price">{{ row.pair.price }}</td>
              <td data-label="Wait">{{ row.wait }}</td>
              <td>
                <button type="button" class="plain link" (click)="take(row.pair)">
                  {{ row.picked ? 'taken' : 'take' }}
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
    } @else if (answer()) {
      <p class="text">No pair can be had for this axle.{{ nearest() ? ' Nearest: ' + nearest() + '.' : '' }}</p>
    }
  `,
  styles: `
    th,
    td {
      padding-inline: 5px;
    }
    small {
      display: block;
      font: 400 12px var(--words);
    }
    th,
    td {
      white-space: nowrap;
    }
    table {
      max-width: none;
      margin-top: 8px;
    }
  `,
})
export class PairsDesk implements OnInit {
  protected readonly counter = inject(CounterService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  private readonly orders = inject(OrdersService);
  protected readonly answer = signal<PairsAnswer | undefined>(undefined);

  private readonly question = computed(() => this.store.results().of(pairQuestion));
  protected readonly lacks = computed(() => {
    const question = this.question();
    return 'lacks' in question ? question.lacks.map((id) => quantityInSentence(quantity(id))).join(', ') : '';
  });
  /** What the same shafts cost made to order: the maker’s last quote, else the builder’s own figure. */
  private readonly custom = computed(() => {
    const { known } = this.store.results();
    const quoted = this.orders.orders().find((o) => o.variantId === this.store.variant()?.id)?.quote;
    if (quoted) return { price: quoted.price, days: quoted.leadDays, of: `quote ${quoted.number}` };
    const [cost, lead] = [known.get('cost.shafts')?.figure.value, known.get('time.lead')?.figure.value];
    return cost === undefined ? undefined : { price: cost, days: lead, of: 'your own figure' };
  });
  protected readonly made = computed(() => {
    const custom = this.custom();
    if (!custom) return '';
    const { price, days, of } = custom;
    const text = `${price}${days === undefined ? '' : `, ${days} days`}, by ${of}`;
    const pairs = this.answer()?.pairs ?? [];
    const better = pairs.filter((p) => p.price < price && (days === undefined || waitOf(p) <= days)).length;
    if (!pairs.length) return `${text}.`;
    return `${text}. ${better === 0 ? 'No pair is both cheaper and as soon.' : `${better} of these pairs ${better === 1 ? 'is' : 'are'} cheaper and as soon.`}`;
  });
  protected readonly nearest = computed(() =>
    (this.answer()?.nearest ?? []).map(({ offer, why }) => `${offer.number} (${why})`).join(', '),
  );
  protected readonly refusedText = computed(() => {
    const refused = Object.entries(this.answer()?.refused ?? {}).sort((a, b) => b[1] - a[1]);
    return refused.length ? `Refused: ${refused.map(([why, n]) => `${n} for ${why}`).join(', ')}.` : '';
  });
  protected readonly rows = computed(() => {
    const target = this.store.results().known.get('brief.targetWidth')?.figure.value ?? 0;
    const { shaftLeft, shaftRight } = this.store.plan().searches;
    const show = (mm: number) => this.units.bareTape(mm);
    return (this.answer()?.pairs ?? []).map((pair) => {
      const off = pair.width - target;
      return {
        pair,
        key: `${pair.left.number} ${pair.right.number}`,
        picked: pair.left.number === shaftLeft?.chosen && pair.right.number === shaftRight?.chosen,
        left: this.units.show(pair.left.size['length'] ?? 0, 'mm'),
        right: this.units.show(pair.right.size['length'] ?? 0, 'mm'),
        width: show(pair.width),
        off: `${off < 0 ? '−' : '+'}${show(Math.abs(off))}`,
        pinion:
          Math.abs(pair.pinion) < 0.05 ? 'middle' : `${show(Math.abs(pair.pinion))} ${placeWord(pair.pinion)}`,
        cutLeft: show(pair.cut.left),
        cutRight: show(pair.cut.right),
        wait: pair.stocked ? 'on the shelf' : `${pair.leadDays} days`,
      };
    });
  });

  ngOnInit(): void {
    void this.orders.load();
  }

  protected async ask(): Promise<void> {
    const question = this.question();
    if ('lacks' in question) return;
    const answer = await this.counter.pairs(question);
    if (answer) this.answer.set(answer);
  }

  /** Keeps the pair with the plan, dated, and lets the cut follow it. */
  protected take(pair: StockPair): void {
    const answer = this.answer();
    const question = this.question();
    if (!answer || 'lacks' in question) return;
    const of = (side: 'left' | 'right'): PartSearch => ({
      asked: sizesOf(question.wanted),
      of: answer.of,
      found: once(
        answer.pairs.map((p) => p[side]),
        pair[side],
      ),
      chosen: pair[side].number,
      from: answer.from,
      at: answer.at,
      who: this.person.name(),
    });
    this.store.put('searches', 'shaftLeft', of('left'));
    this.store.put('searches', 'shaftRight', of('right'));
    this.store.choose('school', 'stockShafts');
    this.store.saveNow();
  }
}

/** Days until a pair is here: what is on the shelf comes by post. */
const waitOf = (pair: StockPair): number => (pair.stocked ? POST_DAYS : pair.leadDays);
const POST_DAYS = 3;

/** Every offer once, the taken one first. */
function once(offers: readonly PartOffer[], taken: PartOffer): readonly PartOffer[] {
  const byNumber = new Map([taken, ...offers].map((o) => [o.number, o]));
  return [...byNumber.values()].slice(0, MOST_KEPT);
}

/** The sizes that were asked for; what is no size, such as the retention, stands in the plan already. */
const sizesOf = (wanted: ShaftWanted): Record<string, number> =>
  Object.fromEntries(
    Object.entries(wanted).filter((entry): entry is [string, number] => typeof entry[1] === 'number'),
  );
