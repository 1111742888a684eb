import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { stance, type PartOffer } from '@intervex/core';
import { CounterService } from '../../state/counter.service';
import { PanelGroup } from '../../shared/panel-group';
import { PlanStore } from '../../state/plan-store';
import { chosen } from '../../stage/chosen';
import { StockWheelsService } from './stock-wheels.service';

/** Wheels that can be bought with this pattern and rim, and which of them clear on this axle with this tyre. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-stock-wheels',
  imports: [PanelGroup, MatButtonModule, MatIconModule],
  template: `
    <ix-group name="Stock wheels">
      <button head mat-button type="button" [disabled]="counter.asking() || !question()" (click)="ask()">
        <mat-icon svgIcon="counter" />
        {{ search() ? 'Ask again' : 'Ask the counter' }}
      </button>
      @if (!question()) {
        <p class="second">Needs the tyre’s size, and the wheel’s holes and circle (Survey).</p>
      }
      @if (counter.trouble(); as why) {
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
    </ix-group>
  `,
  providers: [CounterService],
  styles: `
    p.second {
      margin: 4px 0;
      font-size: 12.5px;
    }
    ul {
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto 44px;
      gap: 8px;
      align-items: baseline;
      padding: 4px 6px;
      border-bottom: 1px solid var(--rule);
      border-left: 3px solid transparent;
      color: var(--ink-2);
      font-size: 13px;
    }
    li.clears {
      border-left-color: var(--dye);
      color: var(--ink);
    }
    li.picked {
      background: var(--dye-tint);
    }
    li small {
      display: block;
      font-size: 12px;
    }
  `,
})
export class StockWheels {
  private readonly store = inject(PlanStore);
  private readonly wheels = inject(StockWheelsService);
  protected readonly counter = inject(CounterService);
  protected readonly search = this.wheels.search;
  protected readonly rows = this.wheels.rows;

  protected readonly question = computed(() => {
    const { of, known } = this.store.results();
    const [holes, pcd] = [known.get('car.wheelHoles')?.figure.value, known.get('car.wheelPcd')?.figure.value];
    const { tyre } = of(stance);
    return tyre && holes !== undefined && pcd !== undefined ? { rim: tyre.rim, holes, pcd } : undefined;
  });
  protected readonly clearing = computed(() => this.rows().filter((r) => r.clears).length);
  /** Said instead of a number of wheels that clear, while something on the car was not read. */
  protected readonly unproven = computed(() => !this.store.results().of(stance).proven);
  /** Wheels whose list lacks width or offset. */
  protected readonly unlisted = computed(() => (this.search()?.found.length ?? 0) - this.rows().length);

  protected async ask(): Promise<void> {
    const near = this.question();
    if (near) await this.counter.keep('wheel', { kind: 'wheel', near });
  }

  /** Takes a wheel: its width and offset become the plan’s. */
  protected pick(offer: PartOffer): void {
    const [width, et] = [offer.size['width'], offer.size['et']];
    if (width === undefined || et === undefined) return;
    this.counter.pick('wheel', offer.number);
    this.store.setReading('wheel.rim', chosen(width));
    this.store.setReading('wheel.et', chosen(et));
    this.store.saveNow();
  }
}
