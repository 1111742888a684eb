import { axleLoads } from '../mechanics/axle-loads';
import { leafMotion } from '../mechanics/leaf-spring';
import { centreOfGravity } from '../mechanics/scales';
import { axleCharacter, axlePose, type AxlePose, type Point3, type SolidAxle } from '../mechanics/solid-axle';
import { calculation, deg, list, number, object, oneOf, rad, type Broken } from '../stage';

const MM = number(-5000, 5000);
const POINT = list(MM, { min: 3, max: 3 });
const FORCE = list(number(-200_000, 200_000), { min: 3, max: 3 });
const RATE = number(1e-3, 1e6);
const AXES = ['x', 'y', 'z'] as const;

interface LinkInput {
  readonly axle: readonly number[];
  readonly chassis: readonly number[];
  readonly rate?: number;
}
interface PinInput extends LinkInput {
  readonly directions: readonly (typeof AXES)[number][];
}
interface WattInput {
  readonly on?: 'axle' | 'car';
  readonly pivot: readonly number[];
  readonly arm: readonly (readonly number[])[];
  readonly chassis: readonly (readonly number[])[];
}
interface AxleInput {
  readonly axleCentre: readonly number[];
  readonly links: readonly LinkInput[];
  readonly pins?: readonly PinInput[];
  readonly watt?: WattInput;
  readonly wheelbase: number;
  readonly cgHeight: number;
  readonly poses: readonly { readonly z: number; readonly rollDeg: number }[];
}

const point = (at: readonly number[]): Point3 => at as unknown as Point3;
const two = (points: readonly (readonly number[])[]): readonly [Point3, Point3] =>
  points.map(point) as unknown as readonly [Point3, Point3];

/** A link between one place and itself holds nothing. */
const noPoint = ({ links }: Pick<AxleInput, 'links'>): Broken | undefined => {
  const none = links.findIndex(({ axle, chassis }) =>
    axle.every((v, i) => Math.abs(v - (chassis[i] ?? 0)) < 1),
  );
  return none < 0
    ? undefined
    : {
        field: 'links',
        wrong: `has a link of no length: ${none + 1}`,
        right: 'two places at least 1 mm apart',
      };
};

const axleOf = ({ axleCentre, links, pins, watt }: AxleInput): SolidAxle => ({
  axleCentre: point(axleCentre),
  links: links.map((l) => ({ ...l, axle: point(l.axle), chassis: point(l.chassis) })),
  ...(pins && { pins: pins.map((p) => ({ ...p, axle: point(p.axle), chassis: point(p.chassis) })) }),
  ...(watt && {
    watt: {
      pivot: point(watt.pivot),
      arm: two(watt.arm),
      chassis: two(watt.chassis),
      ...(watt.on && { on: watt.on }),
    },
  }),
});

const shown = (pose: AxlePose) => ({
  x: pose.x,
  y: pose.y,
  pitchDeg: deg(pose.pitch),
  yawDeg: deg(pose.yaw),
  linkErrorMm: pose.errors,
  ...(pose.crank === undefined ? {} : { crankDeg: deg(pose.crank) }),
  status: pose.status,
});

