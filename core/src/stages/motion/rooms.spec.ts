import { describe, expect, it } from 'vitest';
import ladder from '../../../../examples/tern-ladder.json';
import { evaluate } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, wholePlan } from '../../testing/plans';
import type { Bracket } from '../brackets/choices';
import type { Obstacle } from './choices';
import { rooms } from './figures/rooms';

const MOVES = {
  'body.casting': reading('tape', 130),
  'body.cover': reading('tape', 165),
  'body.yoke': reading('caliper', 95),
};
const base = wholePlan(ladder.plan);
const at = (x: number, y: number, z: number): Obstacle => ({ name: 'Floor', kind: 'point', x, y, z });
const planOf = (floor: Obstacle, more: Partial<Plan> = {}): Plan => ({
  ...base,
  ...more,
  readings: { ...base.readings, ...MOVES, ...more.readings },
  obstacles: { floor },
});
const told = (floor: Obstacle, more: Partial<Plan> = {}) => {
  const results = evaluate(planOf(floor, more));
  return {
    check: results.checks.find((c) => c.id === 'obstacle.floor'),
    room: results.of(rooms)[0],
  };
};
const HIGH = at(5, 240, 470);
const bracket = (more: Partial<Bracket>): Bracket =>
  ({
    name: 'Truss',
    kind: 'truss',
    side: 'across',
    hold: 'welded',
    edge: 'middle',
    wide: 900,
    round: 60,
    high: 86,
    place: { datum: 'centre', at: 0, clock: 0 },
    ...more,
  }) as Bracket;

describe('room in the travel', () => {
  it('is clear where everything that moves was looked at', () => {
    expect(told(HIGH).check).toMatchObject({ level: 'ok' });
  });

  it('looks at a truss: one that comes through the floor is a stop', () => {
    // At full bump of 72 the tube’s top stands 397 above the ground, its truss’s 483.
    const { check, room } = told(HIGH, { brackets: { truss: bracket({}) } });
    expect(check).toMatchObject({ level: 'stop', title: 'Floor: met by the Truss' });
    expect(room?.asked?.z).toBe(72);
    expect(room?.room?.value).toBeLessThan(0);
    // One that ends lower by as much as is kept is clear.
    expect(told(HIGH, { brackets: { truss: bracket({ high: 30 }) } }).check?.level).toBe('ok');
  });

  it('looks at a bracket’s flanks, round the tube and down its plates', () => {
    const high = bracket({ kind: 'link', side: 'left', name: 'Ear', wide: 60, high: 240 });
    const placed = (clock: number) => ({
      ear: { ...high, place: { datum: 'centre', at: 240, clock: (clock * Math.PI) / 180 } } as Bracket,
    });
    expect(told(HIGH, { brackets: placed(0) }).check?.level).toBe('stop');
    expect(told(HIGH, { brackets: placed(90) }).check?.level).toBe('ok');
  });

  it('is not known while a bracket has no place or no height', () => {
    const { place: _, ...nowhere } = bracket({});
    const { high: __, ...flat } = bracket({});
    for (const one of [nowhere, flat])
      expect(told(HIGH, { brackets: { truss: one as Bracket } }).check).toMatchObject({
        level: 'unknown',
        lacks: expect.arrayContaining(['bracket.list']),
      });
  });

  it.each([
    ['casting', at(0, -20, 480)],
    ['casting', at(-175, -20, 300)],
    ['left wheel', at(200, 690, 480)],
    ['right wheel', at(200, -690, 480)],
    ['driveshaft', at(900, -10, 330)],
  ] as const)('is met by the %s', (body, floor) => {
    const { check, room } = told(floor);
    expect(room?.body).toBe(body);
    expect(check?.level).not.toBe('ok');
  });

  it.each([
    ['body.casting'],
    ['body.cover'],
    ['body.yoke'],
    ['brake.radius'],
    ['drive.outside'],
    ['stance.lean', 'spring.bump'],
    ['donor.casting.right'],
  ])('is not known without %s', (...ids) => {
    const plan = planOf(HIGH);
    const readings = Object.fromEntries(Object.entries(plan.readings).filter(([id]) => !ids.includes(id)));
    const check = evaluate({ ...plan, readings }).checks.find((c) => c.id === 'obstacle.floor');
    expect(check?.level).toBe('unknown');
  });
});
