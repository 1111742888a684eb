import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  archWork,
  BULGE,
  centreRange,
  limitedBy,
  marginAt,
  widestSection,
  type Obstacle,
  type StancePose,
  type WheelWidth,
} from './centre-range';
import { backspaceOf, measuringRim, offsetOf, overallRim, sectionOn, wheelEdges } from './wheel';
import { bothSides, cellAt, fitLimit, fitMap, fitMargin, halvesFor, offsetsFor } from './fit-map';
import { readTyreSize } from './tyre-size';
import { spread } from '../../testing/spread';

const size = (text: string) => {
  const read = readTyreSize(text);
  if (!read.ok) throw new Error(read.reason);
  return read.size;
};
const reason = (text: string) => {
  const read = readTyreSize(text);
  return read.ok ? '' : read.reason;
};

describe('tyre size', () => {
  it.each([
    // By hand: 2 · 0.60 · 205 + 15 · 25.4.
    ['205/60R15', 205, 627, 15],
    ['p225/50zr16', 225, 631.4, 16],
    ['LT245/75R16 120S', 245, 773.9, 16],
    [' 185 / 70 R 13 86T', 185, 589.2, 13],
    // 2 · 0.82 · 165 + 13 · 25.4.
    ['165R13', 165, 600.8, 13],
    ['165SR13', 165, 600.8, 13],
    ['26x8.5-15', 215.9, 660.4, 15],
    ['28×9.00R15LT', 228.6, 711.2, 15],
    ['26.0/8.5-15', 215.9, 660.4, 15],
  ])('%s is %d mm wide and %d mm high on %d inch', (text, section, diameter, rim) => {
    expect(size(text).section).toBeCloseTo(section, 6);
    expect(size(text).diameter).toBeCloseTo(diameter, 6);
    expect(size(text).rim).toBe(rim);
  });

  it.each([
    ['', 'no tyre size'],
    ['fifteen', 'no tyre size'],
    ['205/60', 'no tyre size'],
    ['920/60R15', 'A section of 920 mm'],
    ['205/12R15', 'A sidewall of 12 %'],
    ['205/60R51', 'A rim of 51 inch'],
    ['16x8.5-15', 'no sidewall'],
    ['26x2.5-15', 'A width of 2.5 inch'],
    ['88x8.5-15', 'A diameter of 88 inch'],
  ])('refuses “%s” and says why', (text, words) => {
    expect(reason(text)).toContain(words);
  });

  it('gives back the diameter it was made of, metric or in inches', () => {
    const whole = (min: number, max: number) => fc.integer({ min, max });
    fc.assert(
      fc.property(whole(21, 60), whole(6, 17), whole(25, 95), whole(10, 20), (s, w, a, rim) => {
        const metric = size(`${s * 5 + 20}/${a}R${rim}`);
        expect(metric.diameter - 2 * metric.aspect * metric.section).toBeCloseTo(rim * 25.4, 6);
        const high = rim + 3 + w / 2;
        expect(size(`${high}x${w}-${rim}`).diameter / 25.4).toBeCloseTo(high, 9);
      }),
    );
  });
});

describe('wheel', () => {
  it('has its backspace over the flanges: 8 inch, ET +12, 126.3 mm or 4.972 inch', () => {
    expect(overallRim(8)).toBeCloseTo(228.6, 9);
    expect(backspaceOf(8, 12)).toBeCloseTo(126.3, 9);
    expect(backspaceOf(8, 12) / 25.4).toBeCloseTo(4.972, 3);
    expect(offsetOf(7, backspaceOf(7, -13.5))).toBeCloseTo(-13.5, 9);
  });

  it('stands where its face and offset put it: 690 less 12, half of 232 either way', () => {
    const edges = wheelEdges({ wms: 690, rim: 8, et: 12, section: 232 });
    expect(edges).toEqual({ centre: 678, rimIn: 563.7, rimOut: 792.3, tyreIn: 562, tyreOut: 794 });
  });

  it('carries a tyre that grows with the rim: 205/60 is measured on 6 inch', () => {
    expect(measuringRim(205, 0.6)).toBe(6);
    expect(measuringRim(165, 0.82)).toBe(4.5);
    expect(measuringRim(225, 0.5)).toBe(7);
    expect(measuringRim(245, 0.45)).toBe(8);
    expect(measuringRim(285, 0.3)).toBe(10);
    expect(sectionOn({ section: 205, aspect: 0.6 }, 7.5)).toBeCloseTo(220.24, 9);
    expect(sectionOn({ section: 205, aspect: 0.6 }, 5.5)).toBeCloseTo(199.92, 9);
  });
});

