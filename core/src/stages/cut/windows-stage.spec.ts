import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../evaluate';
import { given, type Figure } from '../../measure';
import type { Plan } from '../../plan';
import { reading, workedPlan } from '../../testing/plans';
import { markMove } from './mark-move';
import { marks } from './figures/marks';
import { windows } from './figures/windows';
import { listed, windowsStage, type KeepClear, type WindowsInput } from './windows-stage';

const mm = (id: string, value: number): Figure => given(id, id, value, 0, 'mm', '');
/** A tube on which the first mark may stand from 40 to 440, 92 between the marks, the mark now at 210. */
const tube = (at = 210, spacing = 92): Omit<WindowsInput, 'keepClear' | 'apart'> => ({
  marks: { spacing: mm('s', spacing), inner: { fromCasting: mm('x', at) } },
  nearCasting: mm('c', 40),
  nearEnd: mm('e', 440),
});
const thing = (name: string, from: number, to: number): KeepClear => ({
  id: name,
  name,
  from: mm(`${name}.a`, from),
  to: mm(`${name}.b`, to),
});
const find = (keepClear: readonly KeepClear[], at?: number, spacing?: number) =>
  windowsStage({ ...tube(at, spacing), keepClear, apart: mm('L', 40) }, 'left');
const spans = (found: ReturnType<typeof find>) => found.free.map(({ from, to }) => [from.value, to.value]);

describe('free places of a cut', () => {
  it('are the whole range where nothing stands on the tube', () => {
    const found = find([]);
    expect(spans(found)).toEqual([[40, 440]]);
    expect(found.best?.value).toBe(240);
    expect(found.why).toBe('Middle of the widest free stretch, between the casting and the housing end');
    expect(found.nearest).toBeUndefined();
  });

  it('keep both cuts and the slug off a bracket wider than the slug', () => {
    // 150 wide at 180 to 330: before it the outer cut ends 40 short of 180, so the inner at 180 − 40 − 92 = 48.
    const found = find([thing('perch', 180, 330)]);
    expect(spans(found)).toEqual([
      [40, 48],
      [370, 440],
    ]);
    expect(found.best?.value).toBe(405);
    expect(found.why).toContain('between perch and the housing end');
    expect(found.nearest?.value).toBe(370);
  });

  it('let a narrow thing go off with the slug', () => {
    // 20 wide at 260 to 280: with the slug from 188 to 260.
    const found = find([thing('bleed boss', 260, 280)], 210);
    expect(spans(found)).toEqual([
      [40, 128],
      [188, 260],
      [320, 440],
    ]);
    expect(found.nearest).toBeUndefined();
    expect(find([thing('bleed boss', 260, 280)], 175).nearest?.value).toBe(188);
  });

  it('keep only the weld off a seat that is welded on later', () => {
    const found = find([{ ...thing('seat', 240, 300), later: true }]);
    expect(spans(found)).toEqual([
      [40, 200],
      [340, 440],
    ]);
    expect(found.best?.value).toBe(120);
  });

  it('are none where all is shut', () => {
    const found = find([thing('long bracket', 60, 480)]);
    expect(found).toMatchObject({ free: [], why: '' });
    expect([found.best, found.nearest]).toEqual([undefined, undefined]);
  });

  it('hold no place at which a cut comes nearer than it may, and miss none', () => {
    const pieces = fc.array(
      fc.record({ from: fc.integer({ min: 0, max: 560 }), long: fc.integer({ min: 1, max: 160 }) }),
      { maxLength: 3 },
    );
    fc.assert(
      fc.property(
        pieces,
        fc.integer({ min: 20, max: 140 }),
        fc.integer({ min: 42, max: 438 }),
        (list, s, x) => {
          const things = list.map(({ from, long }, i) => thing(`t${i}`, from, from + long));
          const free = find(things, x, s).free.some(({ from, to }) => x > from.value && x < to.value);
          const near = (a: number, b: number, c: number) => Math.max(a - c, c - b) < 40;
          const clear = things.every(
            ({ from: { value: a }, to: { value: b } }) =>
              (a >= x && b <= x + s) || (!near(a, b, x) && !near(a, b, x + s) && !(a > x && b < x + s)),
          );
          // On the very edge, and in gaps narrower than a scribed line, either may be said.
          const edge = find(things, x, s).free.every(
            ({ from, to }) => Math.abs(x - from.value) > 0.6 && Math.abs(x - to.value) > 0.6,
          );
          if (edge && free) expect(clear).toBe(true);
          if (clear && !free) {
            const round = (dx: number) =>
              things.every(
                ({ from: { value: a }, to: { value: b } }) =>
                  (a >= x + dx && b <= x + dx + s) || (!near(a, b, x + dx) && !near(a, b, x + dx + s)),
              );
            expect(round(-0.6) && round(0.6)).toBe(false);
          }
        },
      ),
    );
  });
});

describe('in a plan', () => {
  const item = { side: 'left' as const, name: 'the perch', from: 150, to: 200 };
  const plan: Plan = { ...workedPlan({ 'cut.mark.left': reading('chosen', 202) }), tubeItems: { a: item } };

  it('name what they end at, and a check offers the nearest', () => {
    const results = evaluate(plan);
    const found = results.of(windows).left;
    expect(found?.free.at(-1)?.between).toEqual(['the perch', 'the housing end']);
    const check = results.checks.find((c) => c.id === 'cut.item.a');
    // 200 and 40 to keep.
    expect(check).toMatchObject({
      level: 'stop',
      offer: { quantityId: 'cut.mark.left', value: 240, text: 'Move the first mark to {240 mm along}' },
    });
    const moved = evaluate({
      ...plan,
      readings: { ...plan.readings, 'cut.mark.left': reading('chosen', 240) },
    });
    expect(moved.checks.find((c) => c.id === 'cut.item.a')).toMatchObject({ level: 'ok' });
  });

  it('know nothing of a side whose cut is made, and still of the other', () => {
    const tacked = evaluate({
      ...plan,
      readings: { ...plan.readings, 'after.tacked.left': reading('caliper', 617.3) },
    });
    expect(tacked.of(windows).left).toBeUndefined();
    expect(tacked.of(windows).right?.free.length).toBeGreaterThan(0);
  });

  it('know nothing of a side that is not shortened, or not read', () => {
    const { 'donor.tube.right': _, ...rest } = plan.readings;
    expect(evaluate({ ...plan, readings: rest }).of(windows).right).toBeUndefined();
  });

  it('move the end piece where the end comes off: it is longer the nearer the casting the cut is', () => {
    const off = evaluate({
      ...workedPlan({ 'cut.endPiece.left': reading('caliper', 90) }),
      choices: { ...workedPlan().choices, method: 'endOff' },
    });
    const found = off.of(marks).marks.left;
    if (!found) throw new Error('no marks');
    const move = markMove(found, 'endOff', 'left', found.inner.fromCasting.value - 15);
    expect(move.quantityId).toBe('cut.endPiece.left');
    expect(move.value).toBeCloseTo(105, 9);
  });

  it('list what stands on one side only', () => {
    expect(listed({ a: item, b: { ...item, side: 'right' } }, 'left').map((k) => k.id)).toEqual(['item.a']);
  });
});
