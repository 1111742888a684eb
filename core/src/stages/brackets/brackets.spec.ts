import { describe, expect, it } from 'vitest';
import { allFigures } from '../../evaluate/all-figures';
import { evaluate } from '../../evaluate/evaluate';
import type { Plan } from '../../plan';
import tern from '../../../../examples/tern.json';
import { reading, sheetFor, wholePlan, workedPlan } from '../../testing/plans';
import { wheelbaseNow } from '../brief/figures/torque';
import { pinionSide } from '../driveline/figures/line';
import { atRest } from '../driveline/figures/motion';
import type { Bracket, BracketKit, BoltJoint, Link } from './choices';
import { freePlaces } from './figures/fittings';
import { pairLoads } from './figures/links';
import { clamps, flip } from './figures/perches';
import { places } from './figures/places';
import { order } from './figures/order';
import { weldOrder, type HousingWork } from './weld-order';
import { meetings, tubeMaps } from './figures/tube-map';
import { donorThings } from './figures/donor-things';
import { templates } from './templates';
import { leftMap, rearView } from './views';

const deg = (d: number) => (d * Math.PI) / 180;
const BASE: Bracket = {
  name: 'Bracket',
  kind: 'link',
  side: 'left',
  wide: 40,
  round: 60,
  hold: 'welded',
  edge: 'outer',
};

interface More {
  readonly readings?: Readonly<Record<string, ReturnType<typeof reading>>>;
  readonly brackets?: Readonly<Record<string, Partial<Bracket>>>;
  readonly kits?: Readonly<Record<string, BracketKit>>;
  readonly joints?: Readonly<Record<string, BoltJoint>>;
  readonly links?: Readonly<Record<string, Link>>;
  readonly choices?: Partial<Plan['choices']>;
}

/** An axle with its pinion 12.0 right of the car’s centreline. */
function planOf({
  readings = {},
  brackets = {},
  kits = {},
  joints = {},
  links = {},
  choices = {},
}: More): Plan {
  const plan = workedPlan({ 'donor.tubeOd': reading('caliper', 76.2), ...readings }, choices);
  const planned = evaluate({
    ...plan,
    readings: { ...plan.readings, 'stance.offCentre': reading('chosen', 0) },
  }).of(pinionSide);
  if (!planned) throw new Error('The pinion’s place has to be known.');
  return {
    ...plan,
    readings: { ...plan.readings, 'stance.offCentre': reading('chosen', -12 - planned.value) },
    brackets: Object.fromEntries(Object.entries(brackets).map(([id, b]) => [id, { ...BASE, ...b }])),
    bracketKits: kits,
    boltJoints: joints,
    links,
  };
}

const OLD = {
  'survey.pinion': reading('tape', -4.5),
  'old.casting.left': reading('caliper', 96.2),
  'old.casting.right': reading('caliper', 91.4),
  'old.tube.left': reading('tape', 512),
  'old.tube.right': reading('tape', 508),
};
const old = (at: number, more: Partial<NonNullable<Bracket['old']>> = {}) => ({
  old: { datum: 'casting' as const, at, tool: 'rule' as const, zero: 'flat' as const, ...more },
});
const placeOf = (plan: Plan, id: string) =>
  evaluate(plan)
    .of(places)
    .find((p) => p.id === id);
const checkOf = (plan: Plan, id: string) => evaluate(plan).checks.find((c) => c.id === id);

describe('a bracket that is carried over', () => {
  it('goes through the car’s centreline', () => {
    const p = placeOf(planOf({ readings: OLD, brackets: { a: old(304.8) } }), 'a');
    expect(p?.y?.value).toBeCloseTo(396.5, 6);
    expect(p?.fromCasting?.value).toBeCloseTo(280.52, 6);
    expect(p?.by).toBe('old');
    // Its outer edge was read; it is 40 wide.
    expect(p?.middle?.value).toBeCloseTo(376.5, 6);
  });

  it('does so on the right, from the old housing end', () => {
    const p = placeOf(
      planOf({
        readings: OLD,
        brackets: { a: { ...old(200, { datum: 'end' }), side: 'right', edge: 'inner' } },
      }),
      'a',
    );
    // −4.5 − 91.4 − 508 = −603.9; 200 inboard of it −403.9; the new face stands at −12 − 121.52.
    expect(p?.y?.value).toBeCloseTo(-403.9, 6);
    expect(p?.fromCasting?.value).toBeCloseTo(403.9 - 133.52, 6);
    expect(p?.middle?.value).toBeCloseTo(-423.9, 6);
  });

  it('is uncertain by what was read, and says so', () => {
    const plan = planOf({ readings: OLD, brackets: { a: old(304.8) } });
    const p = placeOf(plan, 'a');
    // Rule 0.25/√3, tape 0.8/√3 of the pinion, caliper 0.02/√3 of both castings, and the pinion’s own place.
    expect(p?.y && Math.hypot(...Object.values(p.y.contributions))).toBeCloseTo(
      Math.hypot(0.25, 0.8, 0.02) / Math.sqrt(3),
      6,
    );
  });

  it('keeps what it has in the car although both flats lie otherwise', () => {
    const readings = {
      ...OLD,
      'angle.flat': reading('angleGauge', deg(1.4)),
      'donor.angle.flat': reading('angleGauge', deg(2.1)),
      'donor.angle.pinion': reading('angleGauge', deg(0.3)),
      'drive.slope': reading('chosen', deg(2.2)),
    };
    // New flat in the car 2.2 + 2.1 − 0.3 = 4.0°; 30° against the old flat at 1.4° is 32.6° against the new one.
    const flat = placeOf(planOf({ readings, brackets: { a: old(304.8, { clock: deg(30) }) } }), 'a');
    expect(flat?.clock?.value).toBeCloseTo(deg(32.6), 9);
    // The gauge lies on its face, which looks up: it shows what the face falls forward by.
    expect(flat?.gauge?.value).toBeCloseTo(deg(-32.6), 9);
    const level = placeOf(
      planOf({ readings, brackets: { a: old(304.8, { clock: deg(95), zero: 'level' }) } }),
      'a',
    );
    expect(level?.clock?.value).toBeCloseTo(deg(99), 9);
    expect(level?.gauge?.value).toBeCloseTo(deg(-9), 9);
  });

  it('is not known while its datum is not, and names what lacks', () => {
    const { 'survey.pinion': _pinion, ...less } = OLD;
    const plan = planOf({ readings: less, brackets: { a: old(304.8) } });
    expect(placeOf(plan, 'a')?.fromCasting).toBeUndefined();
    expect(checkOf(plan, 'bracket.a.place')).toMatchObject({ level: 'unknown', lacks: ['survey.pinion'] });
    expect(checkOf(plan, 'bracket.a.clock')?.level).toBe('unknown');
    const decision = evaluate(plan).decisions.find((d) => d.id === 'bracketPlaces');
    expect(decision?.lacks).toEqual(['bracket.list', 'survey.pinion']);
  });
});