const still = { shift: [0, 0], lean: 0, cornering: false, camber: 0 } as const;
/** A tyre whose rim is the narrower of both. */
const tyre = (section: number): WheelWidth => ({ section, rim: 0 });
const rail: Obstacle = { id: 'rail', from: 'inboard', y: 489.2, height: -198, gap: 19 };
const spring: Obstacle = { id: 'spring', from: 'inboard', y: 481.7, height: 12, gap: 25 };
const lip: Obstacle = { id: 'lip', from: 'outboard', y: 741.5, height: 352.6, gap: 13 };
const RIDE: StancePose = { obstacles: [rail, spring, lip], motion: still };

describe('room of a tyre', () => {
  it('ends where the gap to something is used up, and says to what: 489.2 + 19 + 101.3, 741.5 − 13 − 101.3', () => {
    const range = centreRange(tyre(202.6), [RIDE]);
    expect(range.least).toEqual({ at: expect.closeTo(609.5, 9), by: 'rail' });
    expect(range.most).toEqual({ at: expect.closeTo(627.2, 9), by: 'lip' });
    expect(marginAt(612, range)).toBeCloseTo(2.5, 9);
    expect(limitedBy(612, range)).toBe('rail');
    expect(limitedBy(625, range)).toBe('lip');
    expect(marginAt(630, range)).toBeCloseTo(-2.8, 9);
  });

  it('takes shift, lean and bulge from it (by hand: 0.04 · 202.6 = 8.104, 352.6 · sin 2° = 12.306)', () => {
    const motion = { shift: [-4.9, 2.6], lean: (2 * Math.PI) / 180, cornering: true, camber: 0 } as const;
    const range = centreRange(tyre(202.6), [{ obstacles: [rail, lip], motion }]);
    // 609.5 + 8.104 + 198 · 0.034899 + 4.9.
    expect(range.least?.at).toBeCloseTo(629.414, 3);
    // 627.2 − 8.104 − 12.3056 − 2.6.
    expect(range.most?.at).toBeCloseTo(604.19, 2);
    expect(archWork(range)).toBeCloseTo(25.224, 2);
  });

  it('is open where nothing is in the way', () => {
    const open = centreRange(tyre(202.6), [{ obstacles: [lip], motion: still }]);
    expect(open.least).toBeUndefined();
    expect(marginAt(-900, open)).toBeGreaterThan(1000);
    expect(limitedBy(600, open)).toBe('lip');
    expect(archWork(open)).toBeUndefined();
    expect(marginAt(600, centreRange(tyre(202.6), []))).toBe(Infinity);
    expect(widestSection([{ obstacles: [lip], motion: still }]).status).toBe('unlimited');
  });

  it('takes as its widest tyre one that uses both gaps up: 741.5 − 489.2 − 19 − 13 = 220.3', () => {
    expect(widestSection([RIDE])).toMatchObject({ value: expect.closeTo(220.3, 6), status: 'found' });
    const cornering: StancePose = { ...RIDE, motion: { ...still, cornering: true } };
    // 220.3 / 1.08.
    expect(widestSection([cornering]).value).toBeCloseTo(203.98, 2);
    // A bulging tyre takes the room up in one straight line, one step.
    expect(widestSection([cornering]).iterations).toBe(1);
    const narrow: StancePose = { obstacles: [rail, { ...lip, y: 515 }], motion: still };
    expect(widestSection([narrow])).toMatchObject({ value: 0, status: 'none' });
  });
});

/** Poses of one side with everything unlike. */
const anyPose = fc.record({
  obstacles: fc.array(
    fc.record({
      id: fc.constantFrom('a', 'b', 'c', 'd'),
      from: fc.constantFrom<Obstacle['from']>('inboard', 'outboard'),
      y: spread(430, 790),
      height: spread(-300, 380),
      gap: spread(0, 30),
    }),
    { minLength: 1, maxLength: 5 },
  ),
  motion: fc.record({
    shift: fc.tuple(spread(-12, 0), spread(0, 12)),
    lean: spread(0, 0.08),
    cornering: fc.boolean(),
    camber: spread(-0.04, 0.04),
  }),
});

