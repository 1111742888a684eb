import { Colors, DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import type { JigLayer, JigShape, Spot } from '@intervex/core';
import type { TemplateWord } from '@intervex/core/desks/brackets';

/** Length of the bar that proves a print’s scale, mm. */
export const RULER_MM = 100;
/** Room between shapes and ruler, and round both, mm. */
const GAP = 12;
const TICK = 3;
/** Height of a word on a template, mm. */
export const WORD = 3;

const COLOURS: Readonly<Record<JigLayer, number>> = {
  outline: Colors.White,
  locate: Colors.Blue,
  drill: Colors.Red,
  mark: Colors.Green,
  old: Colors.Cyan,
  keep: Colors.Magenta,
};

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** What shapes cover, mm. */
export function boxOf(shapes: readonly JigShape[]): Box {
  const points = shapes.flatMap((s): readonly Spot[] =>
    s.kind === 'circle'
      ? [
          [s.centre[0] - s.radius, s.centre[1] - s.radius],
          [s.centre[0] + s.radius, s.centre[1] + s.radius],
        ]
      : s.points,
  );
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.max(...ys), bottom: Math.min(...ys) };
}

/** The ruler below the shapes: a line with a tick every 10 mm. */
export function rulerOf({ left, bottom }: Box): readonly JigShape[] {
  const y = bottom - GAP;
  const line = (points: readonly (readonly [number, number])[]): JigShape => ({
    kind: 'path',
    layer: 'mark',
    points,
    closed: false,
  });
  const ticks = Array.from({ length: RULER_MM / 10 + 1 }, (_, i) =>
    line([
      [left + 10 * i, y],
      [left + 10 * i, y + (i % 5 === 0 ? 2 * TICK : TICK)],
    ]),
  );
  return [
    line([
      [left, y],
      [left + RULER_MM, y],
    ]),
    ...ticks,
  ];
}

/** Shapes as a DXF drawing in mm, a layer for each kind, with the ruler. */
export function dxfOf(shapes: readonly JigShape[], title: string, words: readonly TemplateWord[] = []): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const box = boxOf(shapes);
  const all = [...shapes, ...rulerOf(box)];
  for (const layer of new Set(all.map((s) => s.layer))) dxf.addLayer(layer, COLOURS[layer], 'Continuous');
  for (const shape of all) {
    dxf.setCurrentLayerName(shape.layer);
    if (shape.kind === 'circle') dxf.addCircle(point3d(shape.centre[0], shape.centre[1]), shape.radius);
    else
      dxf.addLWPolyline(
        shape.points.map(([x, y]) => ({ point: point2d(x, y) })),
        { flags: shape.closed ? 1 : 0 },
      );
  }
  dxf.setCurrentLayerName('mark');
  for (const { text, at } of words) dxf.addText(point3d(at[0], at[1]), WORD, text);
  dxf.addText(point3d(box.left, box.bottom - GAP - 6), 3.5, `${title}. Ruler ${RULER_MM} mm`);
  return dxf.stringify();
}

const escape = (text: string): string =>
  text.replace(/[<>&"]/g, (c) => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[c] ?? c);

const INKS: Readonly<Record<JigLayer, string>> = {
  outline: '#17202a',
  locate: '#223a9e',
  drill: '#b3261e',
  mark: '#52606d',
  old: '#52606d',
  keep: '#a85b00',
};

/** Shapes as an SVG drawing at full size: one user unit is one millimetre. */
export function svgOf(shapes: readonly JigShape[], title: string, words: readonly TemplateWord[] = []): string {
  const box = boxOf(shapes);
  const all = [...shapes, ...rulerOf(box)];
  const [width, height] = [Math.max(box.right - box.left, RULER_MM) + 2 * GAP, box.top - box.bottom + 4 * GAP];
  const body = all.map((s) => {
    const style = `fill="none" stroke="${INKS[s.layer]}" stroke-width="0.25" class="${s.layer}"`;
    if (s.kind === 'circle')
      return `<circle cx="${number(s.centre[0])}" cy="${number(-s.centre[1])}" r="${number(s.radius)}" ${style}/>`;
    const points = s.points.map(([x, y]) => `${number(x)},${number(-y)}`).join(' ');
    return `<${s.closed ? 'polygon' : 'polyline'} points="${points}" ${style}/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${number(width)}mm" height="${number(height)}mm"`,
    ` viewBox="${number(box.left - GAP)} ${number(-box.top - GAP)} ${number(width)} ${number(height)}">`,
    `<title>${escape(title)}</title>`,
    ...body,
    ...words.map(
      ({ text, at }) =>
        `<text x="${number(at[0])}" y="${number(-at[1])}" font-size="${WORD}" font-family="sans-serif">${escape(text)}</text>`,
    ),
    `<text x="${number(box.left)}" y="${number(-box.bottom + GAP + 7)}" font-size="3.5" font-family="sans-serif">${escape(title)}. Ruler ${RULER_MM} mm: check it before the drill.</text>`,
    '</svg>',
  ].join('\n');
}

/** Enough digits for a micrometre. */
const number = (value: number): string => String(Number(value.toFixed(4)));
