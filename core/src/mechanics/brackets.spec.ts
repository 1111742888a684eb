import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bearingStress,
  carryOver,
  doubleShear,
  notchDepth,
  patchGap,
  patchPairs,
  saddleDepth,
  uBolt,
  weldStress,
  weldStressInSpace,
  weldsRoundTube,
  wrapped,
  type TubePatch,
  type WeldRun,
} from '.';
import { spread } from '../testing/spread';

const DEG = Math.PI / 180;

describe('carryOver', () => {
  it('goes through the car’s centreline', () => {
    const over = {
      side: 'left',
      fromOldCasting: 304.8,
      oldCasting: 96.2,
      oldPinion: -4.5,
      newCasting: 127.98,
      newPinion: -12,
    } as const;
    expect(carryOver(over).y).toBeCloseTo(396.5, 9);
    expect(carryOver(over).fromNewCasting).toBeCloseTo(280.52, 9);
  });

  it('does the same on the right, seen in a mirror', () => {
    const over = { fromOldCasting: 211, oldCasting: 88, oldPinion: 7, newCasting: 131, newPinion: -16 };
    const left = carryOver({ ...over, side: 'left' });
    const right = carryOver({ ...over, side: 'right', oldPinion: -7, newPinion: 16 });
    expect(right.y).toBeCloseTo(-left.y, 9);
    expect(right.fromNewCasting).toBeCloseTo(left.fromNewCasting, 9);
  });
});

describe('uBolt', () => {
  const shape = { tube: 76.2, bolt: 12.7, stack: 52, plate: 10, nut: 14, proud: 6, corner: 14 };

  it('goes round over the tube', () => {
    const { arc, leg, developed } = uBolt({ ...shape, bend: 'round' });
    expect(arc).toBeCloseTo(139.64, 2);
    expect(leg).toBeCloseTo(120.1, 9);
    expect(developed).toBeCloseTo(379.84, 2);
  });

  it('goes over it with two corners as long as its middle line walked in small steps', () => {
    const { leg, developed } = uBolt({ ...shape, bend: 'square' });
    const half = (76.2 + 12.7) / 2;
    const path: [number, number][] = [
      [half, -leg],
      [half, half - 14],
    ];
    for (let i = 1; i <= 2000; i += 1) {
      const a = (i / 2000) * 90 * DEG;
      path.push([half - 14 + 14 * Math.cos(a), half - 14 + 14 * Math.sin(a)]);
    }
    path.push([0, half]);
    const walked = path.reduce((sum, [x, y], i) => {
      const before = path[i - 1];
      return before ? sum + Math.hypot(x - before[0], y - before[1]) : sum;
    }, 0);
    expect(developed).toBeCloseTo(2 * walked, 3);
  });

  it('refuses corners that cannot be bent', () => {
    expect(() => uBolt({ ...shape, bend: 'square', corner: 5 })).toThrow(RangeError);
    expect(() => uBolt({ ...shape, bend: 'square', corner: 60 })).toThrow(RangeError);
  });
});

describe('saddleDepth', () => {
  it('is how deep a plate sits on the tube', () => {
    expect(saddleDepth(38.1, 20)).toBeCloseTo(5.671, 3);
    expect(saddleDepth(38.1, 38.1)).toBeCloseTo(38.1, 9);
    expect(() => saddleDepth(38.1, 38.2)).toThrow(RangeError);
  });
});

describe('notchDepth', () => {
  it('lies on both tubes', () => {
    fc.assert(
      fc.property(
        fc.record({
          main: spread(25, 60),
          share: spread(0.2, 0.7),
          angle: spread(30 * DEG, 90 * DEG),
          off: spread(-0.25, 0.25),
          clock: spread(0, 2 * Math.PI),
        }),
        ({ main, share, angle, off, clock }) => {
          const [branch, offset] = [share * main, off * main];
          const d = notchDepth({ main, branch, angle, offset }, clock) as number;
          // The main tube lies along x; the branch rises from its axis in the x–z plane, moved beside it along y.
          const axis = [Math.cos(angle), 0, Math.sin(angle)] as const;
          // Toward the acute angle, square to the branch: that side meets the tube farther along.
          const acute = [Math.sin(angle), 0, -Math.cos(angle)] as const;
          const [c, s] = [branch * Math.cos(clock), branch * Math.sin(clock) + offset];
          const y = s;
          const z = d * axis[2] + c * acute[2];
          expect(Math.hypot(y, z)).toBeCloseTo(main, 6);
        },
      ),
    );
  });

  it('is nothing where the branch passes beside', () => {
    expect(notchDepth({ main: 30, branch: 25, angle: 90 * DEG, offset: 10 }, 90 * DEG)).toBeUndefined();
    expect(notchDepth({ main: 30, branch: 25, angle: 90 * DEG, offset: 10 }, 0)).toBeCloseTo(Math.sqrt(800), 9);
  });
});

