/** What an instrument is; it decides range and unit. */
export type DeviceKind = 'caliper' | 'angleGauge' | 'indicator' | 'scales';

/** How an instrument goes wrong when asked to: nothing, `NaN`, 1e9, half a line. */
export type Fault = 'none' | 'nan' | 'huge' | 'half';
export const FAULTS: readonly Fault[] = ['none', 'nan', 'huge', 'half'];

export const CHANNELS = ['leftFront', 'rightFront', 'rightRear', 'leftRear'] as const;
export type Channel = (typeof CHANNELS)[number];

/** What the stand-in is set to: the thing being measured, and how well the instrument measures it. */
export interface DeviceState {
  /** True value in the device’s unit; for scales, of each corner. */
  readonly value: number;
  readonly channels: Readonly<Record<Channel, number>>;
  /** Standard deviation of one reading. */
  readonly noise: number;
  /** How much it creeps in a minute. */
  readonly drift: number;
  /** Share left, 0 to 1. */
  readonly battery: number;
  readonly connected: boolean;
  readonly fault: Fault;
}

export interface DeviceSpec {
  readonly id: string;
  readonly label: string;
  readonly kind: DeviceKind;
  readonly unit: 'mm' | 'deg' | 'kg';
  readonly resolution: number;
  readonly start: DeviceState;
}

/** Below this share the battery counts as low and readings wander. */
const BATTERY_LOW = 0.1;
/** A low battery makes the noise this much larger. */
const WANDER = 6;

/** One reading as it goes over the wire. */
interface DeviceLine {
  readonly id: string;
  readonly unit: DeviceSpec['unit'];
  readonly value: number;
  readonly channels?: Readonly<Record<Channel, number>>;
  readonly battery: number;
  readonly held: boolean;
  readonly zeroed: boolean;
  readonly at: string;
}

/** Noise of standard deviation 1 from two shares between 0 and 1 (Box and Muller). */
export const normal = (u: number, v: number): number =>
  Math.sqrt(-2 * Math.log(Math.max(u, 1e-12))) * Math.cos(2 * Math.PI * v);

/** An instrument: reads the thing it is set to, with noise, drift, zero and hold. */
export class Device {
  state: DeviceState;
  private zero = 0;
  private zeroed = false;
  private held: DeviceLine | undefined;
  private readonly since: number;

  constructor(
    readonly spec: DeviceSpec,
    private readonly clock: () => number = Date.now,
    private readonly random: () => number = Math.random,
  ) {
    this.state = spec.start;
    this.since = clock();
  }

  set(change: Partial<DeviceState>): void {
    this.state = { ...this.state, ...change };
  }

  /** Makes what it reads now its zero; a second time goes back to its own. */
  setZero(on: boolean): void {
    this.zero = on ? this.raw(this.state.value) : 0;
    this.zeroed = on;
    this.held = undefined;
  }

  setHold(on: boolean): void {
    this.held = on ? { ...this.read(), held: true } : undefined;
  }

  read(): DeviceLine {
    if (this.held) return { ...this.held, at: new Date(this.clock()).toISOString() };
    const base = { id: this.spec.id, unit: this.spec.unit, battery: this.state.battery, held: false };
    const at = new Date(this.clock()).toISOString();
    if (this.spec.kind === 'scales') {
      const channels = Object.fromEntries(
        CHANNELS.map((c) => [c, this.rounded(this.raw(this.state.channels[c]))]),
      ) as Record<Channel, number>;
      const value = CHANNELS.reduce((sum, c) => sum + channels[c], 0);
      return { ...base, value: this.rounded(value), channels, zeroed: false, at };
    }
    return { ...base, value: this.rounded(this.raw(this.state.value) - this.zero), zeroed: this.zeroed, at };
  }

  /** The line as it is sent, broken where a fault is set. */
  line(): string {
    const text = JSON.stringify(this.read());
    switch (this.state.fault) {
      case 'nan':
        return text.replace(/"value":[^,}]+/, '"value":NaN');
      case 'huge':
        return text.replace(/"value":[^,}]+/, '"value":1e9');
      case 'half':
        return text.slice(0, Math.floor(text.length / 2));
      default:
        return text;
    }
  }

  private raw(truth: number): number {
    const minutes = (this.clock() - this.since) / 60_000;
    const noise = this.state.noise * (this.state.battery < BATTERY_LOW ? WANDER : 1);
    return truth + this.state.drift * minutes + noise * normal(this.random(), this.random());
  }

  private rounded(value: number): number {
    const { resolution } = this.spec;
    return Number((Math.round(value / resolution) * resolution).toFixed(6));
  }
}
