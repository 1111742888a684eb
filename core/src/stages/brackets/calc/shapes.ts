import { notchDepth, saddleDepth, weldStress, type WeldRun } from '../../../mechanics';
import { calculation, list, number, object, rad, type Broken } from '../../../stage';

interface SaddleInput {
  readonly radiusMm: number;
  readonly halfWidthMm: number;
}

export const saddleOf = calculation<SaddleInput>({
  name: 'saddle',
  what: 'Depth of the hollow that lets a plate sit on a tube.',
  input: object<SaddleInput>(
    { radiusMm: number(1, 500), halfWidthMm: number(0, 500) },
    [],
    ({ radiusMm, halfWidthMm }) =>
      halfWidthMm <= radiusMm
        ? undefined
        : { field: 'halfWidthMm', wrong: 'is wider than the tube', right: `at most ${radiusMm}` },
  ),
  fields: {
    radiusMm: 'outside of the tube, mm',
    halfWidthMm: 'from the hollow’s middle to its end, mm',
  },
  gives: { depthMm: 'middle of the hollow below its ends, mm' },
  example: { radiusMm: 38.1, halfWidthMm: 20 },
  run: ({ radiusMm, halfWidthMm }) => ({ depthMm: saddleDepth(radiusMm, halfWidthMm) }),
});

interface NotchInput {
  readonly mainOutsideMm: number;
  readonly branchOutsideMm: number;
  readonly wallMm: number;
  readonly angleDeg: number;
  readonly offsetMm: number;
  readonly clockDeg: readonly number[];
}

/** A branch has a hole in it, and all of it meets the main tube. */
const notchFits = ({ mainOutsideMm, branchOutsideMm, wallMm, offsetMm }: NotchInput): Broken | undefined => {
  const r = branchOutsideMm / 2;
  if (wallMm > r) return { field: 'wallMm', wrong: 'is more than half of the branch', right: `at most ${r}` };
  const room = mainOutsideMm / 2 - r;
  return Math.abs(offsetMm) <= room
    ? undefined
    : room < 0
      ? { field: 'branchOutsideMm', wrong: 'is more than the main tube', right: `at most ${mainOutsideMm}` }
      : {
          field: 'offsetMm',
          wrong: 'takes the branch past the main tube’s side',
          right: `−${room} to ${room}`,
        };
};

export const notchOf = calculation<NotchInput>({
  name: 'notch',
  what: 'Where a branch tube’s end is cut so that it sits on a main tube.',
  input: object<NotchInput>(
    {
      mainOutsideMm: number(2, 500),
      branchOutsideMm: number(2, 500),
      wallMm: number(0, 50),
      angleDeg: number(10, 170),
      offsetMm: number(-250, 250),
      clockDeg: list(number(-3600, 3600), { min: 1, max: 3600 }),
    },
    [],
    notchFits,
  ),
  fields: {
    mainOutsideMm: 'outside diameter of the main tube, mm',
    branchOutsideMm: 'outside diameter of the branch, mm',
    wallMm: 'wall of the branch, mm',
    angleDeg: 'between both axes, degrees',
    offsetMm: 'branch’s axis beside the main tube’s, mm',
    clockDeg: 'places round the branch, degrees; 0 on the side of the acute angle, 90 toward the offset',
  },
  gives: {
    depthMm:
      'along the branch from the main tube’s axis to the cut, by the branch’s inside, mm: for each place; what is notched bears there',
    wrapMm: 'the same by its outside, mm: for what is wrapped and scribed on the skin',
  },
  example: {
    mainOutsideMm: 76.2,
    branchOutsideMm: 38.1,
    wallMm: 3.2,
    angleDeg: 60,
    offsetMm: 8,
    clockDeg: [0, 90, 180, 270],
  },
  run: ({ mainOutsideMm, branchOutsideMm, wallMm, angleDeg, offsetMm, clockDeg }) => {
    const at = (branch: number) => {
      const shape = { main: mainOutsideMm / 2, branch, angle: rad(angleDeg), offset: offsetMm };
      return clockDeg.map((clock) => notchDepth(shape, rad(clock)));
    };
    return { depthMm: at(branchOutsideMm / 2 - wallMm), wrapMm: at(branchOutsideMm / 2) };
  },
});

interface RunMm {
  readonly fromMm: readonly number[];
  readonly toMm: readonly number[];
  readonly legMm: number;
}
const MM = number(-2000, 2000);
const FLAT = list(MM, { min: 2, max: 2 });
const SPACE = list(MM, { min: 3, max: 3 });
const RUN = object<RunMm>({ fromMm: FLAT, toMm: FLAT, legMm: number(0.5, 50) });

interface WeldInput {
  readonly runs: readonly RunMm[];
  readonly force: readonly number[];
  readonly at: readonly number[];
}

const runOf = ({ fromMm, toMm, legMm }: RunMm): WeldRun => ({
  from: [fromMm[0] ?? 0, fromMm[1] ?? 0],
  to: [toMm[0] ?? 0, toMm[1] ?? 0],
  leg: legMm,
});
const triple = ([x = 0, y = 0, z = 0]: readonly number[]) => [x, y, z] as const;
const stressOf = ({ runs, force, at }: WeldInput): number =>
  weldStress(runs.map(runOf), { force: triple(force), at: triple(at) });

const bears = (input: WeldInput): Broken | undefined => {
  const short = input.runs.findIndex(({ fromMm, toMm }) => fromMm.every((v, i) => v === toMm[i]));
  if (short >= 0)
    return { field: `runs.${short}.toMm`, wrong: 'is where the run begins', right: 'another place' };
  try {
    stressOf(input);
    return undefined;
  } catch (error) {
    return {
      field: 'runs',
      wrong: 'bear no moment of this force',
      right: error instanceof Error ? error.message : 'runs that do not lie in one line',
    };
  }
};

export const weldGroupOf = calculation<WeldInput>({
  name: 'weld-group',
  what: 'Greatest stress in the throats of a group of fillet welds, by the elastic line method.',
  input: object<WeldInput>(
    { runs: list(RUN, { min: 1, max: 60 }), force: list(number(-1e6, 1e6), { min: 3, max: 3 }), at: SPACE },
    [],
    bears,
  ),
  fields: {
    runs: 'straight fillets in one plane',
    'runs[].fromMm': 'where a run begins, [x, y] in the plane, mm',
    'runs[].toMm': 'where it ends, [x, y], mm',
    'runs[].legMm': 'leg of its triangle, mm; the throat is 0.707 of it',
    force: '[x, y, z], N',
    at: 'where the force acts, [x, y, z], mm; z out of the plane of the welds',
  },
  gives: { throatMPa: 'greatest stress in a throat, MPa' },
  example: {
    runs: [
      { fromMm: [0, -20], toMm: [60, -20], legMm: 5 },
      { fromMm: [0, 20], toMm: [60, 20], legMm: 5 },
    ],
    force: [9000, 0, 0],
    at: [30, 0, 55],
  },
  run: (input) => ({ throatMPa: stressOf(input) }),
});