/** Least gap left over, by trying every extreme of the motion one by one. */
function bruteMargin(centre: number, { section, rim }: WheelWidth, poses: readonly StancePose[]): number {
  let least = Infinity;
  for (const { obstacles, motion } of poses)
    for (const { from, y, height, gap } of obstacles)
      for (const shift of motion.shift)
        for (const lean of [-motion.lean, 0, motion.lean])
          for (const bulge of motion.cornering ? [0, BULGE * section] : [0]) {
            const at = centre + shift + height * Math.sin(lean) + height * Math.sin(motion.camber);
            const half = Math.max(section / 2 + bulge, rim / 2);
            const edge = from === 'inboard' ? at - half - y : y - (at + half);
            least = Math.min(least, edge - gap);
          }
  return least;
}

describe('fit map', () => {
  it('agrees with a sampler that tries every pose and extreme', () => {
    fc.assert(
      fc.property(
        fc.array(anyPose, { minLength: 1, maxLength: 3 }),
        fc.array(anyPose, { minLength: 1, maxLength: 3 }),
        fc.record({
          section: spread(150, 290),
          rim: spread(140, 300),
        }),
        spread(-15, 15),
        (left, right, wheel, off) => {
          const ranges = { left: centreRange(wheel, left), right: centreRange(wheel, right) };
          const grid = { half: { from: 640, to: 760, cells: 7 }, et: { from: -40, to: 55, cells: 5 } };
          const { margins, columns, rows } = fitMap(ranges, grid, off);
          for (let row = 0; row < rows; row += 1)
            for (let column = 0; column < columns; column += 1) {
              const centre = cellAt(grid.half, column) - cellAt(grid.et, row);
              const expected = Math.min(
                bruteMargin(centre + off, wheel, left),
                bruteMargin(centre - off, wheel, right),
              );
              const margin = margins[row * columns + column] ?? Number.NaN;
              if (expected === Infinity) expect(margin).toBe(Infinity);
              else expect(margin).toBeCloseTo(expected, 6);
            }
        },
      ),
      { numRuns: 150 },
    );
  });

  const ranges = {
    left: centreRange(tyre(202.6), [RIDE]),
    right: centreRange(tyre(202.6), [
      {
        obstacles: [
          { ...rail, y: 485.7 },
          { ...lip, y: 738.2 },
        ],
        motion: still,
      },
    ]),
  };

  it('gives offsets for a width and widths for an offset, ends that just clear', () => {
    const span = bothSides(ranges, 1.8);
    // Left 609.5 − 1.8 and 627.2 − 1.8; right 606.0 + 1.8 and 623.9 + 1.8.
    expect(span.least).toBeCloseTo(607.8, 6);
    expect(span.most).toBeCloseTo(625.4, 6);
    const offsets = offsetsFor(641.3, span);
    expect([offsets.least, offsets.most]).toEqual([expect.closeTo(15.9, 6), expect.closeTo(33.5, 6)]);
    for (const et of [offsets.least ?? 0, offsets.most ?? 0])
      expect(fitMargin(ranges, 641.3 - et, 1.8)).toBeCloseTo(0, 6);
    const halves = halvesFor(-7.5, span);
    expect([halves.least, halves.most]).toEqual([expect.closeTo(600.3, 6), expect.closeTo(617.9, 6)]);
    expect(bothSides({ left: { least: undefined, most: undefined }, right: ranges.right }).least).toBeCloseTo(
      606,
      6,
    );
  });

  it('names the side and the thing that limits', () => {
    expect(fitLimit(ranges, 610)).toEqual({ side: 'left', by: 'rail' });
    expect(fitLimit(ranges, 622)).toEqual({ side: 'right', by: 'lip' });
    expect(
      fitLimit({ left: centreRange(tyre(200), []), right: centreRange(tyre(200), []) }, 600),
    ).toBeUndefined();
  });

  it('refuses a map without cells', () => {
    const grid = { half: { from: 640, to: 760, cells: 0 }, et: { from: -40, to: 55, cells: 5 } };
    expect(() => fitMap(ranges, grid)).toThrow(RangeError);
  });

  it('puts a cell’s place in its middle', () => {
    expect([0, 1, 3].map((i) => cellAt({ from: 10, to: 22, cells: 4 }, i))).toEqual([11.5, 14.5, 20.5]);
  });
});
