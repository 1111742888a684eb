import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { axleLoads } from './axle-loads';
import { leafMotion } from './leaf-spring';
import { centreOfGravity } from './scales';
import { axleCharacter, axlePose, axlePoseNear, type Point3, type SolidAxle } from './solid-axle';
import { spread } from '../testing/spread';

const DEGREE = Math.PI / 180;
const link = (axle: Point3, chassis: Point3) => ({ axle, chassis });
const mirrored = ([x, y, z]: Point3): Point3 => [x, -y, z];
const pair = (axle: Point3, chassis: Point3) => [link(axle, chassis), link(mirrored(axle), mirrored(chassis))];

const FOUR: SolidAxle = {
  axleCentre: [0, 0, 311],
  links: [
    ...pair([-6, 468, 243], [561, 462, 268]),
    ...pair([-31, 428, 452], [379, 424, 428]),
    link([-92, -431, 296], [-97, 437, 314]),
  ],
};
const LADDER: SolidAxle = {
  axleCentre: [0, 0, 304],
  links: [link([-88, 402, 288], [-84, -418, 301])],
  pins: [1, -1].map((side) => ({
    axle: [835, 366 * side, 352] as const,
    chassis: [835, 366 * side, 352] as const,
    directions: ['x', 'z'] as const,
  })),
};
/** Upper links that draw together toward the axle. */
const TRIANGLE: SolidAxle = {
  axleCentre: [0, 0, 305],
  links: [...pair([-14, 476, 258], [518, 458, 281]), ...pair([-35, 118, 472], [272, 407, 436])],
};

const posed = (axle: SolidAxle, z: number, roll: number) => {
  const { x, y, pitch, yaw, errors, status } = axlePose(axle, { z, roll: roll * DEGREE });
  return { x, y, pitch: pitch / DEGREE, yaw: yaw / DEGREE, errors, status };
};

describe('a solid axle on four links and a bar', () => {
  it.each([
    [70, 0, 4.25391, 1.65104, 2.524398, -0.002175],
    [-85, 0, 8.24543, 6.35697, -1.709516, -0.00839],
    [25, 1.8, 0.57719, -0.97207, 0.791537, -0.071576],
    [-30, -2.4, 1.59218, 0.43943, -0.741018, -0.115313],
  ])('up %d mm, rolled %d°', (z, roll, x, y, pitch, yaw) => {
    const pose = posed(FOUR, z, roll);
    expect(pose.x).toBeCloseTo(x, 4);
    expect(pose.y).toBeCloseTo(y, 4);
    expect(pose.pitch).toBeCloseTo(pitch, 5);
    expect(pose.yaw).toBeCloseTo(yaw, 5);
    expect(pose.status).toBe('bind');
  });

  it('binds as it rolls: what each link is too long', () => {
    const wanted = [-0.77519, 0.76885, 0.85753, -0.84464, -0.00013];
    posed(FOUR, 25, 1.8).errors.forEach((error, i) => {
      expect(error).toBeCloseTo(wanted[i] ?? Number.NaN, 4);
    });
  });

  it('has its anti-squat, roll centre and roll steer', () => {
    const character = axleCharacter(FOUR, { wheelbase: 2475, cgHeight: 512 });
    expect(100 * (character?.antiSquat ?? 0)).toBeCloseTo(79.6379, 3);
    expect(character?.rollCentre).toBeCloseTo(304.761, 3);
    expect(character?.rollSteer).toBeCloseTo(-0.0018337, 6);
  });
});

describe('ladder bars', () => {
  it.each([
    [70, 0, -1.08911, -2.44377, 4.797304, 0],
    [-85, 0, 9.26396, -6.91755, -5.859926, 0],
    [25, 1.8, -1.06202, -0.58038, 1.712925, 0.053823],
  ])('up %d mm, rolled %d°', (z, roll, x, y, pitch, yaw) => {
    const pose = posed(LADDER, z, roll);
    expect(pose.x).toBeCloseTo(x, 5);
    expect(pose.y).toBeCloseTo(y, 5);
    expect(pose.pitch).toBeCloseTo(pitch, 6);
    expect(pose.yaw).toBeCloseTo(yaw, 6);
  });

  it('have their anti-squat and roll centre', () => {
    const character = axleCharacter(LADDER, { wheelbase: 2410, cgHeight: 486 });
    expect(100 * (character?.antiSquat ?? 0)).toBeCloseTo(209.0436, 3);
    expect(character?.rollCentre).toBeCloseTo(294.373, 3);
  });
});

