import { bar, type Caption, type Dimension, type Point, type Shape, type View } from '../../../drawing';
import { bySide, sideName, SIDES, type Side } from '../../../geometry';
import type { Maybe } from '../../../measure';
import { stand } from '../../cut/figures/stand';
import { brakes } from '../figures/hub-ends';
import { node, type Reads } from '../node';

/** Drawn where a size is not read, mm. */
const USUAL_THICK = 20;
const BRACKET = 8;
const FLANGE = 10;

/**
 * Rotor and caliper on one end in section, housing-end face at u = 0, wheel face outboard: flange, hat, rotor, pads’ middle
 * and bracket with its shim; nothing while rotor or brake space are not known.
 */
function stackOf(r: Reads, side: Side): View | undefined {
  const [space, rotor] = [r.of(stand).space[side]?.value, r.of(brakes).rotor[side]];
  const diameter = r.figure('rotor.diameter')?.value;
  if (space === undefined || !rotor || diameter === undefined) return undefined;
  const at = rotor.value;
  const sizes = sizesOf(r, { space, at, diameter });
  const { thick, caliper } = sizes;
  const shim = r.of(brakes).shim[side];
  const shapes = [...endShapes(sizes), ...rotorShapes(sizes), ...caliperShapes(sizes)];
  const top = diameter / 2 + 14;
  return {
    title: `Rotor and bracket, ${side}`,
    bounds: { left: -130, right: space + 60, top, bottom: -top },
    shapes,
    dimensions: dimensionsOf(r, side, { space, rotor: at, caliper, top }),
    handles: [],
    captions: captionsOf({ side, diameter, thick, top, at, shim }),
  };
}

/** What is drawn of one end, mm; a size that is not read is left out, or drawn as it usually is. */
interface Sizes {
  readonly space: number;
  /** Rotor’s middle from the housing end. */
  readonly at: number;
  readonly diameter: number;
  readonly thick: number | undefined;
  readonly pad: number | undefined;
  readonly caliper: number | undefined;
  readonly rim: number;
  readonly bore: number;
}

function sizesOf(r: Reads, known: Pick<Sizes, 'space' | 'at' | 'diameter'>): Sizes {
  return {
    thick: r.figure('rotor.thick')?.value,
    pad: r.figure('pad.height')?.value,
    caliper: r.figure('caliper.middle')?.value,
    rim: r.figure('donor.flangeRim')?.value ?? known.diameter * 0.55,
    bore: r.figure('donor.bearingBore')?.value ?? 70,
    ...known,
  };
}

const box = (a: number, b: number, v0: number, v1: number): readonly Point[] => [
  [a, v0],
  [b, v0],
  [b, v1],
  [a, v1],
];

const endShapes = ({ space, rim, bore, diameter }: Sizes): readonly Shape[] => [
  { kind: 'outline', style: 'casting', name: 'housing end', points: bar(-30, 0, bore + 30) },
  {
    kind: 'outline',
    style: 'flange',
    name: 'wheel flange',
    at: 'donor.flangeRim',
    points: bar(space - FLANGE, space, rim),
  },
  {
    kind: 'line',
    style: 'centreline',
    points: [
      [-40, 0],
      [space + 30, 0],
    ],
  },
  {
    kind: 'outline',
    style: 'flange',
    name: 'bracket',
    points: box(-BRACKET, 0, (bore + 30) / 2, diameter / 2 + 6),
  },
];

function rotorShapes({ at, space, diameter, thick, rim }: Sizes): readonly Shape[] {
  const half = (thick ?? USUAL_THICK) / 2;
  const hat = Math.max(rim, diameter * 0.5) + 8;
  return [1, -1].flatMap((s): readonly Shape[] => [
    {
      kind: 'outline',
      style: 'rotor',
      name: 'rotor',
      at: 'rotor.diameter',
      points: box(at - half, at + half, (s * hat) / 2, (s * diameter) / 2),
    },
    {
      kind: 'outline',
      style: 'rotor',
      name: 'hat',
      at: 'rotor.offset',
      points: box(Math.min(at, space), space + 6, (s * (hat - 10)) / 2, (s * hat) / 2),
    },
  ]);
}

function caliperShapes({ at, diameter, thick, pad, caliper }: Sizes): readonly Shape[] {
  const half = (thick ?? USUAL_THICK) / 2;
  const pads =
    pad === undefined
      ? []
      : [-1, 1].map((s): Shape => ({
          kind: 'outline',
          style: 'caliper',
          name: 'pad',
          at: 'pad.height',
          points: box(at + s * (half + 1), at + s * (half + 14), diameter / 2 - pad, diameter / 2),
        }));
  if (caliper === undefined) return pads;
  return [
    ...pads,
    {
      kind: 'line',
      style: 'mark',
      name: 'caliper’s middle',
      at: 'caliper.middle',
      points: [
        [caliper, diameter / 2 - (pad ?? 40)],
        [caliper, diameter / 2 + 12],
      ],
    },
  ];
}

interface Places {
  readonly space: number;
  readonly rotor: number;
  readonly caliper: number | undefined;
  readonly top: number;
}

function dimensionsOf(r: Reads, side: Side, { space, rotor, caliper, top }: Places): readonly Dimension[] {
  const span = (
    id: string,
    name: string,
    along: readonly [number, number],
    row: number,
    of: Maybe,
  ): Dimension[] => {
    if (!of) return [];
    const [a, b] = [...along].sort((p, q) => p - q) as [number, number];
    const v = row > 0 ? top : -top;
    return [
      {
        id: `${id}.${side}`,
        label: of.label,
        name,
        from: [a, v],
        to: [b, v],
        row,
        value: of.value,
        figureId: of.id,
        fine: !of.byTape,
      },
    ];
  };
  return [
    ...span('space', 'brake space', [0, space], 1, r.of(stand).space[side]),
    ...span('rotor', 'rotor', [0, rotor], -1, r.of(brakes).rotor[side]),
    ...(caliper === undefined ? [] : span('caliper', 'caliper', [0, caliper], -2, r.figure('caliper.middle'))),
    ...span('offset', 'offset', [rotor, space], 2, r.figure('rotor.offset')),
  ];
}

interface Said {
  readonly side: Side;
  readonly diameter: number;
  readonly thick: number | undefined;
  readonly top: number;
  readonly at: number;
  readonly shim: Maybe;
}

function captionsOf({ side, diameter, thick, top, at, shim }: Said): readonly Caption[] {
  const word = (text: string, v: number, length?: number): Caption => ({
    text,
    at: [Math.min(at, 0) - 38, v],
    anchor: 'end',
    ...(length === undefined ? {} : { length, fine: true }),
  });
  return [
    word(sideName(side).toUpperCase(), top - 4),
    word('rotor ⌀ {}', top * 0.62, diameter),
    ...(thick === undefined ? [word('thickness not read', top * 0.46)] : [word('{} thick', top * 0.46, thick)]),
    ...(shim ? [word('shim {}', -top * 0.55, shim.value)] : []),
  ];
}

const stacks = node('brakeStacks', (r) => bySide((side) => stackOf(r, side)));

/** Rotor and bracket of both ends, those that are known. */
export const brakeStackViews = node('brakeStackViews', (r): readonly View[] =>
  SIDES.flatMap((side) => r.of(stacks)[side] ?? []),
);
