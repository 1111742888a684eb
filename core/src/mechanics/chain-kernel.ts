/** Motion of a chain, filled in place: asked of thousands of slopes in one evaluation. Angles rad. */
export class ChainKernel {
  readonly joints: Float64Array;
  readonly drive: Float64Array;
  readonly coast: Float64Array;
  equivalent = 0;
  /** Unit vectors along the axes, forward, one after the other. */
  readonly ways: Float64Array;
  private readonly re: Float64Array;
  private readonly im: Float64Array;
  /** What turns each joint’s part: cosine and sine of twice the phases before it. */
  private readonly turnRe: Float64Array;
  private readonly turnIm: Float64Array;

  /**
   * @param axes how many axes there are; two or more
   * @param phases of the inner shafts, rad
   * @param even joints that turn evenly
   */
  constructor(
    private readonly axes: number,
    phases: readonly number[] = [],
    private readonly even: readonly boolean[] = [],
  ) {
    const joints = axes - 1;
    this.joints = new Float64Array(joints);
    this.drive = new Float64Array(axes - 2);
    this.coast = new Float64Array(axes - 2);
    this.ways = new Float64Array(3 * axes);
    this.re = new Float64Array(joints);
    this.im = new Float64Array(joints);
    this.turnRe = new Float64Array(joints);
    this.turnIm = new Float64Array(joints);
    let turned = 0;
    for (let i = 0; i < joints; i += 1) {
      this.turnRe[i] = Math.cos(2 * turned);
      this.turnIm[i] = Math.sin(2 * turned);
      turned += phases[i] ?? 0;
    }
  }

  /** Sets an axis along a vector of any length. */
  along(axis: number, x: number, y: number, z: number): void {
    const l = Math.sqrt(x * x + y * y + z * z);
    this.ways[3 * axis] = x / l;
    this.ways[3 * axis + 1] = y / l;
    this.ways[3 * axis + 2] = z / l;
  }

  /** Works all out from the axes as they are set. */
  run(): void {
    this.terms();
    const { joints, drive, coast } = this;
    const count = joints.length;
    let [re, im] = [0, 0];
    for (let i = 0; i < count; i += 1) {
      re += this.re[i] as number;
      im += this.im[i] as number;
      if (i < drive.length) drive[i] = rootOf(re, im);
    }
    this.equivalent = rootOf(re, im);
    [re, im] = [0, 0];
    for (let i = count - 1; i > 0; i -= 1) {
      re += this.re[i] as number;
      im += this.im[i] as number;
      coast[i - 1] = rootOf(re, im);
    }
  }

  /** Each joint’s angle, and θ²·e^{2iφ}, φ the direction of the normal of its axes about the line. */
  private terms(): void {
    const { ways, axes } = this;
    // The line of the driveline: along what lies between its joints.
    const [first, end] = axes > 2 ? [1, axes - 1] : [0, axes];
    let [lx, ly, lz] = [0, 0, 0];
    for (let i = first; i < end; i += 1) {
      lx += ways[3 * i] as number;
      ly += ways[3 * i + 1] as number;
      lz += ways[3 * i + 2] as number;
    }
    const flat = Math.sqrt(lx * lx + ly * ly);
    const long = Math.sqrt(lx * lx + ly * ly + lz * lz);
    // Level and square to the line, and square to both.
    const [ax, ay] = [-ly / flat, lx / flat];
    const [ux, uy, uz] = [(-lz * ay) / long, (lz * ax) / long, (lx * ay - ly * ax) / long];
    for (let i = 0; i + 1 < axes; i += 1) {
      const [a, b] = [3 * i, 3 * i + 3];
      const [x, y, z] = [ways[a] as number, ways[a + 1] as number, ways[a + 2] as number];
      const [X, Y, Z] = [ways[b] as number, ways[b + 1] as number, ways[b + 2] as number];
      const [nx, ny, nz] = [y * Z - z * Y, z * X - x * Z, x * Y - y * X];
      const sine = Math.sqrt(nx * nx + ny * ny + nz * nz);
      const angle = Math.atan2(sine, x * X + y * Y + z * Z);
      this.joints[i] = angle;
      this.put(i, angle, nx * ax + ny * ay, nx * ux + ny * uy + nz * uz);
    }
  }

  private put(i: number, angle: number, c: number, s: number): void {
    const size = c * c + s * s;
    if (this.even[i] || size === 0) {
      this.re[i] = 0;
      this.im[i] = 0;
      return;
    }
    const scale = ((i % 2 ? -1 : 1) * angle * angle) / size;
    const [re, im] = [scale * (c * c - s * s), scale * 2 * c * s];
    const [tr, ti] = [this.turnRe[i] as number, this.turnIm[i] as number];
    this.re[i] = re * tr - im * ti;
    this.im[i] = re * ti + im * tr;
  }
}

const rootOf = (re: number, im: number): number => Math.sqrt(Math.sqrt(re * re + im * im));
