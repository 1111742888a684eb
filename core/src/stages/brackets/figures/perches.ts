import { type PlaceId, unless } from '../../../stage';
import { bySide, type Side, type Sided } from '../../../geometry';
import { derive, deriveWherePossible, given, type Figure, type Maybe } from '../../../measure';
import { CORNER } from '../../../mechanics';
import { answer } from '../../../stage';
import { movedWheelbase } from '../../brief/figures/torque';
import { axleMoved } from '../../driveline/figures/line';
import { node, type Reads } from '../node';
import { outside } from './frame';
import { places } from './places';
import { slopeOf } from '../../driveline/figures/bench';
import { newFlat } from './frame';

/** What turning the springs to the other side of the axle does, mm. */
export interface Flip {
  /** The car comes down by it; minus where it rises. */
  readonly drop: Maybe;
  readonly bumpLeft: Maybe;
  readonly lacks: readonly PlaceId[];
}

/** Springs to the other side of the axle: ride height, and bump travel that is left. */
export const flip = node('flip', (r): Flip | undefined => {
  const [now, want] = [r.choice('springsNow'), r.choice('springsWanted')];
  if (now === want) return undefined;
  const [D, O, h, n, t, gap] = [
    r.of(outside).left,
    r.figure('survey.tubeOd'),
    r.figure('perch.old'),
    r.figure('perch.new'),
    r.figure('perch.pack'),
    r.figure('perch.stopGap'),
  ];
  const lacks = [
    ...unless(D, 'donor.tubeOd'),
    ...unless(O, 'survey.tubeOd'),
    ...unless(h, 'perch.old'),
    ...unless(n, 'perch.new'),
    ...unless(t, 'perch.pack'),
  ];
  if (!D || !O || !h || !n || !t) return { drop: undefined, bumpLeft: undefined, lacks };
  // The car hangs on its springs: from on top of the axle to under it they take the car down with them.
  const sum = '{O}/2 + {h} + {t} + {n} + {D}/2';
  const lowers = now === 'over';
  const drop = derive({
    id: 'perch.drop',
    label: 'Car comes down by the flip',
    unit: 'mm',
    formula: lowers ? sum : `−(${sum})`,
    source:
      'Half of the old tube and its perch, the spring pack, the new perch and half of the new tube; minus where the car rises',
    inputs: { D, O, h, n, t },
  });
  return {
    drop,
    bumpLeft:
      gap &&
      derive({
        id: 'perch.bumpLeft',
        label: 'Bump travel that is left after the flip',
        unit: 'mm',
        formula: '{g} − {z}',
        source: 'Bump stop gap less what the tube rises by against the car',
        inputs: { g: gap, z: drop },
      }),
    lacks: gap ? [] : ['perch.stopGap'],
  };
});

/** Sizes a U-bolt is ordered by, mm, for each tube. */
export interface ClampSizes {
  readonly arc: Maybe;
  readonly leg: Maybe;
  readonly developed: Maybe;
  /** Middle to middle of its legs. */
  readonly legs: Maybe;
}

/** Over the tube: half round along the middle of the bolt, or three sides with two corners. */
function arcOf(r: Reads, side: Side, D: Figure, d: Figure): Maybe {
  const label = `U-bolt over the tube, ${side}`;
  const base = { id: `clamp.arc.${side}`, label, unit: 'mm' as const };
  if (r.choice('boltBend') === 'round')
    return derive({
      formula: '({D} + {d})·π/2',
      source: 'Half round along the middle of the bolt',
      inputs: { D, d },
      ...base,
    });
  const R = r.figure('clamp.corner');
  if (!R) return undefined;
  const κ = given(
    'clamp.κ',
    'What a corner saves',
    CORNER,
    0,
    'count',
    'Two legs less a quarter round: 2 − π/2',
  );
  return derive({
    formula: '2·({D} + {d}) − 2·{κ}·{R}',
    source: 'Three sides round the upper half of the tube, less what two corners save',
    inputs: { D, d, R, κ },
    ...base,
  });
}

