import { curve, type Point, type Shape } from '../../../drawing';

/** Where wheel, tyre and their parts stand on one side, from the car’s centreline outward, mm. */
export interface WheelEdges {
  readonly centre: number;
  readonly rimIn: number;
  readonly rimOut: number;
  readonly tyreIn: number;
  readonly tyreOut: number;
}

interface WheelSection {
  readonly edges: WheelEdges;
  /** Wheel face, from the car’s centreline, mm. */
  readonly face: number | undefined;
  /** Tyre’s outer radius and bead-seat radius, mm. */
  readonly radius: number;
  readonly seat: number;
  /** Hub centre to the brake’s outermost point, mm. */
  readonly brake: number | undefined;
  readonly at: (y: number, v: number) => Point;
}

/** Usual sizes that are drawn where nothing is read: a rim’s flange and wall, a tyre’s wall, mm. */
const FLANGE = 17;
const RIM_WALL = 6;
const TYRE_WALL = 11;
/** Shares of a section: how deep a well is, where a tyre is widest, how wide its tread. */
const WELL_DEEP = 19;
const WIDEST = 0.5;
const TREAD = 0.8;
/** Mounting pad, hub flange and rotor, mm. */
const PAD = 72;
const PAD_THICK = 9;
const ROTOR_THICK = 11;

/** The upper half of a tyre in section: sidewalls that bulge, rounded shoulders, a tread that is a little crowned. */
export function tyreSection({ edges: e, radius, seat, at }: WheelSection, lift = 0): readonly Point[] {
  const half = (inset: number): readonly Point[] => {
    const [r0, r1] = [seat + (inset ? 2 : 0), radius - inset];
    const wide = r0 + WIDEST * (r1 - r0);
    const [left, right] = [e.tyreIn + inset, e.tyreOut - inset];
    const [beadIn, beadOut] = [e.rimIn + 4 + inset / 2, e.rimOut - 4 - inset / 2];
    const tread = (TREAD * (right - left)) / 2;
    const middle = (left + right) / 2;
    const shoulder = 0.12 * (r1 - r0);
    return [
      ...curve([beadIn, r0], [left, r0 + 0.15 * (r1 - r0)], [left, wide]),
      ...curve([left, wide], [left, r1 - shoulder], [middle - tread, r1 - 0.02 * (right - left)]).slice(1),
      ...curve(
        [middle - tread, r1 - 0.02 * (right - left)],
        [middle, r1 + 0.01 * (right - left)],
        [middle + tread, r1 - 0.02 * (right - left)],
      ).slice(1),
      ...curve([middle + tread, r1 - 0.02 * (right - left)], [right, r1 - shoulder], [right, wide]).slice(1),
      ...curve([right, wide], [right, r0 + 0.15 * (r1 - r0)], [beadOut, r0]).slice(1),
    ];
  };
  const outline = [...half(0), ...[...half(TYRE_WALL)].reverse()];
  return outline.map(([y, v]) => at(y, v + lift));
}

/** The rim’s upper half in section: flanges, bead seats, the well between them. */
function rimSection({ edges: e, seat, at }: WheelSection): readonly Point[] {
  const width = e.rimOut - e.rimIn;
  const well = seat - WELL_DEEP;
  const [w0, w1] = [e.rimIn + 0.3 * width, e.rimIn + 0.62 * width];
  const outer: Point[] = [
    [e.rimIn - RIM_WALL, seat + FLANGE],
    [e.rimIn, seat + FLANGE],
    [e.rimIn + 2, seat],
    [e.rimIn + 0.2 * width, seat - 1],
    [w0, well],
    [w1, well],
    [e.rimOut - 0.2 * width, seat - 1],
    [e.rimOut - 2, seat],
    [e.rimOut, seat + FLANGE],
    [e.rimOut + RIM_WALL, seat + FLANGE],
  ];
  const inner: Point[] = [
    [e.rimOut + RIM_WALL - 1, seat - RIM_WALL + 2],
    [e.rimOut - 0.2 * width, seat - 1 - RIM_WALL],
    [w1, well - RIM_WALL],
    [w0, well - RIM_WALL],
    [e.rimIn + 0.2 * width, seat - 1 - RIM_WALL],
    [e.rimIn - RIM_WALL + 1, seat - RIM_WALL + 2],
  ];
  return [...outer, ...inner].map(([y, v]) => at(y, v));
}

