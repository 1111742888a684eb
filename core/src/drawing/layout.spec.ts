import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placeWords } from './place-words';
import { fitView, heightFor, layDimensions, layOut, toModel, toPixel, zoomed, zoomTo, SCREEN } from './layout';
import type { Dimension, View } from './view';

const view: View = {
  title: 'Rear view',
  bounds: { left: -792, right: 741.5, top: 140, bottom: -138 },
  shapes: [],
  handles: [],
  captions: [],
  dimensions: [
    { id: 'w', label: 'WMS width', from: [-701, 77], to: [701, 77], row: 2, value: 1402, figureId: 'w' },
    { id: 'c', label: 'Cut', from: [-792, -77], to: [-701, -77], row: -3, value: -91, figureId: 'c' },
    { id: 's', label: 'Slug', from: [300, -30], to: [341.7, -30], row: -1, value: 41.7, figureId: 's' },
  ],
};

const print = (d: Dimension) => d.value.toFixed(0);
const box = { width: 700, height: 320, m: SCREEN, print };

describe('fitView', () => {
  it('uses one scale both ways and keeps all of the drawing in its box', () => {
    const t = fitView(view, box);
    const [x0, y0] = toPixel(t, [view.bounds.left, view.bounds.top]);
    const [x1, y1] = toPixel(t, [view.bounds.right, view.bounds.bottom]);
    expect(x1 - x0).toBeCloseTo((741.5 + 792) * t.k, 9);
    expect(y1 - y0).toBeCloseTo((140 + 138) * t.k, 9);
    expect(Math.min(x0, y0, 700 - x1, 320 - y1)).toBeGreaterThan(0);
  });

  it('leaves a drawing where it stands while it becomes a little wider, and only on a screen', () => {
    const wider = { width: 800, height: 400 };
    const wide = (by: number): View => ({ ...view, bounds: { ...view.bounds, left: view.bounds.left - by } });
    const [was, is] = [0.3, 0.5].map((by) => fitView(wide(by), wider));
    expect(is).toEqual(was);
    // Less than a step of 1.2 % below what would just fit.
    const exact = fitView(wide(0.3), wider, undefined, { ...SCREEN, steady: 0 });
    expect(exact.k / (was?.k ?? 0)).toBeGreaterThanOrEqual(1);
    expect(exact.k / (was?.k ?? 0)).toBeLessThan(1.012);
    expect(Number.isInteger(was?.x) && Number.isInteger(was?.y)).toBe(true);
    expect(fitView(wide(0.5), wider, undefined, { ...SCREEN, steady: 0 }).k).toBeLessThan(exact.k);
  });

  it('turns a pixel back into the place it came from, enlarged too', () => {
    const t = zoomed(fitView(view, { width: 643, height: 287 }), { k: 3.7, x: -211, y: -94 });
    const [u, v] = toModel(t, toPixel(t, [-312.7, 45.9]));
    expect(u).toBeCloseTo(-312.7, 9);
    expect(v).toBeCloseTo(45.9, 9);
  });

  it('goes close to a part: its middle comes to the middle, three fifths of the box wide', () => {
    const t = fitView(view, box);
    const z = zoomed(
      t,
      zoomTo(
        t,
        box,
        [
          [280, -30],
          [341.7, 44],
        ],
        100,
      ),
    );
    const [x, y] = toPixel(z, [310.85, 7]);
    expect(x).toBeCloseTo(350, 6);
    expect(y).toBeCloseTo(160, 6);
    // 74 mm high take 192 px before 61.7 mm wide take 420.
    expect(74 * z.k).toBeCloseTo(192, 6);
  });
});

describe('heightFor', () => {
  it('grows with the width until it is high enough', () => {
    const [narrow, wide, widest] = [374, 700, 4000].map((w) => heightFor(view, w)) as [number, number, number];
    expect(narrow).toBeLessThan(wide);
    expect(wide).toBeLessThan(widest);
    expect(widest).toBe(440);
  });
});