describe('other ways to a place', () => {
  it('is half of what its pickup points stand apart', () => {
    const plan = planOf({
      brackets: { a: { apart: 918, edge: 'middle' }, b: { apart: 918, edge: 'middle', side: 'right' } },
    });
    expect(placeOf(plan, 'a')?.y?.value).toBeCloseTo(459, 9);
    expect(placeOf(plan, 'b')?.y?.value).toBeCloseTo(-459, 9);
    expect(placeOf(plan, 'b')?.fromCasting?.value).toBeCloseTo(459 - 133.52, 6);
  });

  it('is a middle, whichever edge is measured', () => {
    const plan = planOf({
      brackets: { a: { apart: 918, edge: 'outer' }, b: { apart: 918, edge: 'inner', side: 'right' } },
    });
    expect(placeOf(plan, 'a')?.middle?.value).toBeCloseTo(459, 9);
    expect(placeOf(plan, 'a')?.y?.value).toBeCloseTo(479, 9);
    expect(placeOf(plan, 'b')?.middle?.value).toBeCloseTo(-459, 9);
    expect(placeOf(plan, 'b')?.y?.value).toBeCloseTo(-439, 9);
  });

  it('is what was chosen before what was read, and what was read after the work before both', () => {
    const brackets = { a: { ...old(304.8), place: { datum: 'casting' as const, at: 265, clock: deg(12) } } };
    expect(placeOf(planOf({ readings: OLD, brackets }), 'a')).toMatchObject({ by: 'place' });
    const made = { a: { ...brackets.a, made: { by: 'tacked' as const, at: 267.4, clock: deg(12.2) } } };
    const plan = planOf({ readings: OLD, brackets: made });
    const p = placeOf(plan, 'a');
    expect(p?.by).toBe('made');
    expect(p?.fromCasting?.value).toBeCloseTo(267.4, 6);
    expect(p?.planned?.fromCasting?.value).toBeCloseTo(265, 6);
    expect(checkOf(plan, 'bracket.a.off.place')).toMatchObject({
      level: 'caution',
      title: 'Bracket is tacked off its place',
    });
    expect(checkOf(plan, 'bracket.a.off.place')?.figure?.value).toBeCloseTo(2.4, 6);
    expect(checkOf(plan, 'bracket.a.off.angle')?.level).toBe('ok');
  });

  it('follows its kit, whose two datums have to agree', () => {
    const kit = {
      name: 'Truss kit',
      side: 'left',
      datum: 'casting',
      at: 150,
      datum2: 'centre',
      at2: 265.98,
    } as const;
    const brackets = { a: { kit: 'k', inKit: 42.5, edge: 'middle' as const } };
    const plan = planOf({ brackets, kits: { k: kit } });
    // 115.98 + 150 + 42.5 from the centreline.
    expect(placeOf(plan, 'a')?.y?.value).toBeCloseTo(308.48, 6);
    expect(checkOf(plan, 'kit.k.datums')?.level).toBe('ok');
    const off = planOf({ brackets, kits: { k: { ...kit, at2: 271 } } });
    expect(checkOf(off, 'kit.k.datums')).toMatchObject({
      level: 'stop',
      title: 'Truss kit: its datums contradict each other',
    });
    expect(checkOf(off, 'kit.k.datums')?.figure?.value).toBeCloseTo(-5.02, 6);
    // Nothing is marked from it.
    const rows = sheetFor('brackets', evaluate(off)).sections.flatMap((s) => s.rows);
    expect(rows.find((r) => r.item === 'Bracket')?.cells[0]?.text).toBe('held');
  });
});

const at = (x: number, clock: number): Partial<Bracket> => ({
  edge: 'middle',
  place: { datum: 'casting', at: x, clock: deg(clock) },
});

