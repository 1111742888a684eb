/** A point on the drawing, mm at full size: u to the right of the picture, v up. */
export type Point = readonly [u: number, v: number];

/** What a shape is; renderers choose line, fill and hatch by it. */
export type ShapeStyle =
  | 'ghost'
  | 'casting'
  | 'detail'
  | 'tube'
  | 'slug'
  | 'kerf'
  | 'flange'
  | 'shaft'
  | 'axis'
  | 'centreline'
  | 'mark'
  | 'tyre'
  | 'rim'
  | 'hole'
  | 'newHole'
  | 'keep'
  | 'window'
  | 'pitch'
  | 'clock'
  | 'skin'
  | 'slugFlat'
  | 'spline'
  | 'journal'
  | 'gear'
  | 'room'
  | 'rotor'
  | 'caliper'
  | 'bracket'
  | 'clash'
  | 'weldRoom';

/** What it is, where its style or the reading it stands for does not say it; and the reading. */
interface Meaning {
  readonly name?: string;
  readonly at?: string;
}

/** A closed outline, an open line or a circle, in mm. */
export type Shape =
  | ({ readonly kind: 'outline'; readonly style: ShapeStyle; readonly points: readonly Point[] } & Meaning)
  | ({ readonly kind: 'line'; readonly style: ShapeStyle; readonly points: readonly Point[] } & Meaning)
  | ({
      readonly kind: 'circle';
      readonly style: ShapeStyle;
      readonly centre: Point;
      readonly radius: number;
    } & Meaning);

/** A horizontal dimension. It stands in a row above (1, 2 …) or below (−1, −2 …) the drawing; with 0 where it is. */
export interface Dimension {
  readonly id: string;
  readonly label: string;
  readonly from: Point;
  readonly to: Point;
  readonly row: number;
  /** Length shown, mm. */
  readonly value: number;
  /** Figure whose working it opens. */
  readonly figureId: string;
  /** Quantity it changes; absent for a derived length. */
  readonly quantityId?: string;
  readonly signed?: boolean;
  /** Told in millimetres whatever the page is. */
  readonly inMm?: boolean;
  /** Told in decimals: no tape or rule enters it. */
  readonly fine?: boolean;
  /** The one that decides. */
  readonly strong?: boolean;
  /** Word before the length, where its place alone does not say what it is. */
  readonly name?: string;
}

/** Something that can be moved along the picture: a scribe mark along its tube, a wheel by its offset. */
export interface MarkHandle {
  /** Where several handles move one quantity. */
  readonly id?: string;
  readonly quantityId: string;
  readonly label: string;
  readonly at: Point;
  /** Its quantity’s value, mm or rad, and how far it may go. */
  readonly value: number;
  readonly min: number;
  readonly max: number;
  /** How far it moves to the right of the picture, mm, for one more of its value; with `up`, how far up. */
  readonly direction: number;
  readonly up?: true;
  /** What its value counts in, where it is no length. */
  readonly unit?: 'rad';
  /** The thing it moves, where that can be picked. */
  readonly place?: string;
  /** What it moves across that way: an angle round a tube, mm up the picture for one rad. */
  readonly other?: {
    readonly quantityId: string;
    readonly value: number;
    readonly min: number;
    readonly max: number;
    readonly direction: number;
  };
}

/** A word at a place. */
export interface Caption {
  /** Where `{}` stands in it, the length goes. */
  readonly text: string;
  /** Length said in it, mm; shown in the unit of page or paper. */
  readonly length?: number;
  /** Told in decimals: no tape or rule enters it. */
  readonly fine?: boolean;
  readonly at: Point;
  readonly anchor: 'start' | 'middle' | 'end';
}

/** A drawing to scale: everything in mm, nothing of pixels. */
export interface View {
  readonly title: string;
  readonly bounds: {
    readonly left: number;
    readonly right: number;
    readonly top: number;
    readonly bottom: number;
  };
  readonly shapes: readonly Shape[];
  readonly dimensions: readonly Dimension[];
  readonly handles: readonly MarkHandle[];
  readonly captions: readonly Caption[];
}

/** Corners of an upright rectangle between two places along u, `height` tall about v = 0. */
export function bar(u0: number, u1: number, height: number): readonly Point[] {
  const h = height / 2;
  return [
    [u0, -h],
    [u1, -h],
    [u1, h],
    [u0, h],
  ];
}

/** An upright line at one place along u, `reach` up and down from v = 0. */
export const upright = (style: ShapeStyle, u: number, reach: number, at?: string): Shape => ({
  kind: 'line',
  style,
  points: [
    [u, -reach],
    [u, reach],
  ],
  ...(at === undefined ? {} : { at }),
});

/**
 * What a caption says in somebody’s unit.
 *
 * @param show prints a length in mm
 * @example captionText({ text: '5 × {} there', length: 114.3, … }, (mm) => mm.toFixed(1)) // '5 × 114.3 there'
 */
export const captionText = ({ text, length }: Caption, show: (mm: number) => string): string =>
  length === undefined ? text : text.replace('{}', show(length));
