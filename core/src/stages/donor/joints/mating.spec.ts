import { inMm } from '../../../testing/in-mm';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../evaluate';
import type { Plan } from '../../../plan';
import { reading, workedPlan } from '../../../testing/plans';
import { rankRings, ringFit } from './bearing-fit';
import type { JointId } from './choices';
import type { PartOffer, PartSearch } from '../../../stage';
import { joints } from './joints';

const bearing = (
  number: string,
  bore: number,
  outside: number,
  width: number,
  more: Partial<PartOffer> = {},
): PartOffer => ({
  number,
  name: `Bearing ${bore} × ${outside} × ${width}`,
  kind: 'bearing',
  seller: 'Withy Shaftworks',
  price: 31,
  stock: 4,
  leadDays: 2,
  size: { bore, outside, width },
  ...more,
});
const search = (asked: [number, number], ...found: PartOffer[]): PartSearch => ({
  asked: { inside: asked[0], outside: asked[1] },
  of: 412,
  found,
  from: 'counter',
  at: '2026-11-02T10:00:00Z',
  who: 'Ansa',
});
const seat = {
  'donor.journal': reading('caliper', 35.02),
  'donor.bearingBore': reading('caliper', 72.01),
  'donor.bearingWidth': reading('caliper', 18.4),
};
const joint = (plan: Plan, id: JointId) =>
  evaluate(plan)
    .of(joints)
    .find((j) => j.id === id);
const verdict = (plan: Plan, id: JointId) => joint(plan, id)?.verdict;

describe('bearing between journal and bore', () => {
  const to = { inside: 35, outside: 72, width: 18 };

  it('fits, needs a sleeve, or does not join', () => {
    expect(ringFit(bearing('A', 35, 72, 17), to)).toMatchObject({ verdict: 'fits', work: '' });
    expect(ringFit(bearing('B', 35, 62, 18), to)).toMatchObject({
      verdict: 'work',
      work: expect.stringContaining('wall {5 mm 2}'),
    });
    // A sleeve of 1 mm wall cannot be pressed; a bearing does not get smaller.
    expect(ringFit(bearing('C', 35, 70, 17), to).verdict).toBe('no');
    expect(ringFit(bearing('D', 35, 80, 17), to).verdict).toBe('no');
    expect(ringFit(bearing('E', 35, 72, 23), to).verdict).toBe('no');
  });

  it('does not fit where the journal is under the bore by more than it may be worn', () => {
    expect(ringFit(bearing('F', 35, 72, 17), { ...to, inside: 34.945, journalUnder: 0.03 }).verdict).toBe('no');
    expect(ringFit(bearing('F', 35, 72, 17), { ...to, inside: 34.97, journalUnder: 0.03 }).verdict).toBe(
      'fits',
    );
  });

  it('never has a finished journal turned down, but orders a new one to size', () => {
    expect(ringFit(bearing('F', 33.5, 72, 17), to).verdict).toBe('no');
    expect(ringFit(bearing('F', 33.5, 72, 17), { ...to, journalOpen: true })).toMatchObject({
      verdict: 'work',
      work: 'order the journal at {33.5 mm 2}',
    });
  });

  it('ranks what fits before what needs work, and stock before a parcel', () => {
    const ranked = rankRings(
      [bearing('sleeve', 35, 62, 16), bearing('gone', 35, 72, 17, { stock: 0 }), bearing('here', 35, 72, 18)],
      to,
    );
    expect(ranked.map((r) => r.offer.number)).toEqual(['here', 'gone', 'sleeve']);
  });
});