export const solidAxleOf = calculation<AxleInput>({
  name: 'solid-axle',
  what: 'Where a solid axle on links goes as it rises, falls and rolls; anti-squat, roll centre and roll steer.',
  input: object<AxleInput>(
    {
      axleCentre: POINT,
      links: list(object<LinkInput>({ axle: POINT, chassis: POINT, rate: RATE }, ['rate']), { max: 12 }),
      pins: list(
        object<PinInput>(
          { axle: POINT, chassis: POINT, directions: list(oneOf(AXES), { min: 1, max: 3 }), rate: RATE },
          ['rate'],
        ),
        { max: 6 },
      ),
      watt: object<WattInput>(
        {
          on: oneOf(['axle', 'car'] as const),
          pivot: POINT,
          arm: list(POINT, { min: 2, max: 2 }),
          chassis: list(POINT, { min: 2, max: 2 }),
        },
        ['on'],
      ),
      wheelbase: number(500, 8000),
      cgHeight: number(50, 3000),
      poses: list(object<AxleInput['poses'][number]>({ z: number(-600, 600), rollDeg: number(-30, 30) }), {
        max: 2000,
      }),
    },
    ['pins', 'watt'],
    noPoint,
  ),
  fields: {
    axleCentre: 'middle of the axle at ride height, mm: x forward, y left, z up from the floor',
    links: 'what keeps its length',
    'links[].axle': 'its place on the axle, mm',
    'links[].chassis': 'its place on the car, mm',
    'links[].rate': 'of its bushings, against the others; 1 where left out',
    pins: 'points of the axle that are held at a place of the car',
    'pins[].axle': 'on the axle, mm',
    'pins[].chassis': 'on the car, mm',
    'pins[].directions': 'in which it is held',
    'pins[].rate': 'of its bushing; 1 where left out',
    watt: 'a crank on the axle with two bars to the car, or the other way round',
    'watt.on': 'what its pivot is held by; the axle where left out',
    'watt.pivot': 'of the crank, on the axle, mm',
    'watt.arm': 'its two ends, mm',
    'watt.chassis': 'the bars’ other ends: on the car, or on the axle, mm',
    wheelbase: 'mm',
    cgHeight: 'of the car’s centre of gravity above the floor, mm',
    poses: 'where the axle is put',
    'poses[].z': 'up from ride height, mm',
    'poses[].rollDeg': 'against the car, degrees; plus lowers its right side',
  },
  gives: {
    poses:
      'for each: x forward and y left, mm; pitchDeg, plus lowers the front; yawDeg, plus to the left; linkErrorMm, what each is too long: links, pins by direction, bars of the crank; status: exact, bind, loose, outOfReach, or twoWays',
    antiSquatPercent: 'by the path of the contact patch with brakes and drive held on the axle',
    rollCentreMm: 'above the floor',
    rollSteer: 'degrees of yaw for a degree of roll',
  },
  example: {
    axleCentre: [0, 0, 311],
    links: [
      { axle: [-6, 468, 243], chassis: [561, 462, 268] },
      { axle: [-6, -468, 243], chassis: [561, -462, 268] },
      { axle: [-31, 428, 452], chassis: [379, 424, 428] },
      { axle: [-31, -428, 452], chassis: [379, -424, 428] },
      { axle: [-92, -431, 296], chassis: [-97, 437, 314] },
    ],
    wheelbase: 2475,
    cgHeight: 512,
    poses: [
      { z: 70, rollDeg: 0 },
      { z: 25, rollDeg: 1.8 },
    ],
  },
  run: (input) => {
    const axle = axleOf(input);
    const character = axleCharacter(axle, input);
    const poses = input.poses.map(({ z, rollDeg }) => shown(axlePose(axle, { z, roll: rad(rollDeg) })));
    return {
      poses,
      antiSquatPercent: character ? 100 * character.antiSquat : null,
      rollCentreMm: character?.rollCentre ?? null,
      rollSteer: character?.rollSteer ?? null,
    };
  },
});

interface LoadInput {
  readonly axleCentre: readonly number[];
  readonly weightN: number;
  readonly pinionTorqueNm: number;
  readonly patches: readonly { readonly at: readonly number[]; readonly forceN: readonly number[] }[];
  readonly springs: readonly (readonly number[])[];
  readonly links: readonly { readonly axle: readonly number[]; readonly chassis: readonly number[] }[];
}

