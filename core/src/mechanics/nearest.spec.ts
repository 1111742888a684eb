import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numerics';
import { between } from '../testing/draws';
import { roomOfBar, roomOfWheel, type Box, type Disc } from './nearest';
import type { Point3 } from './solid-axle';

const far = (a: Point3, b: Point3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const mix = (a: Point3, b: Point3, t: number): Point3 => [
  a[0] + t * (b[0] - a[0]),
  a[1] + t * (b[1] - a[1]),
  a[2] + t * (b[2] - a[2]),
];
const toBox = ({ low, high }: Box, p: Point3) =>
  Math.hypot(...[0, 1, 2].map((i) => Math.max(low[i]! - p[i]!, 0, p[i]! - high[i]!)));

describe('room between what moves and what does not', () => {
  it('is from skin to skin of a bar and a box beside it', () => {
    const box: Box = { low: [50, 30, 0], high: [60, 40, 9] };
    expect(roomOfBar({ from: [0, 0, 0], to: [100, 0, 0], radius: 10 }, { box })).toBeCloseTo(20, 6);
    // Past its end, and through it.
    expect(roomOfBar({ from: [0, 0, 0], to: [20, 0, 0], radius: 4 }, { box })).toBeCloseTo(
      Math.hypot(30, 30) - 4,
      6,
    );
    expect(roomOfBar({ from: [0, 35, 4], to: [100, 35, 4], radius: 10 }, { box })).toBeCloseTo(-10, 6);
  });

  it('is the least over all points of a bar, whatever it passes', () => {
    const random = seededRandom(7);
    const point = (): Point3 => [
      between(random, -300, 300),
      between(random, -300, 300),
      between(random, 0, 400),
    ];
    for (let i = 0; i < 60; i += 1) {
      const [from, to, a, b] = [point(), point(), point(), point()];
      const box: Box = {
        low: [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.min(a[2], b[2])],
        high: [Math.max(a[0], b[0]), Math.max(a[1], b[1]), Math.max(a[2], b[2])],
      };
      const ts = Array.from({ length: 2001 }, (_, k) => k / 2000);
      const sampled = Math.min(...ts.map((t) => toBox(box, mix(from, to, t))));
      const found = roomOfBar({ from, to, radius: 17 }, { box });
      expect(found + 17).toBeLessThanOrEqual(sampled + 1e-6);
      expect(found + 17).toBeGreaterThan(sampled - 0.4);
      const edged = Math.min(
        ...ts
          .filter((_, k) => k % 20 === 0)
          .map((t) => Math.min(...ts.map((s) => far(mix(from, to, t), mix(a, b, s))))),
      );
      const edge = roomOfBar({ from, to, radius: 0 }, { edge: [a, b] });
      expect(edge).toBeLessThanOrEqual(edged + 1e-6);
      expect(edge).toBeGreaterThan(edged - 5);
    }
  });

  it('of a wheel is to its tread, its side or its shoulder', () => {
    const wheel: Disc = { centre: [0, 600, 300], axis: [0, 1, 0], half: 100, radius: 300 };
    const at = (p: Point3) => roomOfWheel(wheel, { box: { low: p, high: p } });
    expect(at([0, 600, 640])).toBeCloseTo(40, 6);
    expect(at([0, 470, 300])).toBeCloseTo(30, 6);
    expect(at([0, 470, 640])).toBeCloseTo(50, 6);
    expect(at([20, 590, 310])).toBeCloseTo(0, 9);
    expect(
      roomOfWheel(wheel, {
        edge: [
          [-900, 600, 650],
          [900, 600, 650],
        ],
      }),
    ).toBeCloseTo(50, 6);
    // A leaning wheel comes nearer to what stands beside its top.
    const lean = 0.05;
    const leaned: Disc = { ...wheel, axis: [0, Math.cos(lean), -Math.sin(lean)] };
    const post = { box: { low: [-5, 300, 550], high: [5, 450, 640] } } as const;
    expect(roomOfWheel(leaned, post)).not.toBeCloseTo(roomOfWheel(wheel, post), 0);
  });
});