describe('on the tube', () => {
  it('two things are too near, on each other, or clear, along it or round it', () => {
    const two = (x: number, clock: number) => {
      const plan = planOf({
        brackets: { a: { ...at(200, 0), name: 'Perch' }, b: { ...at(x, clock), name: 'Link' } },
      });
      return evaluate(plan).checks.find((c) => c.id === 'bracket.a.b.left');
    };
    expect(two(225, 10)).toMatchObject({ level: 'stop', title: 'Perch lies on Link' });
    // 44 between middles, 40 of both: 4 left of 6.
    expect(two(244, 10)).toMatchObject({ level: 'caution', title: 'Perch is too near Link to be welded' });
    expect(two(244, 10)?.figure?.value).toBeCloseTo(4, 6);
    // Round it: 95° of 38.1 is 63.17, less 60.
    expect(two(200, 95)?.figure?.value).toBeCloseTo((38.1 * 95 * Math.PI) / 180 - 60, 6);
    expect(two(200, 265)?.figure?.value).toBeCloseTo((38.1 * 95 * Math.PI) / 180 - 60, 6);
    expect(two(250, 10)).toBeUndefined();
    expect(two(200, 180)).toBeUndefined();
  });

  it('a truss covers the breather, and a free place is offered', () => {
    const brackets = {
      t: {
        name: 'truss',
        kind: 'truss',
        side: 'across',
        wide: 560,
        round: 40,
        edge: 'middle',
        hold: 'welded',
        place: { datum: 'centre', at: 0, clock: 0 },
      },
      b: { ...at(60, 0), name: 'breather', kind: 'breather', hold: 'drilled', wide: 14, round: 14 },
    } as const;
    const plan = planOf({ brackets });
    const check = evaluate(plan).checks.find((c) => c.id === 'bracket.t.b.left');
    expect(check).toMatchObject({ level: 'stop', title: 'Breather is covered by truss' });
    const free = evaluate(plan).of(freePlaces)['b'];
    // Clear of the truss by a spanner’s room, on the same tube: 20 mm of half truss, 7 of itself, 12 of room round it.
    expect(free?.side).toBe('left');
    const round = 38.1 * Math.abs(free?.clock ?? 0) - 27;
    const along = (free?.fromCasting ?? 0) - 7 - (280 - 115.98);
    expect(Math.max(round, along)).toBeGreaterThanOrEqual(12 - 1e-9);
    expect(check?.todo).toContain('Move it: free');
    const moved = planOf({
      brackets: {
        ...brackets,
        b: { ...brackets.b, place: { datum: 'casting', at: free?.fromCasting ?? 0, clock: free?.clock ?? 0 } },
      },
    });
    expect(
      evaluate(moved)
        .of(meetings)
        .filter(({ gap }) => gap.value < 0),
    ).toEqual([]);
  });

  it('a thing that stands off its end, on the casting or on the cut is named', () => {
    const end = evaluate(planOf({ brackets: { a: at(900, 0) } })).checks.find(
      (c) => c.id === 'bracket.a.end.left',
    );
    expect(end).toMatchObject({ level: 'stop', title: 'Bracket stands over the left housing end' });
    const casting = checkOf(planOf({ brackets: { a: at(6, 0) } }), 'bracket.a.casting.left');
    expect(casting).toMatchObject({ level: 'stop', title: 'Bracket stands on the casting' });
    // The first mark stands 202 outboard of the casting: there the halves are welded together.
    const seam = checkOf(planOf({ brackets: { a: at(212, 0) } }), 'bracket.a.seam');
    expect(seam).toMatchObject({ level: 'stop', title: 'The left cut runs through Bracket' });
    // Its middle lies between the mark and what gap and weld add.
    expect(Math.abs((seam?.figure?.value ?? 0) - (212 - 202 - 20))).toBeLessThan(2);
    expect(checkOf(planOf({ brackets: { a: { ...at(40, 0), round: 260 } } }), 'bracket.a.round')?.level).toBe(
      'stop',
    );
  });

  it('a truss of which nobody said where it stands round the tube is not called clear', () => {
    const truss = {
      kind: 'truss',
      name: 'truss',
      side: 'across',
      wide: 560,
      edge: 'middle',
      place: { datum: 'centre', at: 0 },
    } as const;
    const results = evaluate(
      planOf({ brackets: { t: truss, b: { ...at(60, 0), kind: 'breather', hold: 'drilled' } } }),
    );
    expect(results.checks.find((c) => c.id === 'bracket.t.clock')?.level).toBe('unknown');
    expect(results.decisions.find((d) => d.id === 'bracketPlaces')?.lacks).toContain('bracket.list');
    expect(results.of(rearView)?.shapes.some((s) => s.at === 'bracket.t')).toBe(false);
  });

  it('a truss that runs over the tubes’ welds is to be relieved there', () => {
    const truss = {
      kind: 'truss',
      name: 'truss',
      side: 'across',
      wide: 700,
      edge: 'middle',
      place: { datum: 'centre', at: 0, clock: 0 },
    } as const;
    const levels = (wide: number) =>
      evaluate(planOf({ brackets: { t: { ...truss, wide } } }))
        .checks.filter((c) => c.id.startsWith('bracket.t.seam'))
        .map((c) => `${c.level} ${c.title}`);
    expect(levels(700)).toEqual([
      'caution Truss runs over the weld of the left tube',
      'caution Truss runs over the weld of the right tube',
    ]);
    expect(levels(500)).toEqual([]);
  });

  it('is drawn the same from every side, and dragged along and round its tube', () => {
    const results = evaluate(planOf({ brackets: { a: { ...at(240, 20), name: 'Perch' } } }));
    const map = results.of(leftMap);
    const [handle] = map?.handles ?? [];
    expect(handle).toMatchObject({ quantityId: 'bracket.a.at', direction: -1 });
    expect(handle?.value).toBeCloseTo(240, 6);
    expect(handle?.other?.value).toBeCloseTo(deg(20), 9);
    expect(handle?.at).toEqual([expect.closeTo(-240, 6), expect.closeTo(38.1 * deg(20), 6)]);
    const rear = results.of(rearView)?.shapes.find((s) => s.at === 'bracket.a');
    const us = rear?.kind === 'outline' ? rear.points.map(([u]) => u) : [];
    expect([Math.min(...us), Math.max(...us)]).toEqual([
      expect.closeTo(-(115.98 + 260), 6),
      expect.closeTo(-(115.98 + 220), 6),
    ]);
  });
});

