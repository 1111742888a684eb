import {
  accelerationOf,
  chainMotion,
  criticalSpeed,
  exactUnevenness,
  motionAt,
  pinionSlopes,
  radPerSecond,
  USUAL_SLOPE_LIMITS,
  type Axis,
  type Vector,
} from '../../../mechanics';
import { calculation, deg, list, number, object, oneOf, rad, type Broken } from '../../../stage';

interface AxisDeg {
  readonly slopeDeg: number;
  readonly planDeg?: number;
}
const AXIS = object<AxisDeg>({ slopeDeg: number(-45, 45), planDeg: number(-45, 45) }, ['planDeg']);
const axisOf = ({ slopeDeg, planDeg = 0 }: AxisDeg): Axis => ({ slope: rad(slopeDeg), plan: rad(planDeg) });
const RPM = number(1, 20_000);

interface DrivelineInput {
  readonly axes: readonly AxisDeg[];
  readonly rpm: number;
  readonly phasesDeg?: readonly number[];
}

/** Each shaft between joints has one phase. */
const phasesFit = ({ axes, phasesDeg }: DrivelineInput): Broken | undefined =>
  phasesDeg === undefined || phasesDeg.length === axes.length - 2
    ? undefined
    : {
        field: 'phasesDeg',
        wrong: 'must have one entry for each shaft between two joints',
        right: `${axes.length - 2} entries, or none of this field`,
      };

const jointsFit = ({ axes, ...rest }: DrivelineInput): Broken | undefined => {
  const at = chainMotion(axes.map(axisOf)).joints.findIndex((j) => deg(j) > 45);
  if (at >= 0)
    return {
      field: 'axes',
      wrong: `must not bend joint ${at + 1} beyond 45°`,
      right: 'axes that differ by at most 45°',
    };
  return phasesFit({ axes, ...rest });
};

export const driveline = calculation<DrivelineInput>({
  name: 'driveline',
  what: 'Working angles of a chain of joints, and how unevenly it turns the pinion.',
  input: object<DrivelineInput>(
    {
      axes: list(AXIS, { min: 2, max: 8 }),
      rpm: RPM,
      phasesDeg: list(number(-180, 180), { max: 6 }),
    },
    ['phasesDeg'],
    jointsFit,
  ),
  fields: {
    axes: 'gearbox output, each shaft, pinion',
    'axes[].slopeDeg': 'seen from the side, front end higher +, degrees',
    'axes[].planDeg': 'seen from above, rear end further left +, degrees; 0 where left out',
    rpm: 'of the driveshaft',
    phasesDeg:
      'how far each shaft’s rear yoke is turned against its front one, degrees, anticlockwise seen from behind +; in phase where left out',
  },
  gives: {
    jointsDeg: 'working angle of each joint, degrees',
    equivalentDeg: 'angle of the one joint that would be as uneven as all together, degrees',
    torsional: 'peak torsional acceleration θ_eq²·ω², rad/s²',
    inertia: 'greatest inertia acceleration of a shaft, driven by the joints before it, rad/s²',
    inertiaCoast: 'the same, driven by the joints behind it, rad/s²',
    exactTorsional: 'peak torsional acceleration of the exact chain of crosses, rad/s²',
  },
  example: { axes: [{ slopeDeg: 3 }, { slopeDeg: 1.2 }, { slopeDeg: 2.5 }], rpm: 5500 },
  run: ({ axes, rpm, phasesDeg = [] }) => {
    const chain = axes.map(axisOf);
    const phases = phasesDeg.map(rad);
    const { joints, equivalent, drive, coast } = chainMotion(chain, { phases });
    const worst = (angles: readonly number[]) => accelerationOf(Math.max(0, ...angles), rpm);
    return {
      jointsDeg: joints.map(deg),
      equivalentDeg: deg(equivalent),
      torsional: accelerationOf(equivalent, rpm),
      inertia: worst(drive),
      inertiaCoast: worst(coast),
      exactTorsional: exactUnevenness(chain, phases) * radPerSecond(rpm) ** 2,
    };
  },
});

interface TubeInput {
  readonly outsideMm: number;
  readonly wallMm: number;
  readonly lengthMm: number;
}

export const criticalSpeedOf = calculation<TubeInput>({
  name: 'critical-speed',
  what: 'Speed at which a steel driveshaft tube whips.',
  input: object<TubeInput>(
    { outsideMm: number(10, 300), wallMm: number(0.3, 150), lengthMm: number(50, 6000) },
    [],
    ({ outsideMm, wallMm }) =>
      wallMm <= outsideMm / 2
        ? undefined
        : { field: 'wallMm', wrong: 'must be at most half of the outside', right: `at most ${outsideMm / 2}` },
  ),
  fields: {
    outsideMm: 'outside diameter, mm',
    wallMm: 'wall, mm; half of the outside for a solid bar',
    lengthMm: 'joint centre to joint centre, mm',
  },
  gives: { rpm: 'first critical speed', usableRpm: 'three quarters of it' },
  example: { outsideMm: 76.2, wallMm: 1.65, lengthMm: 1320 },
  run: ({ outsideMm, wallMm, lengthMm }) => {
    const rpm = criticalSpeed(outsideMm, wallMm, lengthMm);
    return { rpm, usableRpm: 0.75 * rpm };
  },
});

interface PlaceMm {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}
const place = number(-10_000, 10_000);
const PLACE = object<PlaceMm>({ xMm: place, yMm: place, zMm: place });
const vectorOf = ({ xMm, yMm, zMm }: PlaceMm): Vector => [xMm, yMm, zMm];

