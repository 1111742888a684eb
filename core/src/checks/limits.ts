import type { FigureUnit } from '../measure';
import { RAD_PER_DEGREE } from '../units';

/** A limit a check compares with. Every one is a default: the project may change it, with a reason. */
export interface Limit {
  readonly id: LimitId;
  readonly label: string;
  readonly unit: FigureUnit;
  readonly fallback: number;
  readonly min: number;
  readonly max: number;
}

export type LimitId =
  | 'brief.weights'
  | 'level.lean'
  | 'level.twist'
  | 'level.thrust'
  | 'level.diagonal'
  | 'survey.closure'
  | 'survey.offset'
  | 'survey.bolt'
  | 'survey.tube'
  | 'donor.wall'
  | 'donor.closure'
  | 'donor.splineMajor'
  | 'cut.fromCasting'
  | 'cut.fromHousingEnd'
  | 'cut.slug'
  | 'after.length'
  | 'after.absurd'
  | 'tyre.size'
  | 'cut.width'
  | 'shaft.engagement'
  | 'shaft.engagementLeast'
  | 'shaft.gap'
  | 'shaft.stock'
  | 'shaft.factor'
  | 'shaft.factorLeast'
  | 'cond.runout'
  | 'cond.journal'
  | 'cond.straight'
  | 'stance.inboard'
  | 'stance.spring'
  | 'stance.outboard'
  | 'stance.radial'
  | 'stance.caliper'
  | 'spacer.plain'
  | 'spacer.adapter'
  | 'cut.fromBracket'
  | 'tube.least'
  | 'tube.most'
  | 'tube.oval'
  | 'tube.stress'
  | 'tube.force'
  | 'float.angle'
  | 'shaft.fatigue'
  | 'shaft.fatigueLeast'
  | 'shaft.pressure'
  | 'shaft.twist'
  | 'pattern.agree'
  | 'pattern.ligament'
  | 'pattern.ligamentShare'
  | 'pattern.rim'
  | 'stud.engagement'
  | 'stud.friction'
  | 'stud.proof'
  | 'stud.proofMost'
  | 'brake.shim'
  | 'brake.align'
  | 'order.length'
  | 'order.journal'
  | 'square.toe'
  | 'square.camber'
  | 'square.stop';

/** A limit the project changed, and why. */
export interface LimitChange {
  readonly value: number;
  readonly reason: string;
}

const degrees = (d: number): number => d * RAD_PER_DEGREE;
const mm = (id: LimitId, label: string, fallback: number, max = 200): Limit => ({
  id,
  label,
  unit: 'mm',
  fallback,
  min: 0,
  max,
});

