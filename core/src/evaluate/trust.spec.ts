import { inMm } from '../testing/in-mm';
import { learned, stand } from '../stages/cut/figures/stand';
import { shafts } from '../stages/shafts/figures/shafts';
import { describe, expect, it } from 'vitest';
import tern from '../../../examples/tern.json';
import { expandedUncertainty, type Figure, type Reading } from '../measure';
import { planForDonor, type Choices, type Plan } from '../plan';
import { wholePlan, sheetFor, reading, workedPlan } from '../testing/plans';
import { isPlanned } from '../stages/cut/school-stage';
import type { PartOffer, PartSearch } from '../stage';
import { orderHolds, shaftOrder } from '../stages/shafts/shaft-order';
import { withReceived } from '../stages/shafts/with-received';
import { evaluate } from './evaluate';
import type { Results } from './results';
import { inUse } from '../stages/shafts/figures/in-use';
import { joints } from '../stages/donor/joints/joints';
import { marks } from '../stages/cut/figures/marks';
import { patterns } from '../stages/hubs/figures/patterns';
import { square, perch } from '../stages/cut/figures/stand';
import { schools } from '../stages/cut/figures/schools';
import { tubes } from '../stages/cut/figures/tubes';

const of = (readings: Record<string, Reading> = {}, choices: Partial<Choices> = {}, today?: string): Results =>
  evaluate(workedPlan(readings, choices), today);
const check = (r: Results, id: string) => r.checks.find((c) => c.id === id);
const lacks = (r: Results, id: string) => r.decisions.find((d) => d.id === id)?.lacks;
/** The worked donor sides: halves 792.0 and 741.5 to 1402 cut 91.0 and 40.5 even up. */
const schoolOf = (r: Results, name: string) => {
  const found = r.of(schools).find((s) => s.school === name);
  if (!found || !isPlanned(found)) throw new Error(`${name} is not planned.`);
  return found;
};
const rowOf = (plan: Plan, item: string) =>
  sheetFor('cut', evaluate(plan), 'mm')
    .sections.flatMap((s) => s.rows)
    .find((r) => r.item === item);

describe('other ends', () => {
  it('cut nothing while their brake space is not known, and say that it is missing', () => {
    const r = of({}, { retention: 'cClip', retentionTo: 'boltIn' });
    expect(r.of(marks).marks.left).toBeUndefined();
    expect(r.of(shafts).needs.left).toBeUndefined();
    expect(lacks(r, 'cut')).toContain('convert.space');
    expect(lacks(of({}, { retention: 'boltIn', retentionTo: 'fullFloat' }), 'cut')).toContain('float.shift');
  });

  it.each([
    ['another retention', { retention: 'cClip', retentionTo: 'boltIn' } as const],
    ['the same retention with other housing ends', { retention: 'boltIn', retentionTo: 'boltIn' } as const],
  ])('move marks, shaft and width by the difference of brake space: %s', (_what, choices) => {
    const r = of({ 'convert.space': reading('caliper', 63) }, choices);
    // 63 − 76 and 63 − 75.92: the halves are 779 and 728.58 before anything is cut.
    const { cut } = schoolOf(r, 'evenUp');
    expect(cut.left.value).toBeCloseTo(78, 9);
    expect(cut.right.value).toBeCloseTo(27.58, 9);
    // 775.4 − 13 − 78.
    expect(r.of(shafts).needs.left?.needed.value).toBeCloseTo(684.4, 9);
  });
});

describe('tube left on the casting', () => {
  it('is a length, whatever the marks are given from, and an end that comes off is no datum', () => {
    const ends = { 'cut.endPiece.left': reading('caliper', 62), 'cut.endPiece.right': reading('caliper', 61) };
    const plan = workedPlan(ends, { method: 'endOff', datum: 'housingEnd' });
    // 588 − 91 − 62 − 2 + 0.8.
    expect(rowOf(plan, 'Tube left on the casting')?.cells[0]?.text).toBe('433.8 mm*');
    const { head } = sheetFor('cut', evaluate(plan), 'mm');
    expect(head.find(([label]) => label === 'Marks from')?.[1]).toContain('leaves with the end');
    expect(rowOf(plan, 'Inner mark')?.note).toContain('from the casting face');
  });
});

