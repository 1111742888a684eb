import { describe, expect, it } from 'vitest';
import { evaluate } from '../evaluate';
import { EMPTY_PLAN, type Plan } from '../plan';
import { sheetFor, reading, workedPlan } from '../testing/plans';
import type { LengthUnit } from '../units';

const sheet = (plan: Plan, unit: LengthUnit = 'mm') => sheetFor('cut', evaluate(plan), unit);
const row = (plan: Plan, item: string, unit: LengthUnit = 'mm') => {
  const found = sheet(plan, unit)
    .sections.flatMap((s) => s.rows)
    .find((r) => r.item === item);
  if (!found) throw new Error(`no row ${item}`);
  return found;
};

const WHOLE = { 'cut.gap': reading('straightedge', 2), 'cut.shrink': reading('rule', 0.8) };

describe('cut sheet', () => {
  it('says marks, blade side and slug for both sides', () => {
    const outer = row(workedPlan(WHOLE), 'Outer mark');
    expect(outer.cells[0]?.text).toBe('294.2 mm');
    expect(outer.cells[1]?.text).toBe('255.7 mm');
    expect(outer.note).toContain('blade inboard');
    expect(row(workedPlan(WHOLE), 'Slug that falls out').cells[1]?.text).toBe('38.5 mm');
  });

  it('prints in the unit of the bench', () => {
    // 294.2 mm is 11.5827 in: 11 9/16 and 20 thousandths.
    expect(row(workedPlan(WHOLE), 'Outer mark', 'frac').cells[0]?.text).toBe('11 9⁄16 + .020 in');
    // To a 32nd it is 11 19/32 less 11 thousandths.
    expect(row(workedPlan(WHOLE), 'Outer mark', 'frac32').cells[0]?.text).toBe('11 19⁄32 − .011 in');
    expect(row(workedPlan(WHOLE), 'Outer mark', 'in').cells[0]?.text).toBe('11.583 in');
  });

  it('says beside each mark which defaults it rests on, and lists them', () => {
    const outer = row(workedPlan(), 'Outer mark');
    expect(outer.cells[0]?.text).toBe('294.2 mm*');
    expect(outer.note).toContain('assumed: root gap, weld shrinkage');
    expect(sheet(workedPlan()).assumed).toContain('Root gap: 2.0 mm, a usual root gap, set with a feeler');
    expect(sheet(workedPlan(WHOLE)).assumed.join()).not.toContain('Root gap');
  });

  it('prints no mark whose readings contradict each other', () => {
    const plan = workedPlan({ ...WHOLE, 'donor.tube.left': reading('tape', 602) });
    const outer = row(plan, 'Outer mark');
    expect(outer.cells[0]).toEqual({ text: 'held', held: 'Donor’s left side: the readings do not add up' });
    expect(outer.cells[1]?.text).toBe('255.7 mm');
    expect(sheet(plan).lacks.join()).toContain('The scribe marks: held.');
    const apart = workedPlan({ ...WHOLE, 'donor.half.right': reading('tape', 741.5, 755.2) });
    expect(row(apart, 'Cut').cells[1]?.text).toBe('held');
  });

  it('gives the tube left on the casting as a length, and marks from a face that stays', () => {
    const endOff = workedPlan(
      { ...WHOLE, 'cut.endPiece.left': reading('caliper', 64.3), 'cut.endPiece.right': reading('caliper', 61) },
      { method: 'endOff', datum: 'housingEnd' },
    );
    // 588 − 91 − 64.3 − 2 + 0.8.
    expect(row(endOff, 'Tube left on the casting').cells[0]?.text).toBe('431.5 mm');
    expect(row(endOff, 'Inner mark').cells[0]?.text).toBe('431.5 mm');
    expect(row(endOff, 'Inner mark').note).toContain('from the casting face');
    expect(sheet(endOff).head.find(([k]) => k === 'Marks from')?.[1]).toContain('the housing end leaves');
  });

  it('carries acceptances with reason, who and when, and changed limits', () => {
    const tilted = {
      'square.left.radius': reading('rule', 74.3),
      'square.left.tacked.top': reading('caliper', 601.2),
      'square.left.tacked.front': reading('caliper', 601.0),
      'square.left.tacked.bottom': reading('caliper', 600.6),
      'square.left.tacked.rear': reading('caliper', 601.1),
    };
    const plan = workedPlan(tilted);
    const open = sheet(plan).checks;
    expect(open.map((c) => c.title)).toContain('Camber from the left cut');
    const accepted: Plan = {
      ...plan,
      accepted: {
        'square.camber.left': {
          reason: 'Full-float ends follow',
          figure: null,
          who: 'Ansa',
          at: '2027-02-03T09:00:00Z',
        },
      },
      limits: { 'cut.slug': { value: 7, reason: 'Thin blade' } },
    };
    const printed = sheet(accepted);
    expect(printed.limits.join()).toContain('Thin blade');
    const lines = [...printed.accepted, ...printed.checks].map((c) => c.accepted).join();
    expect(lines).toContain('Full-float ends follow');
    expect(lines).toContain('Ansa');
  });

  it('says what is missing, defers to local codes and licensed practice, and invents nothing', () => {
    const empty = sheet(EMPTY_PLAN);
    expect(empty.sections).toEqual([]);
    expect(empty.lacks.join()).toContain(
      'The cut: pinion axis to WMS, left, pinion axis to WMS, right, WMS width wanted',
    );
    expect(empty.cautions.join(' ')).toMatch(/local/i);
    expect(empty.cautions.join(' ')).toMatch(/qualified|licensed/i);
  });
});
