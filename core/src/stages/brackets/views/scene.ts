import type { Side } from '../../../geometry';
import type { Caption, Point, Shape, ShapeStyle } from '../../../drawing';
import { newFrame, outside } from '../figures/frame';
import { meetings } from '../figures/tube-map';
import { places, sidesOf, type PlacedBracket } from '../figures/places';
import type { Reads } from '../node';

/** Height of what nobody said how high it stands, mm: so that it can be seen. */
const LOW = 6;

/** A bracket as solid lines need it: lateral places from the car’s centreline, left plus; angles from the top, forward plus. */
export interface Solid {
  readonly p: PlacedBracket;
  readonly from: number;
  readonly to: number;
  readonly clock: number;
  readonly half: number;
  readonly radius: number;
  readonly high: number;
  readonly style: ShapeStyle;
  readonly name: string;
}

/** The axle with all that stands on it. */
export interface BracketScene {
  readonly radius: number;
  readonly casting: Readonly<Record<Side, number>>;
  readonly end: Readonly<Record<Side, number>>;
  readonly solids: readonly Solid[];
}

/** Where a bracket is edited and lit. */
export const placeOfBracket = (id: string): string => `bracket.${id}`;

const styleOf = (p: PlacedBracket, bad: ReadonlySet<string>): ShapeStyle =>
  bad.has(p.id) ? 'clash' : p.item.hold === 'drilled' ? 'hole' : 'bracket';

/** All that is drawn; undefined while tubes or outside are not known. */
export function sceneOf(r: Reads): BracketScene | undefined {
  const { casting, end } = r.of(newFrame);
  const od = r.of(outside).left ?? r.of(outside).right;
  const { left: cl, right: cr } = casting;
  const { left: el, right: er } = end;
  if (!cl || !cr || !el || !er || !od) return undefined;
  const bad = new Set(
    r.of(meetings).flatMap(({ a, b, gap }) => (gap.value < 0 ? [a.placed.id, b.placed.id] : [])),
  );
  const radius = od.value / 2;
  return {
    radius,
    casting: { left: cl.value, right: cr.value },
    end: { left: el.value, right: er.value },
    solids: r.of(places).flatMap((p): Solid[] => {
      if (!p.middle || !p.clock) return [];
      const { wide, round, high } = p.item;
      return [
        {
          p,
          from: p.middle.value - wide / 2,
          to: p.middle.value + wide / 2,
          clock: p.clock.value,
          half: Math.min(Math.PI, round / 2 / radius),
          radius,
          high: high ?? LOW,
          style: styleOf(p, bad),
          name: `${p.item.name}`,
        },
      ];
    }),
  };
}

/** Outline of a bracket seen along the axle: x forward, z up, about the tube’s middle. */
export function arcOf(s: Solid, steps = 8): readonly Point[] {
  const ring = (r: number, back: boolean) =>
    Array.from({ length: steps + 1 }, (_, i): Point => {
      const t = s.clock - s.half + (2 * s.half * (back ? steps - i : i)) / steps;
      return [r * Math.sin(t), r * Math.cos(t)];
    });
  return [...ring(s.radius, false), ...ring(s.radius + s.high, true)];
}

/** How far a bracket reaches along one way across the axle: up, or forward. */
export function reachOf(s: Solid, way: 'up' | 'forward'): readonly [number, number] {
  const all = arcOf(s, 24).map(([x, z]) => (way === 'up' ? z : x));
  return [Math.min(...all), Math.max(...all)];
}

export const rectangle = (u0: number, u1: number, v0: number, v1: number): readonly Point[] => [
  [u0, v0],
  [u1, v0],
  [u1, v1],
  [u0, v1],
];

export const outlineOf = (s: Solid, points: readonly Point[]): Shape => ({
  kind: 'outline',
  style: s.style,
  name: s.name,
  at: placeOfBracket(s.p.id),
  points,
});

export const wordOf = (s: Solid, at: Point, anchor: Caption['anchor'] = 'middle'): Caption => ({
  text: s.p.item.name,
  at,
  anchor,
});

export const onSide = (s: Solid, side: Side): boolean => sidesOf(s.p).includes(side);
