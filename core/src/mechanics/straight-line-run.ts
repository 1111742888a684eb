import { inputRpm, PullKernel, type RunCar } from './pull';

/** How a run is driven. SI units. */
export interface RunPlan {
  /** m. */
  readonly distance: number;
  /** Engine speed at which the next gear is taken, rpm. */
  readonly shiftRpm: number;
  /** Time without drive at each change, s. */
  readonly shiftTime: number;
  /** m/s; a standing start where left out. */
  readonly startSpeed?: number;
  /** Distances at which time and speed are told as well, m. */
  readonly splits?: readonly number[];
}

/** One moment of a run: s, m, m/s, rpm. */
export interface Moment {
  readonly t: number;
  readonly x: number;
  readonly v: number;
  readonly rpm: number;
  /** From 1. */
  readonly gear: number;
}

/** A stretch of the run. */
export interface Stretch {
  readonly from: Moment;
  readonly to: Moment;
}

/** How a run ended: over the line, never off, or too slow to be waited for. */
export type RunEnd = 'finished' | 'cannotMove' | 'stops' | 'tooSlow';

export interface RunResult {
  readonly end: RunEnd;
  /** The last moment: over the line where it got there. */
  readonly last: Moment;
  readonly splits: readonly Moment[];
  /** Where each next gear was taken: the moment the old one was left. */
  readonly changes: readonly Moment[];
  /** Where the tyres spun. */
  readonly spins: readonly Stretch[];
  /** How long the clutch slipped or the converter had not caught up, s. */
  readonly slipped: number;
  /** The engine ran at its highest speed in the last gear. */
  readonly limited: boolean;
  /** At even times, for charts. */
  readonly moments: readonly Moment[];
}

/** Step of time, s. */
const STEP = 0.01;
/** Longest run that is waited for, s. */
const LONGEST = 600;
const BISECTIONS = 48;
/** Slower than this is standing, m/s. */
const STILL = 1e-6;

/**
 * A standing start, or one from a speed, over a distance.
 *
 * @returns what happened; it does not throw
 * @example straightLineRun(car of constant traction μ 1, nothing against it, 402.336 m).last.t // √(2x/(μg))
 * @source Runge and Kutta’s fourth order at fixed steps; changes of gear and the line are met within 1e-12 s
 */
export const straightLineRun = (car: RunCar, plan: RunPlan): RunResult => new Run(car, plan).made();

/** The lowest gear that the speed it begins with leaves below the change. */
function firstGear(car: RunCar, { startSpeed = 0, shiftRpm }: RunPlan): number {
  const at = car.gears.findIndex((ratio) => inputRpm(car, ratio, startSpeed) < shiftRpm);
  return at < 0 ? car.gears.length - 1 : at;
}

/** Speed at the engine’s limit in a gear, m/s. */
const topOf = (car: RunCar, gear: number): number => {
  const { coupling, gears, limit } = car;
  const open = coupling.kind === 'converter' && gear + 1 < (coupling.lockedFrom ?? Infinity);
  const slip = open ? coupling.slip : 0;
  return (limit * (1 - slip)) / inputRpm(car, gears[gear] as number, 1);
};

/** A run while it is made. */
class Run {
  private t = 0;
  private x = 0;
  private v: number;
  private gear: number;
  /** Time until the next gear is in, s; 0 while one is. */
  private between = 0;
  private readonly kernel: PullKernel;
  private readonly tops: readonly number[];
  private readonly marks: readonly number[];
  private readonly splits: Moment[] = [];
  private readonly changes: Moment[] = [];
  private readonly spins: Stretch[] = [];
  private spinning: Moment | undefined;
  private slipped = 0;
  private limited = false;
  /** Moments as they pass: time, way, speed, gear. */
  private readonly log: number[] = [];
  /** Where the last step led to. */
  private nextX = 0;
  private nextV = 0;

  constructor(
    private readonly car: RunCar,
    private readonly plan: RunPlan,
  ) {
    this.kernel = new PullKernel(car);
    this.tops = car.gears.map((_, i) => topOf(car, i));
    this.v = plan.startSpeed ?? 0;
    this.gear = firstGear(car, plan);
    this.marks = [...(plan.splits ?? [])].filter((x) => x > 0 && x < plan.distance).sort((a, b) => a - b);
  }

  made(): RunResult {
    this.note();
    let end: RunEnd | undefined;
    while (!end) end = this.step();
    const last = this.moment();
    if (this.spinning) this.spins.push({ from: this.spinning, to: last });
    const { splits, changes, spins, slipped, limited } = this;
    return { end, last, splits, changes, spins, slipped, limited, moments: this.thinned() };
  }

