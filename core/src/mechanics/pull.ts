import { radPerSecond } from './joint-chain';

/** Standard gravity, m/s². */
export const GRAVITY = 9.806_65;

/** A point of an engine’s torque curve: rpm, and N·m at the flywheel. */
export interface CurvePoint {
  readonly rpm: number;
  readonly torque: number;
}

/** What lies between engine and gearbox. */
export type Coupling =
  /** Slips at this engine speed until the gearbox has caught up; rpm. */
  | { readonly kind: 'clutch'; readonly rpm: number }
  | {
      readonly kind: 'converter';
      /** Engine speed against a standing gearbox, rpm. */
      readonly stall: number;
      /** Torque at stall over the engine’s; 1 or more. */
      readonly multiplies: number;
      /** Share of its speed that it loses once it runs along, 0 to below 1. */
      readonly slip: number;
      /** Gear, from 1, from which it is locked and loses nothing; left out, it never is. */
      readonly lockedFrom?: number;
    };

/** A car that runs in a straight line. SI units, angles as slopes. */
export interface RunCar {
  /** kg, driver in. */
  readonly mass: number;
  /** Share of the weight on the driven axle at rest, 0 to 1. */
  readonly rearShare: number;
  /** m. */
  readonly wheelbase: number;
  readonly cgHeight: number;
  /** Greatest push of a driven tyre over its load. */
  readonly friction: number;
  readonly driven: 'rear' | 'all';
  /** Drag coefficient times frontal area, m². */
  readonly dragArea: number;
  /** kg/m³. */
  readonly air: number;
  /** Rolling resistance over load. */
  readonly rolling: number;
  /** Rolling radius, m. */
  readonly radius: number;
  /** Of all wheels, and of engine and flywheel, kg·m². */
  readonly wheelInertia: number;
  readonly engineInertia: number;
  readonly curve: readonly CurvePoint[];
  /** Highest engine speed, rpm. */
  readonly limit: number;
  readonly coupling: Coupling;
  /** Gearbox ratios from first on. */
  readonly gears: readonly number[];
  readonly axleRatio: number;
  /** Share of the engine’s torque that arrives at the wheels. */
  readonly efficiency: number;
  /** Rise over run; uphill +. */
  readonly grade: number;
}

/** What the car does at a speed in a gear. SI units. */
export interface Pull {
  readonly rpm: number;
  /** m/s². */
  readonly acceleration: number;
  /** The tyres hold less than the engine gives. */
  readonly spins: boolean;
  /** The clutch slips, or the converter has not caught up. */
  readonly slips: boolean;
}

/** Share of the engine’s speed at which a converter no longer multiplies. */
const COUPLED = 0.88;

/**
 * Torque of a curve at a speed: straight between its points, level below the first, nothing beyond the last.
 *
 * @param curve by rising rpm
 * @returns N·m
 */
export function torqueAt(curve: readonly CurvePoint[], rpm: number): number {
  const last = curve.length - 1;
  const first = curve[0];
  if (!first || rpm > (curve[last] as CurvePoint).rpm) return 0;
  if (rpm <= first.rpm) return first.torque;
  let i = 1;
  while (rpm > (curve[i] as CurvePoint).rpm) i += 1;
  const a = curve[i - 1] as CurvePoint;
  const b = curve[i] as CurvePoint;
  return a.torque + ((b.torque - a.torque) * (rpm - a.rpm)) / (b.rpm - a.rpm);
}

/** Revolutions of the gearbox’s input at a speed, rpm. */
export const inputRpm = (car: RunCar, ratio: number, v: number): number =>
  ((v / car.radius) * ratio * car.axleRatio * 60) / (2 * Math.PI);

/**
 * What a car does at a speed in a gear, worked out in place: asked of thousands of moments of a run. SI units.
 *
 * @source Moments about the front wheels: N_r·L = W·a_f + h·(F − R_r); F = T·i·η/r; F − R = m·a
 */
export class PullKernel {
  rpm = 0;
  acceleration = 0;
  spins = false;
  slips = false;
  /** Torque behind the coupling over that before it. */
  private more = 1;
  private readonly weight: number;
  private readonly rolling: number;
  private readonly wheels: number;
  /** Push of the driven tyres at their limit, N. */
  private readonly grip: number;
  /** Gearbox input over road speed in each gear, rpm for a m/s. */
  private readonly perSpeed: readonly number[];