describe('new tubes', () => {
  const tube = {
    'tube.insert': reading('chosen', 58),
    'cut.endPiece.left': reading('caliper', 60.02),
    'cut.endPiece.right': reading('caliper', 60.02),
    'tube.inside': reading('caliper', 63.5),
  };

  it('are no length without the end piece or the insertion: each is named as missing', () => {
    const { 'cut.endPiece.left': _left, ...rest } = tube;
    const r = of(rest, { method: 'newTubes' });
    expect(r.of(tubes).piece.left).toBeUndefined();
    expect(lacks(r, 'marks')).toContain('cut.endPiece.left');
    const { 'tube.insert': _insert, ...bare } = tube;
    const none = of(bare, { method: 'newTubes' });
    expect(none.of(tubes).piece.right).toBeUndefined();
    expect(lacks(none, 'marks')).toContain('tube.insert');
  });

  it('stop where the piece would be shorter than nothing', () => {
    const r = of({ ...tube, 'brief.targetWidth': reading('chosen', 396) }, { method: 'newTubes' });
    expect(r.checks.filter((c) => c.level === 'stop' && c.stage === 'cut').length).toBeGreaterThan(0);
  });

  it('are as uncertain as half, donor tube and made piece together: width ± 1.94', () => {
    const set = { 'cut.gap': reading('chosen', 2), 'cut.shrink': reading('chosen', 0.8) };
    const r = of({ ...tube, ...set }, { method: 'newTubes' });
    // Per side two tapes, 2·0.8/√3 each, a piece set with two rule marks, 2·0.25·√2/√3, and a caliper, 0.02.
    const side = Math.hypot(0.92376, 0.92376, 0.40825, 0.02309);
    expect(side * 2 ** 0.5).toBeCloseTo(1.94, 2);
    const expected = r.of(marks).widthExpected;
    expect(expected && expandedUncertainty(expected)).toBeCloseTo(side * 2 ** 0.5, 3);
  });
});

describe('pinion where the driveline wants it', () => {
  it('counts that the axle is set off centre: −12 and +10 give −22', () => {
    const r = of(
      { 'survey.gearbox': reading('tape', -12), 'stance.offCentre': reading('chosen', 10) },
      { school: 'driveline' },
    );
    const { pinion, half } = schoolOf(r, 'driveline');
    expect(pinion.value).toBeCloseTo(-22, 9);
    expect([half.left.value, half.right.value]).toEqual([723, 679]);
  });
});

describe('opening a tack', () => {
  it('is the tilt across the tube’s outside, not across the circle of reading', () => {
    const face = { top: 0.3, front: 0.15, bottom: 0, rear: 0.15 };
    const r = of({
      'donor.tubeOd': reading('caliper', 99.6),
      'square.left.radius': reading('rule', 90),
      ...Object.fromEntries(
        Object.entries(face).map(([clock, v]) => [`square.left.tacked.${clock}`, reading('indicator', v)]),
      ),
    });
    // 0.30 over 180 is 1/600; across 99.6 that is 0.166.
    expect(r.of(square).latest.left?.mend?.value).toBeCloseTo(0.166, 6);
  });
});

describe('what is measured after the work', () => {
  it('replaces the plan: tacked and welded tubes move half, width and shaft', () => {
    // To be tacked at 588 − 92.2 + 2 = 497.8; 498.3 is half a millimetre long.
    const tacked = of({ 'after.tacked.left': reading('rule', 498.3) });
    expect(tacked.of(stand).half.left?.value).toBeCloseTo(792 - 588 + 498.3 - 0.8, 9);
    expect(tacked.of(stand).width?.value).toBeCloseTo(1402.5, 9);
    expect(tacked.of(shafts).needs.left?.needed.value).toBeCloseTo(684.9, 9);
    const welded = of({
      'after.tacked.left': reading('rule', 498.3),
      'after.welded.left': reading('rule', 496.4),
    });
    expect(welded.of(stand).width?.value).toBeCloseTo(1401.4, 9);
    expect(welded.of(learned).weldedOff.left?.value).toBeCloseTo(-0.6, 9);
  });

  it('is a stop where it cannot be, and nothing that rests on it is printed', () => {
    const readings = { 'after.welded.left': reading('rule', 51) };
    const r = of(readings);
    // 51 for 497.
    expect(check(r, 'after.left')).toMatchObject({ level: 'stop', contradicts: ['after.welded.left'] });
    expect(check(r, 'after.left')?.figure?.value).toBeCloseTo(-446, 9);
    expect(rowOf(workedPlan(readings), 'Half after welding')?.cells[0]?.text).toBe('held');
  });

  it('is what the next butt is reckoned with, and moves no mark of the cut already made', () => {
    const r = of({
      'after.tacked.left': reading('rule', 498),
      'after.welded.left': reading('rule', 496.7),
      'cut.pull': reading('rule', 1.3),
    });
    expect(r.of(marks).marks.left?.spacing.value).toBeCloseTo(91 + 2 - 0.8, 9);
    expect(r.of(marks).marks.right?.spacing.value).toBeCloseTo(40.5 + 2 - 1.3, 9);
    expect(rowOf(workedPlan({ 'after.tacked.left': reading('rule', 498) }), 'Inner mark')?.cells[0]?.text).toBe(
      'cut made',
    );
  });
});

