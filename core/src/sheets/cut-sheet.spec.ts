import { describe, expect, it } from 'vitest';
import { evaluate } from '../evaluate';
import { EMPTY_PLAN, type Plan } from '../plan';
import { reading, workedPlan } from '../testing/plans';
import type { LengthUnit } from '../units';
import { cutSheet } from './cut-sheet';

const sheet = (plan: Plan, unit: LengthUnit = 'mm') => cutSheet(plan, evaluate(plan), unit);
const row = (plan: Plan, item: string, unit: LengthUnit = 'mm') => {
  const found = sheet(plan, unit)
    .sections.flatMap((s) => s.rows)
    .find((r) => r.item === item);
  if (!found) throw new Error(`no row ${item}`);
  return found;
};

describe('cut sheet', () => {
  it('says marks, blade side and slug for both sides', () => {
    const outer = row(workedPlan(), 'Outer mark');
    expect(outer.cells.left.text).toBe('294.2 mm');
    expect(outer.cells.right.text).toBe('255.7 mm');
    expect(outer.note).toContain('blade inboard');
    expect(row(workedPlan(), 'Slug that falls out').cells.right.text).toBe('38.5 mm');
  });

  it('prints in the unit of the bench', () => {
    // 294.2 mm is 11 9/16 in (293.69 mm) and 0.5 mm, or 11.583 in.
    expect(row(workedPlan(), 'Outer mark', 'frac').cells.left.text).toBe('11 9/16 in +0.5 mm');
    expect(row(workedPlan(), 'Outer mark', 'in').cells.left.text).toBe('11.583 in');
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
    expect(empty.lacks.join()).toMatch(/readings missing/);
    expect(empty.cautions.join(' ')).toMatch(/local/i);
    expect(empty.cautions.join(' ')).toMatch(/qualified|licensed/i);
  });
});
