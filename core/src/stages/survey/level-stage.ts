import {
  isOpen,
  judge,
  keeps,
  type Check,
  type CheckLimit,
  type FigureOf,
  type LimitIdOf,
  type LimitsOf,
  type PlaceId,
} from '../../stage';
import { derive, type Figure, type Maybe, sized } from '../../measure';
import { formatAngle } from '../../units';
import type { survey } from './words';
import { CORNERS, type Corner } from './level-quantities';

/** Finds what was read of how the car stands. */
export type LevelInput = FigureOf<typeof survey>;
type LevelId = Parameters<LevelInput>[0];

export interface LevelResult {
  readonly frontLean?: Figure;
  readonly rearLean?: Figure;
  readonly twist?: Figure;
  /** Of the sills, rad, plus when the front stands higher. */
  readonly pitch?: Figure;
  /** rad, plus when the rear axle steers the car to the left. */
  readonly thrust?: Figure;
  readonly diagonals?: Figure;
  /** How much to put under each tyre so that all four stand in one level plane, mm. */
  readonly packing: Readonly<Partial<Record<Corner, Figure>>>;
}

/** How the car stands: leans, twist, pitch, thrust angle, diagonals, and the false floor it needs. */
export function levelStage(input: LevelInput): LevelResult {
  const found: Record<string, Figure | undefined> = { ...leans(input), ...square(input) };
  const known = Object.fromEntries(Object.entries(found).filter(([, figure]) => figure !== undefined));
  return { packing: packing(input), ...(known as Omit<LevelResult, 'packing'>) };
}

function leans(of: LevelInput) {
  const [LF, RF] = [standing(of, 'leftFront'), standing(of, 'rightFront')];
  const [LR, RR] = [standing(of, 'leftRear'), standing(of, 'rightRear')];
  const leanOf = (id: string, label: string, L: Maybe, R: Maybe): Maybe =>
    L && R
      ? derive({
          id,
          label,
          unit: 'mm',
          formula: '{L} − {R}',
          source: 'Sill heights, left less right',
          inputs: { L, R },
        })
      : undefined;
  const front = leanOf('level.frontLean', 'Front lean, left higher', LF, RF);
  const rear = leanOf('level.rearLean', 'Rear lean, left higher', LR, RR);
  if (!LF || !RF || !LR || !RR) return { frontLean: front, rearLean: rear };
  const corners = { LF, RF, LR, RR };
  const twisted = derive({
    id: 'level.twist',
    label: 'Twist, front against rear',
    unit: 'mm',
    formula: '({LF} − {RF}) − ({LR} − {RR})',
    source: 'Front lean less rear lean',
    inputs: corners,
  });
  const L = of('level.sillLength');
  const pitched =
    L &&
    derive({
      id: 'level.pitch',
      label: 'Pitch of the sills, front higher',
      unit: 'rad',
      formula: 'atan(({LF} + {RF} − {LR} − {RR})/2/{L})',
      source: 'Mean front height less mean rear height, over the distance between them',
      inputs: { L, ...corners },
    });
  return { frontLean: front, rearLean: rear, twist: twisted, pitch: pitched };
}

/**
 * Height of a sill above one level plane: where the floor was read under all four tyres, less what it hangs below the
 * level line there; until then above the floor, which is taken to be level.
 */
function standing(of: LevelInput, corner: Corner): Maybe {
  const h = of(`level.height.${corner}`);
  const floors = CORNERS.map((c) => of(`level.floor.${c}`));
  const f = of(`level.floor.${corner}`);
  if (!h || !f || floors.some((floor) => !floor)) return h;
  return derive({
    id: `level.stands.${corner}`,
    label: `${h.label}, above the level line`,
    unit: 'mm',
    formula: '{h} − {f}',
    source: 'Sill above the floor, less what the floor hangs below the level line under that tyre',
    inputs: { h, f },
  });
}

function square(of: LevelInput) {
  const [W_L, W_R, track] = [of('level.wheelbase.left'), of('level.wheelbase.right'), of('level.track')];
  const [D_L, D_R] = [of('level.diagonal.leftFront'), of('level.diagonal.rightFront')];
  const thrust =
    W_L && W_R && track
      ? derive({
          id: 'level.thrust',
          label: 'Thrust angle, to the left',
          unit: 'rad',
          formula: 'atan(({W_L} − {W_R})/{t})',
          source: 'Difference of the wheelbases over the rear track',
          inputs: { W_L, W_R, t: track },
        })
      : undefined;
  const diagonals =
    D_L && D_R
      ? derive({
          id: 'level.diagonals',
          label: 'Diagonals against each other',
          unit: 'mm',
          formula: '{D_L} − {D_R}',
          source: 'Left front to right rear, less right front to left rear',
          inputs: { D_L, D_R },
        })
      : undefined;
  return { thrust, diagonals };
}

/** The floor under each tyre hangs this far below its highest place: what to pack there. */
function packing(of: LevelInput): LevelResult['packing'] {
  const known = CORNERS.flatMap((c) => {
    const figure = of(`level.floor.${c}`);
    return figure ? [[c, figure] as const] : [];
  });
  if (known.length < CORNERS.length) return {};
  const highest = known.reduce((a, b) => (b[1].value < a[1].value ? b : a))[1];
  return Object.fromEntries(
    known.map(([corner, f]) => [
      corner,
      derive({
        id: `level.packing.${corner}`,
        label: `False floor, ${f.label.replace('Floor, ', '')}`,
        unit: 'mm',
        formula: '{f} − {f_high}',
        source: 'This place’s drop from the level line, less the drop at the highest place',
        inputs: { f, f_high: highest },
      }),
    ]),
  );
}