const offer = (number: string, size: Record<string, number>): PartOffer => ({
  number,
  name: number,
  kind: 'shaft',
  seller: 'Withy Shaftworks',
  price: 210,
  stock: 2,
  leadDays: 3,
  size,
});
const SIZE = {
  teeth: 31,
  pitch: 24,
  spline: 52,
  journal: 35,
  holes: 5,
  pcd: 120.65,
  hole: 13.1,
  pilot: 64,
  rim: 165,
};
const search = (part: PartOffer): PartSearch => ({
  asked: {},
  of: 9,
  found: [part],
  chosen: part.number,
  from: 'counter',
  at: '2027-03-20T18:00:00Z',
  who: 'Ansa',
});
const withPair = (right: Partial<typeof SIZE> = {}): Plan => {
  const plan = wholePlan(tern.plan as unknown as Plan);
  return {
    ...plan,
    choices: { ...plan.choices, school: 'stockShafts' },
    searches: {
      ...plan.searches,
      shaftLeft: search(offer('WF-1', { ...SIZE, length: 684 })),
      shaftRight: search(offer('WF-2', { ...SIZE, length: 690, ...right })),
    },
  };
};

describe('a pair taken from stock', () => {
  it('brings its own flange, spline and journal into mating, hub ends and the order', () => {
    const plan = withPair();
    const r = evaluate(plan);
    expect(r.of(patterns).face?.old).toMatchObject({ count: 5, pcd: 120.65, hole: 13.1 });
    const joint = r.of(joints).find((j) => j.id === 'wheelPattern');
    expect(joint?.faces.map((f) => f.text).join(' ')).toContain('120.65');
    const order = r.of(shaftOrder);
    expect(order.lines.map((l) => l.part)).toEqual(['WF-1', 'WF-2']);
    expect(order.flange).toMatchObject({ pcd: 120.65 });
  });

  it('knows nothing where its list says nothing: the donor’s size never stands in', () => {
    const { pilot: _pilot, ...said } = SIZE;
    const plan = withPair();
    const bare = {
      ...plan,
      searches: { ...plan.searches, shaftLeft: search(offer('WF-1', { ...said, length: 684 })) },
    };
    expect(evaluate(bare).of(inUse)['donor.pilot']).toBeUndefined();
    expect('donor.pilot' in evaluate(bare).of(inUse)).toBe(true);
  });

  it('is told where its two shafts are unlike', () => {
    const r = evaluate(withPair({ journal: 36.1 }));
    expect(
      r.checks.some(
        (c) => c.level !== 'ok' && /WF-1 has journal 35, WF-2 36\.1/.test(`${c.title} ${c.reason}`),
      ),
    ).toBe(true);
  });
});

describe('a plan for a salvage donor', () => {
  const plan: Plan = {
    ...wholePlan(tern.plan as unknown as Plan),
    tubeItems: { a: { side: 'left', name: 'perch', from: 300, to: 362 } },
    keepOuts: { b: { kind: 'circle', name: 'weight', x: 40, y: 0, r: 6 } as never },
  };
  const donor: PartOffer = {
    ...offer('OW-9', { teeth: 28, holes: 5, pcd: 114.3, retention: 2 }),
    kind: 'salvage',
  };
  const made = planForDonor(plan, donor.name, donor);

  it('keeps the car, its wheel and tyre, and nothing of the old axle', () => {
    expect(made.readings['wheel.et']).toEqual(plan.readings['wheel.et']);
    expect(made.readings['wheel.rim']).toEqual(plan.readings['wheel.rim']);
    expect(made.choices.tyre).toBe(plan.choices.tyre);
    expect([made.tubeItems, made.keepOuts]).toEqual([{}, {}]);
    expect(Object.keys(made.readings).filter((id) => /^donor\.(half|tube|casting|shaft)/.test(id))).toEqual([]);
    expect(made.facts['donor.material']).toBeUndefined();
    expect('flange' in made.patterns).toBe(false);
  });

  it('knows nothing of a donor that only has a name', () => {
    const verdict = { reason: 'so it is', figure: 3.4, who: 'Ansa', at: '2027-03-20T18:00:00Z' };
    const named = planForDonor({ ...plan, accepted: { 'cut.bite.left': verdict } }, 'Stag axle');
    expect(named.brief.donor).toBe('Stag axle');
    expect(named.accepted).toEqual({});
    expect(named.readings['wheel.et']).toEqual(plan.readings['wheel.et']);
    expect(Object.keys(named.readings).filter((id) => id.startsWith('donor.'))).toEqual([]);
    expect(evaluate(named).decisions.find((d) => d.id === 'cut')?.lacks.length).toBeGreaterThan(0);
  });

  it('takes the yard’s word as the yard’s word', () => {
    expect(made.readings['donor.splineTeeth']).toMatchObject({
      instrument: 'seller',
      repeats: [{ value: 28 }],
    });
    expect(made.choices.retention).toBe('boltIn');
    expect(made.choices.retentionTo).toBe('boltIn');
  });
});

