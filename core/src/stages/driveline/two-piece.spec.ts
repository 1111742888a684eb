import { describe, expect, it } from 'vitest';
import packhorse from '../../../../examples/packhorse.json';
import { evaluate } from '../../evaluate/evaluate';
import { waiting } from '../../evaluate/waiting';
import type { Plan } from '../../plan';
import { sheetFor, wholePlan } from '../../testing/plans';
import { setUp } from '../gears/figures/set-up';
import { atRest } from './figures/motion';
import { setSlope } from './figures/slopes';
import { roadPerTurn } from './figures/study';

const demo = wholePlan(packhorse.plan as unknown as Plan);
const results = evaluate(demo, '2026-11-26');
const rad = (d: number) => (d * Math.PI) / 180;

/** Between two directions, °. */
function between(a: readonly number[], b: readonly number[]): number {
  const dot = (x: readonly number[], y: readonly number[]) => x.reduce((sum, v, i) => sum + v * (y[i] ?? 0), 0);
  return (Math.acos(dot(a, b) / Math.sqrt(dot(a, a) * dot(b, b))) * 180) / Math.PI;
}

describe('two shafts with a centre bearing', () => {
  it('bend at three joints by what lies between the lines through them', () => {
    const at = results.of(atRest);
    const slope = results.of(setSlope)?.value ?? NaN;
    // Along, to the left, up, mm: gearbox joint, centre joint, pinion joint; as they were read.
    const gearbox = [1977.75, -6.5, 346];
    const centre = [912, -3, 306];
    const pinion = [
      268.4 * Math.cos(slope) + 38.2 * Math.sin(slope),
      at?.pinion.side.value ?? NaN,
      321.5 + 268.4 * Math.sin(slope) - 38.2 * Math.cos(slope),
    ];
    const from = (a: readonly number[], b: readonly number[]) => a.map((v, i) => v - (b[i] ?? 0));
    const lines = [
      [Math.cos(rad(3.25)), 0, Math.sin(rad(3.25))],
      from(gearbox, centre),
      from(centre, pinion),
      [Math.cos(slope), 0, Math.sin(slope)],
    ];
    const wanted = [0, 1, 2].map((i) => between(lines[i] ?? [], lines[i + 1] ?? []));
    expect(at?.joints).toHaveLength(3);
    for (const [i, joint] of (at?.joints ?? []).entries())
      expect((joint.value * 180) / Math.PI).toBeCloseTo(wanted[i] ?? NaN, 2);
  });

  it('are the estate’s: slope found, weld waits for the springs, gears half set up', () => {
    const level = (id: string) => results.checks.find((c) => c.id === id)?.level;
    expect(level('drive.range')).toBe('ok');
    expect(level('drive.open')).toBe('caution');
    expect(results.openings).toHaveProperty('rideHeight');
    expect(JSON.stringify(waiting(results))).toContain('rideHeight');
    expect(JSON.stringify(sheetFor('bench', results))).toMatch(/tack only/i);
    const { trials, next } = results.of(setUp);
    expect(trials.map((t) => t.says.good)).toEqual([false, false]);
    // The contact still lies toward the face: a thicker pinion shim.
    expect(next?.pinionMove).toBeGreaterThan(0);
    expect(next?.packs.ringSide?.best.length).toBeGreaterThan(0);
  });

  it('cover road by the gear set that is to be fitted, not by the ratio of the brief', () => {
    // A tyre of 668 rolls 0.97 of its circumference; 43:10 turns, where the brief says 3.7.
    expect(results.of(roadPerTurn)?.value).toBeCloseTo((0.97 * Math.PI * 668) / 4.3, 6);
    const none = evaluate({ ...demo, choices: { ...demo.choices, gearSet: '' } });
    expect(none.of(roadPerTurn)?.value).toBeCloseTo((0.97 * Math.PI * 668) / 3.7, 6);
  });
});
