import { createHash } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import {
  CHOICE_FIELDS,
  EMPTY_PLAN,
  FACTS,
  LIMIT_IDS,
  PART_FIELDS,
  PLAN_VERSION,
  planFromStore,
  QUANTITIES,
  upgradePlan,
  VERDICT_FIELDS,
} from '@intervex/core';
import shapes from './plan-shapes.json';

/** The shape of all that a plan may hold, as text: what a reader of a file, or of the store, has to know. */
const shape = JSON.stringify({
  choices: CHOICE_FIELDS,
  parts: PART_FIELDS,
  verdicts: VERDICT_FIELDS,
  readings: QUANTITIES.map(({ id, unit, min, max, whole }) => [id, unit, min, max, whole]),
  facts: FACTS.map(({ id, options }) => [id, options]),
  limits: LIMIT_IDS,
});

describe('the shape of the plan', () => {
  it('never changes without a new version', () => {
    const digest = createHash('sha256').update(shape).digest('hex');
    expect(
      (shapes as Readonly<Record<string, string>>)[PLAN_VERSION],
      `The plan has another shape than version ${PLAN_VERSION}: raise PLAN_VERSION, say in each new field since when it is there, add the step to docs/plan-format.md, and note ${digest} in tools/plan-shapes.json.`,
    ).toBe(digest);
  });

  it.each([
    [7, 'shimKit'],
    [9, 'ladderFront'],
  ] as const)('that went by within version %i opens again, with and without %s', (version, key) => {
    const choice = key in EMPTY_PLAN.choices;
    const { [key as 'ladderFront']: _choice, ...choices } = EMPTY_PLAN.choices;
    const { [key as 'shimKit']: _part, ...parts } = EMPTY_PLAN;
    const without = choice ? { ...EMPTY_PLAN, choices } : parts;
    expect(upgradePlan(version, without)).toEqual(EMPTY_PLAN);
    expect(planFromStore(version, without)).toEqual({ plan: EMPTY_PLAN, dropped: [] });
    const kept = choice
      ? { ...EMPTY_PLAN, choices: { ...EMPTY_PLAN.choices, ladderFront: 'bushed' } }
      : { ...EMPTY_PLAN, shimKit: { pinion: [1] } };
    expect(upgradePlan(version, kept)).toEqual(kept);
  });
});