describe('what is on the tube from the donor', () => {
  const items = {
    far: { side: 'left', name: 'the old perch', from: 362, to: 431 },
    near: { side: 'left', name: 'the old tab', from: 60, to: 80 },
    gone: { side: 'left', name: 'the old clip', from: 210, to: 230 },
  } as const;
  const withOld = (x: number, more: Partial<Bracket> = {}) =>
    evaluate({ ...planOf({ brackets: { a: { ...at(x, 0), name: 'Mount', ...more } } }), tubeItems: items });

  it('comes inboard with the cut, or goes off with the slug', () => {
    const results = withOld(500);
    const slug = 588 - (results.of(tubeMaps).left?.length ?? 0);
    expect(slug).toBeGreaterThan(50);
    const things = results.of(donorThings);
    expect(things.map((t) => t.id)).toEqual(['far', 'near']);
    expect(things[0]?.from.value).toBeCloseTo(362 - slug, 0);
    expect(things[1]?.to.value).toBe(80);
  });

  it('is taken off before something is welded over it', () => {
    const id = 'bracket.a.old.near';
    expect(withOld(95).checks.find((c) => c.id === id)).toMatchObject({
      level: 'caution',
      title: 'Mount goes where the old tab of the donor is',
      figure: { value: expect.closeTo(-5, 6) },
    });
    expect(withOld(140).checks.find((c) => c.id === id)).toBeUndefined();
    expect(withOld(95, { hold: 'clamped' }).checks.find((c) => c.id === id)).toBeUndefined();
    const made = withOld(95, { made: { by: 'welded', at: 95 } });
    // It is welded, and nobody has said that the old one was off first.
    expect(made.checks.find((c) => c.id === id)).toMatchObject({
      level: 'caution',
      title: 'Mount is welded where the old tab of the donor was',
    });
  });
});

describe('templates', () => {
  const readings = {
    'brace.outside': reading('caliper', 38.1),
    'brace.wall': reading('caliper', 3.2),
    'brace.angle': reading('angleGauge', deg(60)),
    'brace.offset': reading('chosen', 8),
    'clamp.bolt': reading('caliper', 12.7),
    'perch.pin': reading('caliper', 14.2),
    'perch.shift': reading('chosen', 20),
    'spring.width': reading('caliper', 50.6),
  };
  const results = evaluate(planOf({ readings, brackets: { a: { ...at(240, 20), high: 55, bolt: 16 } } }));
  const pathsOf = (id: keyof typeof templates, layer: string) =>
    results.of(templates[id]).shapes.flatMap((s) => (s.kind === 'path' && s.layer === layer ? [s.points] : []));
  const circlesOf = (id: keyof typeof templates) =>
    results.of(templates[id]).shapes.flatMap((s) => (s.kind === 'circle' ? [s] : []));

  it('wrap once round the tube, with the bracket where it goes', () => {
    const [skin = []] = pathsOf('wrap-left', 'outline');
    const ys = skin.map(([, y]) => y);
    expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(Math.PI * 76.2, 6);
    // Wrapped printed side out from the casting outboard, the front of a left tube is down on the paper.
    const [bracket = []] = pathsOf('wrap-left', 'locate');
    expect(bracket[0]).toEqual([expect.closeTo(220, 6), expect.closeTo(-38.1 * deg(20) - 30, 6)]);
  });

  type Space = readonly [x: number, y: number, z: number];
  const cross = ([a, b, c]: Space, [d, e, f]: Space): Space => [b * f - c * e, c * d - a * f, a * e - b * d];
  const sum = (...parts: readonly (readonly [number, Space])[]): Space =>
    parts.reduce<Space>(([x, y, z], [k, v]) => [x + k * v[0], y + k * v[1], z + k * v[2]], [0, 0, 0]);

  it.each([
    ['left', 1, -112],
    ['right', -1, -112],
    ['left', 1, 37],
    ['right', -1, 121],
  ] as const)('laid on the %s tube put a bracket where it stands: y %d, %d°', (side, outboard, clock) => {
    const laid = evaluate(planOf({ readings, brackets: { a: { ...at(240, clock), side } } }));
    const [bracket = []] = laid
      .of(templates[`wrap-${side}`])
      .shapes.flatMap((s) => (s.kind === 'path' && s.layer === 'locate' ? [s.points] : []));
    const middle = (k: 0 | 1) => bracket.reduce((m, p) => m + p[k] / bracket.length, 0);
    // The paper’s length runs outboard; printed side out, its width runs so that length × width looks outward.
    const along: Space = [0, outboard, 0];
    const top: Space = [0, 0, 1];
    const across = cross(top, along);
    const turn = middle(1) / 38.1;
    const skin = sum([38.1 * Math.cos(turn), top], [38.1 * Math.sin(turn), across]);
    expect(middle(0)).toBeCloseTo(240, 6);
    // Clock angles are 0 on top and plus toward the front, which is +x, on both sides of the car.
    expect(skin[0]).toBeCloseTo(38.1 * Math.sin(deg(clock)), 6);
    expect(skin[2]).toBeCloseTo(38.1 * Math.cos(deg(clock)), 6);
  });

  it.each([
    ['notch', 'left', -1],
    ['notch', 'right', -1],
    ['notch-mirrored', 'left', 1],
    ['notch-mirrored', 'right', 1],
  ] as const)(
    '%s laid on a brace of the %s tube meets its skin all round, leaning to y %d',
    (id, _side, lean) => {
      // The brace leans to one side by 60° to the tube, which lies along y; its axis passes 8 mm toward the front.
      const a: Space = [0, lean * Math.cos(deg(60)), Math.sin(deg(60))];
      const acute: Space = [0, lean * Math.sin(deg(60)), -Math.cos(deg(60))];
      // Printed side out, the paper’s width runs along the brace’s axis × the acute side.
      const right = cross(a, acute);
      for (const [x, h] of pathsOf(id, 'outline')[0]?.slice(0, 121) ?? []) {
        const turn = x / 19.05;
        const spot = sum(
          [8, [1, 0, 0]],
          [h, a],
          [19.05 * Math.cos(turn), acute],
          [19.05 * Math.sin(turn), right],
        );
        expect(Math.hypot(spot[0], spot[2])).toBeCloseTo(38.1, 6);
      }
    },
  );

  it('end at the edge of the tube', () => {
    const long = evaluate(planOf({ readings, brackets: { a: { ...at(10, 20), wide: 60 } } }));
    const xs = long
      .of(templates['wrap-left'])
      .shapes.flatMap((s) => (s.kind === 'path' && s.layer === 'locate' ? s.points.map(([x]) => x) : []));
    expect(Math.min(...xs)).toBe(0);
    expect(Math.max(...xs)).toBeCloseTo(40, 6);
  });

  it('give a plate its hollow and its hole', () => {
    const [plate = []] = pathsOf('saddles', 'outline');
    // 60 round a radius of 38.1 is ± 0.7874 rad: a chord of ± 26.99, hollow 38.1 − √(38.1² − 26.99²).
    const low = Math.min(...plate.map(([, y]) => y));
    expect(low).toBeCloseTo(Math.sqrt(38.1 ** 2 - (38.1 * Math.sin(30 / 38.1)) ** 2) - 38.1, 6);
    expect(circlesOf('saddles')[0]).toMatchObject({
      radius: 8,
      centre: [expect.closeTo(38.1 * Math.sin(30 / 38.1), 6), 55],
    });
  });

  it('notch the brace by its outside, and by its inside', () => {
    const [cut = []] = pathsOf('notch', 'outline');
    // The acute side is in the middle: √(38.1² − 8²)/sin 60° + 19.05/tan 60°.
    const middle = cut.find(([x]) => Math.abs(x) < 1e-9);
    expect(middle?.[1]).toBeCloseTo(
      Math.sqrt(38.1 ** 2 - 64) / Math.sin(deg(60)) + 19.05 / Math.tan(deg(60)),
      6,
    );
    const inner = pathsOf('notch', 'keep')[0]?.find(([x]) => Math.abs(x) < 1e-9);
    expect(inner?.[1]).toBeCloseTo(
      Math.sqrt(38.1 ** 2 - 64) / Math.sin(deg(60)) + 15.85 / Math.tan(deg(60)),
      6,
    );
  });

  it('drill the spring plate for its U-bolts, and the pin’s hole where the axle is moved', () => {
    const holes = circlesOf('plate');
    expect(holes.slice(0, 4).map(({ centre: [x, y] }) => [Math.abs(x), Math.abs(y)])).toEqual(
      Array.from({ length: 4 }, () => [
        expect.closeTo((76.2 + 12.7) / 2, 6),
        expect.closeTo((50.6 + 12.7) / 2 + 1, 6),
      ]),
    );
    expect(holes[4]).toMatchObject({ centre: [0, 0], radius: expect.closeTo(7.25, 6) });
    expect(holes[5]?.centre[0]).toBeCloseTo(-20, 9);
  });

  it('say what they lack', () => {
    expect(evaluate(planOf({})).of(templates.plate).lacks).toEqual(['clamp.bolt', 'spring.width', 'perch.pin']);
    expect(evaluate(planOf({})).of(templates.saddles).lacks).toEqual(['bracket.list']);
  });
});

