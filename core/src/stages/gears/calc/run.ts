import { speedAt, straightLineRun, type Coupling, type Moment, type RunCar } from '../../../mechanics';
import { calculation, list, number, object, oneOf, whole, type Broken } from '../../../stage';

interface CurvePointIn {
  readonly rpm: number;
  readonly torqueNm: number;
}
interface ConverterIn {
  readonly stallRpm: number;
  readonly multiplies: number;
  readonly slip?: number;
  readonly lockedFrom?: number;
}
interface RunInput {
  readonly massKg: number;
  readonly rearShare: number;
  readonly wheelbaseMm: number;
  readonly cgHeightMm: number;
  readonly friction: number;
  readonly driven?: 'rear' | 'all';
  readonly dragAreaM2?: number;
  readonly airKgM3?: number;
  readonly rolling?: number;
  readonly gradePercent?: number;
  readonly rollingDiameterMm: number;
  readonly wheelInertiaKgM2?: number;
  readonly engineInertiaKgM2?: number;
  readonly curve: readonly CurvePointIn[];
  readonly limitRpm?: number;
  readonly clutchRpm?: number;
  readonly converter?: ConverterIn;
  readonly gears: readonly number[];
  readonly axleRatio: number;
  readonly efficiency?: number;
  readonly shiftRpm: number;
  readonly shiftSeconds?: number;
  readonly distanceM: number;
  readonly startSpeedMs?: number;
  readonly splitsM?: readonly number[];
}

const OPTIONAL = [
  'driven',
  'dragAreaM2',
  'airKgM3',
  'rolling',
  'gradePercent',
  'wheelInertiaKgM2',
  'engineInertiaKgM2',
  'limitRpm',
  'clutchRpm',
  'converter',
  'efficiency',
  'shiftSeconds',
  'startSpeedMs',
  'splitsM',
] as const;

/** Rising, so that no speed has two torques. */
const rises = (points: readonly CurvePointIn[]): Broken | undefined => {
  const at = points.findIndex((p, i) => i > 0 && p.rpm <= (points[i - 1] as CurvePointIn).rpm);
  return at < 0
    ? undefined
    : {
        field: '',
        wrong: `must rise in rpm from point to point; point ${at + 1} does not`,
        right: `more than ${String(points[at - 1]?.rpm)} rpm there`,
      };
};

function goesTogether({ limitRpm, shiftRpm, clutchRpm, converter, curve }: RunInput): Broken | undefined {
  const limit = limitRpm ?? curve.at(-1)?.rpm ?? 0;
  const wrong = (field: string, text: string, right: string): Broken => ({ field, wrong: text, right });
  if (shiftRpm > limit) return wrong('shiftRpm', 'must not be above the engine’s limit', `at most ${limit}`);
  if (clutchRpm !== undefined && converter)
    return wrong('clutchRpm', 'must not stand beside a converter', 'one of the two');
  const launch = converter?.stallRpm ?? clutchRpm;
  if (launch === undefined) return wrong('clutchRpm', 'is required', 'this field, or a converter');
  return launch < shiftRpm
    ? undefined
    : wrong(converter ? 'converter.stallRpm' : 'clutchRpm', 'must be below shiftRpm', `less than ${shiftRpm}`);
}

const couplingOf = ({ converter, clutchRpm = 0 }: RunInput): Coupling =>
  converter
    ? {
        kind: 'converter',
        stall: converter.stallRpm,
        multiplies: converter.multiplies,
        slip: converter.slip ?? 0,
        ...(converter.lockedFrom === undefined ? {} : { lockedFrom: converter.lockedFrom }),
      }
    : { kind: 'clutch', rpm: clutchRpm };

const carOf = (input: RunInput): RunCar => ({
  mass: input.massKg,
  rearShare: input.rearShare,
  wheelbase: input.wheelbaseMm / 1000,
  cgHeight: input.cgHeightMm / 1000,
  friction: input.friction,
  driven: input.driven ?? 'rear',
  dragArea: input.dragAreaM2 ?? 0,
  air: input.airKgM3 ?? 1.2,
  rolling: input.rolling ?? 0,
  radius: input.rollingDiameterMm / 2000,
  wheelInertia: input.wheelInertiaKgM2 ?? 0,
  engineInertia: input.engineInertiaKgM2 ?? 0,
  curve: input.curve.map(({ rpm, torqueNm }) => ({ rpm, torque: torqueNm })),
  limit: input.limitRpm ?? input.curve.at(-1)?.rpm ?? 0,
  coupling: couplingOf(input),
  gears: input.gears,
  axleRatio: input.axleRatio,
  efficiency: input.efficiency ?? 1,
  grade: (input.gradePercent ?? 0) / 100,
});

const momentOut = ({ t, x, v, rpm, gear }: Moment) => ({
  timeS: t,
  distanceM: x,
  speedMs: v,
  rpm,
  gear,
});