const SCHOOLS = ['parallel', 'cv', 'preset'] as const;

interface SlopesInput {
  readonly gearbox: AxisDeg;
  readonly shaftFrom: PlaceMm;
  readonly shaftTo: PlaceMm;
  readonly rpm: number;
  readonly school: (typeof SCHOOLS)[number];
  readonly centreBearing?: PlaceMm;
  readonly pinionPlanDeg?: number;
  readonly presetDeg?: number;
  readonly torsionalLimit?: number;
  readonly inertiaLimit?: number;
  readonly cvPinionJointDeg?: number;
}

const OPTIONAL = [
  'centreBearing',
  'pinionPlanDeg',
  'presetDeg',
  'torsionalLimit',
  'inertiaLimit',
  'cvPinionJointDeg',
] as const;

/** Rearward, so that the shaft has a slope. */
const runsBack = ({ shaftFrom, shaftTo, centreBearing }: SlopesInput): Broken | undefined => {
  const along = [shaftFrom, ...(centreBearing ? [centreBearing] : []), shaftTo];
  return along.every((p, i) => i === 0 || p.xMm < (along[i - 1] as PlaceMm).xMm)
    ? undefined
    : { field: 'shaftTo', wrong: 'must lie behind the front end: x is forward', right: 'a smaller xMm' };
};

/** Three numbers in a row are a place too. */
const placed = (value: unknown): unknown =>
  Array.isArray(value) && value.length === 3
    ? { xMm: value[0] as unknown, yMm: value[1] as unknown, zMm: value[2] as unknown }
    : value;

export const pinionSlopesOf = calculation<SlopesInput>({
  name: 'pinion-slopes',
  what: 'The pinion slopes that a driveline allows, and the best of them.',
  input: object<SlopesInput>(
    {
      gearbox: AXIS,
      shaftFrom: PLACE,
      shaftTo: PLACE,
      rpm: RPM,
      school: oneOf(SCHOOLS),
      centreBearing: PLACE,
      pinionPlanDeg: number(-20, 20),
      presetDeg: number(0, 15),
      torsionalLimit: number(1, 10_000),
      inertiaLimit: number(1, 10_000),
      cvPinionJointDeg: number(0.1, 10),
    },
    OPTIONAL,
    runsBack,
  ),
  fields: {
    gearbox: 'output shaft’s axis',
    'gearbox.slopeDeg': 'front end higher +, degrees',
    'gearbox.planDeg': 'rear end further left +, degrees; 0 where left out',
    shaftFrom: 'centre of the joint at the gearbox; x forward, y left, z up, mm: as an object or as [x, y, z]',
    shaftTo: 'centre of the joint at the pinion, the same way',
    rpm: 'of the driveshaft at its fastest',
    school:
      '`parallel`: both ends alike; `cv`: an even joint at the gearbox; `preset`: parallel, less the preset',
    centreBearing: 'centre of the joint behind a centre bearing, the same way; none where left out',
    pinionPlanDeg: 'pinion seen from above, degrees; 0 where left out',
    presetDeg: 'nose-down on the bench for what the pinion lifts by under load, degrees; 0 where left out',
    torsionalLimit: 'rad/s²; 400 where left out',
    inertiaLimit: 'rad/s²; 1000 where left out',
    cvPinionJointDeg: 'most angle at the pinion behind an even joint, degrees; 1 where left out',
  },
  gives: {
    bestDeg: 'slope to set, front end higher +, degrees',
    allowed: 'ranges [from, to] of slopes to set that keep every limit, degrees; none where the list is empty',
    jointsDeg: 'working angles at the best slope, as it drives, degrees',
    torsional: 'peak torsional acceleration there, rad/s²',
  },
  tidy: (input) => {
    if (typeof input !== 'object' || input === null || Array.isArray(input)) return input;
    const all: Record<string, unknown> = { ...input };
    for (const key of ['shaftFrom', 'shaftTo', 'centreBearing']) if (key in all) all[key] = placed(all[key]);
    return all;
  },
  example: {
    gearbox: { slopeDeg: 3 },
    shaftFrom: { xMm: 0, yMm: 0, zMm: 0 },
    shaftTo: { xMm: -1200, yMm: 0, zMm: -25 },
    rpm: 5500,
    school: 'parallel',
  },
  run: (input) => {
    const { shaftFrom, shaftTo, centreBearing, rpm, presetDeg = 0 } = input;
    const question = {
      gearbox: axisOf(input.gearbox),
      centres: [shaftFrom, ...(centreBearing ? [centreBearing] : [])].map(vectorOf),
      last: () => vectorOf(shaftTo),
      pinionPlan: rad(input.pinionPlanDeg ?? 0),
      rpm,
      aim: input.school === 'cv' ? ('cv' as const) : ('parallel' as const),
      limits: {
        torsional: input.torsionalLimit ?? USUAL_SLOPE_LIMITS.torsional,
        inertia: input.inertiaLimit ?? USUAL_SLOPE_LIMITS.inertia,
        evenPinion:
          input.cvPinionJointDeg === undefined ? USUAL_SLOPE_LIMITS.evenPinion : rad(input.cvPinionJointDeg),
      },
    };
    const { best, allowed } = pinionSlopes(question);
    const there = best === undefined ? undefined : motionAt(question, best);
    return {
      bestDeg: best === undefined ? null : deg(best) - presetDeg,
      allowed: allowed.map((range) => range.map((slope) => deg(slope) - presetDeg)),
      jointsDeg: there?.joints.map(deg) ?? [],
      torsional: there ? accelerationOf(there.equivalent, rpm) : null,
    };
  },
});
