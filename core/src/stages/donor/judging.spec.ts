import { capacity } from './figures/judged';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { given } from '../../measure';
import { allFigures, evaluate, sellersWord } from '../../evaluate';
import type { Plan } from '../../plan';
import { reading, workedPlan } from '../../testing/plans';
import { torsionShear } from './capacity';
import type { Fact } from '../../stage';
import { slip, ratio } from './figures/judged';
import { schools } from '../cut/figures/schools';
import { spread } from '../../testing/spread';

type Facts = Readonly<Record<string, string | Fact>>;
const fact = (value: string, evidence: Fact['evidence'] = 'measured'): Fact => ({ value, evidence });
const plan = (readings: Parameters<typeof workedPlan>[0], facts: Facts = {}): Plan => ({
  ...workedPlan(readings),
  facts: Object.fromEntries(Object.entries(facts).map(([id, f]) => [id, typeof f === 'string' ? fact(f) : f])),
});
const check = (p: Plan, id: string) => evaluate(p).checks.find((c) => c.id === id);

describe('ratio', () => {
  it('comes from teeth, and from turns with both wheels or with one held', () => {
    const teeth = plan({ 'ratio.ring': reading('count', 43), 'ratio.pinion': reading('count', 11) });
    expect(evaluate(teeth).of(ratio).byTeeth?.value).toBeCloseTo(3.90909, 5);
    const turns = { 'ratio.wheelTurns': reading('count', 10), 'ratio.pinionTurns': reading('count', 39.25) };
    expect(evaluate(plan(turns, { 'ratio.how': 'both' })).of(ratio).ratio?.value).toBeCloseTo(3.925, 9);
    // One wheel held turns the other ten times for five turns of the ring gear.
    const held = { ...turns, 'ratio.pinionTurns': reading('count', 19.5) };
    expect(evaluate(plan(held, { 'ratio.how': 'held' })).of(ratio).ratio?.value).toBeCloseTo(3.9, 9);
  });

  it('finds turns that were noted with the wrong wheels, and teeth that no set has', () => {
    const wrong = plan(
      {
        'ratio.ring': reading('count', 43),
        'ratio.pinion': reading('count', 11),
        'ratio.wheelTurns': reading('count', 10),
        'ratio.pinionTurns': reading('count', 19.5),
      },
      { 'ratio.how': 'both' },
    );
    expect(check(wrong, 'ratio.agree')).toMatchObject({
      level: 'stop',
      contradicts: ['ratio.ring', 'ratio.pinion', 'ratio.wheelTurns', 'ratio.pinionTurns'],
    });
    expect(check({ ...wrong, facts: { 'ratio.how': fact('held') } }, 'ratio.agree')).toMatchObject({
      level: 'ok',
    });
    const swapped = plan({ 'ratio.ring': reading('count', 23), 'ratio.pinion': reading('count', 17) });
    expect(check(swapped, 'ratio.teeth')).toMatchObject({
      level: 'stop',
      reason: expect.stringContaining('1.35'),
    });
  });

  it('is held against the one of the brief', () => {
    const p = plan({
      'ratio.ring': reading('count', 41),
      'ratio.pinion': reading('count', 9),
      'brief.axleRatio': reading('chosen', 3.91),
    });
    expect(check(p, 'ratio.planned')).toMatchObject({ level: 'caution', at: 'brief.axleRatio' });
  });
});

describe('limited slip', () => {
  const claim = { 'slip.claim': fact('limitedSlip', 'seller') };

  it('is not believed: a claim alone, or a test that only the seller did, proves nothing', () => {
    expect(check(plan({}, claim), 'donor.slip')).toMatchObject({ level: 'caution' });
    const told = plan({}, { ...claim, 'slip.turn': fact('drag', 'seller') });
    expect(evaluate(told).of(slip).status).toBe('unproven');
  });

  it('is found out: open, whatever it was sold as', () => {
    const open = plan({ 'slip.torque': reading('scale', 4) }, { ...claim, 'slip.turn': 'opposite' });
    expect(check(open, 'donor.slip')).toMatchObject({
      level: 'stop',
      title: 'Sold as limited slip, but it is open',
      reason: expect.stringContaining('{4 Nm}'),
    });
  });

  it('is proven by tests that agree, and tests that do not are said', () => {
    const good = plan(
      { 'slip.torque': reading('scale', 62) },
      { ...claim, 'slip.look': 'clutches', 'slip.turn': 'drag' },
    );
    expect(evaluate(good).of(slip)).toMatchObject({ status: 'proven', kind: 'limitedSlip' });
    const worn = plan({}, { 'slip.look': 'clutches', 'slip.turn': 'opposite' });
    expect(evaluate(worn).of(slip).status).toBe('contradiction');
    const spool = plan({ 'slip.torque': reading('scale', 400) }, { 'slip.look': 'spool', 'slip.turn': 'same' });
    expect(evaluate(spool).of(slip)).toMatchObject({ status: 'proven', kind: 'locked' });
  });
});