/** A leg from the tube’s centre: what it clamps, its nut and the thread beyond it. */
function legOf(r: Reads, side: Side, D: Figure): Maybe {
  const [t, h] = [r.figure('perch.pack'), r.figure('perch.new')];
  const [p, n, q] = [r.figure('clamp.plate'), r.figure('clamp.nut'), r.figure('clamp.proud')];
  if (!t || !h || !p || !n || !q) return undefined;
  const s = derive({
    id: `clamp.stack.${side}`,
    label: 'Stack between tube and plate',
    unit: 'mm',
    formula: '{h} + {t}',
    source: 'Perch and spring pack',
    inputs: { h, t },
  });
  return derive({
    id: `clamp.leg.${side}`,
    label: `Leg of the U-bolt from the tube’s centre, ${side}`,
    unit: 'mm',
    formula: '{D}/2 + {s} + {p} + {n} + {q}',
    source: 'Half of the tube, stack, plate, nut and the thread beyond it',
    inputs: { D, s, p, n, q },
  });
}

function clampOf(r: Reads, side: Side): ClampSizes {
  const [D, d] = [r.of(outside)[side], r.figure('clamp.bolt')];
  const arc = D && d && arcOf(r, side, D, d);
  const leg = D && legOf(r, side, D);
  const developed =
    arc &&
    leg &&
    derive({
      id: `clamp.developed.${side}`,
      label: `Straight length of the U-bolt, ${side}`,
      unit: 'mm',
      formula: '{a} + 2·{ℓ}',
      source: 'Over the tube, and both legs',
      inputs: { a: arc, ℓ: leg },
    });
  const legs =
    D &&
    d &&
    derive({
      id: `clamp.legs.${side}`,
      label: `U-bolt, middle to middle of its legs, ${side}`,
      unit: 'mm',
      formula: '{D} + {d}',
      source: 'Tube and bolt',
      inputs: { D, d },
    });
  return { arc, leg, developed, legs };
}

/** Thread that a leg wants: so that its nut still clamps when the pack settles by the plate’s thickness. */
export const clampThread = node('clampThread', (r): Maybe => {
  const [p, n, q] = [r.figure('clamp.plate'), r.figure('clamp.nut'), r.figure('clamp.proud')];
  return (
    p &&
    n &&
    q &&
    derive({
      id: 'clamp.thread',
      label: 'Thread on each leg of a U-bolt, at least',
      unit: 'mm',
      formula: '{p} + {n} + {q}',
      source: 'Through the plate, the nut and what stands out: the nut still clamps when the pack settles',
      inputs: { p, n, q },
    })
  );
});

const CLAMPED = ['clamp.bolt', 'perch.new', 'perch.pack', 'clamp.plate', 'clamp.nut'] as const;

/** U-bolts of each side. */
export const clamps = node('clamps', (r): Sided<ClampSizes> & { readonly lacks: readonly PlaceId[] } => {
  const needed = r.choice('boltBend') === 'square' ? [...CLAMPED, 'clamp.corner' as const] : CLAMPED;
  const lacks: PlaceId[] = needed.filter((id) => !r.figure(id));
  if (!r.of(outside).left) lacks.unshift('donor.tubeOd');
  return { ...bySide((side) => clampOf(r, side)), lacks };
});

/** A square bend’s corner lies between half the bolt and half of tube and bolt. */
export const cornerRoom = node('cornerRoom', (r): Maybe => {
  const [D, d, R] = [r.of(outside).left, r.figure('clamp.bolt'), r.figure('clamp.corner')];
  if (r.choice('boltBend') !== 'square' || !D || !d || !R) return undefined;
  return derive({
    id: 'clamp.cornerRoom',
    label: 'Corner of the U-bolt within what can be bent',
    unit: 'mm',
    formula: 'min({R} − {d}/2, ({D} + {d})/2 − {R})',
    source: 'Above half of the bolt, below half of tube and bolt',
    inputs: { D, d, R },
  });
});

