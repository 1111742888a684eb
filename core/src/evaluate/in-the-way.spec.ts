import { describe, expect, it } from 'vitest';
import packhorse from '../../../examples/packhorse.json';
import ladder from '../../../examples/tern-ladder.json';
import tern from '../../../examples/tern.json';
import type { Plan } from '../plan';
import { reading, wholePlan } from '../testing/plans';
import { BRACKET_KINDS, type Bracket } from '../stages/brackets/choices';
import { ARM_KINDS, type Arm } from '../stages/motion/choices';
import { stance } from '../stages/stance/figures/stance';
import { evaluate } from './evaluate';

/**
 * One more thing of every kind is put where a check looks, in every way a plan can hold it: no check over things may go on
 * saying ok. Where it stands is worked out beside each, so that it is met for certain.
 */
const MOVES = {
  'body.casting': reading('tape', 130),
  'body.cover': reading('tape', 165),
  'body.yoke': reading('caliper', 95),
};
const base = wholePlan(ladder.plan);
const levelOf = (plan: Plan, id: string) => evaluate(plan).checks.find((c) => c.id === id)?.level;
const merged = (plan: Plan, more: Partial<Plan>): Plan => ({
  ...plan,
  ...more,
  readings: { ...plan.readings, ...more.readings },
  choices: { ...plan.choices, ...more.choices },
});

describe('room in the travel', () => {
  // 470 above the ground, 240 left: 101 above the tube’s top at ride, 29 at full bump.
  const floor = { name: 'Floor', kind: 'point', x: 5, y: 240, z: 470 } as const;
  const plan = merged(base, { readings: MOVES, obstacles: { floor }, tubeItems: {} });
  const level = (more: Partial<Plan>) => levelOf(merged(plan, more), 'obstacle.floor');

  it('is clear while nothing stands in it', () => {
    expect(level({})).toBe('ok');
  });

  it('names all that it looked at, by kind', () => {
    const found = evaluate(plan).checks.find((c) => c.id === 'obstacle.floor');
    const arms = found?.looked?.find(({ kind }) => kind === 'arm')?.ids;
    expect([...new Set(arms)].sort()).toEqual(Object.keys(plan.arms).sort());
    const tab = merged(plan, { tubeItems: { tab: { side: 'right', name: 'tab', from: 20, to: 40 } } });
    const seen = evaluate(tab).checks.find((c) => c.id === 'obstacle.floor');
    expect(seen?.looked?.find(({ kind }) => kind === 'tubeItem')?.ids).toEqual(['tab']);
  });

  it.each(BRACKET_KINDS)('looks at a bracket of kind %s, on either side of its place and across', (kind) => {
    for (const side of ['left', 'across'] as const) {
      const at = {
        name: 'One more',
        kind,
        side,
        wide: 80,
        round: 40,
        high: 95,
        hold: 'welded',
        edge: 'middle',
      } as const;
      for (const place of [
        { place: { datum: 'centre', at: 240, clock: 0 } },
        { made: { by: 'tacked', at: 110, clock: 0 } },
      ] as const)
        expect([kind, side, level({ brackets: { one: { ...at, ...place } as Bracket } })]).not.toContain('ok');
      // One that nobody placed may stand there.
      expect(level({ brackets: { one: at as Bracket } })).toBe('unknown');
    }
  });

  it.each(ARM_KINDS)('looks at a %s', (kind) => {
    const arm = (ends: Partial<Arm>): Arm =>
      ({ name: 'One more', kind, side: 'left', tool: 'tape', cx: 5, cy: 240, cz: 700, ...ends }) as Arm;
    const pivots = kind === 'ladder' || kind === 'torqueArm';
    const through = pivots ? arm({ cx: 5, cy: 240, cz: 700 }) : arm({ ax: 5, ay: 240, az: 340 });
    expect(level({ arms: { ...base.arms, more: through } })).not.toBe('ok');
  });

  it('looks at a crank’s bars, and what is left of the donor', () => {
    const crank = {
      ...{ name: 'Crank', on: 'axle' as const, px: 5, py: 2, pz: 380, topY: 2, topZ: 450, lowY: 2, lowZ: 320 },
      ...{ topEndY: 460, topEndZ: 455, lowEndY: -404, lowEndZ: 318 },
    } satisfies Plan['cranks'][string];
    const { lateral: _, ...arms } = base.arms;
    expect(level({ cranks: { crank }, arms })).not.toBe('ok');
    const face = 110;
    const item = { side: 'left', name: 'old tab', from: 240 - face - 90, to: 240 - face + 60 } as const;
    // A ring of 30 on the tube: at full bump it comes to 427 above the ground.
    const low = { floor: { ...floor, z: 425 } };
    expect(level({ obstacles: low })).toBe('ok');
    expect(level({ tubeItems: { item }, obstacles: low })).not.toBe('ok');
  });

  it('looks at leaf springs', () => {
    const leafy = merged(wholePlan(tern.plan), { readings: MOVES, tubeItems: {} });
    const half = (leafy.readings['spring.spacing']?.repeats[0]?.value ?? NaN) / 2;
    const spot = (y: number, z: number) =>
      levelOf(
        merged(leafy, { obstacles: { floor: { name: 'Pipe', kind: 'point', x: 300, y, z } } }),
        'obstacle.floor',
      );
    expect(half).toBeGreaterThan(300);
    for (const y of [half, -half]) expect(spot(y, 300)).not.toBe('ok');
    // Nobody read how high the pack is: as high as it is wide, and said to be assumed.
    const { 'perch.pack': _pack, ...unread } = leafy.readings;
    const floor = { name: 'Pipe', kind: 'point', x: 480, y: half - 45, z: 350 } as const;
    const near = (readings: Plan['readings']) =>
      evaluate({ ...leafy, readings, obstacles: { floor } }).checks.find(({ id }) => id === 'obstacle.floor');
    const height = ['Height of the leaf spring'];
    const assumed = (readings: Plan['readings']) => near(readings)?.assumed?.map(({ label }) => label) ?? [];
    expect(assumed(unread)).toEqual(expect.arrayContaining(height));
    expect(assumed(leafy.readings)).not.toEqual(expect.arrayContaining(height));
  });
});

