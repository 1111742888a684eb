import { bySide, type Side, type Sided } from '../../geometry';
import { derive, least, meanOf, type Figure, type Maybe } from '../../measure';
import { DIAMETERS } from './tube-quantities';
import type { cut } from './words';
import type { FigureOf } from '../../stage';

export interface FloatInput {
  readonly figures: FigureOf<typeof cut>;
  /** Outside of the tube that will be there: the new one where there is one, mm. */
  readonly tubeOd: Sided<Maybe>;
  /** Wall of the donor’s tube, where that stays, mm. */
  readonly tubeWall: Maybe;
}

/** A full-float end of one side. */
export interface FloatEnd {
  /** Plug turned to this diameter, mm. */
  readonly plug?: Figure;
  /** Tube’s inside as read against its outside less both walls, mm. */
  readonly wall?: Figure;
  /** Comes off the plug, mm in diameter. */
  readonly turnOff?: Figure;
  /** Angle between hub and drive spline from what is built in, rad. */
  readonly angle?: Figure;
  /** Round the tube from one plug-weld hole to the next, mm, and from the tube’s end to their middle, mm. */
  readonly holeStep?: Figure;
  readonly holeFrom?: Figure;
}

/** Full-float ends: the plug turned to the tube that is there, what camber and toe do to the spline, where holes go. */
export const floatStage = ({ figures, tubeOd, tubeWall }: FloatInput): Sided<FloatEnd> =>
  bySide((side) => ({
    ...plugOf(figures, side),
    ...wallOf(figures, tubeWall, tubeOd[side], side),
    ...angleOf(figures, side),
    ...holesOf(figures, tubeOd[side], side),
  }));

function plugOf(figures: FloatInput['figures'], side: Side): Pick<FloatEnd, 'plug' | 'turnOff'> {
  const bores = DIAMETERS.flatMap(({ id }) => figures(`float.bore.${side}.${id}`) ?? []);
  const play = figures('float.play');
  if (!play || bores.length < 3) return {};
  const smallest = least(
    {
      id: `float.bore.${side}`,
      label: `Smallest bore, ${side}`,
      unit: 'mm',
      source: 'Smallest diameter inside the tube’s end',
    },
    bores,
  ) as Figure;
  const plug = derive({
    id: `float.plug.${side}`,
    label: `Plug turned to, ${side}`,
    unit: 'mm',
    formula: '{B} − {p}',
    source: 'Smallest diameter inside the tube’s end, less the play of a slip fit',
    inputs: { B: smallest, p: play },
  });
  const bought = figures('float.plug');
  if (!bought) return { plug };
  const turnOff = derive({
    id: `float.turnOff.${side}`,
    label: `Comes off the plug, ${side}`,
    unit: 'mm',
    formula: '{D} − {d}',
    source: 'Plug as bought less what it is turned to, in diameter',
    inputs: { D: bought, d: plug },
  });
  return { plug, turnOff };
}

function wallOf(figures: FloatInput['figures'], t: Maybe, D: Maybe, side: Side): Pick<FloatEnd, 'wall'> {
  const B = meanOf(
    {
      id: `float.inside.${side}`,
      label: `Tube’s inside, ${side}`,
      unit: 'mm',
      source: 'Mean of its diameters',
    },
    DIAMETERS.flatMap(({ id }) => figures(`float.bore.${side}.${id}`) ?? []),
  );
  if (!t || !D || !B) return {};
  return {
    wall: derive({
      id: `float.wall.${side}`,
      label: `Tube’s inside against outside and wall, ${side}`,
      unit: 'mm',
      formula: '{B} − ({D} − 2·{t})',
      source: 'Inside as read less the outside without both walls',
      inputs: { B, D, t },
    }),
  };
}

function angleOf(figures: FloatInput['figures'], side: Side): Pick<FloatEnd, 'angle'> {
  const [camber, toe] = [figures(`float.camber.${side}`), figures(`float.toe.${side}`)];
  if (!camber || !toe) return {};
  return {
    angle: derive({
      id: `float.angle.${side}`,
      label: `Drive spline out of line, ${side}`,
      unit: 'rad',
      formula: 'atan(√(tan({γ})² + tan({τ})²))',
      source: 'The shaft stays square to the differential, the hub stands by camber and toe',
      inputs: { γ: camber, τ: toe },
    }),
  };
}

function holesOf(
  figures: FloatInput['figures'],
  tubeOd: Maybe,
  side: Side,
): Pick<FloatEnd, 'holeStep' | 'holeFrom'> {
  const [n, depth] = [figures('float.holes'), figures('float.depth')];
  if (!n || !depth || !tubeOd) return {};
  return {
    holeStep: derive({
      id: `float.holeStep.${side}`,
      label: `Round the tube, hole to hole, ${side}`,
      unit: 'mm',
      formula: 'π·{D}/{n}',
      source: 'Evenly round the outside; keep off the seam',
      inputs: { D: tubeOd, n },
    }),
    holeFrom: derive({
      id: `float.holeFrom.${side}`,
      label: `Tube’s end to the holes, ${side}`,
      unit: 'mm',
      formula: '{l}/2',
      source: 'Over the middle of the plug',
      inputs: { l: depth },
    }),
  };
}