export const straightLineRunOf = calculation<RunInput>({
  name: 'straight-line-run',
  what: 'A run from a standstill, or from a speed, over a distance: level or up a hill.',
  input: object<RunInput>(
    {
      massKg: number(100, 10_000),
      rearShare: number(0.05, 0.95),
      wheelbaseMm: number(800, 6000),
      cgHeightMm: number(50, 2000),
      friction: number(0.05, 6),
      driven: oneOf(['rear', 'all'] as const),
      dragAreaM2: number(0, 5),
      airKgM3: number(0, 2),
      rolling: number(0, 0.3),
      gradePercent: number(-50, 300),
      rollingDiameterMm: number(200, 2000),
      wheelInertiaKgM2: number(0, 100),
      engineInertiaKgM2: number(0, 10),
      curve: list(object<CurvePointIn>({ rpm: number(0, 60_000), torqueNm: number(0, 20_000) }), {
        min: 2,
        max: 5000,
        rule: rises,
      }),
      limitRpm: number(500, 60_000),
      clutchRpm: number(0, 60_000),
      converter: object<ConverterIn>(
        {
          stallRpm: number(300, 20_000),
          multiplies: number(1, 4),
          slip: number(0, 0.5),
          lockedFrom: whole(1, 12),
        },
        ['slip', 'lockedFrom'],
      ),
      gears: list(number(0.2, 20), { min: 1, max: 12 }),
      axleRatio: number(0.5, 20),
      efficiency: number(0.1, 1),
      shiftRpm: number(300, 60_000),
      shiftSeconds: number(0, 5),
      distanceM: number(1, 20_000),
      startSpeedMs: number(0, 150),
      splitsM: list(number(0.01, 20_000), { max: 20 }),
    },
    OPTIONAL,
    goesTogether,
  ),
  fields: {
    massKg: 'driver in',
    rearShare: 'share of the weight on the driven axle at rest',
    wheelbaseMm: 'mm',
    cgHeightMm: 'height of the centre of gravity, mm',
    friction: 'greatest push of a driven tyre over its load',
    driven: '`rear` or `all` wheels; rear where left out',
    dragAreaM2: 'drag coefficient × frontal area, m²; 0 where left out',
    airKgM3: 'density of the air; 1.2 where left out',
    rolling: 'rolling resistance over load; 0 where left out',
    gradePercent: 'rise over run, uphill +, %; 0 where left out',
    rollingDiameterMm: 'rolling circumference over π, mm',
    wheelInertiaKgM2: 'of all wheels together; 0 where left out',
    engineInertiaKgM2: 'of engine and flywheel; 0 where left out',
    curve:
      'torque at the flywheel by rising rpm: straight between points, level below the first, none beyond the last',
    'curve[].rpm': 'engine speed',
    'curve[].torqueNm': 'N·m, not below 0',
    limitRpm: 'highest engine speed; the curve’s last where left out',
    clutchRpm: 'engine speed at which the clutch slips until the gearbox has caught up; this or a converter',
    converter: 'instead of a clutch',
    'converter.stallRpm': 'engine speed against a standing gearbox',
    'converter.multiplies': 'torque at stall over the engine’s',
    'converter.slip': 'share of its speed that it loses once it runs along; 0 where left out',
    'converter.lockedFrom': 'gear from which it loses nothing; none where left out',
    gears: 'gearbox ratios from first on',
    axleRatio: 'turns of the pinion for one of the wheels',
    efficiency: 'share of the torque that arrives at the wheels; 1 where left out',
    shiftRpm: 'engine speed at which the next gear is taken',
    shiftSeconds: 'without drive at each change; 0 where left out',
    distanceM: 'm',
    startSpeedMs: 'm/s; a standing start where left out',
    splitsM: 'distances at which time and speed are told as well, m',
  },
  gives: {
    end: '`finished`, `cannotMove`, `stops` or `tooSlow` (more than 600 s)',
    timeS: 'time at the end',
    speedMs: 'speed at the end, m/s',
    rpm: 'engine speed at the end',
    gear: 'gear at the end, from 1',
    distanceM: 'm; what was asked for where it finished',
    splits: 'moments at the distances asked for, in order',
    changes: 'moments at which each next gear was taken',
    spins: 'stretches on which the tyres gave less than the engine: from and to',
    slippedS: 'how long the clutch slipped or the converter had not caught up',
    limited: 'the engine ran at its highest speed in the last gear',
    topSpeedMs: 'speed at the engine’s limit in the last gear, without slip',
  },
  example: {
    massKg: 1050,
    rearShare: 0.46,
    wheelbaseMm: 2420,
    cgHeightMm: 520,
    friction: 1.1,
    dragAreaM2: 0.72,
    rolling: 0.013,
    rollingDiameterMm: 590,
    curve: [
      { rpm: 1500, torqueNm: 170 },
      { rpm: 4500, torqueNm: 235 },
      { rpm: 7000, torqueNm: 180 },
    ],
    clutchRpm: 3800,
    gears: [2.97, 2.07, 1.43, 1],
    axleRatio: 4.1,
    efficiency: 0.9,
    shiftRpm: 6600,
    shiftSeconds: 0.35,
    distanceM: 402.336,
    splitsM: [18.288],
  },
  run: (input) => {
    const car = carOf(input);
    const { distanceM, shiftRpm, shiftSeconds = 0, startSpeedMs = 0, splitsM = [] } = input;
    const { end, last, splits, changes, spins, slipped, limited } = straightLineRun(car, {
      distance: distanceM,
      shiftRpm,
      shiftTime: shiftSeconds,
      startSpeed: startSpeedMs,
      splits: splitsM,
    });
    return {
      end,
      ...momentOut(last),
      splits: splits.map(momentOut),
      changes: changes.map(momentOut),
      spins: spins.map(({ from, to }) => ({ from: momentOut(from), to: momentOut(to) })),
      slippedS: slipped,
      limited,
      topSpeedMs: speedAt(car, car.gears.at(-1) as number, car.limit),
    };
  },
});
