import { describe, expect, it } from 'vitest';
import { EMPTY_PLAN, type Plan } from '../plan';
import { workedPlan } from '../testing/plans';
import { evaluate } from './evaluate';
import { nextStep } from './next-step';

const of = (plan: Plan, open?: string) => nextStep(evaluate(plan), open);
const without = (plan: Plan, ...ids: string[]): Plan => ({
  ...plan,
  readings: Object.fromEntries(Object.entries(plan.readings).filter(([id]) => !ids.includes(id))),
});

describe('the next step', () => {
  it('begins an empty plan with what the first decision needs', () => {
    const step = of(EMPTY_PLAN);
    expect(step.kind).toBe('read');
    expect(step.todo).toMatch(/^(?:Read|Choose|Count|Look at) /);
    expect(step.why).toMatch(/^“.+” needs it, and \d+ more$/);
  });

  it('names the open stage’s own lack before that of others', () => {
    const plan = without(workedPlan(), 'donor.tube.left', 'brief.targetWidth');
    expect(of(plan, 'cut').todo).toMatch(/WMS width wanted|casting to housing end, left/);
    expect(of(EMPTY_PLAN, 'stance').stage).not.toBe('cut');
  });

  it('mends readings that contradict each other before anything else', () => {
    const twice = { repeats: [{ value: 803 }, { value: 812 }], instrument: 'tape' } as const;
    const step = of({
      ...without(workedPlan(), 'donor.tube.right'),
      readings: { ...workedPlan().readings, 'donor.half.left': twice },
    });
    expect(step).toMatchObject({ kind: 'mend', place: 'donor.half.left', stage: 'donor' });
    expect(step.why).toContain('Take another reading');
  });

  it('asks for decisions before it tells of checks, and for stops before cautions', () => {
    const lacking = evaluate(workedPlan());
    const first = nextStep(lacking);
    if (lacking.decisions.some((d) => d.lacks.length)) expect(first.kind).toBe('read');
    const all = { ...lacking, decisions: lacking.decisions.map((d) => ({ ...d, lacks: [] })) };
    const stop = {
      id: 'a',
      stage: 'cut',
      level: 'stop',
      title: 'A stop',
      reason: '',
      todo: 'Do it',
      at: 'cut.mark.left',
    } as const;
    const caution = { ...stop, id: 'b', level: 'caution', title: 'A caution' } as const;
    const unknown = {
      ...stop,
      id: 'c',
      level: 'unknown',
      title: 'Not known',
      lacks: ['donor.journal'],
    } as const;
    const kinds = (checks: typeof lacking.checks) => nextStep({ ...all, checks }).kind;
    expect(kinds([caution, unknown, stop])).toBe('stop');
    expect(kinds([caution, unknown])).toBe('read');
    expect(kinds([caution])).toBe('caution');
    expect(
      nextStep({ ...all, checks: [{ ...caution, accepted: { reason: 'so', figure: null, who: 'A', at: '' } }] })
        .kind,
    ).toMatch(/measure|print/);
  });

  it('measures what stands assumed under the strip, then prints', () => {
    const results = evaluate(workedPlan());
    const all = { ...results, decisions: [], checks: [] };
    expect(nextStep(all)).toMatchObject({ kind: 'measure' });
    expect(nextStep(all).why).toMatch(/rests on a default/);
    expect(nextStep({ ...all, strip: [] })).toMatchObject({
      kind: 'print',
      todo: 'Print the sheets',
      place: '',
    });
  });
});
