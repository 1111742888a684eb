import { axleCharacter, axlePose, type AxlePose } from '../../mechanics/solid-axle';
import { reached, type Stand } from './study';

/** What the axle does along its travel, one number a step. Lengths mm, angles rad; slopes front higher plus. */
export interface AlongTravel {
  readonly heave: readonly number[];
  readonly pinion: readonly number[];
  readonly forward: readonly number[];
  readonly left: readonly number[];
  readonly steer: readonly number[];
  readonly bind: readonly number[];
  readonly antiSquat: readonly number[];
  readonly rollCentre: readonly number[];
}

/**
 * Everything along the travel, from full droop to full bump, rolled by an angle.
 *
 * @param steps places looked at, both ends among them
 * @returns nothing while the travel is not known
 */
export function alongTravel(
  { axle, reach, held, values }: Stand,
  roll: number,
  steps = 41,
): AlongTravel | undefined {
  const { bump, droop } = reach;
  if (Number.isNaN(bump) || Number.isNaN(droop)) return undefined;
  const heave = Array.from({ length: steps }, (_, i) => -droop + ((bump + droop) * i) / (steps - 1));
  const poses = heave.map((z) => axlePose(axle, { z, roll }));
  const of = (id: string) => values[held.at(id)] ?? Number.NaN;
  const car = { wheelbase: of('brief.wheelbase'), cgHeight: of('brief.cgHeight') };
  const characters = heave.map((z) => axleCharacter(axle, car, z));
  const told = (get: (p: AxlePose) => number): readonly number[] =>
    poses.map((p) => (reached(p) ? get(p) : Number.NaN));
  return {
    heave,
    pinion: told((p) => -p.pitch),
    forward: told((p) => p.x),
    left: told((p) => p.y),
    steer: told((p) => p.yaw),
    bind: told((p) => p.errors.reduce((most, e) => Math.max(most, Math.abs(e)), 0)),
    antiSquat: characters.map((c) => c?.antiSquat ?? Number.NaN),
    rollCentre: characters.map((c) => c?.rollCentre ?? Number.NaN),
  };
}
