import type { AxlePin, Point3, SolidAxle } from './axle-shape';

/** What a row of the model holds. */
const LINK = 0;
const PIN = 1;
const CRANK_ON_AXLE = 2;
const CRANK_ON_CAR = 3;
const PITCH = 4;

/** Places of one row’s numbers. */
const AXLE = 0;
const CAR = 3;
const LENGTH = 6;
const PIVOT = 7;
const NUMBERS = 10;

/** A turn counts by this lever as much as a shift, mm. */
const LEVER = 300;
const PER_LEVER = 1 / LEVER;
/** A pivot smaller than this part of the largest leaves the axle free. */
const FREE = 1e-9;
const AXES = ['x', 'y', 'z'] as const;

/** Constraints that an axle may have. */
const MOST_ROWS = 120;
// Room that all models work in: one is looked at and stepped before another is. Slopes and errors of each constraint,
// the normal equations and their step, sines and cosines of roll, pitch and yaw, the point and the way placed last.
const SLOPES = new Float64Array(5 * MOST_ROWS);
const ERRORS = new Float64Array(MOST_ROWS);
const NORMAL = new Float64Array(25);
const MOVE = new Float64Array(5);
const TURN = new Float64Array(6);
const AT = new Float64Array(3);
const UNIT = new Float64Array(3);

