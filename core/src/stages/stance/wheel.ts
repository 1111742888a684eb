import { MM_PER_INCH } from '../../units';

/** Both flanges of a rim together, mm: its overall width over the nominal one. */
export const RIM_FLANGES_MM = 25.4;
/** A tyre’s section grows by this share of what its rim is wider than the measuring rim. */
export const SECTION_PER_RIM = 0.4;
/** Rims are measured and sold in steps of this, inch. */
const RIM_STEP = 0.5;

/**
 * Width of a rim over its flanges, mm.
 *
 * @param nominal width between the beads, inch, above zero
 * @example overallRim(8) // 228.6
 */
export const overallRim = (nominal: number): number => nominal * MM_PER_INCH + RIM_FLANGES_MM;

/**
 * Backspace of a wheel: inner edge of the rim to its mounting face, mm.
 *
 * @param nominal rim width, inch
 * @param et offset, mm, plus where the face stands outboard of the rim’s middle
 * @example backspaceOf(8, 12) // 126.3
 */
export const backspaceOf = (nominal: number, et: number): number => overallRim(nominal) / 2 + et;

/**
 * Offset of a wheel of which the backspace is known, mm.
 *
 * @example offsetOf(8, 126.3) // 12
 */
export const offsetOf = (nominal: number, backspace: number): number => backspace - overallRim(nominal) / 2;

/** Share of the section that the measuring rim is wide, by the sidewall’s share at least. */
const MEASURING: readonly (readonly [aspect: number, share: number])[] = [
  [0.725, 0.7],
  [0.575, 0.75],
  [0.475, 0.8],
  [0.425, 0.85],
  [0, 0.9],
];

/**
 * Rim on which a tyre’s section is given, inch, to the half.
 *
 * @param section mm
 * @param aspect sidewall over section
 * @example measuringRim(205, 0.6) // 6
 * @source Tyre standards: design rim = section × 0.70 to 0.90 by series, rounded to half an inch
 */
export function measuringRim(section: number, aspect: number): number {
  const [, share = 0.9] = MEASURING.find(([least]) => aspect >= least) ?? [];
  return Math.round((section * share) / MM_PER_INCH / RIM_STEP) * RIM_STEP;
}

/**
 * Section of a tyre on a rim of another width, mm.
 *
 * @param rim nominal width, inch
 * @example sectionOn({ section: 205, aspect: 0.6 }, 7.5) // 220.24
 * @source Tyre standards: 0.4 of the rim’s difference, rounded there to 5 mm per half inch
 */
export const sectionOn = (tyre: { section: number; aspect: number }, rim: number): number =>
  tyre.section + SECTION_PER_RIM * MM_PER_INCH * (rim - measuringRim(tyre.section, tyre.aspect));

/** Where wheel and tyre stand on one side, mm from the car’s centreline outward. */
export interface WheelEdges {
  readonly centre: number;
  readonly rimIn: number;
  readonly rimOut: number;
  readonly tyreIn: number;
  readonly tyreOut: number;
}

/**
 * Edges of a wheel on its mounting face. A rim wider than its tyre stands out beyond it, so the wider of both counts.
 *
 * @param wms from the centreline to the wheel face, mm
 * @param rim nominal width, inch
 * @param et offset, mm
 * @param section of the tyre on this rim, mm
 * @example wheelEdges({ wms: 690, rim: 8, et: 12, section: 232 }) // tyre from 562 to 794
 */
export function wheelEdges(wheel: { wms: number; rim: number; et: number; section: number }): WheelEdges {
  const centre = wheel.wms - wheel.et;
  const rim = overallRim(wheel.rim) / 2;
  const tyre = Math.max(wheel.section / 2, rim);
  return {
    centre,
    rimIn: centre - rim,
    rimOut: centre + rim,
    tyreIn: centre - tyre,
    tyreOut: centre + tyre,
  };
}