const shearAt = (torque: number, d: number) =>
  torsionShear('τ', 'τ', given('T', 'T', torque, 0, 'Nm', ''), given('d', 'd', d, 0, 'mm', '')).value;

describe('torque capacity', () => {
  it('has 692 MPa at 4200 N·m on 31.380 mm', () => {
    expect(shearAt(4200, 31.38)).toBeCloseTo(692.2, 0);
  });

  it('is that of the smallest diameter, body or spline, per side', () => {
    const p = plan(
      {
        'donor.shaftBody.left': reading('caliper', 29.4),
        'donor.shaftBody.right': reading('caliper', 34.11),
        'donor.splineTeeth': reading('count', 31),
      },
      { 'donor.material': 'carbon' },
    );
    const { left, right } = evaluate(p).of(capacity);
    expect(left?.diameter.value).toBe(29.4);
    expect(right?.diameter.value).toBeCloseTo(31.38, 2);
    // 620·π·29.4³/16 = 3093.6 N·m by hand.
    expect(left?.capacity.value).toBeCloseTo(3093.6, 0);
  });

  it('grows with the cube of the diameter', () => {
    fc.assert(
      fc.property(spread(12, 60), (d) => {
        expect(shearAt(900, d) / shearAt(900, 2 * d)).toBeCloseTo(8, 9);
      }),
    );
  });
});

describe('condition', () => {
  it('stops at an insert that nobody sells, and at chipped teeth', () => {
    expect(check(plan({}, { 'cond.inserts': 'never' }), 'cond.inserts')).toMatchObject({ level: 'stop' });
    expect(check(plan({}, { 'cond.gears': 'broken' }), 'cond.gears')).toMatchObject({ level: 'stop' });
    expect(check(plan({}, { 'cond.gears': 'good' }), 'cond.gears')).toMatchObject({ level: 'ok' });
  });

  it('holds run-out, journals and tubes against their limits, side by side', () => {
    const p = plan({
      'cond.runout.left': reading('indicator', 0.21),
      'cond.runout.right': reading('indicator', 0.07),
      'cond.journal.right': reading('indicator', 0.05),
      'cond.straight': reading('straightedge', 0.8),
    });
    const levels = ['cond.runout.left', 'cond.runout.right', 'cond.journal.right', 'cond.straight'].map(
      (id) => check(p, id)?.level,
    );
    expect(levels).toEqual(['caution', 'ok', 'caution', 'ok']);
  });
});

describe('evidence', () => {
  it('is followed from a figure down to the weakest reading it rests on', () => {
    const p = plan({
      'donor.half.left': reading('seller', 792),
      'donor.brakeSpace.right': reading('seen', 75.9),
      'donor.splineTeeth': reading('seller', 31),
    });
    const results = evaluate(p);
    const figures = allFigures(results);
    const grade = (id: string) => figures.get(id)?.evidence;
    expect(grade('donor.sum')).toBe('seller');
    expect(grade('donor.closure.right')).toBe('seen');
    // A count has no width, and still is a claim.
    expect(grade('spline.major')).toBe('seller');
    expect(grade('evenUp.cut.left')).toBe('seller');
    expect(check(p, 'donor.evidence')).toMatchObject({ level: 'caution', figure: { value: 2 } });
  });

  it('is as firm as a measurement for a decision, and a claim of limited slip is no value', () => {
    const p = plan({}, { 'slip.claim': fact('open', 'seller'), 'donor.cable': fact('drum', 'seller') });
    expect(sellersWord(p)).toEqual(['fact.donor.cable']);
    const results = evaluate(p);
    const width = results.of(schools)[0];
    expect(width && 'width' in width && width.width.evidence).toBe('chosen');
  });

  it('widens the interval: a seller’s length by 5 mm, a told angle by 2°', () => {
    const p = plan({ 'donor.half.left': reading('seller', 792), 'angle.flat': reading('seller', 0.03) });
    const { known } = evaluate(p);
    expect(known.get('donor.half.left')?.summary?.u).toBeCloseTo(5 / Math.sqrt(3), 9);
    expect(known.get('angle.flat')?.summary?.u).toBeCloseTo((2 * Math.PI) / 180 / Math.sqrt(3), 9);
  });
});
