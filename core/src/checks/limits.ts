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
  | 'donor.closure'
  | 'donor.splineMajor'
  | 'cut.fromCasting'
  | 'cut.fromHousingEnd'
  | 'cut.slug'
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
  mm('donor.closure', 'Donor readings that must add up', 2, 50),
  mm('donor.splineMajor', 'Spline major diameter against the standard', 0.3, 5),
  mm('cut.fromCasting', 'Least distance of a cut from the casting', 40),
  mm('cut.fromHousingEnd', 'Least distance of a cut from the housing end', 40),
  mm('cut.slug', 'Least width of the slug that falls out', 3, 50),
  mm('cut.width', 'Result against the target width', 1, 50),
  ratio('shaft.engagement', 'Spline engagement, good', 0.9),
  ratio('shaft.engagementLeast', 'Spline engagement, least', 0.75),
  mm('shaft.gap', 'Least gap from shaft end to cross shaft', 3, 30),
  mm('shaft.stock', 'Stock shaft against the length needed', 1, 20),
  { id: 'shaft.factor', label: 'Factor on yield, good', unit: 'count', fallback: 1.5, min: 1, max: 5 },
  { id: 'shaft.factorLeast', label: 'Factor on yield, least', unit: 'count', fallback: 1.1, min: 1, max: 5 },
  mm('cond.runout', 'Run-out of the wheel face', 0.15, 3),
  mm('cond.journal', 'Wear of a bearing journal', 0.03, 1),
  mm('cond.straight', 'Tubes out of straight', 1, 20),
  angle('square.toe', 'Toe from the cut, per side', 0.1),
  angle('square.camber', 'Camber from the cut, per side', 0.15),
  angle('square.stop', 'Toe or camber that must be mended', 0.25),
];

function ratio(id: LimitId, label: string, fallback: number): Limit {
  return { id, label, unit: 'ratio', fallback, min: 0.3, max: 1 };
}

function angle(id: LimitId, label: string, fallbackDegrees: number): Limit {
  return { id, label, unit: 'rad', fallback: degrees(fallbackDegrees), min: 0, max: degrees(3) };
}

export const LIMITS = Object.fromEntries(LIST.map((l) => [l.id, l])) as Readonly<Record<LimitId, Limit>>;
export const LIMIT_IDS = LIST.map((l) => l.id);

/** The value in force: the project's, else the default. */
export function limitValue(changes: Readonly<Partial<Record<LimitId, LimitChange>>>, id: LimitId): number {
  return changes[id]?.value ?? LIMITS[id].fallback;
}
