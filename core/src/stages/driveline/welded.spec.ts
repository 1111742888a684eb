import { describe, expect, it } from 'vitest';
import tern from '../../../../examples/tern.json';
import { evaluate } from '../../evaluate/evaluate';
import type { Plan } from '../../plan';
import { reading, sheetFor, wholePlan } from '../../testing/plans';
import { bench } from './figures/bench';
import { atRest } from './figures/motion';
import { runningSlope, setSlope, wantedSlope } from './figures/slopes';
import { sideView } from './views';

const demo = wholePlan(tern.plan as unknown as Plan);
const rad = (d: number) => (d * Math.PI) / 180;
const welded = (d: number, more: Readonly<Record<string, number>> = {}): Plan => ({
  ...demo,
  readings: {
    ...demo.readings,
    ...Object.fromEntries(Object.entries(more).map(([id, v]) => [id, reading('chosen', v)])),
    'bench.welded': reading('angleGauge', rad(d)),
  },
});

describe('a pinion that is welded', () => {
  const results = evaluate(welded(1.3, { 'drive.slope': rad(2) }));

  it('takes the place of what was wanted in all that follows', () => {
    expect(results.of(wantedSlope)?.value).toBeCloseTo(rad(2), 9);
    expect(results.of(setSlope)?.value).toBeCloseTo(rad(1.3), 9);
    expect(results.of(runningSlope)?.value).toBeCloseTo(rad(1.3), 9);
    // Joint at 262 cos s + 33 sin s before the axle, 287 + 262 sin s − 33 cos s above the ground.
    expect(results.of(atRest)?.pinion.along.value).toBeCloseTo(262.6812, 3);
    expect(results.of(atRest)?.pinion.height.value).toBeCloseTo(259.9525, 3);
  });

  it('leaves the bench card as it was, and says so on it', () => {
    const before = evaluate(welded(1.3, { 'drive.slope': rad(2) }));
    const plain = evaluate({
      ...demo,
      readings: { ...demo.readings, 'drive.slope': reading('chosen', rad(2)) },
    });
    expect(before.of(bench).map((f) => f.fromPinion?.value)).toEqual(
      plain.of(bench).map((f) => f.fromPinion?.value),
    );
    const rows = sheetFor('bench', results).sections.flatMap((s) => s.rows);
    expect(rows.find((r) => r.item === 'Slope as welded')?.cells[0]?.text).toContain('1.3');
    expect(rows.find((r) => r.item.startsWith('Slope to set'))?.cells[0]?.text).toContain('2.0');
  });

  it.each([
    [2.1, 'ok', 'Pinion is welded as it was wanted'],
    [1.3, 'caution', 'Pinion is welded off what was wanted'],
  ])('at %s° is told against what was wanted', (at, level, title) => {
    const check = evaluate(welded(at, { 'drive.slope': rad(2) })).checks.find((c) => c.id === 'drive.welded');
    expect(check).toMatchObject({ level, title });
    expect(check?.figure?.value).toBeCloseTo(rad(at - 2), 9);
  });

  it('is no more dragged, and without a wanted slope is not told to be right', () => {
    expect(results.of(sideView)?.handles).toEqual([]);
    const undecided = evaluate({ ...welded(1.3), choices: { ...demo.choices, aim: 'undecided' } });
    expect(undecided.checks.find((c) => c.id === 'drive.welded')?.level).toBe('unknown');
    expect(evaluate(demo).checks.some((c) => c.id === 'drive.welded')).toBe(false);
  });
});