const LIST: readonly Limit[] = [
  { id: 'brief.weights', label: 'Axle loads against the mass', unit: 'kg', fallback: 15, min: 0, max: 500 },
  mm('level.lean', 'Lean of one axle’s sills', 6, 100),
  mm('level.twist', 'Twist of front against rear', 8, 100),
  angle('level.thrust', 'Thrust angle', 0.15),
  mm('level.diagonal', 'Diagonals against each other', 6, 100),
  mm('survey.closure', 'Both halves of the old axle against its width', 3, 50),
  mm('survey.offset', 'Old axle off the car’s centreline', 5, 50),
  mm('survey.bolt', 'Mount hole over its bolt', 0.5, 10),
  mm('survey.tube', 'Donor’s tube against the old axle’s', 0.5, 50),
  mm('donor.wall', 'Tube inside as read against outside less walls', 1, 20),
  mm('donor.closure', 'Donor readings that must add up', 2, 50),
  mm('donor.splineMajor', 'Spline major diameter against the standard', 0.3, 5),
  mm('cut.fromCasting', 'Least distance of a cut from the casting', 40),
  mm('cut.fromHousingEnd', 'Least distance of a cut from the housing end', 40),
  mm('cut.slug', 'Least width of the slug that falls out', 3, 50),
  mm('after.length', 'Tube after the work against what was wanted', 1, 20),
  mm('after.absurd', 'Tube after the work: no weld pulls this much', 8, 100),
  mm('cut.width', 'Result against the target width', 1, 50),
  ratio('shaft.engagement', 'Spline engagement, good', 0.9),
  ratio('shaft.engagementLeast', 'Spline engagement, least', 0.75),
  mm('shaft.gap', 'Least gap from shaft end to cross shaft', 3, 30),
  mm('shaft.stock', 'Stock shaft against the length needed', 1, 20),
  { id: 'shaft.factor', label: 'Factor on yield, good', unit: 'count', fallback: 1.5, min: 1, max: 5 },
  { id: 'shaft.factorLeast', label: 'Factor on yield, least', unit: 'count', fallback: 1.1, min: 1, max: 5 },
  { id: 'shaft.fatigue', label: 'Factor on fatigue, good', unit: 'count', fallback: 1.5, min: 0.5, max: 5 },
  { id: 'shaft.fatigueLeast', label: 'Factor on fatigue, least', unit: 'count', fallback: 1, min: 0.5, max: 5 },
  mm('cond.runout', 'Run-out of the wheel face', 0.15, 3),
  mm('cond.journal', 'Wear of a bearing journal', 0.03, 1),
  mm('cond.straight', 'Tubes out of straight', 1, 20),
  mm('stance.inboard', 'Tyre to rigid parts inboard', 19, 100),
  mm('stance.spring', 'Tyre to springs and shocks', 25, 100),
  mm('stance.outboard', 'Tyre to the arch lip', 13, 100),
  mm('stance.radial', 'Tyre’s top under the arch lip at bump', 25, 100),
  mm('stance.caliper', 'Brake to the inside of the rim', 3, 30),
  mm('spacer.plain', 'Thickest plain spacer', 6, 20),
  mm('spacer.adapter', 'Thinnest bolted adapter', 20, 60),
  mm('cut.fromBracket', 'Least distance of a cut from brackets and their welds', 40),
  mm('tube.least', 'Least interference of a pressed tube', 0.02, 1),
  mm('tube.most', 'Most interference of a pressed tube', 0.14, 1),
  mm('tube.oval', 'Tube or bore out of round', 0.08, 2),
  ratio('tube.stress', 'Stress of the press fit over yield', 0.6),
  { id: 'tube.force', label: 'Press at hand', unit: 'N', fallback: 200_000, min: 1000, max: 3_000_000 },
  angle('float.angle', 'Drive spline out of line', 0.5),
  { id: 'shaft.pressure', label: 'Pressure on spline flanks', unit: 'MPa', fallback: 280, min: 20, max: 2000 },
  angle('shaft.twist', 'Left and right shaft twist apart', 3, 30),
  mm('pattern.agree', 'Readings of one hole pattern against each other', 0.4, 5),
  mm('pattern.ligament', 'Metal left between holes', 6, 40),
  {
    id: 'pattern.ligamentShare',
    label: 'Metal left over the hole',
    unit: 'ratio',
    fallback: 0.5,
    min: 0.1,
    max: 3,
  },
  {
    id: 'pattern.rim',
    label: 'Hole centre to an edge over the hole',
    unit: 'ratio',
    fallback: 1.25,
    min: 0.6,
    max: 3,
  },
  {
    id: 'stud.engagement',
    label: 'Thread engaged over its diameter',
    unit: 'count',
    fallback: 1,
    min: 0.5,
    max: 3,
  },
  {
    id: 'stud.friction',
    label: 'Friction of the wheel’s face over its torque',
    unit: 'count',
    fallback: 1.5,
    min: 1,
    max: 5,
  },
  ratio('stud.proof', 'Stud’s stress over its proof, good', 0.75),
  ratio('stud.proofMost', 'Stud’s stress over its proof, most', 0.9),
  {
    id: 'tyre.size',
    label: 'Tyre’s diameter against its size',
    unit: 'ratio',
    fallback: 0.03,
    min: 0.005,
    max: 0.2,
  },
  mm('brake.shim', 'Thickest shim under a caliper bracket', 3, 20),
  mm('brake.align', 'Caliper’s middle from the rotor’s', 0.75, 10),
  mm('order.length', 'Received shaft against its order', 0.5, 10),
  mm('order.journal', 'Received journal against its order', 0.02, 1),
  angle('square.toe', 'Toe from the cut, per side', 0.1),
  angle('square.camber', 'Camber from the cut, per side', 0.15),
  angle('square.stop', 'Toe or camber that must be mended', 0.25),
];

function ratio(id: LimitId, label: string, fallback: number): Limit {
  return { id, label, unit: 'ratio', fallback, min: 0.3, max: 1 };
}

function angle(id: LimitId, label: string, fallbackDegrees: number, mostDegrees = 3): Limit {
  return { id, label, unit: 'rad', fallback: degrees(fallbackDegrees), min: 0, max: degrees(mostDegrees) };
}

export const LIMITS = Object.fromEntries(LIST.map((l) => [l.id, l])) as Readonly<Record<LimitId, Limit>>;
export const LIMIT_IDS = LIST.map((l) => l.id);

/** The value in force: the project's, else the default. */
export function limitValue(changes: Readonly<Partial<Record<LimitId, LimitChange>>>, id: LimitId): number {
  return changes[id]?.value ?? LIMITS[id].fallback;
}
