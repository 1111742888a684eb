import { bySide, SIDES, type Side, type Sided } from '../../geometry';
import { derive, type Maybe } from '../../measure';
import type { SchoolPlan } from './school-stage';

type Both = Sided<Maybe>;

export interface StandInput {
  readonly plan: SchoolPlan | undefined;
  /** A clip holds the shaft by its inner end: the shaft says where the wheel stands, the housing where the brake does; undefined while that is not said. */
  readonly clip: boolean | undefined;
  /** Half, shaft and brake space with the ends the axle will have, and the donor’s tube, mm. */
  readonly half: Both;
  readonly shaft: Both;
  readonly space: Both;
  readonly tube: Both;
  /** Half to expect after welding, from the plan. */
  readonly expected: Both;
  readonly tacked: Both;
  readonly welded: Both;
  /** What one butt pulls. */
  readonly shrink: Both;
  /** The shaft that will run, and whether it is here and measured. */
  readonly running: Both;
  readonly received: Sided<boolean>;
}

/** What a side was last measured at. */
export type StandBy = 'tacked' | 'welded' | 'received';

/** The axle as it stands by now: measured where it was measured, planned where it was not. */
export interface StandResult {
  /** Something was read after the work, and nobody said what holds the shafts: where the wheels stand is not known. */
  readonly open: boolean;
  readonly half: Sided<Maybe>;
  /** Casting face to housing end, only where it was read after the work. */
  readonly tube: Sided<Maybe>;
  readonly space: Sided<Maybe>;
  readonly width: Maybe;
  readonly pinion: Maybe;
  /** By what each side’s half is known; undefined where it is still the plan’s. */
  readonly by: Sided<StandBy | undefined>;
}

/**
 * What was measured after a step replaces what was planned: a tube that was tacked or welded gives its side’s half,
 * and under a clip a shaft that came does. Width, pinion, shafts and clearances follow.
 */
export function standStage(input: StandInput): StandResult {
  const tube = bySide((side) => tubeNow(input, side));
  const found = bySide((side) => halfNow(input, tube[side], side));
  const half = bySide((side) => found[side].half);
  const { left: L, right: R } = half;
  const measured = found.left.by ?? found.right.by;
  const source = measured ? 'As measured after the work' : 'Both halves after welding';
  return {
    open: input.clip === undefined && SIDES.some((side) => tube[side] ?? input.received[side]),
    half,
    tube,
    space: bySide((side) => spaceNow(input, half[side], tube[side], side)),
    width:
      L && R
        ? derive({
            id: 'stand.width',
            label: 'WMS width',
            unit: 'mm',
            formula: '{L} + {R}',
            source,
            inputs: { L, R },
          })
        : undefined,
    pinion:
      L && R
        ? derive({
            id: 'stand.pinion',
            label: 'Pinion from middle',
            unit: 'mm',
            formula: '({R} − {L})/2',
            source,
            inputs: { L, R },
          })
        : undefined,
    by: bySide((side) => found[side].by),
  };
}

function tubeNow(input: StandInput, side: Side): Maybe {
  const [tacked, welded, shrink] = [input.tacked[side], input.welded[side], input.shrink[side]];
  const base = { id: `stand.tube.${side}`, label: `Tube as it stands, ${side}`, unit: 'mm' as const };
  if (welded)
    return derive({ formula: '{T_w}', source: 'Read after welding', inputs: { T_w: welded }, ...base });
  if (!tacked || !shrink) return undefined;
  return derive({
    formula: '{T_t} − {w}',
    source: 'Read after tacking; the weld will pull it',
    inputs: { T_t: tacked, w: shrink },
    ...base,
  });
}

function halfNow(
  input: StandInput,
  tube: Maybe,
  side: Side,
): { readonly half: Maybe; readonly by: StandBy | undefined } {
  const [H, L, T, running] = [input.half[side], input.shaft[side], input.tube[side], input.running[side]];
  const [expected, welded, received] = [input.expected[side], input.welded[side], input.received[side]];
  const base = { id: `stand.half.${side}`, label: `Half as it stands, ${side}`, unit: 'mm' as const };
  if (input.clip) {
    if (!running || !H || !L) return { half: expected, by: undefined };
    const source = 'The clip stays where the donor had it; the shaft that runs sets the wheel’s face';
    const half = derive({ formula: '{H} − {L} + {L_r}', source, inputs: { H, L, L_r: running }, ...base });
    return { half, by: received ? 'received' : undefined };
  }
  // Whether shaft or housing sets the wheel’s face follows from what holds the shaft.
  if (input.clip === undefined && (tube || received)) return { half: undefined, by: undefined };
  if (!tube || !H || !T) return { half: expected, by: undefined };
  const source = 'The donor’s half, with the tube as it was read after the work';
  const half = derive({ formula: '{H} − {T} + {T_now}', source, inputs: { H, T, T_now: tube }, ...base });
  return { half, by: welded ? 'welded' : 'tacked' };
}

/** Housing-end face to WMS: under a clip the two move apart. */
function spaceNow(input: StandInput, half: Maybe, tube: Maybe, side: Side): Maybe {
  const [H, T, B] = [input.half[side], input.tube[side], input.space[side]];
  if (!B || !H || !T || !half || !tube) return B;
  return derive({
    id: `stand.space.${side}`,
    label: `Brake space as it stands, ${side}`,
    unit: 'mm',
    formula: '{B} + ({h} − {H}) − ({T_now} − {T})',
    source: 'What the WMS has moved less what the housing end has',
    inputs: { B, h: half, H, T_now: tube, T },
  });
}
