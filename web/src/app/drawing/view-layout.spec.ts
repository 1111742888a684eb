import type { View } from '@intervex/core';
import { fitView, heightFor, layDimensions, toModel, toPixel } from './view-layout';

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

describe('fitView', () => {
  it('uses one scale both ways and keeps all of the drawing in its box', () => {
    const t = fitView(view, 700, 320);
    const [x0, y0] = toPixel(t, [view.bounds.left, view.bounds.top]);
    const [x1, y1] = toPixel(t, [view.bounds.right, view.bounds.bottom]);
    expect(x1 - x0).toBeCloseTo((741.5 + 792) * t.k, 9);
    expect(y1 - y0).toBeCloseTo((140 + 138) * t.k, 9);
    expect(Math.min(x0, y0, 700 - x1, 320 - y1)).toBeGreaterThan(0);
  });

  it('turns a pixel back into the place it came from', () => {
    const t = fitView(view, 643, 287);
    const [u, v] = toModel(t, toPixel(t, [-312.7, 45.9]));
    expect(u).toBeCloseTo(-312.7, 9);
    expect(v).toBeCloseTo(45.9, 9);
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
  const t = fitView(view, 700, 320);
  const laid = layDimensions(view, t, 700, (d) => d.value.toFixed(0));
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
    const tight = fitView(view, 300, 320);
    const cut = layDimensions(view, tight, 300, () => 'comes off 3 9/16 +0.020').find((l) => l.d.id === 'c');
    if (!cut) throw new Error('no cut');
    // 23 figures of 7 px and a rim are wider than what is left of the axle’s end.
    expect(cut.textX - cut.width / 2).toBeGreaterThan(cut.x1);
    expect(cut.textX + cut.width / 2).toBeLessThanOrEqual(300);
  });
});