describe('springs and U-bolts', () => {
  const readings = {
    'perch.old': reading('caliper', 31),
    'perch.new': reading('caliper', 0),
    'perch.pack': reading('caliper', 52),
    'perch.stopGap': reading('tape', 190),
    'clamp.bolt': reading('caliper', 12.7),
    'clamp.plate': reading('caliper', 10),
    'clamp.nut': reading('caliper', 14),
    'clamp.proud': reading('chosen', 6),
  };

  it('come to the lengths of a U-bolt', () => {
    const { left } = evaluate(planOf({ readings })).of(clamps);
    expect(left.arc?.value).toBeCloseTo(139.64, 2);
    expect(left.leg?.value).toBeCloseTo(120.1, 6);
    expect(left.developed?.value).toBeCloseTo(379.84, 2);
  });

  it('tell what a flip does to ride height and bump travel', () => {
    const both = { ...readings, 'survey.tubeOd': reading('caliper', 82.55) };
    const lowered = evaluate(
      planOf({ readings: both, choices: { springsNow: 'over', springsWanted: 'under' } }),
    );
    // Half of the old tube and half of the new: 82.55/2 + 31 + 52 + 0 + 76.2/2.
    expect(lowered.of(flip)?.drop?.value).toBeCloseTo(162.375, 6);
    expect(lowered.checks.find((c) => c.id === 'perch.flip')).toMatchObject({
      level: 'caution',
      figure: { value: expect.closeTo(27.625, 6) },
    });
    const raised = evaluate(
      planOf({ readings: both, choices: { springsNow: 'under', springsWanted: 'over' } }),
    );
    expect(raised.of(flip)?.drop?.value).toBeCloseTo(-162.375, 6);
    // Without the old tube it is not known, never worked out with the new one’s.
    const half = evaluate(planOf({ readings, choices: { springsNow: 'over', springsWanted: 'under' } }));
    expect(half.of(flip)).toMatchObject({ drop: undefined, lacks: ['survey.tubeOd'] });
    expect(evaluate(planOf({ readings })).of(flip)).toBeUndefined();
  });

  it('do not take a perch that stands on the other side of its tube from its spring', () => {
    const angles = {
      'angle.perch.left': reading('angleGauge', deg(0.5)),
      'angle.gearbox': reading('angleGauge', deg(2)),
      'drive.slope': reading('chosen', deg(2)),
      'donor.angle.flat': reading('angleGauge', 0),
      'donor.angle.pinion': reading('angleGauge', 0),
    };
    const perch = (clock: number, over: 'over' | 'under') =>
      evaluate(
        planOf({
          readings: { ...readings, ...angles },
          choices: { springsWanted: over, aim: 'parallel' },
          brackets: { p: { ...at(240, clock), kind: 'perch', name: 'Perch' } },
        }),
      ).checks.find((c) => c.id === 'bracket.p.perch');
    const wanted = perch(1.4, 'over');
    expect(wanted?.title).not.toContain('other side');
    // Half round the tube the gauge shows the same.
    expect(perch(181.4, 'over')).toMatchObject({
      level: 'stop',
      title: 'Perch stands on the other side of its tube from its spring',
    });
    expect(perch(1.4, 'under')?.level).toBe('stop');
    expect(perch(181.4, 'under')?.title).not.toContain('other side');
  });

  it('turn a perch as the pinion wants, and name the wedge where it stands otherwise', () => {
    const angles = {
      'angle.perch.left': reading('angleGauge', deg(0.5)),
      'donor.angle.flat': reading('angleGauge', deg(2.1)),
      'donor.angle.pinion': reading('angleGauge', deg(0.3)),
      'drive.slope': reading('chosen', deg(2.2)),
    };
    const perch = {
      ...at(240, 0),
      name: 'Perch',
      kind: 'perch',
      place: { datum: 'casting', at: 240 },
    } as const;
    // Flat in the car at 4.0°: the seat at 0.5° lies −3.5° against it.
    const right = planOf({ readings: angles, brackets: { a: perch } });
    expect(placeOf(right, 'a')?.gauge?.value).toBeCloseTo(deg(-3.5), 9);
    expect(checkOf(right, 'bracket.a.perch')?.level).toBe('ok');
    const welded = planOf({
      readings: angles,
      brackets: { a: { ...perch, place: { datum: 'casting', at: 240, clock: deg(1) } } },
    });
    expect(checkOf(welded, 'bracket.a.perch')?.figure?.value).toBeCloseTo(deg(2.5), 9);
    expect(checkOf(welded, 'bracket.a.perch')?.todo).toContain('thick end rearward');
    // Under the axle the spring lies below its perch: what is too high in front falls away from it in front.
    const below = planOf({
      readings: angles,
      brackets: { a: { ...perch, place: { datum: 'casting', at: 240, clock: deg(181) } } },
      choices: { springsWanted: 'under' },
    });
    expect(checkOf(below, 'bracket.a.perch')?.figure?.value).toBeCloseTo(deg(2.5), 9);
    expect(checkOf(below, 'bracket.a.perch')?.todo).toContain('thick end forward');
    // Nothing of its U-bolts was read.
    expect(checkOf(right, 'clamp.length')?.level).toBe('unknown');
  });
});