  constructor(private readonly car: RunCar) {
    this.weight = (car.mass * GRAVITY) / Math.hypot(1, car.grade);
    this.rolling = car.rolling * this.weight;
    this.wheels = car.wheelInertia / car.radius ** 2;
    this.grip = gripOf(car, this.weight, this.rolling);
    this.perSpeed = car.gears.map((ratio) => inputRpm(car, ratio, 1));
  }

  /** Revolutions of the engine at a speed in a gear. @param gear from 0 */
  turns(gear: number, v: number): number {
    this.couple(gear, (this.perSpeed[gear] as number) * v);
    return this.rpm;
  }

  /** @param gear from 0; below 0 while none is in */
  at(gear: number, v: number): void {
    const { car } = this;
    const against = this.weight * car.grade + 0.5 * car.air * car.dragArea * v * v + this.rolling;
    this.spins = false;
    if (gear < 0) {
      this.rpm = 0;
      this.slips = false;
      this.acceleration = -against / (car.mass + this.wheels);
      return;
    }
    this.couple(gear, (this.perSpeed[gear] as number) * v);
    const torque = this.rpm > car.limit ? 0 : torqueAt(car.curve, this.rpm);
    const total = (car.gears[gear] as number) * car.axleRatio;
    const push = (torque * this.more * total * car.efficiency) / car.radius;
    const turning = this.slips
      ? 0
      : (car.engineInertia * total * total * car.efficiency) / (car.radius * car.radius);
    const free = (push - against) / (car.mass + this.wheels + turning);
    // What the tyres must push: the car, all that holds it back, and the wheels that roll along.
    this.spins = car.mass * free + against > this.grip;
    this.acceleration = this.spins ? (this.grip - against) / car.mass : free;
  }

  /** Engine speed, and what the coupling does, at a speed of the gearbox’s input. */
  private couple(gear: number, input: number): void {
    const { coupling } = this.car;
    this.more = 1;
    if (coupling.kind === 'clutch') {
      this.slips = input < coupling.rpm;
      this.rpm = this.slips ? coupling.rpm : input;
      return;
    }
    const { stall, multiplies, slip, lockedFrom } = coupling;
    if (lockedFrom !== undefined && gear + 1 >= lockedFrom && input >= stall) {
      this.slips = false;
      this.rpm = input;
      return;
    }
    const along = input / (1 - slip);
    this.slips = along < stall;
    this.rpm = this.slips ? stall : along;
    this.more = 1 + (multiplies - 1) * Math.max(0, 1 - input / this.rpm / COUPLED);
  }
}

/**
 * Push of both driven tyres at their limit, N: the load moves back with all that the tyres push against, at most all of it.
 *
 * @param resists rolling resistance, N
 */
function gripOf(car: RunCar, weight: number, resists: number): number {
  if (car.driven === 'all') return car.friction * weight;
  const { friction: mu, wheelbase, cgHeight, rearShare } = car;
  const arm = wheelbase - mu * cgHeight;
  const held = (mu * (weight * rearShare * wheelbase - cgHeight * resists)) / arm;
  // With the front wheels in the air the driven ones carry all.
  return arm <= 0 || held > mu * weight ? mu * weight : Math.max(0, held);
}

/**
 * What a car does at a speed in a gear.
 *
 * @param gear index of the gear; undefined while none is in
 * @param v m/s
 */
export function pullAt(car: RunCar, gear: number | undefined, v: number): Pull {
  const kernel = new PullKernel(car);
  kernel.at(gear ?? -1, v);
  const { rpm, acceleration, spins, slips } = kernel;
  return { rpm, acceleration, spins, slips };
}

/**
 * Road speed at an engine speed in a gear, m/s; without slip.
 *
 * @example speedAt(car, 0.79, 2665) // 30.56 with 3.70 and a rolling radius of 320 mm
 */
export const speedAt = (car: Pick<RunCar, 'radius' | 'axleRatio'>, ratio: number, rpm: number): number =>
  (radPerSecond(rpm) * car.radius) / (ratio * car.axleRatio);
