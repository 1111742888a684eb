import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import {
  angles,
  angleAgainst,
  formatAngle,
  parseAngle,
  quantity,
  slopeAfterRoll,
  type AngleResult,
  type QuantityId,
  type StageId,
} from '@intervex/core';
import { ZeroedOn } from '../../readings/zeroed-on';
import { FigureValue } from '../../shared/figure-value';
import { PlanStore } from '../../state/plan-store';

/** Angles of the car that do not turn with its axle. */
const STAYS: readonly string[] = ['angle.gearbox', 'angle.shaft'];

/**
 * Every angle as the gauge showed it, what it was zeroed on, its slope against level, and what the gauge would
 * show zeroed on another or after the axle was rolled.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-angles',
  imports: [FigureValue, ZeroedOn],
  template: `
    <table class="grid wide">
      <thead>
        <tr>
          <th scope="col">Angle</th>
          <th scope="col" class="number">As shown</th>
          <th scope="col">Zeroed on</th>
          <th scope="col" class="number">Against level</th>
          <th scope="col" class="number">
            <label>
              Would show, zeroed on
              <select
                #zero
                class="choice"
                aria-label="Show angles as if zeroed on"
                (change)="zeroOn.set(zero.value)"
              >
                <option value="">choose</option>
                @for (a of known(); track a.id) {
                  <option [value]="a.id" [selected]="zeroOn() === a.id">{{ a.label }}</option>
                }
              </select>
            </label>
          </th>
        </tr>
      </thead>
      <tbody>
        @for (a of rows(); track a.id) {
          <tr>
            <th scope="row">{{ a.label }}</th>
            <td class="number"><ix-figure [figure]="a.shown" [digits]="1" /></td>
            <td><ix-zeroed-on [id]="a.id" [bare]="true" /></td>
            <td class="number">
              @if (a.slope) {
                <ix-figure [figure]="a.slope" [digits]="1" />
              } @else {
                <span class="trouble">{{ a.trouble }}</span>
              }
            </td>
            <td class="number figure">{{ a.would }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="5" class="second">
              No angle read yet. Zero the gauge on a machined flat, then read the rest.
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (flatNow(); as f) {
      <p class="roll">
        <label>
          Roll the axle until {{ f.label.toLowerCase() }} reads
          <input
            #roll
            type="text"
            class="box figure"
            inputmode="decimal"
            placeholder="0.0"
            [value]="rollText()"
            [attr.aria-invalid]="rolled() === undefined ? true : null"
            (input)="rollText.set(roll.value)"
          />
          °
        </label>
        @if (rolled() === undefined) {
          <span class="trouble" role="alert">Type an angle in degrees, such as 3.5.</span>
        } @else {
          <span class="second">Then against level:</span>
          @for (r of afterRoll(); track r.label) {
            <span>
              {{ r.label.toLowerCase() }}
              <b class="figure">{{ r.text }}</b>
            </span>
          }
        }
      </p>
    }
    <p class="second">
      Front higher is plus. What an angle is against another stays true when the axle is rolled over on the
      bench; what it is against level does not.
    </p>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    .grid :is(th, td) {
      text-align: left;
    }
    thead th {
      vertical-align: bottom;
    }
    .grid .number {
      text-align: right;
    }
    thead select {
      height: 26px;
      max-width: 150px;
      font-size: 12.5px;
    }
    .roll {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
      align-items: baseline;
      font-size: 13.5px;
    }
    .roll input.box {
      width: 64px;
      height: 28px;
    }
    p.second {
      font-size: 12.5px;
    }
  `,
})
export class AnglesTable {
  private readonly store = inject(PlanStore);
  readonly stage = input.required<StageId>();
  /** Flat of the stage’s casting, by which the axle is rolled. */
  readonly flat = input.required<QuantityId>();
  protected readonly zeroOn = signal('');
  protected readonly rollText = signal('0');

  private readonly angles = computed(() =>
    this.store
      .results()
      .of(angles)
      .filter((a) => quantity(a.id).stage === this.stage()),
  );
  protected readonly known = computed(() => this.angles().filter((a) => a.slope));
  protected readonly rows = computed(() => {
    const zero = this.slopeOf(this.zeroOn());
    return this.angles().map((a) => ({
      ...a,
      would: zero === undefined || !a.slope ? '' : formatAngle(angleAgainst(a.slope.value, zero), 1, true),
    }));
  });
  protected readonly flatNow = computed<AngleResult | undefined>(() =>
    this.known().find((a) => a.id === this.flat()),
  );
  /** Slope the flat is to be given, rad; undefined for what is no angle. */
  protected readonly rolled = computed(() => {
    const read = parseAngle(this.rollText().trim() || '0');
    return read.ok ? read.value : undefined;
  });
  protected readonly afterRoll = computed(() => {
    const [flat, now] = [this.flatNow(), this.rolled()];
    if (!flat?.slope || now === undefined) return [];
    const before = flat.slope.value;
    return this.known()
      .filter((a) => a.id !== flat.id && !STAYS.includes(a.id))
      .map(({ label, slope }) => ({
        label,
        text: formatAngle(slopeAfterRoll(slope?.value ?? 0, before, now), 1, true),
      }));
  });

  private slopeOf(id: string): number | undefined {
    return this.known().find((a) => a.id === id)?.slope?.value;
  }
}
