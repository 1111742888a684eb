import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import {
  bench,
  benchLacks,
  expandedUncertainty,
  FACE_NAMES,
  formatAngle,
  OPEN_NAMES,
  openUnder,
  unsettledUnder,
  inARow,
  placeName,
  RAD_PER_DEGREE,
  wantedSlope,
  weldedOff,
  ZERO_NAMES,
  ZEROS,
  type Face,
  type Zero,
} from '@intervex/core';
import { FigureValue } from '../../shared/figure-value';
import { Segments } from '../../shared/segments';
import { InstrumentsService } from '../../state/instruments.service';
import { JumpService } from '../../state/jump.service';
import { PlanStore } from '../../state/plan-store';

/** Nearer its target than this a face stands right, rad. */
const RIGHT = 0.2 * RAD_PER_DEGREE;

/** What the gauge must show on each face, in large figures; live with a connected gauge. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-bench-desk',
  imports: [FigureValue, MatIconModule, Segments],
  template: `
    @if (open(); as why) {
      <p class="tack" role="status">
        <mat-icon svgIcon="caution" aria-hidden="true" />
        <b>Tack only.</b>
        {{ why }}
      </p>
    }
    @if (lacks().length) {
      <p class="text second">
        Missing:
        @for (l of lacks(); track l.id; let last = $last) {
          <button type="button" class="plain link" (click)="jumps.to(l.id)">{{ l.name }}</button>
          {{ last ? '' : ', ' }}
        }
      </p>
    }
    <ix-segments label="Gauge zeroed on" [options]="zeros" [value]="zero()" (picked)="zero.set($any($event))" />
    <table class="grid big">
      <thead>
        <tr>
          <th scope="col">Gauge zeroed on {{ zeroName() }}, on the</th>
          <th scope="col">must show</th>
          @if (gauge() !== undefined) {
            <th scope="col">shows {{ shown() }}</th>
          }
          <th scope="col">Level: front higher by</th>
        </tr>
      </thead>
      <tbody>
        @for (f of faces(); track f.face) {
          <tr [class.picked]="f.face === face()">
            <th scope="row">
              <label class="one">
                <input type="radio" name="face" [checked]="f.face === face()" (change)="face.set(f.face)" />
                {{ f.name }}
              </label>
            </th>
            <td class="target"><ix-figure [figure]="f.figure" [digits]="1" /></td>
            @if (gauge() !== undefined) {
              <td class="target" [attr.aria-live]="f.face === face() ? 'polite' : null">
                @if (f.face === face() && f.off !== undefined) {
                  <span class="off" [class.right]="f.right">
                    <mat-icon
                      [svgIcon]="f.right ? 'settled' : 'down'"
                      [class.up]="f.off < 0"
                      aria-hidden="true"
                    />
                    {{ f.right ? 'right' : f.said }}
                  </span>
                }
              </td>
            }
            <td><ix-figure [figure]="f.rise" /></td>
          </tr>
        }
      </tbody>
    </table>
    @if (welded(); as off) {
      <p class="text">
        As welded the pinion lies
        <ix-figure [figure]="off" />
        from what was wanted, front too high plus: all else goes on from where it lies, this card stays as it
        was.
      </p>
    }
    <p class="text second">
      The pinion is set to
      <ix-figure [figure]="slope()" />
      at ride height. Against pinion and casting the angles stay true however the axle is rolled; against level
      they are for the axle as it lies. With a level: turn the axle until a square on the pinion flange stands
      plumb, lay the level on the face, and lift its low end.
    </p>
  `,
  styles: `
    .tack {
      display: flex;
      gap: 8px;
      align-items: center;
      margin: 4px 0 10px;
      padding: 6px 10px;
      border: 1px solid var(--amber);
      font-size: 15px;
    }
    .tack mat-icon {
      flex: none;
      color: var(--amber);
    }
    .big {
      margin-top: 10px;
    }
    .target {
      font-size: 19px;
      font-weight: 620;
    }
    .off {
      display: inline-flex;
      gap: 4px;
      align-items: center;
      color: var(--ink);
    }
    .off mat-icon.up {
      transform: rotate(180deg);
    }
    .off.right {
      color: var(--green);
    }
    @media (max-width: 760px) {
      .target {
        font-size: 26px;
      }
    }
  `,
})
export class BenchDesk {
  private readonly store = inject(PlanStore);
  private readonly instruments = inject(InstrumentsService);
  protected readonly jumps = inject(JumpService);
  protected readonly zeros = ZEROS.map((id) => ({ id, name: ZERO_NAMES[id].replace(/^the /, '') }));
  protected readonly zero = signal<Zero>('flat');
  protected readonly face = signal<Face>('perch.left');
  protected readonly zeroName = computed(() => ZERO_NAMES[this.zero()]);
  protected readonly slope = computed(() => this.store.results().of(wantedSlope));
  /** How far it was welded off that, once it is. */
  protected readonly welded = computed(() => this.store.results().of(weldedOff));
  /** What the gauge on the bench shows now, rad; undefined while none is connected. */
  protected readonly gauge = computed(() => {
    const reading = this.instruments.reading();
    return this.instruments.connected()?.kind === 'angleGauge' && reading
      ? reading.value * RAD_PER_DEGREE
      : undefined;
  });
  protected readonly shown = computed(() => formatAngle(this.gauge() ?? 0, 1));
  protected readonly lacks = computed(() => {
    const { of } = this.store.results();
    const missing = [...(of(wantedSlope) ? [] : ['drive.aim']), ...of(benchLacks)];
    return missing.map((id) => ({ id, name: placeName(id) }));
  });
  /** Why nothing is welded by it yet. */
  protected readonly open = computed(() => {
    const [slope, { openings }] = [this.slope(), this.store.results()];
    const names = slope ? openUnder(slope, openings) : [];
    if (names.length) return `The slope rests on what is still open: ${inARow(names)}.`;
    const loose = slope ? unsettledUnder(slope, openings).map((choice) => OPEN_NAMES[choice]) : [];
    return loose.length ? `The slope rests on what is not settled: ${inARow(loose)}.` : '';
  });
  protected readonly faces = computed(() =>
    this.store
      .results()
      .of(bench)
      .map(({ face, shows, rise }) => {
        const figure = shows[this.zero()];
        const gauge = this.gauge();
        const off = figure && gauge !== undefined ? gauge - figure.value : undefined;
        const limit = Math.max(RIGHT, figure ? expandedUncertainty(figure) / 2 : 0);
        return {
          face,
          name: FACE_NAMES[face],
          figure,
          rise,
          off,
          right: off !== undefined && Math.abs(off) <= limit,
          said:
            off === undefined
              ? ''
              : `${formatAngle(Math.abs(off), 1)} ${off > 0 ? 'too high' : 'too low'} in front`,
        };
      }),
  );
}
