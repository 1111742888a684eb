import type { PlaceId } from '../../stage';
import type { PoseRoom, RoomThing } from './room';
import { POSE_SHAPES, type StancePoseId } from './poses';
import type { Clearance, StanceInput } from './stance-result';
import { SIDES, type Side, type Sided } from '../../geometry';
import { type Figure, derive, type Maybe } from '../../measure';
import { BULGE } from './centre-range';

/** Wheel and axle as they have to be known before any gap is. */
export interface Stand {
  readonly section: Maybe;
  readonly rim: Maybe;
  readonly half: Maybe;
  readonly et: Maybe;
  readonly missing: readonly PlaceId[];
}

/** What a pose of one side is made of. */
export interface Posed {
  readonly pose: StancePoseId;
  readonly room: PoseRoom;
  /** Lateral bar: how far it takes the axle outward, mm; undefined where it has none or does nothing. */
  readonly bar: Maybe;
  /** The bar does not reach its chassis end in this pose. */
  readonly barShort: boolean;
  readonly lacks: readonly PlaceId[];
}

export const camberOf = (input: StanceInput, side: Side): Maybe =>
  side === 'left' ? input.camberLeft : input.camberRight;

export function clearancesOf(input: StanceInput, rooms: Sided<readonly Posed[]>, stand: Stand): Clearance[] {
  return SIDES.flatMap((side) =>
    rooms[side].flatMap((posed) =>
      posed.lacks.length
        ? []
        : posed.room.things.flatMap((thing): Clearance[] => {
            const gap = gapOf(input, stand, side, posed, thing);
            return gap
              ? [{ side, pose: posed.pose, from: thing.from, place: thing.id, limit: thing.limit, gap }]
              : [];
          }),
    ),
  );
}

type Sign = '+' | '−';

/** A sum that is written and worked out term by term. */
class Sum {
  formula = '';
  readonly inputs: Record<string, Figure> = {};

  add(sign: Sign, text: string): this {
    if (this.formula !== '') this.formula += ` ${sign} ${text}`;
    else this.formula = sign === '−' ? `−${text}` : text;
    return this;
  }

  with(symbol: string, figure: Figure): this {
    this.inputs[symbol] = figure;
    return this;
  }
}

/** Gap of the tyre, or of the rim where that is wider, to a thing: all that the pose does to either taken off. */
function gapOf(input: StanceInput, stand: Stand, side: Side, { pose, bar }: Posed, thing: RoomThing): Maybe {
  const { figures: f } = input;
  const { section: s, rim: R, half: W2, et: ET } = stand;
  if (!s || !R || !W2 || !ET) return undefined;
  const shape = POSE_SHAPES[pose];
  const inboard = thing.from === 'inboard';
  const [toward, away] = inboard ? (['+', '−'] as const) : (['−', '+'] as const);
  const sum = new Sum();
  if (!inboard) sum.add('+', '{y}');
  sum.add(toward, '{W2}').add(away, '{ET}').with('y', thing.y).with('W2', W2).with('ET', ET);
  shifted(sum, { f, side, toward, away, bar, gives: shape.gives });
  const wide = shape.bulges ? `${0.5 + BULGE}·{s}` : '{s}/2';
  sum.add('−', `max(${wide}, (25.4·{R} + 25.4)/2)`).with('s', s).with('R', R);
  if (inboard) sum.add('−', '{y}');
  leaned(sum, {
    h: thing.height,
    φ: shape.leans ? f('stance.lean') : undefined,
    γ: camberOf(input, side),
    toward,
  });
  return derive({
    id: `gap.${pose}.${thing.id}`,
    label: `${inboard ? 'Inboard' : 'Outboard'} gap, ${side}, ${shape.words}`,
    unit: 'mm',
    formula: sum.formula,
    source:
      'Edge of tyre or rim to what stands beside it, both from the car’s centreline; shift, lean, camber and bulge taken off',
    inputs: sum.inputs,
  });
}

/** What sets the axle sideways in a pose: off centre on purpose, the lateral bar, give. */
function shifted(
  sum: Sum,
  of: {
    readonly f: StanceInput['figures'];
    readonly side: Side;
    readonly toward: Sign;
    readonly away: Sign;
    readonly bar: Maybe;
    readonly gives: boolean;
  },
): void {
  const [o, g] = [of.f('stance.offCentre'), of.f('stance.shift')];
  if (o) sum.add(of.side === 'left' ? of.toward : of.away, '{o}').with('o', o);
  if (of.bar) sum.add(of.toward, '{b}').with('b', of.bar);
  if (of.gives && g) sum.add('−', '{g}').with('g', g);
}

/** What lean and built-in camber take off at a height. */
function leaned(
  sum: Sum,
  { h, φ, γ, toward }: { readonly h: Maybe; readonly φ: Maybe; readonly γ: Maybe; readonly toward: Sign },
): void {
  if (h && φ) sum.add('−', '|{h}|·sin({φ})').with('h', h).with('φ', φ);
  if (h && γ) sum.add(toward, '{h}·sin({γ})').with('h', h).with('γ', γ);
}
