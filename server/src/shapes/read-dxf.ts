import { MM_PER_INCH, readFlange, type DrawnCircle, type FoundFlange, type Spot } from '@intervex/core';
import DxfParser, { type ICircleEntity, type IEntity, type ILwpolylineEntity } from 'dxf-parser';
import { refused, type Refused } from '../http/refusal';

/** Unit that a drawing is said to be in where its header names none. */
type DrawingUnit = 'mm' | 'in';

/** Millimetres in the units a header may name. */
const MM_PER_UNIT: Readonly<Record<number, number>> = {
  1: MM_PER_INCH,
  4: 1,
  5: 10,
  6: 1000,
  8: MM_PER_INCH / 1e6,
  13: 0.001,
};
/** A flange measures between these across, mm. */
const ACROSS = [40, 500] as const;
/** Two half circles of a polyline have this bulge. */
const HALF_TURN = 1;
const SAME = 0.01;
/** Nothing on a flange is larger, in any unit. */
const MOST_RADIUS = 1e9;
/** Most things in a drawing that is read: a flange has tens. */
const MOST_ENTITIES = 20_000;

interface ReadDrawing extends FoundFlange {
  /** What was in the drawing and not taken, in words. */
  readonly passedOver: readonly string[];
}

const wrong = (message: string, what: string, right: string): Refused =>
  refused('invalid', message, [{ field: 'file', wrong: what, right }]);

/**
 * Reads a flange or hole pattern from the text of a DXF drawing: circles, and polylines and arcs that close to one.
 *
 * @param assumed unit where the header names none
 * @throws Refused that says what the file is, and what would be right
 */
export function readDxf(text: string, assumed?: DrawingUnit): ReadDrawing {
  const drawing = parse(text);
  if (drawing.entities.length > MOST_ENTITIES)
    throw wrong(
      `The drawing holds ${drawing.entities.length} things; at most ${MOST_ENTITIES} are read.`,
      `holds ${drawing.entities.length} things`,
      `at most ${MOST_ENTITIES}: the flange alone, saved as a drawing of its own`,
    );
  const scale = scaleOf(drawing.header['$INSUNITS'], assumed);
  const circles = circlesOf(drawing.entities).map(({ centre: [x, y], radius }): DrawnCircle => ({
    centre: [x * scale, y * scale],
    radius: radius * scale,
  }));
  const passedOver = passed(drawing.entities);
  if (circles.length === 0) {
    const held = passedOver.length ? `; it holds ${passedOver.join(', ')}` : '';
    throw wrong(
      `The drawing has no circles${held}.`,
      `has no circles${held}`,
      'holes as circles: explode blocks and turn splines into circles before it is saved',
    );
  }
  refuseSize(circles);
  return { ...readFlange(circles), passedOver };
}

function parse(text: string): { header: Record<string, unknown>; entities: readonly IEntity[] } {
  if (/^AutoCAD Binary DXF/.test(text))
    throw wrong('This is a binary DXF.', 'is a binary DXF', 'the same drawing saved as an ASCII DXF');
  if (!/\bSECTION\b/.test(text.slice(0, 20_000)))
    throw wrong('This is no DXF drawing.', 'is no DXF drawing', 'an ASCII DXF with the holes as circles');
  try {
    const drawing = new DxfParser().parseSync(text);
    const whole = drawing as Partial<{ header: Record<string, unknown>; entities: readonly IEntity[] }> | null;
    if (whole) return { header: whole.header ?? {}, entities: whole.entities ?? [] };
  } catch {
    // What its parser says of a broken file means nothing at the bench.
  }
  throw wrong('The drawing is cut short or broken.', 'is cut short or broken', 'the drawing saved again');
}

function scaleOf(unit: unknown, assumed: DrawingUnit | undefined): number {
  const named = typeof unit === 'number' && unit !== 0 ? unit : undefined;
  if (named === undefined && assumed) return assumed === 'mm' ? 1 : MM_PER_INCH;
  if (named === undefined)
    throw refused('invalid', 'The drawing does not say its unit.', [
      { field: 'units', wrong: 'is not in the file', right: 'mm or in, chosen beside the file' },
    ]);
  const scale = MM_PER_UNIT[named];
  if (scale === undefined)
    throw wrong(
      'The drawing’s unit is not one for parts.',
      `has unit number ${named}`,
      'a drawing in mm or inch',
    );
  return scale;
}

