import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { quantity, quantityInSentence, quantityName } from '@intervex/core';
import { registerLaterIcons } from '../shared/icons-later';
import { BATTERY_LOW, InstrumentsService } from '../state/instruments.service';
import { UnitsService } from '../state/units.service';

const UNITS = { mm: ' mm', deg: '°', kg: ' kg' } as const;
const CORNERS = [
  ['leftFront', 'LF'],
  ['rightFront', 'RF'],
  ['leftRear', 'LR'],
  ['rightRear', 'RR'],
] as const;

/** The connected instrument: what it shows now, its keys, and where its value would go. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-instrument-bar',
  imports: [MatButtonModule, MatIconModule],
  template: `
    @if (service.connected(); as instrument) {
      <section [attr.aria-label]="instrument.label">
        <span class="name">
          <mat-icon [svgIcon]="low() ? 'batteryLow' : 'battery'" [class.low]="low()" aria-hidden="true" />
          {{ instrument.label }}
          <span class="second">{{ battery() }}</span>
        </span>
        @if (service.reading(); as r) {
          <output class="figure">{{ shown() }}</output>
          @for (c of corners(); track c.name) {
            <span class="corner">
              {{ c.name }}
              <b class="figure">{{ c.value }}</b>
            </span>
          }
          @if (r.held) {
            <span class="flag">held</span>
          }
          @if (r.zeroed) {
            <span class="flag">zeroed{{ zeroedOn() }}</span>
          }
        } @else {
          <output class="silent">
            <mat-icon svgIcon="caution" aria-hidden="true" />
            {{ service.silence() }}
          </output>
        }
        <span class="keys" (mousedown)="$event.preventDefault()">
          @if (instrument.kind === 'scales') {
            <button mat-flat-button type="button" (click)="service.takeLoads()">Into the axle loads</button>
          } @else {
            <button mat-flat-button type="button" (click)="service.take()">
              <mat-icon svgIcon="take" />
              Take
              <kbd>F9</kbd>
            </button>
            <button
              mat-stroked-button
              type="button"
              [attr.aria-pressed]="zeroed()"
              (click)="service.press('zero', !zeroed())"
            >
              {{ zeroed() ? 'Own zero' : 'Zero' }}
            </button>
          }
          <button
            mat-stroked-button
            type="button"
            [attr.aria-pressed]="held()"
            (click)="service.press('hold', !held())"
          >
            {{ held() ? 'Release' : 'Hold' }}
          </button>
          <button
            mat-icon-button
            type="button"
            [attr.aria-label]="'Disconnect the ' + instrument.label"
            (click)="service.disconnect()"
          >
            <mat-icon svgIcon="close" />
          </button>
        </span>
        <span class="said" role="status">{{ service.said() || aim() }}</span>
      </section>
    }
  `,
  styles: `
    section {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 14px;
      align-items: center;
      min-height: 44px;
      padding: 4px 12px;
      border-bottom: 1px solid var(--rule);
      border-left: 3px solid var(--dye);
      background: var(--sheet);
      font-size: 13px;
    }
    .name {
      display: inline-flex;
      gap: 6px;
      align-items: center;
      font-weight: 600;
    }
    .second {
      font-weight: 400;
    }
    mat-icon {
      flex: none;
      width: 18px;
      height: 18px;
      color: var(--ink-2);
    }
    mat-icon.low,
    .silent mat-icon {
      color: var(--amber);
    }
    output.figure {
      min-width: 104px;
      font-size: 20px;
      font-weight: 620;
      text-align: right;
    }
    .silent {
      display: inline-flex;
      gap: 6px;
      align-items: center;
    }
    .flag {
      padding: 0 6px;
      border: 1px solid var(--dye);
      color: var(--dye);
      font-size: 12px;
    }
    .keys {
      display: inline-flex;
      gap: 6px;
      align-items: center;
    }
    .keys mat-icon {
      color: inherit;
    }
    kbd {
      margin-left: 4px;
      font: 400 12px var(--figures);
    }
    .said {
      flex: 1;
      min-width: 180px;
      color: var(--ink-2);
    }
    @media (max-width: 760px) {
      section {
        gap: 2px 10px;
      }
      kbd {
        display: none;
      }
      .said {
        flex-basis: 100%;
        font-size: 12px;
      }
    }
  `,
})
export class InstrumentBar {
  protected readonly service = inject(InstrumentsService);
  private readonly units = inject(UnitsService);

  constructor() {
    registerLaterIcons();
  }

  protected readonly zeroed = computed(() => this.service.reading()?.zeroed ?? false);
  protected readonly held = computed(() => this.service.reading()?.held ?? false);
  protected readonly low = computed(() => (this.service.reading()?.battery ?? 1) < BATTERY_LOW);
  protected readonly battery = computed(() => {
    const share = this.service.reading()?.battery;
    if (share === undefined) return '';
    return `${Math.round(share * 100)} %${this.low() ? ', battery low: readings wander' : ''}`;
  });
  protected readonly shown = computed(() => {
    const r = this.service.reading();
    const step = this.service.connected()?.resolution ?? 0.1;
    return r ? this.print(r.value, r.unit, digitsOf(step)) : '';
  });
  protected readonly corners = computed(() => {
    const channels = this.service.reading()?.channels;
    return channels ? CORNERS.map(([id, name]) => ({ name, value: this.print(channels[id], 'kg', 1) })) : [];
  });
  /** What the instrument shows, in the unit of the page: no instrument shows tape fractions. */
  private print(value: number, unit: keyof typeof UNITS, digits: number): string {
    const shown = this.units.unit() === 'mm';
    if (unit === 'kg') return this.units.show(value, 'kg', digits);
    if (unit === 'mm' && !shown) return this.units.show(value, 'mm', digits + 2);
    return `${value.toFixed(digits).replace('-', '−')}${UNITS[unit]}`;
  }

  protected readonly zeroedOn = computed(() => {
    const on = this.service.zeroedOn();
    return on ? ` on ${quantityInSentence(quantity(on))}` : '';
  });
  protected readonly aim = computed(() => {
    const target = this.service.target();
    if (this.service.connected()?.kind === 'scales') return 'Sums the corners into front and rear.';
    return target ? `Goes into ${quantityName(target)}.` : 'Click into a field; the value goes there.';
  });
}

/** Decimals that a step of this size needs. */
const digitsOf = (step: number): number => Math.max(0, Math.ceil(-Math.log10(step) - 1e-9));