describe('readings of one thing that contradict each other', () => {
  it('stop what rests on them: halves 13.7 apart hold the marks', () => {
    const readings = { 'donor.width': reading('tape', 1547.2) };
    const r = of(readings);
    const found = r.checks.find((c) => c.level === 'stop' && c.contradicts?.includes('donor.width'));
    expect(found?.figure?.value).toBeCloseTo(-13.7, 6);
    expect(r.decisions.find((d) => d.id === 'cut')?.held).toBeTruthy();
    const plan = workedPlan(readings);
    expect(rowOf(plan, 'Cut')?.cells[0]).toMatchObject({ text: 'held' });
    // Nobody saws at the first mark while the second is held.
    expect(rowOf(plan, 'Inner mark')?.cells.map(({ text }) => text)).toEqual(['held', 'held']);
    expect(orderHolds(r.checks).length).toBeGreaterThan(0);
  });

  it('hold the row of an order sheet that is made of them', () => {
    const plan = wholePlan(tern.plan as unknown as Plan);
    // The wheel’s holes were read to a circle of 108.05.
    const off = { ...plan, readings: { ...plan.readings, 'car.wheelPcd': reading('caliper', 112) } };
    const circle = (p: Plan) =>
      sheetFor('shafts', evaluate(p), 'mm')
        .sections.flatMap((s) => s.rows)
        .find((r) => r.item === 'Circle')?.cells[0]?.text;
    expect([circle(plan), circle(off)]).toEqual(['108.04 mm', 'held']);
  });

  it('hold an order from the hub ends too', () => {
    const stop = { id: 'x', stage: 'hubs', level: 'stop', title: 'Studs', reason: '', todo: '' } as const;
    expect(orderHolds([stop])).toEqual(['Studs']);
    expect(orderHolds([{ ...stop, stage: 'brief' }])).toEqual([]);
  });
});

describe('limits near which the readings cannot tell', () => {
  it('say so: halves 2.4 apart, known to ± 2.49, are too coarse to tell against a limit of 2', () => {
    // 792 − 127.98 − 588 − 73.62; a look at the tube tells no more than 2·2/√3 and a tape 0.8·2/√3.
    const r = of({
      'donor.brakeSpace.left': reading('caliper', 73.62),
      'donor.tube.left': reading('seen', 588),
    });
    const closure = check(r, 'donor.closure.left');
    expect(closure).toMatchObject({ level: 'caution' });
    expect(closure?.figure?.value).toBeCloseTo(-2.4, 9);
    expect(closure?.within).toBeCloseTo(Math.hypot(2.3094, 0.9238, 0.0231, 0.0231), 3);
    expect(closure?.reason).toContain('within what the readings can tell');
  });

  it('never lets a limit make readings agree that contradict each other: 1.87 known to 0.046', () => {
    const calipers = of({
      'donor.half.left': reading('caliper', 793.85),
      'donor.casting.left': reading('caliper', 127.98),
      'donor.tube.left': reading('caliper', 588),
      'donor.brakeSpace.left': reading('caliper', 76),
    });
    expect(check(calipers, 'donor.closure.left')).toMatchObject({ level: 'stop', limit: { value: 2 } });
    expect(inMm(check(calipers, 'donor.closure.left')?.reason ?? '')).toContain(
      '1.87 mm apart and known to ± 0.05 mm',
    );
  });
});

