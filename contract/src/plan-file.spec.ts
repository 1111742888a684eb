import { EMPTY_PLAN, evaluate, allFigures, QUANTITIES, type Plan, PLAN_VERSION } from '@intervex/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planFile, readPlanFile, readPlanText, type ReadPlanFile } from './plan-file';

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

  it('brings version 4 up to date: what held the shafts goes on holding them', () => {
    const { tubeItems: _t, patterns: _p, keepOuts: _k, lines: _l, ...rest } = EMPTY_PLAN;
    const { school, method, datum, shaftRoute } = EMPTY_PLAN.choices;
    const old = { ...rest, choices: { school, method, datum, retention: 'cClip', shaftRoute } };
    const { plan } = taken(readPlanFile({ ...file(old), version: 4 }));
    expect(plan.choices).toEqual({ ...EMPTY_PLAN.choices, retention: 'cClip', retentionTo: 'cClip' });
    expect([plan.tubeItems, plan.patterns, plan.keepOuts, plan.lines]).toEqual([{}, {}, {}, {}]);
  });

  it('takes what is welded to tubes, patterns, places to keep, and lines', () => {
    const full = {
      ...EMPTY_PLAN,
      choices: { ...EMPTY_PLAN.choices, tyre: '205/60R15', spacer: 'adapter', pattern: 'redrill', jig: 'step' },
      tubeItems: { perch: { side: 'left', name: 'the perch', from: 362.4, to: 431 } },
      patterns: {
        flange: { holes: 5, chords: [{ steps: 1, distance: 77.36, over: 'outside', diameter: 13.92 }] },
        rotor: { holes: 4, chords: [] },
      },
      keepOuts: { a1: { name: 'rotor screw', radius: 46.2, angle: -0.31, diameter: 8.1 } },
      lines: {
        tee: {
          name: 'Tee to left',
          points: [
            [-46, 22, 58],
            [-46, 118.5, 58],
          ],
          radius: 12.5,
          flare: 6,
        },
      },
    };
    expect(taken(readPlanFile(file(full as unknown as Plan))).plan).toEqual(full);
  });

  it.each([
    ['tubeItems', { perch: { side: 'left', name: 'perch', from: 400, to: 362 } }, 'plan.tubeItems.perch.to'],
    ['tubeItems', { perch: { side: 'middle', name: 'perch', from: 1, to: 2 } }, 'plan.tubeItems.perch.side'],
    [
      'patterns',
      { wheel: { holes: 5, chords: [{ steps: 1, distance: 77, over: 'outside' }] } },
      'plan.patterns.wheel.chords[0].diameter',
    ],
    ['patterns', { wheel: { holes: 2, chords: [] } }, 'plan.patterns.wheel.holes'],
    ['patterns', { boot: { holes: 5, chords: [] } }, 'plan.patterns.boot'],
    ['keepOuts', { a: { name: 'screw', radius: 46, angle: 0.3, diameter: 0 } }, 'plan.keepOuts.a.diameter'],
    [
      'lines',
      { a: { name: 'x', points: Array(41).fill([0, 0, 0]), radius: 12, flare: 6 } },
      'plan.lines.a.points',
    ],
    [
      'lines',
      {
        a: {
          name: 'x',
          points: [
            [0, 0],
            [1, 2],
          ],
          radius: 12,
          flare: 6,
        },
      },
      'plan.lines.a.points[0]',
    ],
    ['choices', { ...EMPTY_PLAN.choices, tyre: 'x'.repeat(41) }, 'plan.choices.tyre'],
    ['choices', { ...EMPTY_PLAN.choices, jig: 'none' }, 'plan.choices.jig'],
    [
      'verdicts',
      { brakes: { verdict: 'accepted', reason: 'because', who: 'A', at: '2026-11-02T10:00:00Z' } },
      'plan.verdicts.brakes.verdict',
    ],
  ])('refuses in %s what could not be made: %j', (section, value, field) => {
    const problems = refused(readPlanFile(file({ ...EMPTY_PLAN, [section]: value })));
    expect(problems.map((p) => p.field)).toContain(field);
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
