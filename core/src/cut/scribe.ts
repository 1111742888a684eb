/** Lengths in mm. */
export interface ScribeInput {
  /** How much shorter this side gets. */
  readonly cut: number;
  /** Root gap left for the weld. */
  readonly gap: number;
  /** How much one butt weld pulls the joint shorter. */
  readonly shrink: number;
}

/**
 * Distance between the two scribe marks: c + g − w. Both kerfs lie inside it.
 *
 * @example scribeSpacing({ cut: 91, gap: 2, shrink: 0.8 }) // 92.2
 */
export const scribeSpacing = ({ cut, gap, shrink }: ScribeInput): number => cut + gap - shrink;

/**
 * Length of the slug once it lies loose: the spacing less both kerfs.
 *
 * @example looseSlug(92.2, 1.6) // 89
 */
export const looseSlug = (spacing: number, kerf: number): number => spacing - 2 * kerf;

/**
 * End off and on: length of tube left on the casting, T′ − e − g + w.
 *
 * @param tubeNew casting face to housing-end face wanted, mm
 * @param endPiece housing-end face to the end piece’s prepared edge, mm
 * @example tubeLeft({ tubeNew: 497, endPiece: 60, gap: 2, shrink: 0.8 }) // 435.8
 */
export const tubeLeft = (v: { tubeNew: number; endPiece: number; gap: number; shrink: number }): number =>
  v.tubeNew - v.endPiece - v.gap + v.shrink;
