import { derive, given, INSTRUMENTS, type Figure } from '../../measure';
import { jigPlan, type JigPlan } from './jig';
import { circleWeights, fitPattern, shareOf, type PatternFit } from './pattern';
import { redrill, type DrilledFace, type DrillLimits, type Redrill } from './redrill';
import {
  PATTERN_FACES,
  type ChordReading,
  type Jig,
  type KeepOut,
  type PatternFace,
  type PatternReadings,
} from './choices';
import { SAME_PCD } from '../shafts/stock-pairs';
import type { donor } from '../donor/words';
import type { survey } from '../survey/words';
import type { hubs } from './words';
import { valuesOf, type FigureOf } from '../../stage';

export interface PatternInput {
  readonly patterns: Readonly<Partial<Record<PatternFace, PatternReadings>>>;
  readonly keepOuts: Readonly<Record<string, KeepOut>>;
  readonly jig: Jig;
  readonly limits: DrillLimits & { readonly agree: number };
  /** The donor’s flange and the wheel, by quantity. */
  readonly figures: FigureOf<typeof donor | typeof survey | typeof hubs>;
  /** Diameter of the donor’s studs, mm; undefined while their thread is not known. */
  readonly stud: number | undefined;
}

/** A face’s pattern as its readings say. */
export interface FacePattern {
  readonly face: PatternFace;
  readonly holes: number;
  readonly fit?: PatternFit;
  /** Circle through the hole centres by the readings, mm. */
  readonly pcd?: Figure;
  /** Why its readings make no pattern; empty where they do. */
  readonly problem: string;
}

export interface PatternResult {
  readonly faces: readonly FacePattern[];
  /** Flange and wheel are the same pattern; undefined while one is not known. */
  readonly same: boolean | undefined;
  readonly face: DrilledFace | undefined;
  readonly redrill: Redrill | undefined;
  readonly jig: JigPlan | undefined;
  /** Why there is no jig; empty where there is one or nothing is known yet. */
  readonly jigProblem: string;
}

/** Patterns from their readings, whether the flange can be re-drilled to the wheel’s, and the jig for it. */
export function patternStage(input: PatternInput): PatternResult {
  const faces = PATTERN_FACES.flatMap((face): FacePattern[] => {
    const readings = input.patterns[face];
    return readings && readings.chords.length > 0 ? [faceOf(face, readings, input.limits.agree)] : [];
  });
  const face = drilledFace(input);
  const same =
    face && face.old.count === face.wanted.count && Math.abs(face.old.pcd - face.wanted.pcd) <= SAME_PCD;
  const found = face && !same ? redrill(face, input.limits) : undefined;
  return { faces, same, face, redrill: found, ...jigOf(input, face, found) };
}

function faceOf(face: PatternFace, { holes, chords }: PatternReadings, agree: number): FacePattern {
  try {
    const fit = fitPattern(holes, chords, agree);
    return {
      face,
      holes,
      fit,
      pcd: circleFigure(
        face,
        holes,
        chords.filter((_, i) => i !== fit.off),
      ),
      problem: fit.problem ?? '',
    };
  } catch (error) {
    if (error instanceof RangeError) return { face, holes, problem: error.message };
    throw error;
  }
}

/** Weights are printed with so many decimals. */
const WEIGHT_DIGITS = 9;

/** The circle by least squares as a figure of its readings, each as it was read, its own diameter off or on. */
function circleFigure(face: PatternFace, holes: number, chords: readonly ChordReading[]): Figure {
  const u = INSTRUMENTS.caliper.halfResolution / Math.sqrt(3);
  const inputs: Record<string, Figure> = {};
  const weights = circleWeights(chords.map((c) => shareOf(holes, c.steps)));
  const terms = chords.map(({ distance, over, diameter = 0 }, i) => {
    const n = i + 1;
    const read = (id: string, label: string, value: number) =>
      given(`pattern.${face}.${id}`, label, value, u, 'mm', {
        source: 'Caliper, between two holes',
        evidence: 'measured',
      });
    inputs[`d_${n}`] = read(`${n}`, `Reading ${n}, ${over}`, distance);
    if (over !== 'centres')
      inputs[`D_${n}`] = read(`${n}.diameter`, `Its own diameter, reading ${n}`, diameter);
    const centre = over === 'centres' ? `{d_${n}}` : `({d_${n}} ${over === 'outside' ? '−' : '+'} {D_${n}})`;
    return `${Number((weights[i] ?? 0).toFixed(WEIGHT_DIGITS))}·${centre}`;
  });
  return derive({
    id: `pattern.${face}.pcd`,
    label: `Circle of the ${face} by its readings`,
    unit: 'mm',
    formula: terms.join(' + '),
    source: 'Least squares over the circle: each pair weighs as much as it spans of it',
    inputs,
  });
}

/** Three holes or more: what a seller’s list says otherwise is no pattern. */
const isCount = (n: number | undefined): n is number => n !== undefined && Number.isInteger(n) && n >= 3;

/** Old and wanted holes, once both patterns and a hole size are known. */
function drilledFace({ figures: f, keepOuts }: PatternInput): DrilledFace | undefined {
  const of = valuesOf({ figure: f });
  const [n, pcd, hole] = [of('donor.flangeHoles'), of('donor.flangePcd'), of('donor.flangeHole')];
  const [m, wheel] = [of('car.wheelHoles'), of('car.wheelPcd')];
  const drilled = of('redrill.hole') ?? hole;
  if (!isCount(n) || !isCount(m) || !pcd || !hole || !wheel || !drilled) return undefined;
  if (!(pcd > 0 && wheel > 0 && hole > 0 && drilled > 0)) return undefined;
  const [rim, pilot] = [of('donor.flangeRim'), of('donor.pilot')];
  return {
    old: { count: n, pcd, hole },
    wanted: { count: m, pcd: wheel, hole: drilled },
    keepOuts: Object.values(keepOuts),
    ...(rim === undefined ? {} : { rim }),
    ...(pilot === undefined ? {} : { pilot }),
  };
}

function jigOf(
  { jig, figures: f, stud }: PatternInput,
  face: DrilledFace | undefined,
  found: Redrill | undefined,
): Pick<PatternResult, 'jig' | 'jigProblem'> {
  const [drill, play] = [f('jig.drill')?.value, f('jig.play')?.value];
  if (!face || !found?.possible || drill === undefined || play === undefined)
    return { jig: undefined, jigProblem: '' };
  const { rim, pilot } = face;
  if (rim === undefined || pilot === undefined)
    return { jig: undefined, jigProblem: 'The jig needs the flange’s diameter and its pilot.' };
  try {
    const plan = jigPlan({
      jig,
      old: face.old,
      wanted: face.wanted,
      clockRad: found.clockRad,
      drill,
      play,
      // With its studs pressed out the ring is pinned in the holes; a stepping jig sits on studs.
      stud: jig === 'ring' ? face.old.hole : (stud ?? face.old.hole),
      pilot,
      rim,
    });
    return { jig: plan, jigProblem: '' };
  } catch (error) {
    if (error instanceof RangeError) return { jig: undefined, jigProblem: error.message };
    throw error;
  }
}