/** Wheelbase with the axle in the plate’s other hole, mm. */
export const wheelbase = node('wheelbase', (r): Maybe => {
  const [L, s] = [r.figure('brief.wheelbase'), r.figure('perch.shift')];
  if (!L || !s || s.value === 0) return undefined;
  return derive({
    id: 'perch.wheelbase',
    label: 'Wheelbase with the axle moved',
    unit: 'mm',
    formula: '{L} − {s}',
    source: 'Read with the axle in the middle hole; forward shortens it',
    inputs: { L, s },
  });
});

/** How far forward the axle is moved in its plates, mm, where it is. */
const moved = node('moved', (r): Maybe => {
  const s = r.figure('perch.shift');
  return s && s.value !== 0 ? s : undefined;
});

/** What the tyre keeps to its arch ahead and behind once the axle is moved, mm; the less of both. */
export const archLeft = node('archLeft', (r): Maybe => {
  const [s, ahead, behind] = [r.of(moved), r.figure('perch.archAhead'), r.figure('perch.archBehind')];
  if (!s || !ahead || !behind) return undefined;
  return derive({
    id: 'perch.archLeft',
    label: 'Tyre to its arch, ahead or behind, with the axle moved',
    unit: 'mm',
    formula: 'min({a} − {s}, {b} + {s})',
    source: 'As read with the axle in the middle hole, and by how much it is moved',
    inputs: { a: ahead, b: behind, s },
  });
});

/** What earlier stages ask of the spring plates. */
export const PLATE_ANSWERS = [answer(movedWheelbase, wheelbase), answer(axleMoved, moved)];

/** Play of the centre bolt’s head in its perch, mm. */
export const pinPlay = node('pinPlay', (r): Maybe => {
  const [h, p] = [r.figure('perch.pinHole'), r.figure('perch.pin')];
  if (!h || !p) return undefined;
  return derive({
    id: 'perch.play',
    label: 'Play of the centre bolt in its perch',
    unit: 'mm',
    formula: '{h} − {p}',
    source: 'Hole less the bolt’s head',
    inputs: { h, p },
  });
});

/** How far a perch is turned off what the pinion wants, rad; front too high plus: the wedge that mends it. */
export const perchOff = node('perchOff', (r): Readonly<Record<string, Figure>> => {
  const g = r.of(newFlat);
  const off: Record<string, Figure> = {};
  for (const p of r.of(places)) {
    const s = slopeOf(r, `angle.perch.${p.side}`);
    if (p.item.kind !== 'perch' || !p.gauge || !s || !g) continue;
    const found = deriveWherePossible({
      id: `bracket.${p.id}.wedge`,
      label: `${p.item.name}, off the angle that the pinion wants`,
      unit: 'rad',
      formula: '{a} − ({s} − {g})',
      source:
        'What the gauge shows on it, less the spring seat’s slope against the flat; front too high is plus',
      inputs: { a: p.gauge, s, g },
    });
    if (found) off[p.id] = found;
  }
  return off;
});

/** Hole spacing of the plate less what the legs stand apart, mm. */
export const plateOff = node('plateOff', (r): Sided<Maybe> => {
  const [h, all] = [r.figure('clamp.legs'), r.of(clamps)];
  return bySide((side): Maybe => {
    const ℓ = all[side].legs;
    if (!h || !ℓ) return undefined;
    return derive({
      id: `clamp.off.${side}`,
      label: `Plate’s holes off the U-bolt’s legs, ${side}`,
      unit: 'mm',
      formula: '{h} − {ℓ}',
      source: 'Hole spacing of the plate less what the legs stand apart',
      inputs: { h, ℓ },
    });
  });
});