const LINK: Link = {
  name: 'Lower link L',
  kind: 'lower',
  side: 'left',
  eyes: 560,
  outside: 38.1,
  wall: 4.8,
  thread: 19.05,
  end: 92,
  out: 55,
  least: 44,
  reach: 'yes',
};

describe('links and what they pull at', () => {
  const loads = {
    'brief.front': reading('scale', 760),
    'brief.rear': reading('scale', 640),
    'brief.wheelbase': reading('tape', 2475),
    'brief.cgHeight': reading('estimate', 512),
    'brief.friction': reading('chosen', 1.1),
    'link.low': reading('tape', 258),
    'link.high': reading('tape', 472),
  };

  it('come to their tube, thread and reach', () => {
    const results = evaluate(planOf({ links: { l: LINK } }));
    const all = allFigures(results);
    expect(all.get('link.l.tube')?.value).toBe(450);
    expect(all.get('link.l.engaged')?.value).toBeCloseTo(37 / 19.05, 9);
    expect(all.get('link.l.longer')?.value).toBeCloseTo(2 * (37 - 19.05), 9);
    expect(all.get('link.l.shorter')?.value).toBeCloseTo(22, 9);
    expect(results.checks.find((c) => c.id === 'link.l.buckling')?.level).toBe('unknown');
    const bar = evaluate(planOf({ readings: loads, links: { b: { ...LINK, kind: 'lateral' } } }));
    expect(bar.checks.find((c) => c.id === 'link.b.buckling')?.level).toBe('unknown');
  });

  it('take what moments about their bolts ask', () => {
    const { thrust, lower, upper } = evaluate(planOf({ readings: loads, links: { l: LINK } })).of(pairLoads);
    // Static share 640/1400 of 1400·g, with what 1.1 of it at 512 mm brings over on 2475 mm.
    const N = (640 * 9.80665) / (1 - (1.1 * 512) / 2475);
    expect(thrust?.value).toBeCloseTo(1.1 * N, 3);
    const X = thrust?.value ?? 0;
    expect(X).toBeGreaterThan(0);
    expect(lower?.value).toBeCloseTo((X * 472) / 214, 6);
    expect(upper?.value).toBeCloseTo((X * 258) / 214, 6);
  });

  it('strain bolt, plates and welds, and say what is not known', () => {
    const bracket = { ...at(240, 175), bolt: 16, plate: 6, leg: 5, high: 55 } as const;
    const known = evaluate(planOf({ readings: loads, brackets: { a: bracket } }));
    const lower = known.of(pairLoads).lower?.value ?? 0;
    const F = lower * 0.6 * 1.5;
    const of = (id: string) => known.checks.find((c) => c.id === `bracket.a.${id}`)?.figure?.value;
    expect(of('shear')).toBeCloseTo(F / (2 * Math.PI * 64), 6);
    expect(of('bearing')).toBeCloseTo(F / (16 * 12), 6);
    // Two runs of 60 round a tube of 76.2, 40 apart, leg 5, pulled forward at 175° round it and 55 off its skin: summed
    // over 8,000 bits elsewhere, 0.0137662 MPa for a newton.
    expect((of('weld') ?? NaN) / F).toBeCloseTo(0.01377, 4);
    const unknown = evaluate(planOf({ brackets: { a: bracket } }));
    expect(unknown.checks.find((c) => c.id === 'bracket.a.shear')?.level).toBe('unknown');
  });

  it('give a single link in the middle all that a pair would take', () => {
    const shear = (side: Bracket['side']) => {
      const place = { datum: 'centre', at: 180, clock: 0 } as const;
      const results = evaluate(
        planOf({ readings: loads, brackets: { a: { side, edge: 'middle', place, bolt: 16 } } }),
      );
      return results.checks.find((c) => c.id === 'bracket.a.shear')?.figure?.value ?? Number.NaN;
    };
    expect(shear('across') / shear('left')).toBeCloseTo(1 / 0.6, 9);
  });

  it('do not call a bolt strong whose load nobody knows', () => {
    const plan = planOf({ readings: loads, brackets: { a: { ...at(240, 175), kind: 'shock', bolt: 12 } } });
    expect(checkOf(plan, 'bracket.a.shear')?.level).toBe('unknown');
  });

  it.each([
    [{ bolt: 14, hole: 12, may: 'both' }, 'stop', 'Drill the hole to {14.3 mm}'],
    [{ bolt: 12, hole: 12.3, may: 'both' }, 'ok', ''],
    [{ bolt: 12, hole: 16, may: 'both' }, 'stop', 'sleeve, {16 mm} outside, {12.3 mm} inside'],
    [{ bolt: 12, hole: 14, may: 'both' }, 'stop', 'Drill the hole to {15.3 mm} and sleeve it'],
    [{ bolt: 12, hole: 16, may: 'neither' }, 'stop', 'bolt of {15.7 mm}'],
    [{ bolt: 14, hole: 12, may: 'sleeve' }, 'stop', 'bolt of {11.7 mm}'],
  ] as const)('a bolt and a hole of %j are a %s: %s', (joint, level, todo) => {
    const check = checkOf(planOf({ joints: { j: { name: 'Spring eye', ...joint } } }), 'joint.j');
    expect(check?.level).toBe(level);
    expect(check?.todo).toContain(todo);
  });

  it('of a pair are alike, and each has thread enough', () => {
    const right: Link = { ...LINK, name: 'Lower link R', side: 'right', eyes: 561.2, out: 78 };
    const plan = planOf({ links: { l: LINK, r: right } });
    expect(checkOf(plan, 'link.pair.lower')).toMatchObject({
      level: 'caution',
      title: 'Lower link L and Lower link R are not alike',
    });
    expect(checkOf(plan, 'link.r.thread')?.level).toBe('stop');
    expect(checkOf(plan, 'link.l.thread')?.level).toBe('ok');
  });
});