  /** One step of time, cut short where a gear is changed or a mark is met. */
  private step(): RunEnd | undefined {
    const { between, gear, x: before } = this;
    const goal = this.marks[this.splits.length] ?? this.plan.distance;
    const most = between > 0 ? Math.min(STEP, between) : STEP;
    this.kernel.at(between > 0 ? -1 : gear, this.v);
    const { acceleration, slips } = this.kernel;
    this.watch(this.kernel.spins);
    let h = most;
    if (this.happens(most, goal, acceleration)) {
      h = this.whenIn(most, goal, acceleration);
      this.lead(h, acceleration);
    }
    this.t += h;
    this.x = this.nextX;
    this.v = this.nextV;
    if (between > 0) {
      this.between = between - h < 1e-12 ? 0 : between - h;
      if (this.between === 0) this.gear += 1;
    } else {
      if (slips) this.slipped += h;
      const lastGear = gear === this.car.gears.length - 1;
      if (lastGear && this.v >= (this.tops[gear] as number) * (1 - 1e-9)) this.limited = true;
    }
    this.note();
    if (this.x >= goal) {
      if (this.splits.length === this.marks.length) return 'finished';
      this.splits.push(this.moment());
      return undefined;
    }
    if (this.shifts(this.v)) {
      this.changes.push(this.moment());
      this.between = Math.max(this.plan.shiftTime, 1e-9);
      return undefined;
    }
    return this.stopped(before);
  }

  /** Notes where the tyres begin and cease to spin. */
  private watch(spins: boolean): void {
    if (spins === (this.spinning !== undefined)) return;
    const now = this.moment();
    if (this.spinning) this.spins.push({ from: this.spinning, to: now });
    this.spinning = spins ? now : undefined;
  }

  /** @param first acceleration where the step begins */
  private happens(h: number, goal: number, first: number): boolean {
    this.lead(h, first);
    return this.nextX >= goal || this.shifts(this.nextV);
  }

  /** The shortest step in which it happens. */
  private whenIn(most: number, goal: number, first: number): number {
    let [low, high] = [0, most];
    for (let i = 0; i < BISECTIONS; i += 1) {
      const half = (low + high) / 2;
      if (this.happens(half, goal, first)) high = half;
      else low = half;
    }
    return high;
  }

  private shifts(v: number): boolean {
    return (
      this.between === 0 &&
      this.gear + 1 < this.car.gears.length &&
      this.kernel.turns(this.gear, v) >= this.plan.shiftRpm
    );
  }

  private a(v: number): number {
    this.kernel.at(this.between > 0 ? -1 : this.gear, v > 0 ? v : 0);
    return this.kernel.acceleration;
  }

  /** Where a step of time leads to. */
  private lead(h: number, k1: number): void {
    const { v, x } = this;
    const k2 = this.a(v + (h / 2) * k1);
    const k3 = this.a(v + (h / 2) * k2);
    const k4 = this.a(v + h * k3);
    const next = v + (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
    const way = x + h * v + ((h * h) / 6) * (k1 + k2 + k3);
    // At its highest speed the engine holds the car there.
    const top = this.between > 0 ? Infinity : Math.max(v, this.tops[this.gear] as number);
    this.nextV = next > top ? top : Math.max(0, next);
    this.nextX = next > top ? x + (h * (v + top)) / 2 : Math.max(x, way);
  }

  private stopped(before: number): RunEnd | undefined {
    if (this.t >= LONGEST) return 'tooSlow';
    if (this.v > STILL || this.a(0) > 0) return undefined;
    return before > 0 ? 'stops' : 'cannotMove';
  }

  private note(): void {
    this.log.push(this.t, this.x, this.v, this.gear);
  }

  private momentAt(t: number, x: number, v: number, gear: number): Moment {
    return { t, x, v, rpm: this.kernel.turns(gear, v), gear: gear + 1 };
  }

  private moment(): Moment {
    return this.momentAt(this.t, this.x, this.v, this.gear);
  }

  /** Moments enough for a chart, the last among them. */
  private thinned(): readonly Moment[] {
    const count = this.log.length / FIELDS;
    const each = Math.max(1, Math.ceil(count / CHART));
    const found: Moment[] = [];
    for (let i = 0; i < count; i += 1)
      if (i % each === 0 || i === count - 1) {
        const [t, x, v, gear] = this.log.slice(FIELDS * i, FIELDS * (i + 1)) as [
          number,
          number,
          number,
          number,
        ];
        found.push(this.momentAt(t, x, v, gear));
      }
    return found;
  }
}

const FIELDS = 4;
/** Most moments of a chart. */
const CHART = 300;