describe('what was asked for', () => {
  it('is held against the route: date and budget', () => {
    const plan = wholePlan(tern.plan as unknown as Plan);
    const before = evaluate(plan, '2026-11-26');
    expect(check(before, 'brief.date')?.level).toBe('ok');
    const late = evaluate(plan, '2027-03-18');
    expect(check(late, 'brief.date')).toMatchObject({ level: 'caution' });
    // Without a clock nothing is told of the date.
    expect(check(evaluate(plan), 'brief.date')).toBeUndefined();
    const poor = { ...plan, readings: { ...plan.readings, 'brief.budget': reading('chosen', 100) } };
    expect(check(evaluate(poor, '2026-11-26'), 'brief.budget')?.level).toBe('caution');
    const { 'cost.shafts': _cost, ...unpriced } = plan.readings;
    expect(check(evaluate({ ...plan, readings: unpriced }), 'brief.budget')).toMatchObject({
      level: 'unknown',
      lacks: ['cost.shafts'],
    });
  });

  it('is held against tools and skills: none said is not known, one missing is named', () => {
    const plan = workedPlan();
    const bench = (tools: Plan['brief']['tools']) =>
      check(evaluate({ ...plan, brief: { ...plan.brief, tools } }), 'cut.tools');
    expect(bench(plan.brief.tools)?.level).toBe('ok');
    expect(bench([])?.level).toBe('unknown');
    expect(bench(['grinder', 'welder'])).toMatchObject({
      level: 'caution',
      title: 'Not at hand for this way: an alignment bar',
    });
  });

  it('is held against the spring seats: what is left of the tube beside them', () => {
    const seats = { 'spring.spacing': reading('tape', 1044), 'spring.width': reading('tape', 50) };
    const r = of({ ...seats, 'stance.offCentre': reading('chosen', 6) });
    // Pinion in the middle, axle 6 to the left: the left seat stands 516 from the pinion axis, edges 491 and 541;
    // casting at 127.98, housing end at 127.98 + 497.
    expect(r.of(perch).left?.value).toBeCloseTo(127.98 + 497 - 541, 6);
    expect(r.of(perch).right?.value).toBeCloseTo(121.52 + 503.6 - (522 + 6 + 25), 6);
  });
});

describe('a shaft that was received', () => {
  const size = (side: 'left' | 'right', measured: number, off: number, ok: boolean) => ({
    side,
    what: 'length' as const,
    ordered: measured - off,
    measured,
    off,
    limit: 0.5,
    ok,
    todo: '',
  });
  const received = { ok: false, sizes: [size('left', 684.1, -0.4, true), size('right', 683.1, -0.9, false)] };
  const taken = { who: 'Birk', reason: 'Gap stays over 3 mm', at: '2027-02-03T09:00:00Z' };

  it('stands in the plan as measured; one kept although wrong is an accepted deviation on the sheet', () => {
    const plan = withReceived(workedPlan({}, { shaftRoute: 'buy' }), received, taken);
    expect(plan.readings['shaft.received.right']).toMatchObject({
      repeats: [{ value: 683.1 }],
      instrument: 'rule',
    });
    expect(Object.keys(plan.accepted)).toEqual(['shaft.received.right']);
    const sheet = sheetFor('cut', evaluate(plan), 'mm');
    expect(sheet.accepted.map((c) => c.accepted)).toEqual(['Gap stays over 3 mm (Birk, 2027-02-03)']);
  });
});

describe('a guess', () => {
  it('at a size is off by no more than a third of what is usual, never by a tape’s length', () => {
    const kerf = (instrument: 'estimate' | 'seller' | 'caliper') =>
      expandedUncertainty(of({ 'cut.kerf': reading(instrument, 1.9) }).known.get('cut.kerf')?.figure as Figure);
    // A usual disc takes 1.6: a third of that, evenly to either side.
    expect(kerf('estimate')).toBeCloseTo((2 * 1.6) / 3 / Math.sqrt(3), 6);
    expect(kerf('seller')).toBeCloseTo((2 * 1.6) / 3 / Math.sqrt(3), 6);
    expect(kerf('caliper')).toBeCloseTo((2 * 0.02) / Math.sqrt(3), 6);
    // A half of 792 by the seller’s word is off by five as before.
    const half = of({ 'donor.half.left': reading('seller', 792) }).known.get('donor.half.left')
      ?.figure as Figure;
    expect(expandedUncertainty(half)).toBeCloseTo((2 * 5) / Math.sqrt(3), 6);
  });
});