function refuseSize(circles: readonly DrawnCircle[]): void {
  const ends = (i: 0 | 1) => circles.flatMap((c) => [c.centre[i] - c.radius, c.centre[i] + c.radius]);
  const across = Math.max(...([0, 1] as const).map((i) => Math.max(...ends(i)) - Math.min(...ends(i))));
  if (across >= ACROSS[0] && across <= ACROSS[1]) return;
  throw wrong(
    `The drawing is ${across.toPrecision(3)} mm across: its unit is wrong, or it is no flange.`,
    `is ${across.toPrecision(3)} mm across`,
    `a flange of ${ACROSS[0]} to ${ACROSS[1]} mm; check the drawing’s unit`,
  );
}

interface Arc {
  readonly centre: Spot;
  readonly radius: number;
  readonly turn: number;
}

function circlesOf(entities: readonly IEntity[]): readonly DrawnCircle[] {
  const whole = entities.flatMap((e): DrawnCircle[] => {
    if (e.type === 'CIRCLE') return round(e as ICircleEntity);
    if (e.type === 'LWPOLYLINE' || e.type === 'POLYLINE') return roundPolyline(e as ILwpolylineEntity);
    return [];
  });
  const arcs = entities.flatMap((e): Arc[] => {
    if (e.type !== 'ARC') return [];
    const { startAngle, endAngle } = e as ICircleEntity;
    const turn = ((((endAngle ?? 0) - (startAngle ?? 0)) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
    return round(e as ICircleEntity).map((whole) => ({ ...whole, turn }));
  });
  return [...whole, ...closedArcs(arcs)];
}

/** A closed polyline of two points with half-circle bulges is how many programs write a circle. */
function roundPolyline({ vertices }: ILwpolylineEntity): DrawnCircle[] {
  if (vertices?.length !== 2) return [];
  const [a, b] = vertices;
  const bulges = vertices.map((v) => Math.abs((v as { bulge?: number }).bulge ?? 0));
  if (!a || !b || bulges.some((bulge) => !(Math.abs(bulge - HALF_TURN) <= SAME))) return [];
  const center = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: 0 };
  return round({ center, radius: Math.hypot(a.x - b.x, a.y - b.y) / 2 });
}

/** A circle as it was drawn; none where its middle is missing or its radius is none. */
function round({ center, radius }: Partial<Pick<ICircleEntity, 'center' | 'radius'>>): DrawnCircle[] {
  const [x, y, r] = [Number(center?.x), Number(center?.y), Number(radius)];
  return Number.isFinite(x) && Number.isFinite(y) && r > 0 && r < MOST_RADIUS
    ? [{ centre: [x, y], radius: r }]
    : [];
}

/** Arcs about one middle that together turn all the way round. */
function closedArcs(arcs: readonly Arc[]): DrawnCircle[] {
  const cells = new Map<string, Arc[]>();
  for (const arc of arcs) {
    const same = nearCells(arc)
      .map((key) => cells.get(key))
      .find(
        (group) =>
          group?.[0] &&
          Math.hypot(group[0].centre[0] - arc.centre[0], group[0].centre[1] - arc.centre[1]) < SAME &&
          Math.abs(group[0].radius - arc.radius) < SAME,
      );
    if (same) same.push(arc);
    else cells.set(cellOf(arc, 0, 0, 0), [arc]);
  }
  return [...cells.values()]
    .filter((g) => Math.abs(g.reduce((sum, a) => sum + a.turn, 0) - 2 * Math.PI) < SAME)
    .flatMap(([first]) => (first ? [{ centre: first.centre, radius: first.radius }] : []));
}

const cellOf = ({ centre, radius }: Arc, dx: number, dy: number, dr: number): string =>
  [Math.floor(centre[0] / SAME) + dx, Math.floor(centre[1] / SAME) + dy, Math.floor(radius / SAME) + dr].join();

/** The cell of an arc by middle and radius, and those about it. */
const nearCells = (arc: Arc): readonly string[] =>
  STEPS.flatMap((dx) => STEPS.flatMap((dy) => STEPS.map((dr) => cellOf(arc, dx, dy, dr))));
const STEPS = [0, -1, 1] as const;

const NAMES: Readonly<Record<string, readonly [one: string, many: string]>> = {
  SPLINE: ['spline', 'splines'],
  INSERT: ['block', 'blocks'],
  ELLIPSE: ['ellipse', 'ellipses'],
};

/** What could be part of a flange and is not read, counted. */
function passed(entities: readonly IEntity[]): readonly string[] {
  return Object.entries(NAMES).flatMap(([type, [one, many]]) => {
    const n = entities.filter((e) => e.type === type).length;
    return n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
  });
}
