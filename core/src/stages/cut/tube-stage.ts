import { bySide, type Side, type Sided } from '../../geometry';
import { derive, meanOf, type Figure, type Maybe } from '../../measure';
import { DIAMETERS } from './tube-quantities';
import type { cut } from './words';
import type { FigureOf } from '../../stage';

type Figures = FigureOf<typeof cut>;

/** A new tube in the casting’s bore, one side. */
export interface PressedTube {
  /** Tightest and loosest across the places read, mm in diameter; minus is play. */
  readonly most: Figure;
  readonly least: Figure;
  readonly tubeOval: Figure;
  readonly boreOval: Figure;
  /** At the tightest, where the sizes of tube and casting are known. */
  readonly force?: Figure;
  /** The greater of both stresses over the yield. */
  readonly stress?: Figure;
}

export interface TubeResult {
  readonly fit: Sided<PressedTube | undefined>;
  /** New tube to be cut, before insertion and welding, mm. */
  readonly piece: Sided<Maybe>;
  /** What of it stands out of the casting, mm. */
  readonly free: Sided<Maybe>;
  /** Its outside diameter, mm. */
  readonly outside: Sided<Maybe>;
}

/** What new tubes rest on besides their readings. */
export interface TubeInput {
  readonly figures: Figures;
  /** Casting to housing end as wanted, mm. */
  readonly wantedLeft: Maybe;
  readonly wantedRight: Maybe;
  readonly endLeft: Maybe;
  readonly endRight: Maybe;
  readonly gap: Maybe;
  /** What one butt of the side pulls, mm. */
  readonly shrinkLeft: Maybe;
  readonly shrinkRight: Maybe;
}

/** How new tubes fit their bores, what pressing them asks for, and how long they are cut. */
export function tubeStage(input: TubeInput): TubeResult {
  const piece = bySide((side) => pieceOf(input, side));
  return {
    fit: bySide((side) => pressedTube(input.figures, side)),
    piece,
    free: bySide((side) => freeOf(piece[side], input.figures('tube.insert'), side)),
    outside: bySide((side) => outsideOf(input.figures, side)),
  };
}

/** Outside of the new tube where it will sit, mm. */
const outsideOf = (figures: Figures, side: Side): Maybe =>
  meanOf(
    {
      id: `tube.outside.${side}`,
      label: `New tube’s outside, ${side}`,
      unit: 'mm',
      source: 'Mean of its diameters as read',
    },
    Object.values(readings(figures, 'od', side)),
  );

/** Casting to housing end as wanted, both sides: the donor’s tube less its cut, where a negative cut adds. */
export function wantedTubes(v: {
  readonly tubeLeft: Maybe;
  readonly tubeRight: Maybe;
  readonly cutLeft: Maybe;
  readonly cutRight: Maybe;
}): Sided<Maybe> {
  return bySide((side) => {
    const [T, c] = side === 'left' ? [v.tubeLeft, v.cutLeft] : [v.tubeRight, v.cutRight];
    if (!T || !c) return undefined;
    return derive({
      id: `tube.new.${side}`,
      label: `Casting to housing end as wanted, ${side}`,
      unit: 'mm',
      formula: '{T} − {c}',
      source: 'Donor’s tube less the cut; a cut below zero adds',
      inputs: { T, c },
    });
  });
}

/** Fewest places across which tube and bore must have been read. */
export const LEAST_DIAMETERS = 3;

function readings(figures: Figures, kind: 'bore' | 'od', side: Side): Record<string, Figure> {
  const found: Record<string, Figure> = {};
  for (const { id } of DIAMETERS) {
    const figure = figures(`tube.${kind}.${side}.${id}`);
    if (figure) found[`${kind === 'bore' ? 'B' : 'D'}_${id}`] = figure;
  }
  return found;
}