/** The disc’s upper half: from the well to the pad that lies on the wheel face. */
function discSection({ edges: e, seat, face, at }: WheelSection): readonly Point[] {
  const y = face ?? e.centre;
  const width = e.rimOut - e.rimIn;
  const joins = Math.min(e.rimOut - 0.16 * width, Math.max(e.rimIn + 0.2 * width, y + 0.12 * width));
  const top = seat - WELL_DEEP - RIM_WALL;
  const outer: Point[] = [
    [y, 0],
    [y, PAD],
    ...curve([y, PAD], [joins - 4, PAD + 0.2 * (top - PAD)], [joins - 4, top]).slice(1),
  ];
  const inner: Point[] = [
    ...curve([joins + 5, top], [joins + 6, PAD + 0.2 * (top - PAD)], [y + PAD_THICK, PAD]),
    [y + PAD_THICK, 0],
  ];
  return [...outer, ...inner].map(([a, v]) => at(a, v));
}

/** Upper half and its mirror below the axle. */
const both = (points: readonly Point[]): readonly (readonly Point[])[] => [
  points,
  points.map(([u, v]): Point => [u, -v]),
];

/** Wheel and tyre in section, as they stand at ride height. */
export function wheelShapes(section: WheelSection): readonly Shape[] {
  const outlines = (points: readonly Point[], style: 'tyre' | 'rim', name: string): Shape[] =>
    both(points).map((half) => ({ kind: 'outline', style, name, points: half }));
  return [
    ...outlines(tyreSection(section), 'tyre', 'tyre, in section'),
    ...outlines(rimSection(section), 'rim', 'rim, in section'),
    ...outlines(discSection(section), 'rim', 'wheel disc, in section'),
  ];
}

/** Hub, rotor and caliper inside the wheel; rotor and caliper where the brake was read. */
export function hubShapes({ face, brake, at }: WheelSection): readonly Shape[] {
  if (face === undefined) return [];
  const box = (y0: number, y1: number, v0: number, v1: number): readonly Point[] => [
    at(y0, v0),
    at(y1, v0),
    at(y1, v1),
    at(y0, v1),
  ];
  const hub: Shape[] = [
    {
      kind: 'outline',
      style: 'casting',
      name: 'housing end and bearing',
      points: box(face - 120, face - 62, -34, 34),
    },
    { kind: 'outline', style: 'shaft', name: 'axle shaft', points: box(face - 150, face - 9, -16, 16) },
  ];
  if (brake !== undefined) {
    const [inner, outer] = [face - 9 - 40, face - 9 - 40 + ROTOR_THICK];
    const rim = 0.86 * brake;
    for (const s of [1, -1]) {
      hub.push(
        {
          kind: 'outline',
          style: 'rotor',
          name: 'rotor',
          at: 'brake.radius',
          points: box(inner, outer, s * PAD * 0.9, s * rim),
        },
        {
          kind: 'outline',
          style: 'rotor',
          name: 'rotor’s hat',
          points: box(outer, face - 9, s * PAD * 0.78, s * PAD * 0.9),
        },
      );
    }
    hub.push({
      kind: 'outline',
      style: 'caliper',
      name: 'caliper',
      at: 'brake.radius',
      points: [
        at(inner - 26, rim - 52),
        at(inner - 26, brake),
        at(outer + 22, brake),
        at(outer + 22, rim - 44),
        at(outer + 3, rim - 44),
        at(outer + 3, rim + 4),
        at(inner - 3, rim + 4),
        at(inner - 3, rim - 52),
      ],
    });
  }
  hub.push({
    kind: 'outline',
    style: 'flange',
    name: 'wheel flange',
    at: 'brief.targetWidth',
    points: box(face - 9, face, -PAD, PAD),
  });
  return hub;
}
