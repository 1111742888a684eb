import { computed, inject, Injectable, signal } from '@angular/core';
import type { InstrumentReading, InstrumentView } from '@intervex/contract/wire';
import {
  ANGLE_IDS,
  findQuantity,
  QUANTITIES,
  quantityName,
  RAD_PER_DEGREE,
  refuseValue,
  type FigureUnit,
  type InstrumentId,
  type Quantity,
} from '@intervex/core';
import { firstValueFrom } from 'rxjs';
import { withRepeat } from '../readings/with-repeat';
import { ApiService } from './api.service';
import { sentenceOf } from './refusals';
import { OneStreamService } from './one-stream.service';
import { PersonService } from './person.service';
import { PlanStore } from './plan-store';
import { SelectionService } from './selection.service';
import { UnitsService } from './units.service';

/** Pause before an instrument that could not be listened to is tried again, ms. */
const RETRY_MS = 1500;
/** Share of the battery below which readings wander. */
export const BATTERY_LOW = 0.1;

/** What an instrument’s unit is in the plan, and how its readings are named there. */
const KINDS: Readonly<
  Record<InstrumentView['kind'], { instrument: InstrumentId; unit: FigureUnit; per: number }>
> = {
  caliper: { instrument: 'caliper', unit: 'mm', per: 1 },
  indicator: { instrument: 'indicator', unit: 'mm', per: 1 },
  angleGauge: { instrument: 'angleGauge', unit: 'rad', per: RAD_PER_DEGREE },
  scales: { instrument: 'scale', unit: 'kg', per: 1 },
};

/** The instrument that is connected: its live value, and taking it into the field that has focus. */
@Injectable({ providedIn: 'root' })
export class InstrumentsService {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly units = inject(UnitsService);
  private readonly stream = inject(OneStreamService);
  private stop: (() => void) | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;

  readonly list = signal<readonly InstrumentView[]>([]);
  /** Why the list is empty. */
  readonly trouble = signal('');
  readonly connected = signal<InstrumentView | undefined>(undefined);
  /** Its last whole line; undefined while it is lost or sends what cannot be read. */
  readonly reading = signal<InstrumentReading | undefined>(undefined);
  /** Why there is no value just now. */
  readonly silence = signal('');
  /** What the last key did, in words. */
  readonly said = signal('');
  /** Angle the gauge was zeroed on, by this page. */
  readonly zeroedOn = signal('');

  /** Quantity a value would be taken into. */
  readonly target = computed(() => findQuantity(this.selection.focused()));

  async load(): Promise<void> {
    try {
      const { instruments, trouble } = await firstValueFrom(this.api.instruments());
      this.list.set(instruments);
      this.trouble.set(trouble ?? '');
    } catch (error) {
      this.list.set([]);
      this.trouble.set(sentenceOf(error));
    }
  }

  connect(instrument: InstrumentView): void {
    this.disconnect();
    this.connected.set(instrument);
    this.silence.set('waiting for its first value');
    this.listen(instrument);
  }

  disconnect(): void {
    clearTimeout(this.again);
    this.stop?.();
    this.stop = undefined;
    this.connected.set(undefined);
    this.reading.set(undefined);
    this.silence.set('');
    this.said.set('');
    this.zeroedOn.set('');
  }

  /** Presses zero or hold. A gauge zeroed while an angle’s field has focus is zeroed on that angle. */
  async press(key: 'zero' | 'hold', on: boolean): Promise<void> {
    const instrument = this.connected();
    if (!instrument) return;
    const target = this.target();
    try {
      await firstValueFrom(this.api.press(instrument.id, key, on));
      if (key === 'zero') this.zeroedOn.set(on && target && ANGLE_IDS.includes(target.id) ? target.id : '');
      this.said.set('');
    } catch (error) {
      this.said.set(sentenceOf(error));
    }
  }

  /** Takes the live value into the field that has focus, as one more repeat. */
  take(): void {
    const instrument = this.connected();
    if (!instrument) return;
    this.said.set(this.taken(instrument, this.reading(), this.target()));
  }

  /** Takes the corner scales into the axle loads and the mass. */
  takeLoads(): void {
    const corners = this.reading()?.channels;
    if (!corners) {
      this.said.set(`Not taken: ${this.silence() || 'no value'}.`);
      return;
    }
    const front = corners.leftFront + corners.rightFront;
    const rear = corners.leftRear + corners.rightRear;
    const sums = { front, rear, all: front + rear };
    for (const quantity of QUANTITIES)
      if (quantity.scales) this.put(quantity, sums[quantity.scales], { instrument: 'scale' });
    this.store.saveNow();
    this.said.set(`Taken: front ${this.units.show(front, 'kg', 1)}, rear ${this.units.show(rear, 'kg', 1)}.`);
  }

  private taken(
    { label, kind }: InstrumentView,
    reading: InstrumentReading | undefined,
    target: Quantity | undefined,
  ): string {
    if (!target) return 'Not taken: click into the field it is for first.';
    if (!reading) return `Not taken: ${this.silence() || 'no value'}.`;
    const { instrument, unit, per } = KINDS[kind];
    const name = quantityName(target);
    if (unit !== target.unit) return `Not taken: ${name} is not read with the ${label.toLowerCase()}.`;
    const value = Number((reading.value * per).toFixed(6));
    const wrong = refuseValue(target, value, this.units.unit());
    if (wrong) return `Not taken. ${wrong.replace(/\.?$/, '.')}`;
    const zero = this.zeroOf(reading, target);
    if (zero === undefined)
      return 'Not taken: the gauge is zeroed, but on what? Click into the field of the flat, and press Zero.';
    const count = this.put(target, value, { instrument, ...(zero === '' ? {} : { zeroedOn: zero }) });
    this.store.saveNow();
    const digits = unit === 'mm' && this.units.unit() === 'mm' ? 2 : undefined;
    return `Taken into ${name}: ${this.units.show(value, unit, digits)}${count > 1 ? `, reading ${count}` : ''}.`;
  }

  /** What the value is read against: empty for level; undefined where nobody knows. */
  private zeroOf({ zeroed }: InstrumentReading, target: Quantity): string | undefined {
    if (!ANGLE_IDS.includes(target.id) || !zeroed) return '';
    const zero = this.zeroedOn();
    return zero === '' || zero === target.id ? undefined : zero;
  }

  private put(target: Quantity, value: number, how: { instrument: InstrumentId; zeroedOn?: string }): number {
    const repeat = { value, who: this.person.name(), at: new Date().toISOString() };
    const reading = withRepeat(this.store.plan().readings[target.id], target, repeat, how);
    this.store.setReading(target.id, reading);
    return reading.repeats.length;
  }

  private listen(instrument: InstrumentView): void {
    const silent = (why: string) => {
      this.reading.set(undefined);
      this.silence.set(why);
    };
    this.stop = this.stream.listen(
      { instrument: instrument.id, who: this.person.name() },
      ({ event, data }) => {
        switch (event) {
          case 'value':
            this.reading.set(data as unknown as InstrumentReading);
            this.silence.set('');
            return;
          case 'unread':
            silent(String(data['wrong']));
            return;
          case 'lost':
            silent(`${String(data['why'])}; trying again`);
            return;
          case 'dropped':
            silent('connection lost; trying again');
            return;
          case 'refused':
            silent(`${String(data['message']).replace(/\.$/, '')}; trying again`);
            this.again = setTimeout(() => {
              this.stop?.();
              this.listen(instrument);
            }, RETRY_MS);
        }
      },
    );
  }
}