describe('tyres', () => {
  const edge = evaluate(base).of(stance).edges?.left.tyreIn ?? NaN;

  it.each(BRACKET_KINDS)('look at a bracket of kind %s on the axle', (kind) => {
    for (const place of [
      { place: { datum: 'centre', at: edge - 20, clock: 0 } },
      { made: { by: 'welded', at: edge - 20 - 110, clock: 0 } },
      {},
    ] as const) {
      const one = { name: 'One more', kind, side: 'left', wide: 80, round: 40, high: 180 } as const;
      const made = { ...one, hold: 'welded', edge: 'middle', ...place } as Bracket;
      expect(levelOf(merged(base, { brackets: { made } }), 'motion.tyre.left')).not.toBe('ok');
    }
  });

  it.each(ARM_KINDS)('look at a %s, and at a crank’s bars', (kind) => {
    const arm = {
      ...{ name: 'One more', kind, side: 'left', tool: 'tape' as const },
      ...{ ax: -20, ay: edge - 30, az: 300, cx: -40, cy: edge + 20, cz: 420 },
    } as Arm;
    expect(levelOf(merged(base, { arms: { ...base.arms, more: arm } }), 'motion.tyre.left')).not.toBe('ok');
    const crank = {
      ...{ name: 'Crank', on: 'axle' as const, px: 5, py: 2, pz: 380, topY: 2, topZ: 450, lowY: 2, lowZ: 320 },
      ...{ topEndY: edge + 20, topEndZ: 455, lowEndY: -404, lowEndZ: 318 },
    } satisfies Plan['cranks'][string];
    const { lateral: _, ...arms } = base.arms;
    expect(levelOf(merged({ ...base, arms }, { cranks: { crank } }), 'motion.tyre.left')).not.toBe('ok');
  });
});