describe('any axle', () => {
  const asked = fc.record({
    z: spread(-80, 80),
    roll: spread(-0.05, 0.05),
  });

  it('on four lengths and four unknowns keeps every length', () => {
    fc.assert(
      fc.property(asked, (at) => {
        const pose = axlePose(TRIANGLE, at);
        expect(pose.status).toBe('exact');
        for (const error of pose.errors) expect(Math.abs(error)).toBeLessThan(1e-7);
      }),
    );
  });

  it('that is the same on both sides goes the mirrored way when it is rolled the other way', () => {
    fc.assert(
      fc.property(asked, ({ z, roll }) => {
        const [one, two] = [axlePose(TRIANGLE, { z, roll }), axlePose(TRIANGLE, { z, roll: -roll })];
        expect(one.x).toBeCloseTo(two.x, 6);
        expect(one.y).toBeCloseTo(-two.y, 6);
        expect(one.pitch).toBeCloseTo(two.pitch, 9);
        expect(one.yaw).toBeCloseTo(-two.yaw, 9);
      }),
    );
  });

  it('is where no small move makes the weighted errors less', () => {
    const stiff: SolidAxle = { ...FOUR, links: FOUR.links.map((l, i) => ({ ...l, rate: 1 + i * 0.7 })) };
    const at = { z: 31, roll: -0.04 };
    const pose = axlePose(stiff, at);
    const cost = (errors: readonly number[]) =>
      errors.reduce((sum, e, i) => sum + (stiff.links[i]?.rate ?? 1) * e * e, 0);
    const best = cost(pose.errors);
    // The errors of a pose nearby: one link’s chassis end is not moved, the axle is, by solving from there in no step.
    for (const [key, by] of [
      ['x', 0.02],
      ['y', 0.02],
      ['pitch', 2e-5],
      ['yaw', 2e-5],
    ] as const)
      for (const sign of [1, -1]) {
        const moved = { ...pose, [key]: pose[key] + sign * by };
        expect(errorsAt(stiff, at, moved)).toBeGreaterThan(best - 1e-12);
      }
    function errorsAt(axle: SolidAxle, where: typeof at, p: typeof pose): number {
      const [sr, cr, sp, cp, sw, cw] = [where.roll, p.pitch, p.yaw].flatMap((a) => [
        Math.sin(a),
        Math.cos(a),
      ]) as [number, number, number, number, number, number];
      const errors = axle.links.map(({ axle: a, chassis: c }) => {
        const d = a.map((v, i) => v - (axle.axleCentre[i] ?? 0)) as unknown as Point3;
        const [y1, z1] = [cr * d[1] - sr * d[2], sr * d[1] + cr * d[2]];
        const [x2, z2] = [cp * d[0] + sp * z1, cp * z1 - sp * d[0]];
        const now: Point3 = [
          cw * x2 - sw * y1 + p.x,
          sw * x2 + cw * y1 + p.y,
          z2 + axle.axleCentre[2] + where.z,
        ];
        return (
          Math.hypot(now[0] - c[0], now[1] - c[1], now[2] - c[2]) -
          Math.hypot(a[0] - c[0], a[1] - c[1], a[2] - c[2])
        );
      });
      return cost(errors);
    }
  });

  it('says when it is loose, and when its links do not reach', () => {
    expect(axlePose({ ...FOUR, links: FOUR.links.slice(0, 3) }, { z: 20, roll: 0 }).status).toBe('loose');
    // Four links straight fore and aft let it go sideways.
    const straight = {
      ...FOUR,
      links: [...pair([0, 460, 240], [560, 460, 260]), ...pair([-30, 430, 450], [380, 430, 430])],
    };
    expect(axlePose(straight, { z: 20, roll: 0 }).status).toBe('loose');
    expect(axlePose(FOUR, { z: 900, roll: 0 }).status).toBe('outOfReach');
  });

  it('is found from the pose beside it in few steps', () => {
    const before = axlePose(FOUR, { z: 40, roll: 0 });
    expect(axlePoseNear(FOUR, { z: 40.5, roll: 0 }, before).iterations).toBeLessThan(5);
  });

  it('is the same whatever was asked before, and says where links hold it in two places', () => {
    // Short upper links that stand on end: on the way down they go over their dead point.
    const short: SolidAxle = {
      axleCentre: [0, 0, 305],
      links: [
        ...pair([-10, 470, 240], [510, 460, 246]),
        ...pair([-30, 291, 455], [70, 385, 558]),
        link([-92, -431, 296], [-97, 437, 314]),
      ],
    };
    expect(axlePose(short, { z: -58, roll: 0 }).status).toBe('twoWays');
    const near = axlePose(short, { z: -12, roll: 0 });
    axlePose(short, { z: 60, roll: 0.03 });
    axlePose(short, { z: -58, roll: 0 });
    expect(axlePose(short, { z: -12, roll: 0 })).toEqual(near);
    // Followed in small steps it is the same as followed step by step by hand.
    let step = axlePose(FOUR, { z: 0, roll: 0 });
    for (let k = 1; k <= 90; k += 1) step = axlePoseNear(FOUR, { z: k, roll: 0.0004 * k }, step);
    const at = axlePose(FOUR, { z: 90, roll: 0.036 });
    for (const key of ['x', 'y', 'pitch', 'yaw'] as const) expect(at[key]).toBeCloseTo(step[key], 9);
    expect(at.status).toBe('bind');
  });

  it('with a crank keeps its middle: the pivot goes up all but straight', () => {
    const watt: SolidAxle = {
      axleCentre: [0, 0, 305],
      links: [...pair([-14, 476, 258], [518, 476, 281]), ...pair([-35, 418, 472], [272, 418, 436])],
      watt: {
        pivot: [-90, 0, 305],
        arm: [
          [-90, 8, 365],
          [-90, -8, 245],
        ],
        chassis: [
          [-90, 408, 365],
          [-90, -408, 245],
        ],
      },
    };
    for (const z of [-70, 55, 80]) {
      const pose = axlePose(watt, { z, roll: 0 });
      expect(pose.errors.slice(-2).every((e) => Math.abs(e) < 1e-5)).toBe(true);
      expect(Math.abs(pose.y)).toBeLessThan(1.2);
      expect(Math.abs(pose.crank ?? 0)).toBeGreaterThan(0.0001);
    }
    const bar = { ...watt, watt: undefined, links: [...watt.links, link([-90, -408, 305], [-90, 408, 305])] };
    expect(Math.abs(axlePose(bar as unknown as SolidAxle, { z: 80, roll: 0 }).y)).toBeGreaterThan(3);
  });
});

