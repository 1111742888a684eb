import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  stance,
  bySide,
  centreRange,
  fitMargin,
  sectionOn,
  wheelWidth,
  type PartOffer,
  type PartSearch,
  type Reading,
} from '@intervex/core';
import { firstValueFrom } from 'rxjs';
import { ApiService, sentenceOf } from '../../state/api.service';
import { PersonService } from '../../state/person.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

const chosen = (value: number): Reading => ({ repeats: [{ value }], instrument: 'chosen' });

/** Wheels that can be bought with this pattern and rim, and which of them clear on this axle with this tyre. */
@Component({
  selector: 'ix-stock-wheels',
  imports: [MatButtonModule, MatIconModule],
  template: `
    <h2>
      Stock wheels
      <button mat-button type="button" [disabled]="asking() || !question()" (click)="ask()">
        <mat-icon svgIcon="counter" />
        {{ search() ? 'Ask again' : 'Ask the counter' }}
      </button>
    </h2>
    @if (!question()) {
      <p class="second">Needs the tyre’s size, and the wheel’s holes and circle (Survey).</p>
    }
    @if (trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    @if (search(); as s) {
      <p class="second">
        @if (unproven()) {
          Which of {{ rows().length }} clear is not known while the car has places that were not read; the
          margin is to what was. Looked
        } @else {
          {{ clearing() }} of {{ rows().length }} clear on this axle; looked
        }
        through {{ s.of }}{{ s.from === 'list' ? ' of the last known list' : '' }}.
        @if (unlisted(); as n) {
          {{ n }} left out: their list does not say width or offset.
        }
      </p>
      <ul>
        @for (row of rows(); track row.offer.number) {
          <li [class.clears]="row.clears" [class.picked]="row.offer.number === s.chosen">
            <span>
              {{ row.offer.name }}
              <small class="second">
                {{ row.offer.number }}, {{ row.offer.seller }},
                {{ row.offer.stock ? row.offer.stock + ' there' : row.offer.leadDays + ' days' }}
              </small>
            </span>
            <span class="figure">{{ row.text }}</span>
            <button type="button" class="plain link" (click)="pick(row.offer)">
              {{ row.offer.number === s.chosen ? 'taken' : 'take' }}
            </button>
          </li>
        }
      </ul>
    }
  `,
  styleUrl: '../offers.scss',
})
export class StockWheels {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly asking = signal(false);
  protected readonly trouble = signal('');

  protected readonly question = computed(() => {
    const { of, known } = this.store.results();
    const [holes, pcd] = [known['car.wheelHoles']?.figure.value, known['car.wheelPcd']?.figure.value];
    const { tyre } = of(stance);
    return tyre && holes !== undefined && pcd !== undefined
      ? `rim:${tyre.rim},holes:${holes},pcd:${pcd}`
      : undefined;
  });
  protected readonly search = computed<PartSearch | undefined>(() => this.store.plan().searches.wheel);
  /** Every wheel with the margin it leaves on the tighter side, best first. */
  readonly rows = computed(() => {
    const offers = this.search()?.found ?? [];
    const { tyre, half, poses, offCentre, proven } = this.store.results().of(stance);
    if (!tyre || !half) return [];
    return offers
      .flatMap((offer) => {
        // A wheel whose list does not say how wide it is, or where its face stands, cannot be told to clear.
        const [width, et] = [offer.size['width'], offer.size['et']];
        if (width === undefined || et === undefined) return [];
        const wheel = wheelWidth(sectionOn(tyre, width), width);
        const ranges = bySide((side) => centreRange(wheel, poses[side]));
        const margin = fitMargin(ranges, half.value - et, offCentre);
        const text = `${margin >= 0 ? '+' : '−'}${this.units.show(Math.abs(margin), 'mm')}`;
        return [{ offer, et, margin, text, clears: proven && margin >= 0 }];
      })
      .sort((a, b) => Number(b.margin >= 0) - Number(a.margin >= 0) || b.margin - a.margin);
  });
  protected readonly clearing = computed(() => this.rows().filter((r) => r.clears).length);
  /** Said instead of a number of wheels that clear, while something on the car was not read. */
  protected readonly unproven = computed(() => !this.store.results().of(stance).proven);
  /** Wheels whose list lacks width or offset. */
  protected readonly unlisted = computed(() => (this.search()?.found.length ?? 0) - this.rows().length);

  protected async ask(): Promise<void> {
    const near = this.question();
    if (!near) return;
    this.asking.set(true);
    this.trouble.set('');
    try {
      const { of, offers, from, at, trouble } = await firstValueFrom(this.api.parts('wheel', { near }));
      const asked = Object.fromEntries(
        near.split(',').map((part) => [part.split(':')[0], Number(part.split(':')[1])]),
      );
      this.store.setSearch('wheel', { asked, of, found: offers, from, at, who: this.person.name() });
      this.store.saveNow();
      if (trouble) this.trouble.set(`${trouble}: this is its last known list.`);
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    } finally {
      this.asking.set(false);
    }
  }

  /** Takes a wheel: its width and offset become the plan’s. */
  protected pick(offer: PartOffer): void {
    const search = this.search();
    const [width, et] = [offer.size['width'], offer.size['et']];
    if (!search || width === undefined || et === undefined) return;
    this.store.setSearch('wheel', { ...search, chosen: offer.number });
    this.store.setReading('wheel.rim', chosen(width));
    this.store.setReading('wheel.et', chosen(et));
    this.store.saveNow();
  }
}
