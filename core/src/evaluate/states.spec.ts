import { describe, expect, it } from 'vitest';
import { EMPTY_PLAN, type Plan } from '../plan';
import { reading, workedPlan } from '../testing/plans';
import { evaluate } from './evaluate';
import { JOINT_IDS } from '../stages/donor/joints/choices';
import { placeWord } from '../stages/cut/strip';

const without = (plan: Plan, ...ids: string[]): Plan => ({
  ...plan,
  readings: Object.fromEntries(Object.entries(plan.readings).filter(([id]) => !ids.includes(id))),
});
const lacks = (plan: Plan, id: string) => evaluate(plan).decisions.find((d) => d.id === id)?.lacks;

describe('stages of the rail', () => {
  it('begin untouched, go into work, and settle', () => {
    const begun: Plan = { ...EMPTY_PLAN, brief: { ...EMPTY_PLAN.brief, donor: 'Norrland ladder-truck axle' } };
    expect(evaluate(begun).stages.brief).toBe('inWork');
    expect(evaluate(workedPlan()).stages.brief).toBe('settled');
    const half = { ...EMPTY_PLAN, readings: { 'donor.half.left': reading('tape', 812.4) } };
    expect(evaluate(half).stages).toMatchObject({ donor: 'inWork', cut: 'untouched', sheets: 'untouched' });
    expect(evaluate(workedPlan()).stages.donor).toBe('inWork');
    const judged: Plan = {
      ...workedPlan({ 'ratio.ring': reading('count', 43), 'ratio.pinion': reading('count', 11) }),
      verdicts: {
        donor: { verdict: 'accepted', reason: 'All checked', who: 'Ansa', at: '2026-11-02T10:00:00Z' },
      },
    };
    // Joints that nobody looked at, and shafts whose strength is not known, settle nothing.
    expect(evaluate(judged).stages).toMatchObject({
      donor: 'inWork',
      cut: 'settled',
      shafts: 'inWork',
      sheets: 'inWork',
    });
    const looked: Plan = {
      ...judged,
      joints: Object.fromEntries(
        JOINT_IDS.map((id) => [id, { verdict: 'fits', reason: 'Tried on the bench' } as const]),
      ),
    };
    expect(evaluate(looked).stages.donor).toBe('settled');
  });

  it('carry the gravest open check of their own, and the sheet waits for all', () => {
    const off = workedPlan({ 'donor.tube.left': reading('tape', 591.1) });
    // Parts that do not make up the half: the donor stops, and so does what is cut by it.
    expect(evaluate(off).stages).toMatchObject({ donor: 'stop', cut: 'inWork', sheets: 'untouched' });
    // Two readings of one half that contradict each other hold the shafts too.
    const torn = workedPlan({
      'donor.half.left': {
        instrument: 'tape',
        datum: 'pinionAxis',
        repeats: [{ value: 812.3 }, { value: 792.2 }],
      },
    });
    expect(['settled', 'untouched']).not.toContain(evaluate(torn).stages.cut);
    expect(evaluate(torn).stages.shafts).not.toBe('settled');
    const held = evaluate(off).decisions.find((d) => d.id === 'marks');
    expect(held?.held).toBe('Donor’s left side: the readings do not add up');
    const missing = workedPlan({ 'brief.targetWidth': reading('chosen', 1502.4) });
    expect(evaluate(missing).stages.cut).toBe('stop');
  });
});

describe('decisions', () => {
  it('need only what their way and datum ask for', () => {
    const noWidth = without(workedPlan(), 'brief.targetWidth');
    expect(lacks(noWidth, 'cut')).toEqual(['brief.targetWidth']);
    expect(lacks({ ...noWidth, choices: { ...noWidth.choices, school: 'shortShaft' } }, 'cut')).toEqual([]);
    const noCasting = without(workedPlan(), 'donor.casting.right');
    expect(lacks(noCasting, 'marks')).toEqual([]);
    expect(lacks({ ...noCasting, choices: { ...noCasting.choices, datum: 'pinion' } }, 'marks')).toEqual([
      'donor.casting.right',
    ]);
  });

  it('ask for the pinion’s place only where neither it nor the gearbox is known', () => {
    const driveline = workedPlan({}, { school: 'driveline' });
    expect(lacks(driveline, 'cut')).toEqual(['cut.pinion']);
    expect(
      lacks(workedPlan({ 'survey.gearbox': reading('tape', -9.4) }, { school: 'driveline' }), 'cut'),
    ).toEqual([]);
  });
});

describe('running strip', () => {
  it('keeps its places, and shows the worse of both sides', () => {
    const empty = evaluate(EMPTY_PLAN).strip.map((s) => s.id);
    expect(evaluate(workedPlan()).strip.map((s) => s.id)).toEqual(empty);
    const short = workedPlan({ 'donor.shaftSpline.right': reading('caliper', 27.3) });
    const engaged = evaluate(short).strip.find((s) => s.id === 'engaged')?.figure;
    expect(engaged?.id).toBe('engaged.share.right');
    // The right shaft’s end stands at 17.0 + 0.1, its spline reaches 44.4, the gear begins at 18.5.
    expect(engaged?.value).toBeCloseTo((17 + 0.1 + 27.3 - 18.5) / 33.6, 6);
  });

  it.each([
    [25.25, 'left'],
    [0.3, 'left'],
    [-0.06, 'right'],
    [0.04, 'middle'],
  ] as const)('a pinion at %d is %s', (y, word) => {
    expect(placeWord(y)).toBe(word);
  });
});