type Limits = LimitsOf<typeof survey>;

/** Ids of the checks that tell whether numbers read off the car can be trusted. */
export const LEVEL_CHECKS: readonly string[] = ['level.lean.front', 'level.lean.rear', 'level.twist'];

/** Checks of how the car stands. The front comes first: it tips the rear. */
export function levelChecks(result: LevelResult, input: LevelInput, limits: Limits): Check[] {
  const frontOver = over(result.frontLean, limits('level.lean'));
  const held: readonly Words[] = [
    leanHeld('front', result.frontLean, false),
    leanHeld('rear', result.rearLean, frontOver),
    {
      id: 'level.twist',
      limit: 'level.twist',
      figure: result.twist,
      good: 'Body is not twisted',
      bad: 'Body is twisted',
      unknown: 'Twist of the body: not known',
      from: CORNERS.map((c) => `level.height.${c}` as const),
      reason: 'One corner stands off the plane of the other three, so no rear number is true on both sides.',
      todo: frontOver
        ? 'Fix the front first: put its springs or packing right, then read all four again.'
        : 'Look for a sagged spring or a soft tyre, or pack the false floor, then read all four again.',
      at: 'level.height.leftFront',
    },
    {
      id: 'level.thrust',
      limit: 'level.thrust',
      figure: result.thrust,
      good: 'Old axle stands square to the car',
      bad: 'Old axle steers the car',
      unknown: 'Whether the old axle stands square: not known',
      from: ['level.wheelbase.left', 'level.wheelbase.right', 'level.track'],
      reason: 'The car runs crabwise, and brackets copied from the old axle copy the fault.',
      todo: 'Find out which side is out, by the diagonals, before any bracket’s place is taken over.',
      at: 'level.wheelbase.left',
    },
    {
      id: 'level.diagonal',
      limit: 'level.diagonal',
      figure: result.diagonals,
      good: 'Diagonals agree',
      bad: 'Diagonals differ',
      unknown: 'Diagonals: not known',
      from: ['level.diagonal.leftFront', 'level.diagonal.rightFront'],
      reason: 'Unequal diagonals mean a bent frame, or an axle that sits to one side.',
      todo: 'Read both again; compare with the wheelbases and with where the axle sits from the centreline.',
      at: 'level.diagonal.leftFront',
    },
  ];
  return held.flatMap((h) => checkOf(h, input, limits));
}

/** A figure held against a limit, with the words for either outcome. */
interface Words {
  readonly id: string;
  readonly limit: LimitIdOf<typeof survey>;
  readonly figure: Maybe;
  readonly good: string;
  readonly bad: string;
  readonly unknown: string;
  readonly reason: string;
  readonly todo: string;
  readonly at: PlaceId;
  /** Quantities it is made of. */
  readonly from: readonly LevelId[];
}

const over = (figure: Maybe, limit: CheckLimit): boolean =>
  !!figure && !keeps('within', figure.value, limit.value, figure.unit);

function leanHeld(end: 'front' | 'rear', figure: Maybe, frontFirst: boolean): Words {
  const name = end === 'front' ? 'Front' : 'Rear';
  return {
    id: `level.lean.${end}`,
    limit: 'level.lean',
    figure,
    good: `${name} stands level`,
    bad: `${name} leans`,
    unknown: `${name} lean: not known`,
    from: [`level.height.left${name}`, `level.height.right${name}`],
    reason: 'A plumb line and a level tell the truth only on a car that stands level from side to side.',
    todo: frontFirst
      ? 'Front first: a sagged front spring tips the rear. Put the front right and read the rear again.'
      : `Put the ${end} level: spring, tyre pressure, or packing under the lower side.`,
    at: `level.height.left${name}`,
  };
}

/** Nothing is asked for before the first of its readings is there; from then on it is unknown until it is whole. */
function checkOf(
  { figure, good, bad, limit, from, ...rest }: Words,
  input: LevelInput,
  limits: Limits,
): Check[] {
  const lacks = from.filter((id) => !input(id));
  if (lacks.length === from.length) return [];
  return [
    judge({
      stage: 'survey',
      figure,
      way: 'within',
      limit: limits(limit),
      holds: good,
      fails: bad,
      lacks,
      ...rest,
    }),
  ];
}

/** A sentence on why numbers read off the car cannot be trusted yet; undefined where they can. */
export function notLevel(checks: readonly Check[]): string | undefined {
  const open = checks.filter((c) => LEVEL_CHECKS.includes(c.id) && isOpen(c));
  if (open.length === 0) return undefined;
  const parts = open.map((c) => {
    const value = Math.abs(c.figure?.value ?? 0);
    const size = c.figure?.unit === 'rad' ? formatAngle(value) : sized(value);
    return `${c.title.toLowerCase()} by ${size}`;
  });
  return `Read on a car that is not level: ${parts.join(', ')}.`;
}