/** The same stress from many small bits, and the plane of pull solved from the three sums by Cramer’s rule. */
function inBits(runs: readonly WeldRun[], force: readonly number[], at: readonly number[]): number {
  const bits = runs.flatMap(({ from, to, leg }) => {
    const n = 4000;
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    return Array.from({ length: n }, (_, i) => {
      const t = (i + 0.5) / n;
      return {
        x: from[0] + t * (to[0] - from[0]),
        y: from[1] + t * (to[1] - from[1]),
        a: (leg * Math.SQRT1_2 * length) / n,
      };
    });
  });
  const sum = (f: (b: (typeof bits)[number]) => number) => bits.reduce((all, b) => all + f(b) * b.a, 0);
  const [fx, fy, fz] = force as [number, number, number];
  const [px, py, pz] = at as [number, number, number];
  const [A, X, Y] = [sum(() => 1), sum((b) => b.x), sum((b) => b.y)];
  const [XX, YY, XY] = [sum((b) => b.x * b.x), sum((b) => b.y * b.y), sum((b) => b.x * b.y)];
  const wanted = [fz, px * fz - pz * fx, py * fz - pz * fy];
  const det = (m: number[][]) => {
    const [[a, b, c], [d, e, f], [g, h, i]] = m as [
      [number, number, number],
      [number, number, number],
      [number, number, number],
    ];
    return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  };
  const m = [
    [A, X, Y],
    [X, XX, XY],
    [Y, XY, YY],
  ];
  const solved = [0, 1, 2].map(
    (k) => det(m.map((row, r) => row.map((v, c) => (c === k ? (wanted[r] as number) : v)))) / det(m),
  );
  const [cx, cy] = [X / A, Y / A];
  const J = sum((b) => (b.x - cx) ** 2 + (b.y - cy) ** 2);
  const T = (px - cx) * fy - (py - cy) * fx;
  return Math.max(
    ...runs
      .flatMap(({ from, to }) => [from, to])
      .map(([x, y]) =>
        Math.hypot(
          fx / A - (T / J) * (y - cy),
          fy / A + (T / J) * (x - cx),
          (solved[0] as number) + (solved[1] as number) * x + (solved[2] as number) * y,
        ),
      ),
  );
}

describe('weldStress', () => {
  const pair: WeldRun[] = [
    { from: [0, -20], to: [60, -20], leg: 5 },
    { from: [0, 20], to: [60, 20], leg: 5 },
  ];

  it('is the plain share of a straight pull', () => {
    expect(weldStress(pair, { force: [9000, 0, 0], at: [30, 0, 0] })).toBeCloseTo(21.213, 3);
  });

  it('twists two parallel runs as the textbook’s unit group does', () => {
    // J_u = d (3b² + d²)/6 for two runs d long, b apart.
    const [d, b, a] = [60, 40, 5 * Math.SQRT1_2];
    const J = (a * d * (3 * b * b + d * d)) / 6;
    const T = 4000 * 55;
    const twist = (T / J) * Math.hypot(30, 20);
    const direct = 4000 / (2 * d * a);
    const [tx, ty] = [(T / J) * 20, (T / J) * 30];
    expect(weldStress(pair, { force: [0, 4000, 0], at: [85, 0, 0] })).toBeCloseTo(
      Math.hypot(tx, ty + direct),
      6,
    );
    expect(twist).toBeGreaterThan(0);
  });

  it('is what many small bits add up to, for groups that are not alike on either side', () => {
    const crooked: WeldRun[] = [
      { from: [0, 0], to: [50, 8], leg: 6 },
      { from: [12, 30], to: [12, 71], leg: 4 },
      { from: [-20, 45], to: [5, 60], leg: 5 },
    ];
    const force = [5200, -1800, 2600] as const;
    const at = [17, 22, 64] as const;
    expect(weldStress(crooked, { force, at })).toBeCloseTo(inBits(crooked, force, at), 3);
  });

  it('bears along one line what bends along it, and refuses what bends across it', () => {
    const line: WeldRun[] = [{ from: [0, 0], to: [30, 40], leg: 5 }];
    // A pull at one end: the share of it, and its moment over length² / 6.
    const a = 5 * Math.SQRT1_2;
    expect(weldStress(line, { force: [0, 0, 1000], at: [30, 40, 0] })).toBeCloseTo(
      1000 / (a * 50) + (1000 * 25) / ((a * 50 * 50) / 6),
      6,
    );
    expect(() => weldStress(line, { force: [0, 0, 1000], at: [40, 20, 0] })).toThrow(RangeError);
    // Two whole rings round a tube, 40 apart, pulled along it 30 off the skin: by hand, a shift and a turn about their middle.
    const rings = weldsRoundTube(40, 2 * Math.PI * 32, 32, 4);
    const A = 2 * 2 * Math.PI * 32 * 4 * Math.SQRT1_2;
    const turn = (5000 * (32 + 30)) / (A * (20 ** 2 + 32 ** 2 / 2));
    // Worst on top: along by the shift and the turn, and off the skin by half of the way between the rings.
    const top = Math.hypot(5000 / A + turn * 32, turn * 20);
    expect(weldStressInSpace(rings, { force: [5000, 0, 0], at: [0, 0, 30] })).toBeCloseTo(top, 0);
    expect((weldStressInSpace(rings, { force: [5000, 0, 0], at: [0, 0, 30] }) ?? 0) / top).toBeCloseTo(1, 1);
    // Round a tube so large that it is flat it is that of the plane.
    const flat = { force: [900, -400, 1500], at: [12, 5, 44] } as const;
    const straight = [-25, 25].map((x) => ({ from: [x, -30] as const, to: [x, 30] as const, leg: 5 }));
    expect(weldStressInSpace(weldsRoundTube(50, 60, 1e6, 5), flat)).toBeCloseTo(weldStress(straight, flat), 2);
    // One straight line does not bear what turns it about itself.
    const one = [{ from: [0, -30, 0], to: [0, 30, 0], leg: 5 }] as const;
    expect(weldStressInSpace(one, { force: [900, 0, 0], at: [0, 0, 40] })).toBeUndefined();
    expect(() => weldStressInSpace([], flat)).toThrow(RangeError);
    expect(() => weldStress([], { force: [0, 0, 1], at: [0, 0, 0] })).toThrow(RangeError);
  });
});