const far = (a: Point3, b: Point3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** One constraint before it is put into the model. */
interface Row {
  readonly kind: number;
  readonly axis?: number;
  readonly axle?: Point3;
  readonly car?: Point3;
  readonly length?: number;
  readonly pivot?: Point3;
  readonly rate: number;
}

const NOWHERE: Point3 = [0, 0, 0];

function rowsOf({ axleCentre, links, pins = [], watt, pitch }: SolidAxle): readonly Row[] {
  const own = (p: Point3): Point3 => [p[0] - axleCentre[0], p[1] - axleCentre[1], p[2] - axleCentre[2]];
  const ofPin = ({ axle, chassis, directions, rate = 1 }: AxlePin): Row[] =>
    directions.map((d) => ({ kind: PIN, axis: AXES.indexOf(d), axle: own(axle), car: chassis, rate }));
  const cranks = watt
    ? ([0, 1] as const).map((i): Row => {
        const { pivot, arm, chassis, rate = 1 } = watt;
        const length = far(arm[i], chassis[i]);
        const tip: Point3 = [arm[i][0] - pivot[0], arm[i][1] - pivot[1], arm[i][2] - pivot[2]];
        return watt.on === 'car'
          ? { kind: CRANK_ON_CAR, axle: own(chassis[i]), car: tip, pivot, length, rate }
          : { kind: CRANK_ON_AXLE, axle: tip, car: chassis[i], pivot: own(pivot), length, rate };
      })
    : [];
  return [
    ...links.map(({ axle, chassis, rate = 1 }): Row => ({
      kind: LINK,
      axle: own(axle),
      car: chassis,
      length: far(axle, chassis),
      rate,
    })),
    ...pins.flatMap(ofPin),
    ...cranks,
    ...(pitch ? [{ kind: PITCH, length: pitch.perRise, rate: pitch.rate ?? 1 }] : []),
  ];
}

/**
 * A solid axle as the flat numbers that its equations are worked out with: one pose after the other without anything new. Unknowns: x and y, mm, pitch and yaw, rad, and the crank, rad, where there is one.
 */
export class AxleModel {
  /** Unknowns, and constraints. */
  readonly n: number;
  readonly m: number;
  /** All rates together. */
  readonly weight: number;
  /** What is wrong with each constraint, mm, at the place that was looked at last. */
  readonly errors = ERRORS;
  /** Smallest pivot over the largest at the last step: how firmly what is held least is held. */
  firmness = 0;
  private readonly kinds: Uint8Array;
  private readonly axes: Uint8Array;
  private readonly rates: Float64Array;
  private readonly numbers: Float64Array;
  private readonly slopes = SLOPES;
  private readonly normal = NORMAL;
  private readonly move = MOVE;
  private readonly turn = TURN;
  private readonly at = AT;
  private readonly unit = UNIT;
  private readonly centre: Point3;
  private z = 0;

  constructor(axle: SolidAxle) {
    const rows = rowsOf(axle);
    this.n = axle.watt ? 5 : 4;
    this.m = rows.length;
    this.centre = axle.axleCentre;
    this.kinds = Uint8Array.from(rows, ({ kind }) => kind);
    this.axes = Uint8Array.from(rows, ({ axis = 0 }) => axis);
    this.rates = Float64Array.from(rows, ({ rate }) => rate);
    this.weight = this.rates.reduce((sum, rate) => sum + rate, 0) || 1;
    this.numbers = new Float64Array(NUMBERS * this.m);
    rows.forEach(({ axle: a = NOWHERE, car = NOWHERE, length = 0, pivot = NOWHERE }, i) => {
      this.numbers.set([...a, ...car, length, ...pivot], NUMBERS * i);
    });
    if (this.m > MOST_ROWS) throw new RangeError(`${this.m} constraints: at most ${MOST_ROWS}.`);
  }

  /** Works out every error and slope at a place. @returns weighted sum of squares, mm² */
  look(z: number, roll: number, unknowns: Float64Array): number {
    const { turn, kinds, errors, rates, m } = this;
    const pitch = unknowns[2] as number;
    const yaw = unknowns[3] as number;
    turn[0] = Math.sin(roll);
    turn[1] = Math.cos(roll);
    turn[2] = Math.sin(pitch);
    turn[3] = Math.cos(pitch);
    turn[4] = Math.sin(yaw);
    turn[5] = Math.cos(yaw);
    this.z = z;
    this.links(unknowns);
    let cost = 0;
    for (let i = 0; i < m; i += 1) {
      const kind = kinds[i] as number;
      if (kind === PIN) this.pin(i, unknowns);
      else if (kind === PITCH) this.pitchRow(i, pitch);
      else if (kind !== LINK) this.crankRow(i, unknowns, kind === CRANK_ON_CAR);
      const error = errors[i] as number;
      cost += (rates[i] as number) * error * error;
    }
    return cost;
  }

  /** All links in one go: most of the work, with nothing called. Turns count at the lever in every slope. */
  private links(unknowns: Float64Array): void {
    const { turn, kinds, errors, slopes, numbers: v, centre, m } = this;
    const sr = turn[0] as number;
    const cr = turn[1] as number;
    const sp = turn[2] as number;
    const cp = turn[3] as number;
    const sw = turn[4] as number;
    const cw = turn[5] as number;
    const x0 = centre[0] + (unknowns[0] as number);
    const y0 = centre[1] + (unknowns[1] as number);
    const z0 = centre[2] + this.z;
    for (let i = 0; i < m; i += 1) {
      if (kinds[i] !== LINK) continue;
      const o = NUMBERS * i;
      const px = v[o] as number;
      const py = v[o + 1] as number;
      const pz = v[o + 2] as number;
      const y1 = cr * py - sr * pz;
      const z1 = sr * py + cr * pz;
      const x2 = cp * px + sp * z1;
      const qz = cp * z1 - sp * px;
      const qx = cw * x2 - sw * y1;
      const qy = sw * x2 + cw * y1;
      const dx = qx + x0 - (v[o + 3] as number);
      const dy = qy + y0 - (v[o + 4] as number);
      const dz = qz + z0 - (v[o + 5] as number);
      const now = Math.sqrt(dx * dx + dy * dy + dz * dz) || 1e-12;
      const per = 1 / now;
      errors[i] = now - (v[o + LENGTH] as number);
      const j = 5 * i;
      slopes[j] = dx * per;
      slopes[j + 1] = dy * per;
      slopes[j + 2] = ((dx * cw + dy * sw) * qz - dz * x2) * per * PER_LEVER;
      slopes[j + 3] = (dy * qx - dx * qy) * per * PER_LEVER;
      // Another axle’s crank may have stood in this row.
      slopes[j + 4] = 0;
    }
  }

  /** The step of weighted least squares from the place looked at last, into `into`. @returns false where it is free */
  step(into: Float64Array): boolean {
    this.gather();
    if (!this.solve()) return false;
    for (let k = 0; k < this.n; k += 1) into[k] = (this.move[k] as number) * (k < 2 ? 1 : PER_LEVER);
    return true;
  }

  /** A point of the axle, from its middle and before any turn, put where it is; and the slope along a direction. */
  private turned(px: number, py: number, pz: number, unknowns: Float64Array): void {
    const { turn, at, centre } = this;
    const sr = turn[0] as number;
    const cr = turn[1] as number;
    const sp = turn[2] as number;
    const cp = turn[3] as number;
    const sw = turn[4] as number;
    const cw = turn[5] as number;
    const y1 = cr * py - sr * pz;
    const z1 = sr * py + cr * pz;
    const x2 = cp * px + sp * z1;
    at[0] = cw * x2 - sw * y1 + centre[0] + (unknowns[0] as number);
    at[1] = sw * x2 + cw * y1 + centre[1] + (unknowns[1] as number);
    at[2] = cp * z1 - sp * px + centre[2] + this.z;
  }

  /** Slopes of one row where its error grows along (dx, dy, dz) as the point placed last moves. */
  private along(i: number, dx: number, dy: number, dz: number, unknowns: Float64Array): void {
    const { at, slopes, centre, turn } = this;
    // The point from the axle’s middle, in the car.
    const qx = (at[0] as number) - centre[0] - (unknowns[0] as number);
    const qy = (at[1] as number) - centre[1] - (unknowns[1] as number);
    const qz = (at[2] as number) - centre[2] - this.z;
    const sw = turn[4] as number;
    const cw = turn[5] as number;
    const o = 5 * i;
    slopes[o] = dx;
    slopes[o + 1] = dy;
    // Pitch turns about the axle’s own crosswise axis, which yaw has turned.
    slopes[o + 2] = ((dx * cw + dy * sw) * qz - dz * (cw * qx + sw * qy)) * PER_LEVER;
    slopes[o + 3] = (dy * qx - dx * qy) * PER_LEVER;
    slopes[o + 4] = 0;
  }

  private held(i: number, cx: number, cy: number, cz: number, unknowns: Float64Array): void {
    const { at, unit, numbers, errors } = this;
    const dx = (at[0] as number) - cx;
    const dy = (at[1] as number) - cy;
    const dz = (at[2] as number) - cz;
    const now = Math.sqrt(dx * dx + dy * dy + dz * dz) || 1e-12;
    errors[i] = now - (numbers[NUMBERS * i + LENGTH] as number);
    unit[0] = dx / now;
    unit[1] = dy / now;
    unit[2] = dz / now;
    this.along(i, dx / now, dy / now, dz / now, unknowns);
  }

  private pin(i: number, unknowns: Float64Array): void {
    const { numbers: v, at, axes, errors } = this;
    const o = NUMBERS * i;
    const axis = axes[i] as number;
    this.turned(v[o + AXLE] as number, v[o + AXLE + 1] as number, v[o + AXLE + 2] as number, unknowns);
    errors[i] = (at[axis] as number) - (v[o + CAR + axis] as number);
    this.along(i, axis === 0 ? 1 : 0, axis === 1 ? 1 : 0, axis === 2 ? 1 : 0, unknowns);
  }

  /** The axle turns with its springs as it rises; counted at the lever. */
  private pitchRow(i: number, pitch: number): void {
    const o = 5 * i;
    const { slopes } = this;
    this.errors[i] = LEVER * (pitch - (this.numbers[NUMBERS * i + LENGTH] as number) * this.z);
    slopes.fill(0, o, o + 5);
    slopes[o + 2] = 1;
  }

  /** A bar of a crank that turns about a fore-and-aft axis, on the axle or on the car. */
  private crankRow(i: number, unknowns: Float64Array, onCar: boolean): void {
    const s = Math.sin(unknowns[4] as number);
    const c = Math.cos(unknowns[4] as number);
    const { numbers: v, unit, slopes, turn } = this;
    const o = NUMBERS * i;
    const tip = o + (onCar ? CAR : AXLE);
    const tx = v[tip] as number;
    const ty = v[tip + 1] as number;
    const tz = v[tip + 2] as number;
    const qy = c * ty - s * tz;
    const qz = s * ty + c * tz;
    const px = v[o + PIVOT] as number;
    const py = v[o + PIVOT + 1] as number;
    const pz = v[o + PIVOT + 2] as number;
    if (onCar) {
      this.turned(v[o + AXLE] as number, v[o + AXLE + 1] as number, v[o + AXLE + 2] as number, unknowns);
      this.held(i, px + tx, py + qy, pz + qz, unknowns);
      // The error grows as the car’s end goes the other way.
      slopes[5 * i + 4] = ((unit[1] as number) * qz - (unit[2] as number) * qy) * PER_LEVER;
      return;
    }
    this.turned(px + tx, py + qy, pz + qz, unknowns);
    this.held(i, v[o + CAR] as number, v[o + CAR + 1] as number, v[o + CAR + 2] as number, unknowns);
    const ux = unit[0] as number;
    const uy = unit[1] as number;
    const uz = unit[2] as number;
    // How the tip moves as the crank turns, in the car: only turned.
    const sr = turn[0] as number;
    const cr = turn[1] as number;
    const sp = turn[2] as number;
    const cp = turn[3] as number;
    const sw = turn[4] as number;
    const cw = turn[5] as number;
    const y1 = -cr * qz - sr * qy;
    const z1 = cr * qy - sr * qz;
    slopes[5 * i + 4] =
      (ux * (cw * sp * z1 - sw * y1) + uy * (sw * sp * z1 + cw * y1) + uz * cp * z1) * PER_LEVER;
  }

  /** Normal equations: sums of products of slopes, kept at hand until all rows are in. */
  private gather(): void {
    const { m, slopes, rates, errors, normal, move } = this;
    let n00 = 0;
    let n10 = 0;
    let n11 = 0;
    let n20 = 0;
    let n21 = 0;
    let n22 = 0;
    let n30 = 0;
    let n31 = 0;
    let n32 = 0;
    let n33 = 0;
    let b0 = 0;
    let b1 = 0;
    let b2 = 0;
    let b3 = 0;
    for (let i = 0; i < m; i += 1) {
      const rate = rates[i] as number;
      const error = errors[i] as number;
      const o = 5 * i;
      const s0 = slopes[o] as number;
      const s1 = slopes[o + 1] as number;
      const s2 = slopes[o + 2] as number;
      const s3 = slopes[o + 3] as number;
      const a0 = s0 * rate;
      const a1 = s1 * rate;
      const a2 = s2 * rate;
      const a3 = s3 * rate;
      n00 += a0 * s0;
      n10 += a1 * s0;
      n11 += a1 * s1;
      n20 += a2 * s0;
      n21 += a2 * s1;
      n22 += a2 * s2;
      n30 += a3 * s0;
      n31 += a3 * s1;
      n32 += a3 * s2;
      n33 += a3 * s3;
      b0 -= a0 * error;
      b1 -= a1 * error;
      b2 -= a2 * error;
      b3 -= a3 * error;
    }
    normal[0] = n00;
    normal[5] = n10;
    normal[6] = n11;
    normal[10] = n20;
    normal[11] = n21;
    normal[12] = n22;
    normal[15] = n30;
    normal[16] = n31;
    normal[17] = n32;
    normal[18] = n33;
    move[0] = b0;
    move[1] = b1;
    move[2] = b2;
    move[3] = b3;
    if (this.n === 5) this.gatherCrank();
  }

  private gatherCrank(): void {
    const { m, slopes, rates, errors, normal, move } = this;
    normal.fill(0, 20);
    move[4] = 0;
    for (let i = 0; i < m; i += 1) {
      const o = 5 * i;
      const a = (slopes[o + 4] as number) * (rates[i] as number);
      move[4] -= a * (errors[i] as number);
      for (let k = 0; k < 5; k += 1)
        normal[20 + k] = (normal[20 + k] as number) + a * (slopes[o + k] as number);
    }
  }

  /** Cholesky of the normal equations in place. */
  private solve(): boolean {
    const { n, normal: a, move: b } = this;
    let largest = 0;
    let smallest = Infinity;
    for (let j = 0; j < n; j += 1) largest = Math.max(largest, a[6 * j] as number);
    for (let j = 0; j < n; j += 1) {
      for (let i = j; i < n; i += 1) {
        let sum = a[5 * i + j] as number;
        for (let k = 0; k < j; k += 1) sum -= (a[5 * i + k] as number) * (a[5 * j + k] as number);
        if (i > j) a[5 * i + j] = sum / (a[6 * j] as number);
        else if (!(sum > FREE * largest)) return false;
        else {
          a[6 * j] = Math.sqrt(sum);
          smallest = Math.min(smallest, sum);
        }
      }
    }
    this.firmness = smallest / largest;
    for (let i = 0; i < n; i += 1) {
      let sum = b[i] as number;
      for (let k = 0; k < i; k += 1) sum -= (a[5 * i + k] as number) * (b[k] as number);
      b[i] = sum / (a[6 * i] as number);
    }
    for (let i = n - 1; i >= 0; i -= 1) {
      let sum = b[i] as number;
      for (let k = i + 1; k < n; k += 1) sum -= (a[5 * k + i] as number) * (b[k] as number);
      b[i] = sum / (a[6 * i] as number);
    }
    return true;
  }
}