describe('mating table', () => {
  it('asks the counter first, and finds a journal that no bearing joins to the bore', () => {
    const plan = workedPlan({ ...seat, 'new.journal': reading('chosen', 38.1) });
    expect(joint(plan, 'bearing')).toMatchObject({
      verdict: 'unknown',
      computed: { why: expect.stringContaining('counter') },
    });
    const asked: Plan = { ...plan, searches: { bearing: search([38.1, 72.01], bearing('X', 38.1, 80, 18)) } };
    expect(joint(asked, 'bearing')?.computed).toEqual({
      verdict: 'no',
      why: 'none of 412 bearings joins a journal of {38.1 mm 2} to a bore of {72.01 mm 2}',
    });
    expect(evaluate(asked).checks.find((c) => c.id === 'joint.bearing')).toMatchObject({ level: 'stop' });
  });

  it('says what has to be joined: a journal given for the new shafts is fixed, another may be ordered', () => {
    expect(joint(workedPlan(seat), 'bearing')?.seat).toEqual({
      inside: 35.02,
      outside: 72.01,
      width: 18.4,
      journalOpen: true,
      journalUnder: 0.03,
    });
    const given = workedPlan({ ...seat, 'new.journal': reading('chosen', 38.1) });
    expect(joint(given, 'bearing')?.seat).toMatchObject({ inside: 38.1, journalOpen: false });
    const { 'donor.bearingBore': _bore, ...half } = seat;
    expect(joint(workedPlan(half), 'bearing')).not.toHaveProperty('seat');
  });

  it('takes a dimension that moved since for a new question', () => {
    const plan = {
      ...workedPlan(seat),
      searches: { bearing: search([35.02, 72.01], bearing('A', 35, 72, 17)) },
    };
    expect(verdict(plan, 'bearing')).toBe('fits');
    const moved = { ...plan, readings: { ...plan.readings, 'donor.bearingBore': reading('caliper', 71.4) } };
    expect(joint(moved, 'bearing')).toMatchObject({ verdict: 'unknown', searchStale: true });
  });

  it('judges flange and wheel by pattern, and says what drilling again leaves', () => {
    const hubs = {
      'donor.flangeHoles': reading('count', 5),
      'donor.flangePcd': reading('caliper', 120),
      'donor.flangeHole': reading('caliper', 14),
      'car.wheelHoles': reading('count', 5),
      'car.wheelPcd': reading('caliper', 108),
    };
    expect(joint(workedPlan(hubs), 'wheelPattern')).toMatchObject({
      verdict: 'work',
      computed: { why: expect.stringMatching(/\{21\.687\d* mm 2\}/) },
    });
    const six = {
      ...hubs,
      'donor.flangeHoles': reading('count', 6),
      'donor.flangePcd': reading('caliper', 139.7),
      'car.wheelPcd': reading('caliper', 120.65),
    };
    expect(inMm(joint(workedPlan(six), 'wheelPattern')?.computed.why)).toContain(
      'runs 2.30 mm into an old stud hole',
    );
    // A screw where the new holes would go, a rim that is too near, and a limit of this project's own: all count.
    const screwed: Plan = {
      ...workedPlan(hubs),
      keepOuts: { a: { name: 'rotor screw', radius: 53, angle: 0.54, diameter: 31 } },
    };
    expect(joint(screwed, 'wheelPattern')?.computed.why).toContain('not to be drilled again');
    const rimmed = workedPlan({ ...hubs, 'donor.flangeRim': reading('caliper', 139.2) });
    expect(inMm(joint(rimmed, 'wheelPattern')?.computed.why)).toContain('15.60 mm from the flange’s rim');
    const strict: Plan = {
      ...workedPlan(hubs),
      limits: { 'pattern.ligament': { value: 22.4, reason: 'Cast flange' } },
    };
    expect(inMm(joint(strict, 'wheelPattern')?.computed.why)).toContain('Only 21.69 mm of metal');
    const same = { ...hubs, 'car.wheelPcd': reading('caliper', 120.2) };
    expect(verdict(workedPlan(same), 'wheelPattern')).toBe('fits');
  });

  it.each([
    [63.4, 63.55, 'fits'],
    [63.4, 66.6, 'work'],
    [63.4, 60.1, 'work'],
  ])('pilot %f in a bore of %f: %s', (pilot, bore, wanted) => {
    const plan = workedPlan({
      'donor.pilot': reading('caliper', pilot),
      'car.wheelBore': reading('caliper', bore),
    });
    expect(verdict(plan, 'wheelPilot')).toBe(wanted);
  });

  it('judges pinion flange, brake bracket and spline by their dimensions', () => {
    const flange = {
      'donor.pinionBolts': reading('count', 4),
      'donor.pinionPcd': reading('caliper', 80.1),
      'line.flangeBolts': reading('count', 4),
      'line.flangePcd': reading('caliper', 80),
    };
    expect(verdict(workedPlan(flange), 'pinionFlange')).toBe('unknown');
    const pilots = {
      'donor.pinionPilot': reading('caliper', 57.1),
      'line.flangePilot': reading('caliper', 57),
    };
    expect(verdict(workedPlan({ ...flange, ...pilots }), 'pinionFlange')).toBe('fits');
    const brake = {
      'donor.endWide': reading('caliper', 88.9),
      'donor.endHigh': reading('caliper', 50.8),
      'brake.endWide': reading('caliper', 80.3),
      'brake.endHigh': reading('caliper', 50.8),
    };
    expect(inMm(joint(workedPlan(brake), 'brakeBracket')?.computed.why)).toContain('8.6 mm off');
    expect(verdict(workedPlan(), 'spline')).toBe('fits');
    expect(verdict(workedPlan({ 'new.teeth': reading('count', 28) }), 'spline')).toBe('no');
  });

  it('lets the builder judge otherwise, with the reason, and an owner quiets a question', () => {
    const plan = workedPlan({ 'new.teeth': reading('count', 28) });
    const other: Plan = {
      ...plan,
      joints: { spline: { verdict: 'work', reason: 'Side gears are changed too', cost: 140, hours: 3 } },
    };
    expect(joint(other, 'spline')).toMatchObject({ verdict: 'work', computed: { verdict: 'no' } });
    expect(evaluate(other).checks.find((c) => c.id === 'joint.spline')).toMatchObject({
      level: 'ok',
      title: expect.stringMatching(/: fits with work$/) as string,
      reason: expect.stringContaining('; Side gears are changed too.') as string,
    });
    expect(evaluate(workedPlan()).checks.find((c) => c.id === 'joint.spline')).toMatchObject({
      level: 'ok',
      title: expect.stringMatching(/: fits$/) as string,
    });
    const open = workedPlan({ 'donor.pilot': reading('caliper', 63.4) });
    expect(evaluate(open).checks.some((c) => c.id === 'joint.wheelPilot')).toBe(true);
    const owned: Plan = { ...open, joints: { wheelPilot: { owner: 'Ansa' } } };
    // Whose question it is, is known; what it is, is not.
    expect(evaluate(owned).checks.find((c) => c.id === 'joint.wheelPilot')).toMatchObject({
      level: 'unknown',
      title: 'Pilot to wheel bore: not known yet, Ansa finds out',
    });
  });
});

describe('pilot in the wheel’s bore', () => {
  const pilot = (on: number, bore: number) =>
    joint(
      workedPlan({ 'donor.pilot': reading('caliper', on), 'car.wheelBore': reading('caliper', bore) }),
      'wheelPilot',
    )?.computed;

  it('fits, asks for a ring, or is too large, to a hundredth', () => {
    expect(pilot(63.21, 63.46)).toMatchObject({ verdict: 'fits', why: '{0.25 mm 2} play' });
    expect(pilot(62.84, 63.46)).toMatchObject({ verdict: 'work', why: 'centring ring, {0.62 mm 2} to fill' });
    expect(inMm(pilot(66.08, 63.46)?.why)).toContain('the pilot is 2.62 mm too large');
  });
});
