import { describe, expect, it } from 'vitest';
import packhorse from '../../../examples/packhorse.json';
import ladder from '../../../examples/tern-ladder.json';
import tern from '../../../examples/tern.json';
import { expandedUncertainty, showFigure, sized } from '../measure';
import { EMPTY_PLAN, findQuantity, readQuantity, type Plan } from '../plan';
import { reading, wholePlan, workedPlan } from '../testing/plans';
import type { Bracket } from '../stages/brackets/choices';
import { places } from '../stages/brackets/figures/places';
import { marks } from '../stages/cut/figures/marks';
import { width } from '../stages/cut/figures/stand';
import { atRest } from '../stages/driveline/figures/motion';
import { ratios } from '../stages/gears/figures/ratios';
import { rearRate } from '../stages/motion/figures/springs';
import { shaftOrder } from '../stages/shafts/shaft-order';
import { shafts } from '../stages/shafts/figures/shafts';
import { stackSides } from '../stages/shafts/figures/stack';
import { evaluate } from './evaluate';

const check = (plan: Plan, id: string) => evaluate(plan).checks.find((c) => c.id === id);
const withReadings = (plan: Plan, readings: Plan['readings']): Plan => ({
  ...plan,
  readings: { ...plan.readings, ...readings },
});

describe('what holds the shafts', () => {
  const unsaid = workedPlan({}, { retention: 'unsaid', retentionTo: 'unsaid' });
  const said = workedPlan();

  it('is unsaid in a new plan, and is asked for', () => {
    expect(EMPTY_PLAN.choices).toMatchObject({ retention: 'unsaid', retentionTo: 'unsaid' });
    expect(check(unsaid, 'shaft.retention')).toMatchObject({ level: 'unknown', at: 'donor.retention' });
    expect(check(said, 'shaft.retention')).toBeUndefined();
  });

  it('leaves what rests on it unknown, and the cut as it is', () => {
    const [open, told] = [evaluate(unsaid), evaluate(said)];
    expect(told.of(shafts).fit.left.share).toBeDefined();
    expect(open.of(shafts).fit.left.share).toBeUndefined();
    expect(check(unsaid, 'shaft.engagement.left')).toMatchObject({
      level: 'unknown',
      lacks: expect.arrayContaining(['donor.retention']) as string[],
    });
    expect(open.of(stackSides).left.parts).toEqual({});
    expect(open.of(marks).marks.left?.inner.fromCasting?.value).toBe(
      told.of(marks).marks.left?.inner.fromCasting?.value,
    );
    expect(open.decisions.find(({ id }) => id === 'shafts')?.lacks).toContain('donor.retention');
    expect(told.decisions.find(({ id }) => id === 'shafts')?.lacks).not.toContain('donor.retention');
  });

  it('is asked for by the shafts’ order, and by ends that change', () => {
    const order = (plan: Plan) => evaluate(plan).of(shaftOrder).lacks;
    expect(order(unsaid)).toContain('What holds the shafts');
    const changed = workedPlan({}, { retention: 'unsaid', retentionTo: 'boltIn' });
    expect(check(changed, 'cut.ends')?.lacks).toContain('donor.retention');
  });

  it('and whether a tube read after the work moves the wheel', () => {
    const worked = { 'after.welded.left': reading('tape', 386.2) };
    const half = (plan: Plan) => evaluate(withReadings(plan, worked)).of(shafts).needs.left?.needed.value;
    expect(half(said)).toBeDefined();
    expect(half(unsaid)).toBeUndefined();
    // What was planned does not stand for what was read.
    const now = evaluate(withReadings(unsaid, worked));
    expect(now.of(width)).toBeUndefined();
    expect(now.checks.find(({ id }) => id === 'cut.width')).toMatchObject({
      level: 'unknown',
      lacks: ['donor.retention'],
    });
    expect(evaluate(unsaid).of(width)?.value).toBe(evaluate(said).of(width)?.value);
  });
});

describe('what lies all across', () => {
  it('has no casting face of its own: it is placed from the centreline, or not at all', () => {
    const base = wholePlan(packhorse.plan);
    const truss = (datum: string) =>
      evaluate({
        ...base,
        brackets: {
          truss: { ...base.brackets['truss'], kit: undefined, place: { datum, at: 40 } } as unknown as Bracket,
        },
      })
        .of(places)
        .find(({ id }) => id === 'truss');
    expect(truss('centre')?.y?.value).toBe(40);
    for (const datum of ['casting', 'end', 'seat']) {
      expect(truss(datum)?.y).toBeUndefined();
      expect(truss(datum)?.lacks).toContain('bracket.list');
    }
  });
});