describe('what is on a tube', () => {
  const plan = wholePlan(packhorse.plan);
  const [id, first] = Object.entries(plan.brackets).find(([, b]) => b.side === 'left' && b.place) as [
    string,
    Bracket,
  ];

  it.each(BRACKET_KINDS)('a %s over another bracket is told', (kind) => {
    const one = { ...first, name: 'One more', kind, kit: undefined } as unknown as Bracket;
    const { kit: _, ...more } = one as Bracket & { kit?: string };
    const before = evaluate(plan).checks;
    const after = evaluate(merged(plan, { brackets: { ...plan.brackets, more: more as Bracket } })).checks;
    const bad = after.filter(
      (c) =>
        c.level !== 'ok' &&
        (c.title + c.reason).toLowerCase().includes('one more') &&
        !before.some((b) => b.id === c.id),
    );
    expect(bad.some((c) => c.level === 'stop' || c.level === 'caution')).toBe(true);
    expect(id).toBeDefined();
  });

  it('something of the donor where the saw goes is told, and where a new bracket goes', () => {
    const saw = wholePlan(tern.plan);
    const marks = evaluate(saw).checks;
    expect(marks.length).toBeGreaterThan(0);
    for (const side of ['left', 'right'] as const) {
      const all = { side, name: 'one more', from: 0, to: 900 } as const;
      const after = evaluate(merged(saw, { tubeItems: { ...saw.tubeItems, all } })).checks;
      const told = after.filter((c) => c.level !== 'ok' && (c.title + c.reason).includes('one more'));
      expect([side, told.length > 0]).toEqual([side, true]);
      const now = { ...saw.brackets, new: { ...first, side, name: 'New tab' } as Bracket };
      const over = evaluate(merged(saw, { brackets: now, tubeItems: { all } })).checks;
      expect(
        over.some((c) => c.level !== 'ok' && /new tab/i.test(c.title) && /one more/.test(c.title + c.reason)),
      ).toBe(true);
    }
  });
});

describe('things over the driveshaft', () => {
  it('are each looked at, at ride and in every pose; one that hangs nowhere over it is not called clear', () => {
    const plan = wholePlan(tern.plan);
    const over = (along: number, under: number) =>
      levelOf(
        merged(plan, { overShaft: { more: { name: 'Bracket', along, under } } as Plan['overShaft'] }),
        'drive.over.more',
      );
    expect(over(900, 700)).toBe('ok');
    expect(over(900, 300)).not.toBe('ok');
    expect(over(2300, 700)).toBe('unknown');
  });
});

describe('every link is judged by its own load', () => {
  it('a bolt that is too small on any one of them is no ok', () => {
    const plan = wholePlan(packhorse.plan);
    const known = merged(plan, { readings: { 'wheel.et': reading('chosen', 18) } });
    for (const [key, arm] of Object.entries(known.arms)) {
      if (['coil', 'damper', 'coilOver'].includes(arm.kind)) continue;
      const thin = evaluate(merged(known, { arms: { ...known.arms, [key]: { ...arm, bolt: 3 } } })).checks;
      const own = thin.filter((c) => c.id.startsWith(`arm.${key}.`) && c.id.endsWith('.shear'));
      expect([key, own.length]).toEqual([key, arm.side === 'pair' ? 2 : 1]);
      expect(own.some(({ level }) => level === 'ok')).toBe(false);
    }
  });
});

describe('every bracket that is pulled', () => {
  const known = merged(wholePlan(packhorse.plan), { readings: { 'wheel.et': reading('chosen', 18) } });
  const pulled = ['lowerL', 'lowerR', 'lateral'] as const;

  it.each(pulled)('%s is judged by its own welds, bolt and plates', (id) => {
    const own = { ...(known.brackets[id] as Bracket), bolt: 19.05, plate: 6.35, leg: 8, high: 80 };
    const level = (more: Partial<Bracket>, what: string) =>
      levelOf(
        merged(known, { brackets: { ...known.brackets, [id]: { ...own, ...more } } }),
        `bracket.${id}.${what}`,
      );
    expect(level({ leg: 0.4 }, 'weld')).toBe('stop');
    expect(level({ bolt: 3 }, 'shear')).toBe('stop');
    expect(level({ plate: 0.4 }, 'bearing')).toBe('stop');
    const { leg: _leg, bolt: _bolt, ...bare } = own;
    const without = merged(known, { brackets: { ...known.brackets, [id]: bare as Bracket } });
    for (const what of ['weld', 'shear', 'bearing'])
      expect(levelOf(without, `bracket.${id}.${what}`)).toBe('unknown');
  });

  it('and every link of a list by its own tube', () => {
    for (const [id, link] of Object.entries(known.links)) {
      const thin = merged(known, { links: { ...known.links, [id]: { ...link, outside: 10, wall: 1 } } });
      expect(levelOf(thin, `link.${id}.buckling`)).toBe('stop');
    }
  });
});
