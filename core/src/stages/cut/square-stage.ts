import { bySide, type Side, type Sided } from '../../geometry';
import { derive, type Figure } from '../../measure';
import { fitRingPlane } from '../../numerics';
import { farthestClock } from './face-tilt';
import { CLOCKS, SQUARE_PHASES, type SquarePhase } from './square-quantities';
import type { cut } from './words';
import type { FigureOf } from '../../stage';

/** Figures by clock id, and the radius they were read at. */
export interface SquareInput {
  readonly figures: FigureOf<typeof cut>;
  /** Outside of the tube that is cut, mm. */
  readonly tubeOd: Sided<Figure | undefined>;
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
  /** How far the joint must open or close across the tube, mm; undefined while the tube’s outside is not known. */
  readonly mend?: Figure;
  /** Root mean square that the plane leaves over, mm. */
  readonly residual: number;
}

export interface SquareResult {
  readonly sets: Sided<Partial<Record<SquarePhase, FaceSquare>>>;
  /** The set that counts: after welding, else after tacking. Readings before the cut are for comparison. */
  readonly latest: Sided<FaceSquare | undefined>;
}

/** Tilt, camber and toe of both end faces, at each time they were read. */
export function squareStage(input: SquareInput): SquareResult {
  const sets = bySide((side) => {
    const all: Partial<Record<SquarePhase, FaceSquare>> = {};
    for (const phase of SQUARE_PHASES) {
      const set = faceSquare(input, side, phase);
      if (set) all[phase] = set;
    }
    return all;
  });
  return { sets, latest: bySide((side) => sets[side].welded ?? sets[side].tacked) };
}

function faceSquare({ figures, tubeOd }: SquareInput, side: Side, phase: SquarePhase): FaceSquare | undefined {
  const R = figures(`square.${side}.radius`);
  const read = CLOCKS.flatMap((clock) => {
    const figure = figures(`square.${side}.${phase}.${clock.id}`);
    return figure ? [{ figure, ...clock }] : [];
  });
  const plane = fitRingPlane(read.map((r) => ({ clockRad: r.clockRad, distance: r.figure.value })));
  if (!R || !plane) return undefined;
  const slope = (id: 'b' | 'c', label: string) => planePart({ side, phase, id, label }, read);
  const [b, c] = [slope('b', 'top against bottom'), slope('c', 'front against rear')];
  const make = (id: string, label: string, formula: string, inputs: Readonly<Record<string, Figure>>) =>
    derive({
      id: `square.${side}.${phase}.${id}`,
      label: `${label}, ${side}`,
      unit: 'rad',
      formula,
      source: 'Slope of the plane over the radius where it was read',
      inputs,
    });
  const tilt = make('tilt', 'Tilt of the end face', 'atan(√({b}² + {c}²)/{R})', { b, c, R });
  const od = tubeOd[side];
  return {
    phase,
    stations: read.length,
    tilt,
    camber: make('camber', 'Camber from the cut', 'atan({b}/{R})', { b, R }),
    toe: make('toe', 'Toe from the cut', '−atan({c}/{R})', { c, R }),
    ...(od ? { mend: mendOf(side, phase, tilt, od) } : {}),
    farthestRad: farthestClock(plane.b, plane.c),
    residual: plane.residual,
  };
}

/** What the joint has to open, or the face to come in: the tilt across the tube, not across the circle read on. */
const mendOf = (side: Side, phase: SquarePhase, θ: Figure, D: Figure): Figure =>
  derive({
    id: `square.${side}.${phase}.mend`,
    label: `Out across the tube, ${side}`,
    unit: 'mm',
    formula: '{θ}·{D}',
    source: 'Tilt times the outside diameter of the tube where the joint is',
    inputs: { θ, D },
  });

interface PlanePart {
  readonly side: Side;
  readonly phase: SquarePhase;
  readonly id: 'b' | 'c';
  readonly label: string;
}
interface Station {
  readonly label: string;
  readonly clockRad: number;
  readonly figure: Figure;
}

/** Weights are printed with so many decimals. */
const WEIGHT_DIGITS = 9;

/** A slope of the plane as the weighted sum of the readings that least squares makes it. */
function planePart({ side, phase, id, label }: PlanePart, read: readonly Station[]): Figure {
  const weights = read.map((_, i) => {
    const one = fitRingPlane(read.map((r, j) => ({ clockRad: r.clockRad, distance: i === j ? 1 : 0 })));
    return Number((one?.[id] ?? 0).toFixed(WEIGHT_DIGITS));
  });
  const terms = read.flatMap((r, i) => {
    const w = weights[i] ?? 0;
    return w === 0 ? [] : [`${w < 0 ? '−' : '+'} ${Math.abs(w)}·{${r.label}}`];
  });
  return derive({
    id: `square.${side}.${phase}.${id}`,
    label: `Slope, ${label}, ${side}`,
    unit: 'mm',
    formula: terms.join(' ').replace(/^\+ /, ''),
    source:
      'Least-squares plane r = a + b·cos φ + c·sin φ through the readings, φ 0 at the top, positive toward the front',
    inputs: Object.fromEntries(read.map((r) => [r.label, r.figure])),
  });
}

/** Name of the clock place nearest an angle: `Top front` for 0.7 rad. */
export function clockName(rad: number): string {
  const step = (2 * Math.PI) / CLOCKS.length;
  const index = Math.round(rad / step) % CLOCKS.length;
  return (CLOCKS[index] ?? CLOCKS[0]).label.toLowerCase();
}