export const linkLoadsOf = calculation<LoadInput>({
  name: 'link-loads',
  what: 'Forces in the links and springs of a solid axle at launch or braking, axle, wheels and shafts as one body.',
  input: object<LoadInput>(
    {
      axleCentre: POINT,
      weightN: number(0, 50_000),
      pinionTorqueNm: number(-20_000, 20_000),
      patches: list(object<LoadInput['patches'][number]>({ at: POINT, forceN: FORCE }), { min: 1, max: 8 }),
      springs: list(POINT, { max: 8 }),
      links: list(object<LoadInput['links'][number]>({ axle: POINT, chassis: POINT }), { max: 12 }),
    },
    [],
    noPoint,
  ),
  fields: {
    axleCentre: 'where its weight acts, mm',
    weightN: 'of axle, wheels and shafts, N',
    pinionTorqueNm: 'of the driveshaft on the housing about x, N·m',
    patches: 'what the road pushes the tyres with',
    'patches[].at': 'contact patch, mm',
    'patches[].forceN': 'forward, left and up, N',
    springs: 'where springs stand on the axle, mm; they push it straight down',
    links: 'what only pulls or pushes',
    'links[].axle': 'its place on the axle, mm',
    'links[].chassis': 'its place on the car, mm',
  },
  gives: {
    links: 'pull in each, N; minus is push; null where links and springs cannot hold the axle',
    springs: 'push of each, N',
  },
  example: {
    axleCentre: [0, 0, 305],
    weightN: 930,
    pinionTorqueNm: 612,
    patches: [
      { at: [0, 688, 0], forceN: [3900, 0, 3720] },
      { at: [0, -688, 0], forceN: [4100, 0, 4010] },
    ],
    springs: [
      [6, 402, 360],
      [6, -402, 360],
    ],
    links: [
      { axle: [-14, 476, 258], chassis: [518, 458, 281] },
      { axle: [-14, -476, 258], chassis: [518, -458, 281] },
      { axle: [-35, 118, 472], chassis: [272, 407, 436] },
      { axle: [-35, -118, 472], chassis: [272, -407, 436] },
    ],
  },
  run: ({ axleCentre, weightN, pinionTorqueNm, patches, springs, links }) => {
    const loads = axleLoads({
      links: links.map((l) => ({ axle: point(l.axle), chassis: point(l.chassis) })),
      springs: springs.map(point),
      pushes: [
        ...patches.map(({ at, forceN }) => ({ at: point(at), force: point(forceN) })),
        { at: point(axleCentre), force: [0, 0, -weightN] as const },
      ],
      moment: [pinionTorqueNm * 1000, 0, 0],
    });
    return { links: loads?.links ?? null, springs: loads?.springs ?? null };
  },
});

interface LeafInput {
  readonly frontMm: number;
  readonly rearMm: number;
  readonly rateNPerMm: number;
}

export const leafOf = calculation<LeafInput>({
  name: 'leaf',
  what: 'How a leaf spring lets the axle turn as it rises, and winds up under torque.',
  input: object<LeafInput>({
    frontMm: number(50, 2000),
    rearMm: number(50, 2000),
    rateNPerMm: number(0.1, 5000),
  }),
  fields: {
    frontMm: 'front eye to the middle of the seat, mm',
    rearMm: 'middle of the seat to the rear eye, mm',
    rateNPerMm: 'of both halves together, N/mm',
  },
  gives: {
    pitchDegPerMm: 'turn for a mm of rise, nose up plus',
    windUpDegPerNm: 'turn for a N·m about the axle, nose up plus',
    windUpRiseMmPerNm: 'rise that goes with it',
    swingRadiusMm: 'about the front eye, on which the seat goes fore and aft',
  },
  example: { frontMm: 560, rearMm: 710, rateNPerMm: 23.5 },
  run: ({ frontMm, rearMm, rateNPerMm }) => {
    const { pitchPerRise, windUp, radius } = leafMotion({ front: frontMm, rear: rearMm, rate: rateNPerMm });
    return {
      pitchDegPerMm: deg(pitchPerRise),
      windUpDegPerNm: deg(windUp.pitch) * 1000,
      windUpRiseMmPerNm: windUp.rise * 1000,
      swingRadiusMm: radius,
    };
  },
});