describe('bolts', () => {
  it('are sheared twice and press on their plates', () => {
    expect(doubleShear(18_000, 12)).toBeCloseTo(18_000 / (2 * 113.097), 3);
    expect(bearingStress(18_000, 12, 12)).toBe(125);
  });
});

const patch = fc
  .record({
    from: spread(0, 600),
    wide: spread(2, 120),
    clock: spread(-10, 10),
    half: spread(0.02, Math.PI),
    margin: fc.constantFrom(0, 6, 9),
  })
  .map(({ from, wide, ...rest }): TubePatch => ({ from, to: from + wide, ...rest }));

describe('patches on a tube', () => {
  it('wrap within half a turn', () => {
    expect(wrapped(370 * DEG)).toBeCloseTo(10 * DEG, 9);
    expect(wrapped(-190 * DEG)).toBeCloseTo(170 * DEG, 9);
    expect(wrapped(3600 * DEG)).toBeCloseTo(0, 9);
  });

  it('are paired as every pair looked at for itself', () => {
    fc.assert(
      fc.property(fc.array(patch, { maxLength: 30 }), (all) => {
        const wanted = all.flatMap((a, i) =>
          all.flatMap((b, j) => (j > i && patchGap(a, b, 38).margins < -1e-9 ? [[i, j]] : [])),
        );
        const loose = all.flatMap((a, i) =>
          all.flatMap((b, j) => (j > i && patchGap(a, b, 38).margins < 1e-9 ? [`${i},${j}`] : [])),
        );
        const found = patchPairs(all, 38);
        expect(found.map(String)).toEqual(expect.arrayContaining(wanted.map(String)));
        expect(loose).toEqual(expect.arrayContaining(found.map(String)));
      }),
    );
  });

  it('meet where a fine grid of the skin finds both', () => {
    // The grid is 1 mm × 1 mm; bodies without margins.
    const R = 38;
    const sample: fc.Arbitrary<TubePatch> = patch.map((p) => ({
      ...p,
      margin: 0,
      half: Math.min(p.half, 1.2),
    }));
    fc.assert(
      fc.property(sample, sample, (a, b) => {
        let met = false;
        for (let x = 0; x <= 720 && !met; x += 1)
          for (let s = 0; s < 2 * Math.PI * R && !met; s += 1) {
            const on = (p: TubePatch) => {
              let off = Math.abs(s / R - p.clock) % (2 * Math.PI);
              if (off > Math.PI) off = 2 * Math.PI - off;
              return x >= p.from && x <= p.to && off <= p.half;
            };
            met = on(a) && on(b);
          }
        const gap = patchGap(a, b, R).body;
        // What meets by less than the grid is wide may slip through it.
        if (met) expect(gap).toBeLessThanOrEqual(1e-9);
        else expect(gap).toBeGreaterThan(-1.5);
      }),
      { numRuns: 60 },
    );
  });
});
