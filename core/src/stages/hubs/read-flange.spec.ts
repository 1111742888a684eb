import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flangeShapes } from './flange-shapes';
import { newHoles } from './jig';
import { readFlange, type DrawnCircle } from './read-flange';
import { redrill } from './redrill';
import { spread } from '../../testing/spread';

const at = (x: number, y: number, diameter: number): DrawnCircle => ({ centre: [x, y], radius: diameter / 2 });
const ring = (count: number, pcd: number, hole: number, turn: number, x = 0, y = 0): DrawnCircle[] =>
  newHoles({ count, pcd, hole }, turn).map(([u, v]) => at(u + x, v + y, hole));

describe('a flange read from a drawing', () => {
  it('is its bolt pattern, rim, pilot and other holes', () => {
    const found = readFlange([
      at(31.2, -14.6, 158.4),
      at(31.2, -14.6, 72.6),
      ...ring(5, 120.02, 14, 0.4, 31.2, -14.6),
      at(31.2 + 46.2 * Math.cos(0.7142), -14.6 + 46.2 * Math.sin(0.7142), 8.1),
    ]);
    expect(found.patterns).toHaveLength(1);
    expect(found.patterns[0]?.count).toBe(5);
    expect(found.patterns[0]?.pcd).toBeCloseTo(120.02, 6);
    expect(found.patterns[0]?.hole).toBeCloseTo(14, 9);
    expect([found.rim, found.pilot]).toEqual([158.4, 72.6]);
    expect(found.others).toHaveLength(1);
    expect(found.others[0]?.angle).toBeCloseTo(0.3142, 6);
    expect(found.others[0]?.radius).toBeCloseTo(46.2, 6);
  });

  it('gives the larger of two patterns first, and none where holes stand unevenly', () => {
    const two = readFlange([...ring(4, 108, 13, 0.1), ...ring(6, 139.7, 14.2, 0.3)]);
    expect(two.patterns.map((p) => p.count)).toEqual([6, 4]);
    const uneven = ring(5, 108, 13, 0.1).map((c, i) => (i === 2 ? at(c.centre[0] + 1.4, c.centre[1], 13) : c));
    expect(readFlange(uneven).patterns).toEqual([]);
    expect(readFlange([at(0, 0, 10), at(4, 4, 10)])).toEqual({ patterns: [], others: [] });
  });

  it('tells two patterns of equal holes on one flange apart', () => {
    const found = readFlange([at(7, 3, 158), ...ring(5, 120, 14, 0.2, 7, 3), ...ring(5, 108, 14, 0.83, 7, 3)]);
    expect(found.patterns.map((p) => [p.count, Math.round(p.pcd * 1e6) / 1e6])).toEqual([
      [5, 120],
      [5, 108],
    ]);
    expect(found.others).toHaveLength(5);
  });

  it('finds any pattern wherever it is drawn and however it is turned', () => {
    const d = (min: number, max: number) => spread(min, max);
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 10 }),
        d(90, 180),
        d(0, 6),
        d(-500, 500),
        d(-500, 500),
        (n, pcd, turn, x, y) => {
          const [found] = readFlange(ring(n, pcd, 13, turn, x, y)).patterns;
          expect(found?.count).toBe(n);
          expect(found?.pcd).toBeCloseTo(pcd, 6);
          expect(found?.centre[0]).toBeCloseTo(x, 6);
        },
      ),
    );
  });

  it('reads what it draws itself', () => {
    const face = {
      old: { count: 5, pcd: 120, hole: 14 },
      wanted: { count: 5, pcd: 108, hole: 13.2 },
      rim: 158,
      pilot: 72,
      keepOuts: [{ name: 'screw', radius: 47, angle: 0.31, diameter: 8 }],
    };
    const { clockRad } = redrill(face, { ligament: 6, ligamentShare: 0.5, edgeShare: 1.25 });
    const shapes = flangeShapes(face, clockRad).flatMap((s) => (s.kind === 'circle' ? [s] : []));
    expect(shapes.map((s) => s.layer)).toEqual([
      ...Array<string>(2).fill('outline'),
      ...Array<string>(5).fill('old'),
      ...Array<string>(5).fill('drill'),
      'keep',
    ]);
    const found = readFlange(shapes);
    expect(found.patterns.map((p) => [p.count, Math.round(p.pcd * 1000) / 1000])).toEqual([
      [5, 120],
      [5, 108],
    ]);
  });
});
