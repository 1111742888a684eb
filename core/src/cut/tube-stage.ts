import { bySide, type Side, type Sided } from '../geometry';
import { derive, type Figure } from '../measure';
import { DIAMETERS } from '../plan';
import { fitRange, pressFit } from './press-fit';

type Maybe = Figure | undefined;
type Figures = Readonly<Record<string, Maybe>>;

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
  readonly shrink: Maybe;
}

/** How new tubes fit their bores, what pressing them asks for, and how long they are cut. */
export function tubeStage(input: TubeInput): TubeResult {
  return {
    fit: bySide((side) => pressedTube(input.figures, side)),
    piece: bySide((side) => pieceOf(input, side)),
  };
}

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
    return derive(
      {
        id: `tube.new.${side}`,
        label: `Casting to housing end as wanted, ${side}`,
        unit: 'mm',
        formula: '{T} − {c}',
        source: 'Donor’s tube less the cut; a cut below zero adds',
        inputs: { T, c },
      },
      (v) => v.T - v.c,
    );
  });
}

/** Fewest places across which tube and bore must have been read. */
export const LEAST_DIAMETERS = 3;

function readings(figures: Figures, kind: 'bore' | 'od', side: Side): Record<string, Figure> {
  const found: Record<string, Figure> = {};
  for (const { id } of DIAMETERS) {
    const figure = figures[`tube.${kind}.${side}.${id}`];
    if (figure) found[`${kind === 'bore' ? 'B' : 'D'}_${id}`] = figure;
  }
  return found;
}

const valuesOf = (v: Readonly<Record<string, number>>, letter: string): number[] =>
  Object.entries(v).flatMap(([name, value]) => (name.startsWith(`${letter}_`) ? [value] : []));

function pressedTube(figures: Figures, side: Side): PressedTube | undefined {
  const [bore, tube] = [readings(figures, 'bore', side), readings(figures, 'od', side)];
  if (Object.keys(bore).length < LEAST_DIAMETERS || Object.keys(tube).length < LEAST_DIAMETERS)
    return undefined;
  const inputs = { ...tube, ...bore };
  const make = (id: 'least' | 'most' | 'tubeOval' | 'boreOval', label: string, formula: string) =>
    derive(
      {
        id: `tube.${id}.${side}`,
        label: `${label}, ${side}`,
        unit: 'mm',
        formula,
        source: 'Diameters across the tube and the bore; neither is round',
        inputs,
      },
      (v: Readonly<Record<string, number>>) => fitRange(valuesOf(v, 'D'), valuesOf(v, 'B'))[id],
    );
  const most = make('most', 'Tightest', 'max D − min B');
  return {
    most,
    least: make('least', 'Loosest', 'min D − max B'),
    tubeOval: make('tubeOval', 'Tube out of round', 'max D − min D'),
    boreOval: make('boreOval', 'Bore out of round', 'max B − min B'),
    ...pressed(figures, most, side),
  };
}

function pressed(figures: Figures, most: Figure, side: Side): Pick<PressedTube, 'force' | 'stress'> {
  const [inside, hub, depth, strength] = ['tube.inside', 'tube.hub', 'tube.insert', 'tube.yield'].map(
    (id) => figures[id],
  );
  const joint = Object.values(readings(figures, 'bore', side))[0];
  if (!inside || !hub || !depth || !strength || !joint) return {};
  if (!(inside.value < joint.value && joint.value < hub.value)) return {};
  const of = (v: Readonly<Record<'d' | 'j' | 'D' | 'i' | 'l', number>>) =>
    pressFit({ inside: v.d, joint: v.j, outside: v.D, interference: v.i, depth: v.l });
  const inputs = { d: inside, j: joint, D: hub, i: most, l: depth };
  const source = 'Lamé’s thick cylinders at the tightest fit, friction 0.12';
  return {
    force: derive(
      {
        id: `tube.force.${side}`,
        label: `Press force, ${side}`,
        unit: 'N',
        formula: 'p({i})·π·{j}·{l}·0.12; p by Lamé from {d}, {j}, {D}',
        source,
        inputs,
      },
      (v) => of(v).force,
    ),
    stress: derive(
      {
        id: `tube.stress.${side}`,
        label: `Stress over yield, ${side}`,
        unit: 'ratio',
        formula: 'max(σ_hub, σ_tube)/{σ_y}; σ by Lamé from {i}, {d}, {j}, {D}, {l}',
        source,
        inputs: { ...inputs, σ_y: strength },
      },
      (v) => Math.max(of(v).hub, of(v).tube) / v.σ_y,
    ),
  };
}

function pieceOf(input: TubeInput, side: Side): Maybe {
  const T = side === 'left' ? input.wantedLeft : input.wantedRight;
  const e = side === 'left' ? input.endLeft : input.endRight;
  const { gap: g, shrink: w } = input;
  const i = input.figures['tube.insert'];
  if (!T || !e || !g || !w || !i) return undefined;
  return derive(
    {
      id: `tube.piece.${side}`,
      label: `New tube, cut to, ${side}`,
      unit: 'mm',
      formula: '{T_new} + {i} − {e} − {g} + {w}',
      source:
        'Casting to housing end as wanted, plus what goes into the casting, less end piece and gap, plus the pull',
      inputs: { T_new: T, i, e, g, w },
    },
    (v) => v.T_new + v.i - v.e - v.g + v.w,
  );
}
