import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import {
  circumference,
  GEAR_CRITERIA,
  ratios,
  speedo,
  speedoTeeth,
  axlesApart,
  type GearCriterion,
} from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { OpenChecks } from '../../stage/open-checks';
import { CounterService } from '../../state/counter.service';
import { PlanStore } from '../../state/plan-store';

const NAMES: Readonly<Record<GearCriterion, string>> = {
  launch: 'Launch',
  finish: 'Finish line',
  cruise: 'Cruise',
  cost: 'Price',
};
const MOST = 5;

/** Gear sets side by side: what each gives at launch, at the line and at cruise, and why one stands first. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-ratio-desk',
  imports: [FigureValue, MatButtonModule, MatIconModule, OpenChecks],
  providers: [CounterService],
  template: `
    <section class="weights" aria-label="What counts">
      @for (c of criteria; track c.id) {
        <label>
          <span>{{ c.name }}</span>
          <input
            type="range"
            min="0"
            [max]="most"
            step="1"
            [value]="weights()[c.id]"
            [attr.aria-label]="'How much ' + c.name.toLowerCase() + ' counts'"
            (input)="weigh(c.id, +$any($event.target).value)"
            (change)="store.saveNow()"
          />
          <b class="figure">{{ weights()[c.id] }}</b>
        </label>
      }
      <button mat-button type="button" [disabled]="counter.asking() || !diameter()" (click)="ask()">
        <mat-icon svgIcon="counter" />
        {{ search() ? 'Ask again' : 'Ask the counter' }}
      </button>
    </section>
    @if (!diameter()) {
      <p class="text second">The counter is asked by the ring gear’s diameter: read it first (The gear set).</p>
    }
    @if (counter.trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    <div role="radiogroup" aria-label="Gear set">
      <table class="grid wide cards">
        <thead>
          <tr>
            <th scope="col">Gear set</th>
            <th scope="col">Ratio</th>
            <th scope="col">Launch</th>
            <th scope="col">At the line</th>
            <th scope="col">Cruise</th>
            <th scope="col">At the limit</th>
            <th scope="col">Price</th>
            <th scope="col">Marks</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr [class.picked]="row.id === chosen()">
              <th scope="row">
                <label class="one">
                  <input
                    type="radio"
                    name="gearSet"
                    [checked]="row.id === chosen()"
                    (change)="choose(row.id)"
                  />
                  {{ row.name }}
                </label>
                <small class="second">
                  {{ row.condition }},
                  {{ row.carrier === 'same' ? 'on this carrier' : 'needs another carrier' }},
                  {{ row.leadDays }} days
                </small>
                @if (row.why) {
                  <small>{{ row.why }}</small>
                }
              </th>
              <td data-label="Ratio"><ix-figure [figure]="row.ratio" [digits]="3" /></td>
              <td data-label="Launch"><ix-figure [figure]="row.launch" [digits]="2" /></td>
              <td data-label="At the line"><ix-figure [figure]="row.finishRpm" /></td>
              <td data-label="Cruise"><ix-figure [figure]="row.cruiseRpm" /></td>
              <td data-label="At the limit"><ix-figure [figure]="row.topSpeed" [digits]="0" /></td>
              <td data-label="Price" class="figure">{{ row.price }}</td>
              <td data-label="Marks" class="figure">{{ row.marksText }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="8" class="words second">
                None yet: count the donor’s teeth, ask the counter, or note a gear set.
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <dl class="facts">
      <div>
        <dt>Rolling circumference</dt>
        <dd><ix-figure [figure]="rolls()" /></dd>
      </div>
      <div>
        <dt>Speedometer shows too much by</dt>
        <dd><ix-figure [figure]="shows()" /></dd>
      </div>
      <div>
        <dt>Its driven gear wanted</dt>
        <dd><ix-figure [figure]="teeth()" /></dd>
      </div>
      @if (all()) {
        <div>
          <dt>Rear against front axle</dt>
          <dd><ix-figure [figure]="apart()" [digits]="2" /></dd>
        </div>
      }
    </dl>
    <ix-open-checks of="gear" />
  `,
  styles: `
    td.figure {
      white-space: nowrap;
    }
    .weights {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 20px;
      align-items: center;
      margin: 4px 0;
    }
    .weights label {
      display: flex;
      gap: 6px;
      align-items: center;
      font-size: 13px;
    }
    .weights input {
      width: 84px;
      height: 26px;
      accent-color: var(--dye);
    }
  `,
})
export class RatioDesk {
  protected readonly store = inject(PlanStore);
  protected readonly counter = inject(CounterService);
  protected readonly most = MOST;
  protected readonly criteria = GEAR_CRITERIA.map((id) => ({ id, name: NAMES[id] }));
  protected readonly weights = computed(() => this.store.plan().gearWeights);
  protected readonly chosen = computed(() => this.store.plan().choices.gearSet);
  protected readonly search = computed(() => this.store.plan().searches.gearSet);
  protected readonly diameter = computed(
    () => this.store.results().known.get('gear.ringDiameter')?.figure.value,
  );
  protected readonly rows = computed(() =>
    this.store
      .results()
      .of(ratios)
      .map((row) => ({
        ...row,
        marksText: row.score === undefined ? '–' : `${(100 * row.score).toFixed(0)} %`,
      })),
  );
  protected readonly rolls = computed(() => this.store.results().of(circumference));
  protected readonly shows = computed(() => this.store.results().of(speedo));
  protected readonly teeth = computed(() => this.store.results().of(speedoTeeth));
  protected readonly apart = computed(() => this.store.results().of(axlesApart));
  protected readonly all = computed(() => this.store.plan().choices.driven === 'all');

  protected choose(id: string): void {
    this.store.choose('gearSet', id);
    this.store.saveNow();
  }

  protected weigh(criterion: GearCriterion, weight: number): void {
    this.store.put('gearWeights', criterion, weight);
  }

  protected ask(): void {
    const ring = this.diameter();
    if (ring !== undefined) void this.counter.keep('gearSet', { kind: 'gearSet', near: { ring } });
  }
}
