import type { Figure } from '../../../measure';
import { carrier } from '../../../mechanics/solid-axle';
import type { AxleTravel, PinionAt } from '../../driveline/figures/axle-travel';
import { line } from '../../driveline/figures/line';
import { atRest, driving } from '../../driveline/figures/motion';
import { runningSlope, setSlope } from '../../driveline/figures/slopes';
import type { LineAt } from '../../driveline/line-at';
import { unless, type PlaceId } from '../../../stage';
import { holding, HALVES, SPRUNG } from './held';
import { node, type Reads } from '../node';
import { STANDS, type Stand, type Stood } from '../study';
import { besideOf, solvedFrom, solvedTogether, standing, type Beside, type Standing } from './study';

/** Ends of the travel, as they are said behind what is there. */
const ENDS: Readonly<Record<Exclude<Stood, 'ride'>, string>> = {
  bump: 'at full bump',
  droop: 'at full droop',
  roll: 'at ride, left wheel up',
  rollBack: 'at ride, right wheel up',
  bumpRoll: 'at full bump, left wheel up',
  bumpBack: 'at full bump, right wheel up',
  droopRoll: 'at full droop, left wheel up',
  droopBack: 'at full droop, right wheel up',
};
const POSES = STANDS.filter((id): id is keyof typeof ENDS => id !== 'ride');

/** Whether a pose rolls, and whether it stands at an end of the heave. */
const rolls = (end: string): boolean => /roll|back/i.test(end);
const needs = (end: string): readonly PlaceId[] => [
  ...unless(!end.startsWith('bump'), 'spring.bump'),
  ...unless(!end.startsWith('droop'), 'spring.droop'),
  ...unless(!rolls(end), 'stance.lean'),
];

/** A joint and its axis where a pose carries them, by their place and direction at ride. */
function carriedAxis(
  { axle, poses }: Stand,
  end: Stood,
  [x, y, z, slope, plan]: readonly number[],
): readonly number[] | undefined {
  const posed = poses[end];
  if (!posed) return undefined;
  const at = carrier(axle, posed.asked, posed.pose);
  const a = at([x as number, y as number, z as number]);
  const b = at([
    (x as number) + 1,
    (y as number) - Math.tan(plan as number),
    (z as number) + Math.tan(slope as number),
  ]);
  const [dx, dy, dz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  return [...a, Math.atan2(dz, dx), Math.atan2(-dy, dx)];
}

const TOLD = [
  ['along', 'Pinion joint, forward of the axle', 'mm'],
  ['side', 'Pinion joint, from the car’s centreline', 'mm'],
  ['height', 'Pinion joint, above the ground', 'mm'],
  ['slope', 'Pinion slope', 'rad'],
  ['plan', 'Pinion in plan', 'rad'],
] as const;

/** The pinion in a pose; nothing where the links do not let the axle get there. */
function pinionAt(stands: Standing, beside: Beside, end: keyof typeof ENDS, tag: string): PinionAt | undefined {
  const words = ENDS[end];
  const found = solvedTogether(
    stands,
    TOLD.map(([id, label, unit]) => ({
      id: `drive.${end}${tag}.${id}`,
      label: `${label}, ${words}`,
      unit,
      source: 'Solved: where the links take the axle, its pinion turned with it',
    })),
    (stand, at) => carriedAxis(stand, end, at),
    { on: needs(end), extra: beside },
  );
  const [along, side, height, slope, plan] = found ?? [];
  if (!along || !side || !height || !slope || !plan) return undefined;
  return { end, words, place: { along, side, height }, slope, plan };
}

function over(r: Reads, at: LineAt | undefined, slope: Figure | undefined, tag: string): readonly PinionAt[] {
  const [stands, plan] = [r.of(standing), r.of(line).line?.pinionPlan];
  if (!stands || !at || !slope || !plan) return [];
  const { along, side, height } = at.pinion;
  const beside = besideOf([along, side, height, slope, plan]);
  return POSES.flatMap((end) => pinionAt(stands, beside, end, tag) ?? []);
}

/**
 * Where the axle takes its pinion, for the driveshaft: at every end of the travel, level and rolled; nothing where nothing
 * of its links is said. While one of these is not known or not reached, none is told, and what is lacking is.
 */
export const travel = node('travel', (r): AxleTravel | undefined => {
  const stands = r.of(standing);
  const none = { rest: [], driving: [], turned: [] };
  if (!stands) {
    const { lacks } = r.of(holding);
    const begun =
      r.choice('suspension') === 'leaf'
        ? HALVES.some((id) => r.figure(id))
        : Object.values(r.part('arms')).some(({ kind }) => !SPRUNG.includes(kind));
    return begun ? { ...none, lacks: lacks.length ? lacks : ['arm.list'] } : undefined;
  }
  const rest = over(r, r.of(atRest), r.of(setSlope), '');
  const run = over(r, r.of(driving), r.of(runningSlope), '.run');
  const turned = POSES.flatMap(
    (end) =>
      solvedFrom(
        stands,
        {
          id: `drive.turned.${end}`,
          label: `Pinion turned ${ENDS[end]}`,
          unit: 'rad',
          source: 'Solved: as its links turn it; nose up plus',
        },
        ({ poses }) => -(poses[end]?.pose.pitch ?? Number.NaN),
        needs(end),
      ) ?? [],
  );
  const whole = [rest, turned].every(({ length }) => length === POSES.length);
  const lacks = POSES.flatMap(needs).filter((id) => !stands.stand.held.inputs.some((input) => input.id === id));
  return whole ? { rest, driving: run, turned, lacks: [] } : { ...none, lacks: [...new Set(lacks)] };
});
