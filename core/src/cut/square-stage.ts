import { bySide, type Side, type Sided } from '../geometry';
import { derive, type Figure } from '../measure';
import { fitRingPlane, type RingPlane } from '../numerics';
import { CLOCKS, SQUARE_PHASES, type SquarePhase } from '../plan';
import { faceCamber, faceTilt, faceToe, farthestClock } from './face-tilt';

/** Figures by clock id, and the radius they were read at. */
export interface SquareInput {
  readonly figures: Readonly<Record<string, Figure | undefined>>;
}

/** One set of readings round one end face. */
export interface FaceSquare {
  readonly phase: SquarePhase;
  readonly stations: number;
  readonly tilt: Figure;
  readonly camber: Figure;
  readonly toe: Figure;
  /** Clock angle of the place farthest out, rad. */
  readonly farthestRad: number;
  /** How far the far side must come in, across the face at the radius read, mm. */
  readonly mend: Figure;
  /** Root mean square that the plane leaves over, mm. */
  readonly residual: number;
}

export interface SquareResult {
  readonly sets: Sided<Partial<Record<SquarePhase, FaceSquare>>>;
  /** The set that counts: after welding, else after tacking. Readings before the cut are for comparison. */
  readonly latest: Sided<FaceSquare | undefined>;
}

/** Tilt, camber and toe of both end faces, at each time they were read. */
export function squareStage({ figures }: SquareInput): SquareResult {
  const sets = bySide((side) => {
    const all: Partial<Record<SquarePhase, FaceSquare>> = {};
    for (const phase of SQUARE_PHASES) {
      const set = faceSquare(figures, side, phase);
      if (set) all[phase] = set;
    }
    return all;
  });
  return { sets, latest: bySide((side) => sets[side].welded ?? sets[side].tacked) };
}

function faceSquare(figures: SquareInput['figures'], side: Side, phase: SquarePhase): FaceSquare | undefined {
  const R = figures[`square.${side}.radius`];
  const inputs: Record<string, Figure> = {};
  const clocks: Record<string, number> = {};
  for (const clock of CLOCKS) {
    const figure = figures[`square.${side}.${phase}.${clock.id}`];
    if (!figure) continue;
    inputs[clock.label] = figure;
    clocks[clock.label] = clock.clockRad;
  }
  const labels = Object.keys(inputs);
  if (!R || labels.length < 3) return undefined;
  const fit = (v: Record<string, number>) =>
    fitRingPlane(labels.map((label) => ({ clockRad: clocks[label] as number, distance: v[label] as number })));
  const plane = fit(Object.fromEntries(labels.map((l) => [l, (inputs[l] as Figure).value])));
  if (!plane) return undefined;
  const make = (
    id: string,
    label: string,
    unit: 'rad' | 'mm',
    formula: string,
    of: (p: RingPlane, r: number) => number,
  ) =>
    derive(
      {
        id: `square.${side}.${phase}.${id}`,
        label: `${label}, ${side}`,
        unit,
        formula,
        source:
          'Least-squares plane r = a + b·cos φ + c·sin φ through the readings, φ 0 at the top, positive toward the front',
        inputs: { ...inputs, R },
      },
      (v) => of(fit(v) as RingPlane, v['R'] as number),
    );
  return {
    phase,
    stations: labels.length,
    tilt: make('tilt', 'Tilt of the end face', 'rad', 'atan(√(b² + c²)/{R})', (p, r) => faceTilt(p.b, p.c, r)),
    camber: make('camber', 'Camber from the cut', 'rad', 'atan(b/{R})', (p, r) => faceCamber(p.b, r)),
    toe: make('toe', 'Toe from the cut', 'rad', '−atan(c/{R})', (p, r) => faceToe(p.c, r)),
    mend: make('mend', 'Out across the face', 'mm', '2·√(b² + c²)', (p) => 2 * Math.hypot(p.b, p.c)),
    farthestRad: farthestClock(plane.b, plane.c),
    residual: plane.residual,
  };
}

/** Name of the clock place nearest an angle: `Top front` for 0.7 rad. */
export function clockName(rad: number): string {
  const step = (2 * Math.PI) / CLOCKS.length;
  const index = Math.round(rad / step) % CLOCKS.length;
  return (CLOCKS[index] ?? CLOCKS[0]).label.toLowerCase();
}
