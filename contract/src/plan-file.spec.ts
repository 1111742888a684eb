import { EMPTY_PLAN, evaluate, allFigures, QUANTITIES } from '@intervex/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planFile, PLAN_VERSION, readPlanFile, readPlanText, type ReadPlanFile } from './plan-file';

const refused = (read: ReadPlanFile) => {
  if (read.ok) throw new Error('was taken');
  return read.problems;
};
const taken = (read: ReadPlanFile) => {
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.file;
};
const half = { repeats: [{ value: 791.2, typed: '31 1/8' }], instrument: 'tape', datum: 'pinion axis' };
const file = (plan: unknown) => ({
  format: 'intervex-plan',
  version: PLAN_VERSION,
  project: 'Tern',
  variant: 'Even up',
  plan,
});

describe('plan file', () => {
  it('reads back whatever it writes', () => {
    const anyReading = fc.constantFrom(...QUANTITIES.filter((q) => !q.whole)).chain((q) =>
      fc
        .array(fc.double({ min: q.min, max: q.max, noNaN: true, noDefaultInfinity: true }), {
          minLength: 1,
          maxLength: 5,
        })
        .map((values) => [q.id, { repeats: values.map((value) => ({ value })), instrument: q.instrument }]),
    );
    fc.assert(
      fc.property(fc.array(anyReading, { maxLength: 12 }), (list) => {
        const plan = { ...EMPTY_PLAN, readings: Object.fromEntries(list) };
        const written = planFile('Tern', 'Keep the offset', plan as typeof EMPTY_PLAN);
        expect(taken(readPlanText(JSON.stringify(written)))).toEqual(JSON.parse(JSON.stringify(written)));
      }),
    );
  });

  it('brings version 1 up to date: a bare number becomes one reading by the usual instrument', () => {
    const { readings: _, limits: __, accepted: ___, ...old } = EMPTY_PLAN;
    const v1 = {
      ...file({
        ...old,
        readings: { 'donor.half.left': 792.3, 'donor.half.right': 741.1, 'brief.targetWidth': 1402 },
      }),
      version: 1,
    };
    const { version, plan } = taken(readPlanFile(v1));
    expect(version).toBe(PLAN_VERSION);
    expect(plan.readings['donor.half.left']).toEqual({
      repeats: [{ value: 792.3 }],
      instrument: 'tape',
      datum: 'pinion axis',
    });
    expect(plan.readings['brief.targetWidth']).toEqual({ repeats: [{ value: 1402 }], instrument: 'chosen' });
    // 792.3 − 701 by hand.
    expect(allFigures(evaluate(plan)).get('evenUp.cut.left')?.value).toBeCloseTo(91.3, 9);
  });

  it('brings version 2 up to date: what the brief did not know then starts empty', () => {
    const { vehicle, donor, use, finishBy, notes } = { ...EMPTY_PLAN.brief, vehicle: 'Hollin Tern' };
    const v2 = { ...file({ ...EMPTY_PLAN, brief: { vehicle, donor, use, finishBy, notes } }), version: 2 };
    const { version, plan } = taken(readPlanFile(v2));
    expect(version).toBe(PLAN_VERSION);
    expect(plan.brief).toMatchObject({ vehicle: 'Hollin Tern', launch: 'normal', gears: [], tools: [] });
  });

  it('refuses a torque curve out of order, and a tool named twice', () => {
    const brief = (more: object) => file({ ...EMPTY_PLAN, brief: { ...EMPTY_PLAN.brief, ...more } });
    const curve = [
      { rpm: 4100, torque: 402 },
      { rpm: 2200, torque: 341 },
    ];
    expect(refused(readPlanFile(brief({ torqueCurve: curve })))[0]).toMatchObject({
      field: 'plan.brief.torqueCurve',
      right: 'points in order of rising rpm',
    });
    expect(refused(readPlanFile(brief({ tools: ['press', 'press'] })))[0]?.field).toBe('plan.brief.tools[1]');
  });

  it('brings version 3 up to date: facts, joints, searches, verdicts and photos start empty', () => {
    const { facts: _f, joints: _j, searches: _s, verdicts: _v, photos: _p, ...old } = EMPTY_PLAN;
    const { plan } = taken(readPlanFile({ ...file(old), version: 3 }));
    expect(plan).toEqual(EMPTY_PLAN);
  });

  it.each([
    ['facts', { 'car.cable': { value: 'rope', evidence: 'seen' } }, 'plan.facts.car.cable.value'],
    ['facts', { 'car.cable': { value: 'drum', evidence: 'hope' } }, 'plan.facts.car.cable.evidence'],
    ['joints', { hose: { verdict: 'fits' } }, 'plan.joints.hose.reason'],
    ['joints', { hose: { cost: -4 } }, 'plan.joints.hose.cost'],
    [
      'verdicts',
      { donor: { verdict: 'rejected', reason: 'no', who: 'A', at: '2026-11-02T10:00:00Z' } },
      'plan.verdicts.donor.reason',
    ],
    ['photos', { 'not-an-id': {} }, 'plan.photos.not-an-id'],
    [
      'readings',
      { 'angle.pinion': { repeats: [{ value: 0.02 }], instrument: 'angleGauge', zeroedOn: 'angle.pinion' } },
      'plan.readings.angle.pinion.zeroedOn',
    ],
  ])('refuses in %s what cannot be: %j', (section, value, field) => {
    const problems = refused(readPlanFile(file({ ...EMPTY_PLAN, [section]: value })));
    expect(problems.map((p) => p.field)).toContain(field);
  });

  it('still refuses in version 1 what was never right', () => {
    const v1 = {
      ...file({ ...EMPTY_PLAN, readings: { 'donor.half.left': 'wide', 'donor.nose': 3 } }),
      version: 1,
    };
    const fields = refused(readPlanFile(v1)).map((p) => p.field);
    expect(fields).toContain('plan.readings.donor.half.left');
    expect(fields).toContain('plan.readings.donor.nose');
  });

  it.each([
    [{}, 'format'],
    [[], 'file'],
    [null, 'file'],
    [{ ...file(EMPTY_PLAN), version: PLAN_VERSION + 1 }, 'version'],
    [{ ...file(EMPTY_PLAN), version: '3' }, 'version'],
    [{ ...file(EMPTY_PLAN), extra: 1 }, 'extra'],
    [{ ...file(EMPTY_PLAN), project: 'a;b' }, 'project'],
    [
      file({ ...EMPTY_PLAN, readings: { 'donor.half.left': { ...half, repeats: [] } } }),
      'plan.readings.donor.half.left.repeats',
    ],
    [
      file({ ...EMPTY_PLAN, readings: { 'donor.half.left': { ...half, instrument: 'eye' } } }),
      'plan.readings.donor.half.left.instrument',
    ],
    [
      file({ ...EMPTY_PLAN, readings: { 'donor.splineTeeth': { ...half, repeats: [{ value: 31.5 }] } } }),
      'plan.readings.donor.splineTeeth.repeats[0].value',
    ],
    [file({ ...EMPTY_PLAN, limits: { 'cut.slug': { value: 4 } } }), 'plan.limits.cut.slug.reason'],
    [file({ ...EMPTY_PLAN, choices: { ...EMPTY_PLAN.choices, school: 'best' } }), 'plan.choices.school'],
  ])('names the field that is wrong (%#)', (data, field) => {
    const problems = refused(readPlanFile(data));
    expect(problems.map((p) => p.field)).toContain(field);
    for (const p of problems) {
      expect(p.wrong.length).toBeGreaterThan(5);
      expect(p.right.length).toBeGreaterThan(3);
    }
  });
});