function pressedTube(figures: Figures, side: Side): PressedTube | undefined {
  const [bore, tube] = [readings(figures, 'bore', side), readings(figures, 'od', side)];
  if (Object.keys(bore).length < LEAST_DIAMETERS || Object.keys(tube).length < LEAST_DIAMETERS)
    return undefined;
  const inputs = { ...tube, ...bore };
  const [D, B] = [tube, bore].map((set) =>
    Object.keys(set)
      .map((s) => `{${s}}`)
      .join(', '),
  );
  const make = (id: string, label: string, formula: string) =>
    derive({
      id: `tube.${id}.${side}`,
      label: `${label}, ${side}`,
      unit: 'mm',
      formula,
      source: 'Diameters across the tube and the bore; neither is round',
      inputs,
    });
  const most = make('most', 'Tightest', `max(${D}) − min(${B})`);
  return {
    most,
    least: make('least', 'Loosest', `min(${D}) − max(${B})`),
    tubeOval: make('tubeOval', 'Tube out of round', `max(${D}) − min(${D})`),
    boreOval: make('boreOval', 'Bore out of round', `max(${B}) − min(${B})`),
    ...pressed(figures, most, Object.values(bore), side),
  };
}

/**
 * Force and stress of pressing, at the tightest.
 *
 * @source Lamé’s thick cylinders, both of one steel of E 206 GPa: p = δ·E/(d·(C_hub + C_tube)) with
 *   C = (D² + d²)/(D² − d²) ± ν, so ν falls out; von Mises at the bore of the hub; friction 0.12
 */
function pressed(
  figures: Figures,
  most: Figure,
  bores: readonly Figure[],
  side: Side,
): Pick<PressedTube, 'force' | 'stress'> {
  const [d, D, l, strength] = (['tube.inside', 'tube.hub', 'tube.insert', 'tube.yield'] as const).map((id) =>
    figures(id),
  );
  const of = (id: string, label: string) => ({ id: `tube.${id}.${side}`, label: `${label}, ${side}` });
  const j = meanOf(
    { unit: 'mm', source: 'Mean of the bore’s diameters', ...of('joint', 'Joint’s diameter') },
    bores,
  );
  if (!d || !D || !l || !strength || !j) return {};
  if (!(d.value < j.value && j.value < D.value)) return {};
  const C = derive({
    unit: 'count',
    formula: '({D}² + {j}²)/({D}² − {j}²)',
    source: 'Lamé’s thick cylinders',
    inputs: { D, j },
    ...of('hubRatio', 'Hub’s ratio'),
  });
  const p = derive({
    unit: 'MPa',
    formula: 'max(0, {i})·206000/({j}·({C} + ({j}² + {d}²)/({j}² − {d}²)))',
    source: 'Lamé’s thick cylinders of one steel, E 206 GPa, at the tightest fit; none with play',
    inputs: { i: most, j, C, d },
    ...of('pressure', 'Pressure in the joint'),
  });
  return {
    force: derive({
      unit: 'N',
      formula: '{p}·π·{j}·{l}·0.12',
      source: 'Pressure over the joint’s face, friction 0.12',
      inputs: { p, j, l },
      ...of('force', 'Press force'),
    }),
    stress: derive({
      unit: 'ratio',
      formula: 'max(√({C}² + {C} + 1)·{p}, 2·{j}²/({j}² − {d}²)·{p})/{σ_y}',
      source: 'The greater of hub (von Mises at its bore) and tube (hoop at its inside) over the yield',
      inputs: { C, p, j, d, σ_y: strength },
      ...of('stress', 'Stress over yield'),
    }),
  };
}

function pieceOf(input: TubeInput, side: Side): Maybe {
  const T = side === 'left' ? input.wantedLeft : input.wantedRight;
  const e = side === 'left' ? input.endLeft : input.endRight;
  const w = side === 'left' ? input.shrinkLeft : input.shrinkRight;
  const { gap: g } = input;
  const i = input.figures('tube.insert');
  if (!T || !e || !g || !w || !i) return undefined;
  return derive({
    id: `tube.piece.${side}`,
    label: `New tube, cut to, ${side}`,
    unit: 'mm',
    formula: '{T_new} + {i} − {e} − {g} + {w}',
    source:
      'Casting to housing end as wanted, plus what goes into the casting, less end piece and gap, plus the pull',
    inputs: { T_new: T, i, e, g, w },
  });
}

/** New tube that stands out of the casting, mm: what is left to be welded to the end. */
function freeOf(piece: Maybe, insert: Maybe, side: Side): Maybe {
  if (!piece || !insert) return undefined;
  return derive({
    id: `tube.free.${side}`,
    label: `New tube outside the casting, ${side}`,
    unit: 'mm',
    formula: '{p} − {i}',
    source: 'Piece as cut less what goes into the casting',
    inputs: { p: piece, i: insert },
  });
}