describe('leaf springs', () => {
  it('turn the axle as they rise and wind up', () => {
    const uneven = leafMotion({ front: 560, rear: 710, rate: 23.5 });
    expect(uneven.pitchPerRise / DEGREE).toBeCloseTo(-0.0216156, 7);
    expect((uneven.windUp.pitch * 1000) / DEGREE).toBeCloseTo(0.0064791, 7);
    expect(uneven.windUp.rise * 1000).toBeCloseTo(-0.0160538, 7);
    const even = leafMotion({ front: 640, rear: 640, rate: 31 });
    expect((even.windUp.pitch * 1000) / DEGREE).toBeCloseTo(0.0045123, 7);
    expect(even.windUp.rise).toBeCloseTo(0, 12);
  });
});

describe('loads in links', () => {
  const launch = {
    links: TRIANGLE.links,
    springs: [
      [6, 402, 360],
      [6, -402, 360],
    ] as const,
    pushes: [
      { at: [0, 688, 0], force: [3900, 0, 3720] },
      { at: [0, -688, 0], force: [4100, 0, 4010] },
      { at: [0, 0, 305], force: [0, 0, -930] },
    ] as const,
    moment: [612_000, 0, 0] as const,
  };

  it('hold the axle at launch', () => {
    const loads = axleLoads(launch);
    expect(loads?.links.map((n) => Number(n.toFixed(2)))).toEqual([-8742.51, -9029.04, 6723.12, 6708.94]);
    expect(loads?.springs.map((n) => Number(n.toFixed(2)))).toEqual([2962.66, 1927.46]);
    expect(loads?.left).toBeLessThan(1e-6);
  });

  it('are shared where more hold it than must, and unknown where too few do', () => {
    const more = axleLoads({ ...launch, links: [...launch.links, link([-92, -431, 296], [-97, 437, 314])] });
    expect(more?.left).toBeLessThan(1e-6);
    expect(axleLoads({ ...launch, links: launch.links.slice(0, 3) })).toBeUndefined();
  });
});

describe('a car on scales', () => {
  const car = {
    level: { leftFront: 262, rightFront: 251, leftRear: 231, rightRear: 244 },
    wheelbase: 2475,
    trackFront: 1320,
    trackRear: 1335,
    scaleUncertainty: 0.5,
    lengthUncertainty: 1,
  };

  it('has its centre of gravity by moments about the rear axle and the middle', () => {
    const found = centreOfGravity(car);
    // 513 kg of 988 on the front: 513 / 988 × 2475 = 1285.096; cross (262 + 244) / 988.
    expect(found.mass).toBe(988);
    expect(found.fromRear).toBeCloseTo(1285.0962, 3);
    expect(found.left).toBeCloseTo((11 * 660 - 13 * 667.5) / 988, 9);
    expect(found.cross).toBeCloseTo(506 / 988, 12);
    expect(found.height).toBeUndefined();
    // Each front scale moves it by (1 − 0.51923) × 2475 / 988, each rear one by 0.51923 × 2475 / 988, the tape by 0.51923.
    const [front, rear] = [0.5 * 0.480769 * 2.505061, 0.5 * 0.519231 * 2.505061];
    expect(found.uncertainty.fromRear).toBeCloseTo(
      Math.sqrt(2 * front ** 2 + 2 * rear ** 2 + 0.519231 ** 2),
      2,
    );
  });

  it('has its height from the front raised', () => {
    // A car built backwards: its centre 540 above the floor, wheels’ centres at 305, front up by 402.
    const slope = Math.asin(402 / 2475);
    const rear = 475 + (988 * (540 - 305) * Math.tan(slope)) / 2475;
    const found = centreOfGravity({ ...car, raised: { height: 402, rear, wheelCentre: 305 } });
    expect(found.height).toBeCloseTo(540, 9);
    expect(found.uncertainty.height).toBeGreaterThan(5);
    expect(found.uncertainty.height).toBeLessThan(25);
  });
});