describe('the gear at the finish', () => {
  const base = wholePlan(tern.plan);

  it('is the highest while nobody said it, and is shown as assumed', () => {
    const { 'gear.finishGear': _, ...bare } = base.readings;
    const rows = (readings: Plan['readings']) =>
      evaluate({ ...base, readings: { ...readings, 'gear.finishSpeed': reading('chosen', 46) } }).of(ratios);
    const [open] = rows(bare);
    expect(open?.finishRpm?.assumed['gear.finishGear']?.why).toMatch(/highest/);
    const [said] = rows({ ...bare, 'gear.finishGear': reading('chosen', 3) });
    expect(said?.finishRpm?.assumed).not.toHaveProperty('gear.finishGear');
  });
});

describe('a choice that is open', () => {
  it('is kept without a reason, and asks for one', () => {
    const open = { gearbox: { state: 'open', reason: '', who: '' } } as const;
    expect(check({ ...wholePlan(tern.plan), open }, 'open.gearbox')).toMatchObject({
      level: 'unknown',
      title: 'Why the gearbox is open: not said',
    });
    const why = { gearbox: { state: 'open', reason: 'A six-speed may come', who: 'Wim' } } as const;
    expect(check({ ...wholePlan(tern.plan), open: why }, 'open.gearbox')).toBeUndefined();
  });
});

describe('readings that contradict each other', () => {
  it('are named with what they say', () => {
    const base = wholePlan(tern.plan);
    const tube = base.readings['donor.tube.left']?.repeats[0]?.value ?? NaN;
    const off = withReadings(base, { 'donor.tube.left': reading('tape', tube + 9) });
    const found = check(off, 'donor.closure.left');
    expect(found?.level).toBe('stop');
    expect(found?.reason).toContain(`casting to housing end, left ${sized(tube + 9)}`);
    expect(found?.reason).toContain('pinion axis to WMS, left');
  });
});

describe('a wheel’s offset', () => {
  it('is read and told in millimetres in inch work too', () => {
    const quantity = findQuantity('wheel.et');
    if (!quantity) throw new Error('There is no offset.');
    expect(readQuantity(quantity, '18', 'frac')).toEqual({ ok: true, value: 18 });
    const figure = evaluate(withReadings(workedPlan(), { 'wheel.et': reading('chosen', 18) })).known.get(
      'wheel.et',
    );
    expect(figure && showFigure(figure.figure, 'frac')).toBe('18.0 mm');
    const width = evaluate(workedPlan()).known.get('brief.targetWidth');
    expect(width && showFigure(width.figure, 'in')).toMatch(/in$/);
  });
});

describe('a driveshaft as it was read', () => {
  const base = wholePlan(tern.plan);
  const shaft = evaluate(base).of(atRest)?.shafts.at(-1);
  const level = (readings: Plan['readings'], id: string) => check(withReadings(base, readings), id)?.level;

  it('is as long and slopes as the plan has it between its joints, or stops what rests on both', () => {
    if (!shaft) throw new Error('The plan draws no driveshaft.');
    const { length, slope } = shaft;
    const off = expandedUncertainty(length);
    expect(level({ 'drive.readLength': reading('tape', length.value + 1) }, 'twice.drive.readLength')).toBe(
      'ok',
    );
    const far = { 'drive.readLength': reading('tape', length.value - off - 12) };
    expect(level(far, 'twice.drive.readLength')).toBe('stop');
    expect(Object.keys(evaluate(withReadings(base, far)).contradicted)).toEqual(
      expect.arrayContaining(['drive.readLength', 'drive.along']),
    );
    expect(level({ 'drive.readSlope': reading('angleGauge', slope.value) }, 'twice.drive.readSlope')).toBe(
      'ok',
    );
    expect(
      level({ 'drive.readSlope': reading('angleGauge', slope.value + 0.07) }, 'twice.drive.readSlope'),
    ).toBe('stop');
    expect(level({}, 'twice.drive.readLength')).toBeUndefined();
  });
});

describe('the rear’s rate', () => {
  const base = wholePlan(ladder.plan);
  const rate = (readings: Plan['readings']) => check(withReadings(base, readings), 'twice.rate');

  it('by a mass over the axle is that of its springs, but for what bushings add', () => {
    const springs = evaluate(base).of(rearRate)?.value ?? NaN;
    expect(springs).toBeGreaterThan(5);
    // m·g/d: so much that the body goes down by d.
    const down = (share: number) => {
      const kg = 140;
      return {
        'scales.pressed': reading('scale', kg),
        'scales.pressedBy': reading('rule', (kg * 9.80665) / (share * springs)),
      };
    };
    expect(rate(down(1.08))?.level).toBe('ok');
    expect(rate(down(1.9))).toMatchObject({
      level: 'stop',
      contradicts: expect.arrayContaining(['coil.rate']) as string[],
    });
    expect(rate({})).toBeUndefined();
  });
});
