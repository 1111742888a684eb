import { describe, expect, it } from 'vitest';
import ladder from '../../../../examples/tern-ladder.json';
import tern from '../../../../examples/tern.json';
import { evaluate } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, wholePlan } from '../../testing/plans';
import type { Bracket } from '../brackets/choices';
import { stance } from '../stance/figures/stance';
import type { Arm } from './choices';
import { tyreRooms } from './figures/tyre-rooms';

const base = wholePlan(ladder.plan);
const levels = (plan: Plan) => {
  const { checks } = evaluate(plan);
  return (['left', 'right'] as const).map((side) => checks.find((c) => c.id === `motion.tyre.${side}`)?.level);
};
const roomOf = (plan: Plan) => evaluate(plan).of(tyreRooms);
const edges = evaluate(base).of(stance).edges;
const [inLeft, inRight] = [edges?.left.tyreIn ?? NaN, edges?.right.tyreIn ?? NaN];
const withBracket = (more: Partial<Bracket>): Plan => ({
  ...base,
  brackets: {
    ...base.brackets,
    one: {
      ...{ name: 'One more', kind: 'shock', side: 'left', wide: 60, round: 40, high: 250 },
      ...{ hold: 'welded', edge: 'middle' },
      ...more,
    } as Bracket,
  },
});

describe('room beside a tyre', () => {
  it('is to what stands nearest on the axle, by its own side', () => {
    // Its outer edge 9 mm inboard of the left tyre’s side.
    const near = withBracket({ place: { datum: 'centre', at: inLeft - 9 - 30, clock: 0 } });
    const found = roomOf(near);
    expect(found.left.room?.value).toBeCloseTo(9, 6);
    expect(found.left.body).toBe('One more');
    expect(found.right.room?.value).toBeCloseTo(roomOf(base).right.room?.value ?? NaN, 9);
    expect(levels(near)).toEqual(['caution', 'ok']);
    const right = withBracket({ side: 'right', place: { datum: 'centre', at: inRight + 4 - 30, clock: 0 } });
    expect(levels(right)).toEqual(['ok', 'stop']);
  });

  it('is free within the hollow of the rim, where a low tab stands beside the brake', () => {
    const made = withBracket({ high: 60, place: { datum: 'centre', at: inLeft + 4 - 30, clock: 0 } });
    const { 'rim.inside': _, ...readings } = made.readings;
    const low = { ...made, readings };
    expect(levels(low)[0]).toBe('stop');
    const hollow = { ...low, readings: { ...low.readings, 'rim.inside': reading('caliper', 320) } };
    expect(levels(hollow)[0]).toBe('ok');
  });

  it('is no surer than the readings that the part beside it was made from', () => {
    // Leaf springs: half of what the perch spacing may be off, each side, on top of the wheel’s own.
    const leafed = wholePlan(tern.plan);
    const rule = { ...leafed, readings: { ...leafed.readings, 'spring.spacing': reading('rule', 1118) } };
    const tape = { ...leafed, readings: { ...leafed.readings, 'spring.spacing': reading('tape', 1118) } };
    const [fine, coarse] = [rule, tape].map((plan) => {
      const { room, body } = roomOf(plan).right;
      expect(body).toBe('right spring');
      return room?.contributions['spring.spacing'] ?? NaN;
    });
    expect(fine).toBeCloseTo(-0.25 / Math.sqrt(3) / 2, 4);
    expect(coarse).toBeCloseTo(-0.8 / Math.sqrt(3) / 2, 4);
  });

  it('shows the usual size of a damper that nobody listed as assumed', () => {
    const spot = { ax: -30, ay: inLeft - 60, az: 300, cx: -60, cy: inLeft - 60, cz: 640 };
    const of = (outside: Partial<Arm>) => {
      const damper = { name: 'Damper', kind: 'damper', side: 'left', tool: 'tape', ...spot, ...outside } as Arm;
      const { room, body } = roomOf({ ...base, arms: { ...base.arms, damper } }).left;
      expect(body).toBe('Damper');
      return Object.values(room?.assumed ?? {}).filter(({ label }) => label.includes('Damper'));
    };
    expect(of({}).map(({ value }) => value)).toEqual([64]);
    expect(of({ outside: 50 })).toEqual([]);
  });

  it('is not known while a bracket may stand anywhere, or the wheel is not known', () => {
    expect(levels(withBracket({}))).toEqual(['unknown', 'unknown']);
    const { 'wheel.et': _, ...readings } = base.readings;
    expect(levels({ ...base, readings })).toEqual(['unknown', 'unknown']);
  });

  it('follows a link through the travel: one that swings out is met at full droop', () => {
    // From the axle 120 inboard of the tyre to a place of the car beside it, 250 behind: clear of its tread at rest.
    const link = (cy: number, cx: number): Plan => ({
      ...base,
      arms: {
        ...base.arms,
        damper: {
          ...{ name: 'Damper', kind: 'damper', side: 'left', tool: 'tape', outside: 50 },
          ...{ ax: -30, ay: inLeft - 120, az: 300, cx, cy, cz: 640 },
        } as Arm,
      },
    });
    expect(levels(link(inLeft - 60, -60))[0]).toBe('ok');
    expect(levels(link(inLeft - 20, -60))[0]).toBe('stop');
    expect(levels(link(inLeft - 20, -60))[1]).toBe('ok');
  });

  it('is to the leaf springs: half of their spacing and of their width inboard of the tyre', () => {
    const plan = wholePlan(tern.plan);
    const results = evaluate(plan);
    const value = (id: string) => results.known.get(id)?.figure.value ?? NaN;
    const side = results.of(stance).edges?.left.tyreIn ?? NaN;
    const pack = Math.max(value('spring.width'), value('perch.pack')) / 2;
    const flat = side - value('spring.spacing') / 2 - pack;
    const found = results.of(tyreRooms).left.room?.value ?? NaN;
    // Rolled, the tyre’s top leans over by no more than the lean a radius up.
    expect(found).toBeLessThanOrEqual(flat + 1e-6);
    expect(found).toBeGreaterThan(flat - Math.sin(value('stance.lean')) * 330 - 1);
  });

  it('names how far it can be trusted', () => {
    const figure = roomOf(base).left.room;
    expect(figure?.working.formula).not.toBe('');
    expect(Object.keys(figure?.contributions ?? {})).toEqual(
      expect.arrayContaining(['arm.coil.ay', 'donor.half.left', 'donor.half.right']),
    );
  });
});