interface ScalesInput {
  readonly leftFrontKg: number;
  readonly rightFrontKg: number;
  readonly leftRearKg: number;
  readonly rightRearKg: number;
  readonly wheelbaseMm: number;
  readonly trackFrontMm: number;
  readonly trackRearMm: number;
  readonly raised?: { readonly heightMm: number; readonly rearKg: number; readonly wheelCentreMm: number };
  readonly scaleUncertaintyKg: number;
  readonly lengthUncertaintyMm: number;
}
const CORNER = number(1, 5000);

export const centreOfGravityOf = calculation<ScalesInput>({
  name: 'centre-of-gravity',
  what: 'Where a car’s centre of gravity is, from scales under its wheels, level and with the front raised.',
  input: object<ScalesInput>(
    {
      leftFrontKg: CORNER,
      rightFrontKg: CORNER,
      leftRearKg: CORNER,
      rightRearKg: CORNER,
      wheelbaseMm: number(500, 8000),
      trackFrontMm: number(300, 3500),
      trackRearMm: number(300, 3500),
      raised: object<NonNullable<ScalesInput['raised']>>({
        heightMm: number(10, 2000),
        rearKg: number(1, 10_000),
        wheelCentreMm: number(50, 1000),
      }),
      scaleUncertaintyKg: number(0, 200),
      lengthUncertaintyMm: number(0, 200),
    },
    ['raised'],
    ({ raised, wheelbaseMm }) =>
      raised && raised.heightMm > wheelbaseMm / 2
        ? {
            field: 'raised',
            wrong: 'is steeper than any car is raised',
            right: `at most ${wheelbaseMm / 2} mm`,
          }
        : undefined,
  ),
  fields: {
    leftFrontKg: 'level, kg',
    rightFrontKg: 'kg',
    leftRearKg: 'kg',
    rightRearKg: 'kg',
    wheelbaseMm: 'mm',
    trackFrontMm: 'mm',
    trackRearMm: 'mm',
    raised: 'with the front wheels on blocks, springs held; left out, the height is not told',
    'raised.heightMm': 'by how much, mm',
    'raised.rearKg': 'what both rear scales then show, kg',
    'raised.wheelCentreMm': 'of the wheels above what they stand on, mm',
    scaleUncertaintyKg: 'one standard uncertainty of a scale, kg',
    lengthUncertaintyMm: 'one standard uncertainty of the tape, mm',
  },
  gives: {
    massKg: 'of the car',
    fromRearMm: 'in front of the rear axle',
    leftMm: 'left of the middle',
    heightMm: 'above the floor; null where it was not raised',
    crossPercent: 'on left front and right rear together',
    uncertaintyMm: 'one standard uncertainty of each',
  },
  example: {
    leftFrontKg: 262,
    rightFrontKg: 251,
    leftRearKg: 231,
    rightRearKg: 244,
    wheelbaseMm: 2475,
    trackFrontMm: 1320,
    trackRearMm: 1335,
    raised: { heightMm: 402, rearKg: 491.5, wheelCentreMm: 305 },
    scaleUncertaintyKg: 0.5,
    lengthUncertaintyMm: 1,
  },
  run: (c) => {
    const { mass, fromRear, left, height, cross, uncertainty } = centreOfGravity({
      level: {
        leftFront: c.leftFrontKg,
        rightFront: c.rightFrontKg,
        leftRear: c.leftRearKg,
        rightRear: c.rightRearKg,
      },
      wheelbase: c.wheelbaseMm,
      trackFront: c.trackFrontMm,
      trackRear: c.trackRearMm,
      ...(c.raised && {
        raised: { height: c.raised.heightMm, rear: c.raised.rearKg, wheelCentre: c.raised.wheelCentreMm },
      }),
      scaleUncertainty: c.scaleUncertaintyKg,
      lengthUncertainty: c.lengthUncertaintyMm,
    });
    return {
      massKg: mass,
      fromRearMm: fromRear,
      leftMm: left,
      heightMm: height ?? null,
      crossPercent: 100 * cross,
      uncertaintyMm: uncertainty,
    };
  },
});
