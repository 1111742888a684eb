import { bySide, type Sided } from '../../../geometry';
import { derive, type Figure, type Maybe } from '../../../measure';
import { motionAt, type SlopeQuestion } from '../../../mechanics';
import { chosenSet } from '../../gears/figures/ratios';
import { circumference } from '../../gears/figures/road';
import { perchTurn } from '../bench-card';
import { WAYS, type AimWay } from '../choices';
import { acceleration, lineAt } from '../line-at';
import { node, type Reads } from '../node';
import { benchInput, slopeOf } from './bench';
import { fastest, line } from './line';
import { aimWays, placesOf, runningSlope, setSlope } from './slopes';

/** What the best slope of a way does. */
export interface WayStudy {
  readonly joints: readonly Figure[];
  readonly torsional: Maybe;
  /** How far each perch turns from where the donor’s stands. */
  readonly perch: Sided<Maybe>;
}

function studyOf(r: Reads, way: AimWay): WayStudy {
  const [{ line: known }, rpm] = [r.of(line), r.of(fastest)];
  const found = r.of(aimWays).find((w) => w.way === way);
  const none: WayStudy = { joints: [], torsional: undefined, perch: { left: undefined, right: undefined } };
  if (!known || !rpm || !found?.running || !found.set) return none;
  const even = way === 'cv';
  const at = lineAt({ ...known, even }, found.running, `.${way}`);
  return {
    joints: at.joints,
    torsional: acceleration(
      at,
      { rpm, phase: known.phase, even },
      {
        id: `drive.${way}.torsional`,
        label: 'Torsional acceleration of the pinion',
      },
    ),
    perch: perchTurn(
      { ...r.of(benchInput), slope: found.set },
      bySide((side) => slopeOf(r, `donor.angle.perch.${side}`)),
      way,
    ),
  };
}

/** What each way would give, side by side. */
export const wayStudy = node(
  'wayStudy',
  (r): Readonly<Record<AimWay, WayStudy>> =>
    Object.fromEntries(WAYS.map((way) => [way, studyOf(r, way)])) as Record<AimWay, WayStudy>,
);

/** The driveline of the chosen way as plain numbers; undefined while it is not known. */
export const drivelineAt = node('drivelineAt', (r): Omit<SlopeQuestion, 'limits' | 'rpm'> | undefined => {
  const { line: known } = r.of(line);
  return known && { ...placesOf(known), aim: known.even ? 'cv' : 'parallel' };
});

/** How far to both sides of the present slope the curve reaches, and its step, rad. */
const REACH = (6 * Math.PI) / 180;
const STEPS = 96;

/** Unevenness over the pinion’s slope. */
export interface SlopeCurve {
  /** Slope at rest, and the angle of the one joint that would be as uneven, rad. */
  readonly angles: readonly (readonly [slope: number, angle: number])[];
  /** As it is set. */
  readonly now: number;
}

export const slopeCurve = node('slopeCurve', (r): SlopeCurve | undefined => {
  const [at, set, running] = [r.of(drivelineAt), r.of(setSlope), r.of(runningSlope)];
  if (!at || !set || !running) return undefined;
  const lift = running.value - set.value;
  const angles = Array.from({ length: STEPS + 1 }, (_, i) => {
    const slope = set.value + REACH * ((2 * i) / STEPS - 1);
    return [slope, motionAt(at, slope + lift).equivalent] as const;
  });
  return { angles, now: set.value };
});

/** Road covered in one turn of the driveshaft: by the gear set that is to be fitted, else by the ratio in the brief. */
export const roadPerTurn = node('roadPerTurn', (r): Maybe => {
  const [i, c] = [r.of(chosenSet)?.ratio ?? r.figure('brief.axleRatio'), r.of(circumference)];
  return (
    i &&
    c &&
    derive({
      id: 'drive.roadPerTurn',
      label: 'Road in one turn of the driveshaft',
      unit: 'mm',
      formula: '{c}/{i}',
      source: 'A turn of the wheel takes the axle’s ratio of turns',
      inputs: { c, i },
    })
  );
});
