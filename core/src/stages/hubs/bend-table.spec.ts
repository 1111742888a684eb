import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point3 } from './choices';
import { bendTable } from './bend-table';
import { spread } from '../../testing/spread';

const line = (points: readonly Point3[], radius = 15, flare = 0) =>
  bendTable({ name: 'rear left', points, radius, flare });
const table = (points: readonly Point3[], radius = 15, flare = 0) => {
  const made = line(points, radius, flare);
  if (!made.ok) throw new Error(made.reason);
  return made.table;
};
const reason = (points: readonly Point3[], radius = 15) => {
  const made = line(points, radius);
  return made.ok ? '' : made.reason;
};
const DEGREE = Math.PI / 180;

describe('bend table', () => {
  it('bends a right angle on a die of 15: 23.56 mm of arc between 85 and 65', () => {
    const t = table([
      [0, 0, 0],
      [100, 0, 0],
      [100, 80, 0],
    ]);
    expect(t.bends).toHaveLength(1);
    expect(t.bends[0]?.straight).toBeCloseTo(85, 9);
    expect(t.bends[0]?.angle).toBeCloseTo(Math.PI / 2, 9);
    expect(t.bends[0]?.arc).toBeCloseTo(23.56, 2);
    expect(t.last).toBeCloseTo(65, 9);
    expect(t.developed).toBeCloseTo(173.56, 2);
  });

  it('turns the line between bends of other planes, and marks where each begins', () => {
    const t = table(
      [
        [0, 0, 0],
        [100, 0, 0],
        [100, 90, 0],
        [100, 90, 70],
      ],
      12,
      6,
    );
    // The second bend stands square on the first, to the left of the line.
    expect((t.bends[1]?.rotation ?? 0) / DEGREE).toBeCloseTo(90, 6);
    // 6 + 88; then 18.85 of arc and 66 of straight.
    expect(t.bends.map((b) => b.mark.toFixed(2))).toEqual(['94.00', '178.85']);
    expect(t.cut).toBeCloseTo(88 + 66 + 58 + 2 * 18.8496 + 12, 3);
    expect(t.stock).toBe(400);
  });

  it('tells a turn to the right from one to the left', () => {
    const up: Point3 = [100, 90, 70];
    const down: Point3 = [100, 90, -70];
    const rotation = (end: Point3) =>
      table([[0, 0, 0], [100, 0, 0], [100, 90, 0], end], 12).bends[1]?.rotation ?? 0;
    expect(rotation(up)).toBeCloseTo(-rotation(down), 9);
  });

  it('passes over points that lie on a straight', () => {
    const t = table([
      [0, 0, 0],
      [40, 0, 0],
      [100, 0, 0],
      [100, 80, 0],
    ]);
    expect(t.bends).toHaveLength(1);
    expect(t.bends[0]?.straight).toBeCloseTo(85, 9);
  });

  it('is never longer than its corners’ way, and never shorter than the way as the crow flies', () => {
    const at = spread(-400, 400);
    fc.assert(
      fc.property(fc.array(fc.tuple(at, at, at), { minLength: 3, maxLength: 7 }), (points) => {
        const made = line(points, 6);
        if (!made.ok) return;
        const far = (a: Point3, b: Point3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
        const legs = points.slice(1).reduce((sum, p, i) => sum + far(p, points[i] as Point3), 0);
        expect(made.table.developed).toBeLessThanOrEqual(legs + 1e-6);
        expect(made.table.developed).toBeGreaterThanOrEqual(
          far(points[0] as Point3, points.at(-1) as Point3) - 1e-6,
        );
      }),
    );
  });

  it('says where a line cannot be bent', () => {
    expect(reason([[0, 0, 0]])).toContain('two points');
    expect(
      reason([
        [0, 0, 0],
        [0, 0, 0],
        [10, 0, 0],
      ]),
    ).toBe('Points 1 and 2 are the same place.');
    expect(
      reason([
        [0, 0, 0],
        [100, 0, 0],
        [50, 0, 0],
      ]),
    ).toContain('At point 2 the line turns back');
    // Two right angles 20 mm apart need 15 mm each.
    expect(
      reason([
        [0, 0, 0],
        [100, 0, 0],
        [100, 20, 0],
        [200, 20, 0],
      ]),
    ).toContain('Between points 2 and 3 there is no room for the bends: {10 mm} are missing');
    expect(
      table([
        [0, 0, 0],
        [4000, 0, 0],
      ]).stock,
    ).toBeUndefined();
  });
});