describe('layDimensions', () => {
  const { fitted: t, rows } = layOut(view, box);
  const laid = layDimensions(view, t, box, rows);
  const of = (id: string) => {
    const found = laid.find((l) => l.d.id === id);
    if (!found) throw new Error(id);
    return found;
  };

  it('puts text that fits in the middle of its line, and other text outboard of it', () => {
    expect(of('w').textX).toBeCloseTo((of('w').x0 + of('w').x1) / 2, 9);
    expect(of('c').textX).toBeLessThan(of('c').x0);
    expect(of('s').textX).toBeGreaterThan(of('s').x1);
  });

  it('stands rows above and below the drawing, the higher the number the farther out', () => {
    const top = toPixel(t, [0, view.bounds.top])[1];
    const bottom = toPixel(t, [0, view.bounds.bottom])[1];
    expect(of('w').y).toBeLessThan(top);
    expect(of('s').y).toBeGreaterThan(bottom);
    expect(of('c').y).toBeGreaterThan(of('s').y);
  });

  it('puts text that would run off the drawing inboard instead', () => {
    const narrow = { ...box, width: 300, print: () => 'comes off 3 9/16 + .020' };
    const tight = layOut(view, narrow);
    const cut = layDimensions(view, tight.fitted, narrow, tight.rows).find((l) => l.d.id === 'c');
    if (!cut) throw new Error('no cut');
    expect(cut.textX - cut.width / 2).toBeGreaterThan(cut.x1);
    expect(cut.textX + cut.width / 2).toBeLessThanOrEqual(300);
  });

  it('keeps rows at the edges of the box once the drawing is larger than it, and leaves out what is out of sight', () => {
    const close = zoomed(t, { k: 6, x: -6 * 480, y: -6 * 140 });
    const near = layDimensions(view, close, box, rows);
    expect(near.map((l) => l.d.id)).not.toContain('c');
    for (const l of near) {
      expect(l.y).toBeGreaterThan(0);
      expect(l.y).toBeLessThan(320);
      expect(l.textX - l.width / 2).toBeGreaterThanOrEqual(0);
      expect(l.textX + l.width / 2).toBeLessThanOrEqual(700);
    }
  });

  it('never lays a text over another or over another’s line, whatever the lengths and rows', () => {
    const dims = fc.array(
      fc.record({
        from: fc.integer({ min: -780, max: 700 }),
        long: fc.integer({ min: 2, max: 700 }),
        row: fc.constantFrom(-2, -1, 1, 2),
      }),
      { minLength: 2, maxLength: 5 },
    );
    const text = fc.constantFrom('8', '12 3⁄16 − .021', 'comes off 13 15⁄16 + .024');
    fc.assert(
      fc.property(dims, text, (list, said) => {
        const drawn: View = {
          ...view,
          dimensions: list.map(({ from, long, row }, i) => ({
            id: `d${i}`,
            label: '',
            from: [from, 0],
            to: [Math.min(741, from + long), 0],
            row,
            value: long,
            figureId: '',
          })),
        };
        const frame = { ...box, print: () => said };
        const all = layOut(drawn, frame);
        const out = layDimensions(drawn, all.fitted, frame, all.rows);
        for (const a of out)
          for (const b of out) {
            if (a === b || Math.abs(a.y - b.y) > 1) continue;
            const [left, right] = [a.textX - a.width / 2, a.textX + a.width / 2];
            expect(right <= b.textX - b.width / 2 || left >= b.textX + b.width / 2).toBe(true);
            expect(right <= b.x0 + 1.01 || left >= b.x1 - 1.01).toBe(true);
          }
      }),
    );
  });
});

describe('placeWords', () => {
  const word = (text: string, x: number, y: number) => ({ text, x, y, anchor: 'middle' as const });
  const { fitted, rows } = layOut(view, box);
  const lines = layDimensions(view, fitted, box, rows);

  it('moves words off one another, off dimensions and into the picture', () => {
    const placed = placeWords(
      [word('housing end', 690, 150), word('perch', 660, 152), word('x', 3, -20)],
      lines,
      box,
    );
    const rects = placed.map(({ text, x, y, anchor }) => {
      const width = text.length * 6.3;
      const x0 = { start: x, middle: x - width / 2, end: x - width }[anchor];
      return { x0, x1: x0 + width, y0: y - 11, y1: y + 3 };
    });
    expect(placed).toHaveLength(3);
    for (const r of rects) expect(Math.min(r.x0, r.y0, 700 - r.x1, 320 - r.y1)).toBeGreaterThanOrEqual(0);
    const [a, b] = rects;
    expect(a && b && (a.x1 <= b.x0 || b.x1 <= a.x0 || a.y1 <= b.y0 || b.y1 <= a.y0)).toBe(true);
  });

  it('leaves the corner with scale and buttons free', () => {
    const [only] = placeWords([word('car centreline', 640, 315)], [], box, 200);
    expect((only?.y ?? 320) <= 320 - 26 - 3 + 1).toBe(true);
  });
});
