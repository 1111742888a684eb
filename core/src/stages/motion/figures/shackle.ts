import type { Maybe } from '../../../measure';
import { carried, type Point3 } from '../../../mechanics/solid-axle';
import { unless, type PlaceId } from '../../../stage';
import { node } from '../node';
import type { Stand } from '../study';
import { besideOf, solvedFrom, standing } from './study';

/** Where a shackle stands at one end of the travel. */
interface ShackleAt {
  readonly end: 'ride' | 'bump' | 'droop';
  /** Between shackle and rear half of the spring, rad: straight out is π. */
  readonly angle: Maybe;
}

/** Share of a half on which its eye swings about the clamped seat. */
const SWING = 0.75;

type Flat = readonly [x: number, z: number];
const apart = (a: Flat, b: Flat): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** The place at two distances from two others that lies nearest to a third; nothing where they do not reach. */
function meeting(a: Flat, ra: number, b: Flat, rb: number, near: Flat): Flat | undefined {
  const d = apart(a, b);
  const along = (ra * ra - rb * rb + d * d) / (2 * d);
  const up = ra * ra - along * along;
  if (!(d > 0) || up < 0) return undefined;
  const [ux, uz] = [(b[0] - a[0]) / d, (b[1] - a[1]) / d];
  const at = (side: 1 | -1): Flat => [
    a[0] + along * ux - side * Math.sqrt(up) * uz,
    a[1] + along * uz + side * Math.sqrt(up) * ux,
  ];
  const [p, q] = [at(1), at(-1)];
  return apart(p, near) <= apart(q, near) ? p : q;
}

/**
 * Angle between a shackle and the rear half of its spring, where the axle is in a pose: the rear eye swings on three quarters
 * of its half about the seat, and on the shackle about its pivot.
 *
 * @param s eye to pivot, mm
 * @param off plumb, the eye behind its pivot +, rad
 */
function angleAt({ axle, held, values, poses }: Stand, end: ShackleAt['end'], s: number, off: number): number {
  const posed = poses[end];
  const of = (id: string) => values[held.at(id)] ?? Number.NaN;
  const [b, e] = [of('leaf.rear'), of('leaf.eye')];
  if (!posed) return Number.NaN;
  const [cx, cy, cz] = axle.axleCentre;
  const eye: Flat = [cx - Math.sqrt(Math.max(0, b * b - e * e)), cz + e];
  const seat: Point3 = [cx + (1 - SWING) * (eye[0] - cx), cy, cz + (1 - SWING) * (eye[1] - cz)];
  const pivot: Flat = [eye[0] + s * Math.sin(off), eye[1] + s * Math.cos(off)];
  const [vx, , vz] = carried(axle, posed.asked, posed.pose, seat);
  const swings: Flat = [vx, vz];
  const now = meeting(swings, SWING * b, pivot, s, eye);
  if (!now) return Number.NaN;
  const [ax, az, px, pz] = [swings[0] - now[0], swings[1] - now[1], pivot[0] - now[0], pivot[1] - now[1]];
  return Math.acos((ax * px + az * pz) / (Math.hypot(ax, az) * Math.hypot(px, pz)));
}

const WORDS = { ride: 'at ride height', bump: 'at full bump', droop: 'at full droop' } as const;

/** The shackle over the travel; nothing where there are no leaf springs, or no shackle was read. */
export const shackle = node('shackle', (r): readonly ShackleAt[] => {
  const stands = r.of(standing);
  const [s, off] = [r.figure('leaf.shackle'), r.figure('leaf.shackleOff')];
  if (r.choice('suspension') !== 'leaf' || (!s && !off)) return [];
  const beside = s && off ? besideOf([s, off]) : undefined;
  return (['ride', 'bump', 'droop'] as const).map((end) => ({
    end,
    angle:
      stands &&
      beside &&
      solvedFrom(
        stands,
        {
          id: `leaf.shackle.${end}`,
          label: `Shackle against the spring ${WORDS[end]}`,
          unit: 'rad',
          source:
            'Solved: the rear eye on three quarters of its half about the seat, and on the shackle about its pivot',
        },
        (stand, [long = 0, plumb = 0]) => angleAt(stand, end, long, plumb),
        end === 'ride' ? [] : [`spring.${end}`],
        beside,
      ),
  }));
});

/** What is missing for it. */
export const shackleLacks = node('shackleLacks', (r): readonly PlaceId[] => [
  ...unless(r.figure('leaf.shackle'), 'leaf.shackle'),
  ...unless(r.figure('leaf.shackleOff'), 'leaf.shackleOff'),
  ...unless(r.figure('leaf.rear'), 'leaf.rear'),
  ...unless(r.figure('spring.bump'), 'spring.bump'),
  ...unless(r.figure('spring.droop'), 'spring.droop'),
]);
