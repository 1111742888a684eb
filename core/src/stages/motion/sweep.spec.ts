import { describe, expect, it } from 'vitest';
import { axleCharacter, axlePose } from '../../mechanics/solid-axle';
import { evaluate } from '../../evaluate/evaluate';
import { reading, workedPlan } from '../../testing/plans';
import { arm } from '../../testing/arms';
import { standing } from './figures/study';
import { extremesOf, sweepOf } from './sweep';
import { alongTravel } from './travel';
import { memberAt, lengthOf, posedAt } from './study';

const DEGREE = Math.PI / 180;
const ARMS = {
  lower: arm('Lower link', 'lower', 'pair', [-6, 468, 243], [561, 462, 268]),
  upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [379, 424, 428]),
  bar: arm('Bar', 'lateral', 'single', [-92, -431, 296], [-97, 437, 314]),
  coil: arm('Coil-over', 'coilOver', 'pair', [6, 402, 360], [-40, 360, 705]),
};
const READ = {
  'drive.axleHeight': reading('tape', 311),
  'brief.wheelbase': reading('tape', 2475),
  'brief.cgHeight': reading('chosen', 512),
  'spring.bump': reading('tape', 70),
  'spring.droop': reading('tape', 85),
  'stance.lean': reading('chosen', 1.8 * DEGREE),
};
const standOf = (readings = {}) => {
  const stands = evaluate({
    ...workedPlan({ ...READ, ...readings }, { suspension: 'parallel' }),
    arms: ARMS,
  }).of(standing);
  if (!stands) throw new Error('not held');
  return stands.stand;
};

describe('a sweep over heave and roll', () => {
  const stand = standOf();
  const sweep = sweepOf(stand, { heaves: 32, rolls: 7 });
  if (!sweep) throw new Error('no sweep');

  it('goes from droop to bump and from side to side, and misses nothing', () => {
    expect([sweep.heaves[0], sweep.heaves.at(-1)]).toEqual([-85, 70]);
    expect(sweep.rolls[0]).toBeCloseTo(-1.8 * DEGREE, 12);
    expect(sweep.rolls[3]).toBeCloseTo(0, 12);
    expect(sweep.missed).toBe(0);
  });

  it('has in every place what the pose itself says', () => {
    for (const [i, j] of [
      [0, 0],
      [31, 6],
      [17, 2],
      [9, 5],
    ] as const) {
      const asked = { z: sweep.heaves[i] ?? 0, roll: sweep.rolls[j] ?? 0 };
      const pose = axlePose(stand.axle, asked);
      const at = j * 32 + i;
      expect(sweep.values.pinion[at]).toBeCloseTo(-pose.pitch, 9);
      expect(sweep.values.forward[at]).toBeCloseTo(pose.x, 6);
      expect(sweep.values.left[at]).toBeCloseTo(pose.y, 6);
      expect(sweep.values.bind[at]).toBeCloseTo(Math.max(...pose.errors.map(Math.abs)), 6);
      const member = stand.held.sprung[1];
      if (!member) throw new Error('no coil-over');
      expect(sweep.lengths[1]?.values[at]).toBeCloseTo(
        lengthOf(memberAt(stand, posedAt(stand.axle, asked), member)),
        6,
      );
    }
  });

  it('has anti-squat and roll centre as near as its steps are small', () => {
    const fine = sweepOf(stand, { heaves: 156, rolls: 41 });
    if (!fine) throw new Error('no sweep');
    // A place inside: 25 up, level.
    const i = fine.heaves.findIndex((z) => Math.abs(z - 25) < 1e-9);
    const at = 20 * 156 + i;
    const told = axleCharacter(stand.axle, { wheelbase: 2475, cgHeight: 512 }, 25);
    expect(fine.values.antiSquat[at]).toBeCloseTo(told?.antiSquat ?? Number.NaN, 3);
    expect(fine.values.rollCentre[at]).toBeCloseTo(told?.rollCentre ?? Number.NaN, 1);
  });

  it('names both extremes and where they are', () => {
    const found = extremesOf(sweep, sweep.values.left);
    const all = [...sweep.values.left];
    expect(found?.most.value).toBe(Math.max(...all));
    expect(found?.least.value).toBe(Math.min(...all));
    const { z = 0, roll = 0, value } = found?.most ?? {};
    expect(axlePose(stand.axle, { z, roll }).y).toBeCloseTo(value ?? Number.NaN, 6);
    expect(extremesOf(sweep, new Float64Array(3).fill(Number.NaN))).toBeUndefined();
  });

  it('stops where it is told to, and says nothing while the travel is not known', () => {
    const told: number[] = [];
    expect(
      sweepOf(stand, { heaves: 5, rolls: 4 }, (done) => {
        told.push(done);
        return told.length < 2;
      }),
    ).toBeUndefined();
    expect(told).toEqual([0.25, 0.5]);
    const { 'spring.bump': _, ...readings } = READ;
    const unknown = evaluate({ ...workedPlan(readings, { suspension: 'parallel' }), arms: ARMS }).of(standing);
    expect(unknown && sweepOf(unknown.stand)).toBeUndefined();
    expect(unknown && alongTravel(unknown.stand, 0)).toBeUndefined();
  });

  it('leaves out what the links do not reach, and counts it', () => {
    const short = evaluate({
      ...workedPlan(READ, { suspension: 'parallel' }),
      arms: { ...ARMS, upper: arm('Upper link', 'upper', 'pair', [-31, 428, 452], [9, 424, 452]) },
    }).of(standing);
    const found = short && sweepOf(short.stand, { heaves: 12, rolls: 3 });
    expect(found?.missed).toBeGreaterThan(0);
    expect([...(found?.values.bind ?? [])].some(Number.isNaN)).toBe(true);
    expect(extremesOf(found ?? sweep, found?.values.bind ?? new Float64Array())?.most.value).toBeLessThan(26);
  });

  it('has one roll where none is leaned to', () => {
    const level = sweepOf(standOf({ 'stance.lean': reading('chosen', 0) }), { heaves: 9, rolls: 5 });
    expect(level?.rolls).toEqual([0]);
    expect(level?.values.rollCentre.every(Number.isNaN)).toBe(true);
  });
});

describe('what is told along the travel', () => {
  it('agrees with the sweep where both look', () => {
    const stand = standOf();
    const along = alongTravel(stand, 0, 32);
    const sweep = sweepOf(stand, { heaves: 32, rolls: 7 });
    along?.heave.forEach((z, i) => {
      expect(z).toBeCloseTo(sweep?.heaves[i] ?? Number.NaN, 9);
      expect(along.pinion[i]).toBeCloseTo(sweep?.values.pinion[3 * 32 + i] ?? Number.NaN, 9);
      expect(along.left[i]).toBeCloseTo(sweep?.values.left[3 * 32 + i] ?? Number.NaN, 6);
    });
  });
});