describe('a clock that is wanted', () => {
  it('goes before what was carried over, and stands without a distance', () => {
    const base = { ...old(304.8, { clock: deg(-30) }), name: 'Link' } as const;
    const of = (b: Parameters<typeof planOf>[0]['brackets']) =>
      evaluate(planOf({ readings: OLD, brackets: b }))
        .of(places)
        .find(({ id }) => id === 'a');
    const carried = of({ a: base });
    const wanted = of({ a: { ...base, place: { datum: 'casting', clock: deg(140) } } });
    expect(wanted?.clock?.value).toBeCloseTo(deg(140), 12);
    expect(wanted?.clock?.value).not.toBeCloseTo(carried?.clock?.value ?? NaN, 3);
    expect(wanted?.by).toBe('old');
    expect(wanted?.y?.value).toBeCloseTo(carried?.y?.value ?? NaN, 9);
  });

  it('of a bracket by its pickup points is kept', () => {
    const found = evaluate(
      planOf({ brackets: { a: { ...at(0, 0), apart: 918, place: { datum: 'casting', clock: deg(178) } } } }),
    ).of(places)[0];
    expect(found?.by).toBe('car');
    expect(found?.middle?.value).toBeCloseTo(459, 9);
    expect(found?.clock?.value).toBeCloseTo(deg(178), 12);
  });

  it('says what is missing where it cannot be carried over: the old casting’s flat', () => {
    const { 'angle.flat': _, ...readings } = OLD as Plan['readings'];
    const found = evaluate(
      planOf({ readings, brackets: { a: { ...old(304.8, { clock: 0 }), name: 'Link' } } }),
    );
    expect(found.of(places)[0]?.lacks).toContain('angle.flat');
    expect(found.decisions.find(({ id }) => id === 'bracketPlaces')?.lacks).toContain('angle.flat');
  });
});

describe('an axle that its plates move', () => {
  const car = wholePlan(tern.plan);
  const of = (shift: number, more: Plan['readings'] = {}) =>
    evaluate({ ...car, readings: { ...car.readings, 'perch.shift': reading('chosen', shift), ...more } });

  it('takes wheelbase, driveshaft and the tyres in their arches along', () => {
    const [still, forward] = [of(0), of(20)];
    const read = still.of(wheelbaseNow)?.value ?? NaN;
    expect(read).toBeGreaterThan(2000);
    expect(forward.of(wheelbaseNow)?.value).toBe(read - 20);
    const length = (r: typeof still) => r.of(atRest)?.shafts[0]?.length.value ?? NaN;
    expect(length(still)).toBeGreaterThan(1200);
    // The shaft lies all but level: nearly all of it goes off its length.
    expect(length(still) - length(forward)).toBeCloseTo(20, 0);
    const arch = (r: typeof still) => r.checks.find(({ id }) => id === 'perch.arch');
    expect(arch(still)).toBeUndefined();
    expect(arch(forward)?.level).toBe('unknown');
    const gaps = (ahead: number, behind: number) => ({
      'perch.archAhead': reading('tape', ahead),
      'perch.archBehind': reading('tape', behind),
    });
    expect(arch(of(20, gaps(70, 55)))).toMatchObject({ level: 'ok', figure: { value: 50 } });
    expect(arch(of(20, gaps(15, 55)))?.level).toBe('stop');
    expect(arch(of(-30, gaps(70, 21)))).toMatchObject({ level: 'stop', figure: { value: -9 } });
  });

  it('has the centre bolt in the hole behind where it goes forward, and its template says so', () => {
    const plate = of(20, {
      'clamp.bolt': reading('caliper', 12.7),
      'perch.pin': reading('caliper', 14.2),
      'spring.width': reading('caliper', 50.6),
    }).of(templates['plate']);
    const holes = plate.shapes.flatMap((s) => (s.kind === 'circle' && s.centre[1] === 0 ? [s.centre[0]] : []));
    expect(holes).toEqual([0, -20]);
    expect(plate.said).toMatch(/{20 mm} behind the middle hole: that puts the axle as far forward/);
  });
});

describe('the weld order', () => {
  const two = {
    l: { ...at(240, 0), name: 'left perch', kind: 'perch' },
    r: { ...at(240, 0), name: 'right perch', kind: 'perch', side: 'right' },
    k: { ...at(120, 170), name: 'left link', kind: 'link' },
  } as const;
  const ids = (plan: Plan) =>
    evaluate(plan)
      .of(order)
      .map((s) => s.id);

  it('has its holds between tack and weld, perches last, the ends after all', () => {
    const steps = ids(planOf({ brackets: two }));
    const after = (a: string, b: string) => expect(steps.indexOf(b)).toBeGreaterThan(steps.indexOf(a));
    for (const id of ['l', 'r', 'k']) after(`tack.${id}`, 'tacked');
    after('tacked', 'trial');
    after('trial', 'cycle');
    after('cycle', 'weld.k');
    after('weld.k', 'weld.l');
    after('weld.l', 'weld.r');
    expect(steps.at(-1)).toBe('straight');
    expect(ids(planOf({ brackets: two, choices: { perchesWelded: 'first' } })).indexOf('weld.l')).toBeLessThan(
      ids(planOf({ brackets: two, choices: { perchesWelded: 'first' } })).indexOf('weld.k'),
    );
  });

  it('follows the way the housing is cut, and the tools at hand', () => {
    const base = {
      brackets: [{ id: 'k', name: 'link', kind: 'link', side: 'left' }],
      drilled: [{ id: 'b', name: 'breather' }],
      ground: ['old perch'],
      sides: '',
      bar: true,
      perches: 'last',
      dampers: '',
    } as const;
    const steps = (work: HousingWork, more: Partial<Parameters<typeof weldOrder>[0]> = {}) =>
      weldOrder({ ...base, work, ...more });
    const idsOf = (work: HousingWork) => steps(work).map(({ id }) => id);
    const trial = ['tack.k', 'tacked', 'trial', 'cycle', 'out'];
    // With a slug out the ends never came off.
    expect(idsOf('slug')).toEqual([
      'level',
      'grind',
      'drill.b',
      'butts',
      ...trial,
      'weld.k',
      'welded',
      'straight',
    ]);
    // With the ends off there is one joint of the tube: tacked before the axle goes under the car, welded last.
    expect(idsOf('endOff')).toEqual([
      ...['level', 'grind', 'drill.b', 'tackEnds', ...trial],
      ...['weld.k', 'welded', 'ends', 'straight'],
    ]);
    expect(idsOf('newTubes')).toEqual([
      ...['level', 'grind', 'drill.b', 'tubes', ...trial],
      ...['weldTubes', 'weld.k', 'welded', 'ends', 'straight'],
    ]);
    expect(idsOf('whole')).toEqual(['level', 'grind', 'drill.b', ...trial, 'weld.k', 'welded', 'straight']);
    expect(steps('whole', { brackets: [] }).map(({ id }) => id)).toEqual(['level', 'grind', 'drill.b']);
    const ends = (bar: boolean) => steps('endOff', { bar }).find(({ id }) => id === 'ends')?.what;
    expect(ends(true)).toMatch(/with the bar/);
    expect(ends(false)).toMatch(/no bar is among the tools/);
    expect(steps('slug', { sides: 'left side alone' }).find(({ id }) => id === 'butts')?.what).toMatch(
      /left side/,
    );
    expect(steps('whole', { ground: [] }).map(({ id }) => id)).not.toContain('grind');
    // An axle that the car holds itself has none of it.
    expect(ids(planOf({ brackets: two, choices: { suspension: 'independent' } }))).toEqual([]);
  });

  it('holds until every bracket was read, after tack and after weld', () => {
    const unread = (id: string, made: Partial<Bracket>) => {
      const brackets = { ...two, l: { ...two.l, ...made } };
      return evaluate(planOf({ brackets }))
        .of(order)
        .find((s) => s.id === id)?.unread;
    };
    expect(unread('tacked', {})).toEqual(['left link', 'left perch', 'right perch']);
    const made = { made: { by: 'tacked', at: 240 } } as const;
    expect(unread('tacked', made)).toEqual(['left link', 'right perch']);
    expect(unread('welded', made)).toContain('left perch');
  });

  it('changes when a truss is added: it comes before all that it would pull', () => {
    const truss = {
      name: 'truss',
      kind: 'truss',
      side: 'across',
      wide: 300,
      edge: 'middle',
      place: { datum: 'centre', at: 0, clock: deg(180) },
    } as const;
    const steps = ids(planOf({ brackets: { ...two, t: truss } }));
    expect(steps.indexOf('weld.t')).toBeGreaterThan(0);
    expect(steps.indexOf('weld.t')).toBeLessThan(steps.indexOf('weld.k'));
  });
});

describe('its sheets', () => {
  it('print every bracket, and tack only while something is open', () => {
    const results = evaluate(
      planOf({ readings: OLD, brackets: { a: { ...old(304.8, { clock: 0 }), name: 'Perch L' } } }),
    );
    const rows = sheetFor('brackets', results).sections.flatMap((s) => s.rows);
    const row = rows.find((r) => r.item === 'Perch L');
    expect(row?.cells[0]?.text).toMatch(/^280\.5 mm/);
    const open = evaluate({
      ...results.plan,
      open: { rideHeight: { state: 'open', reason: 'springs to come', who: 'Bram' } },
    });
    expect(sheetFor('weldOrder', open).sections[0]?.rows.length).toBeGreaterThan(6);
  });
});
