import { describe, expect, it } from 'vitest';
import ternFile from '../../../examples/tern.json';
import { EMPTY_PLAN, type Plan } from '../plan';
import { createEvaluator, evaluate } from './evaluate';
import { judgedAfter, judgedChange, judgedOf, withJudged } from './judged';

const DAY = '2027-03-20';
const tern = ternFile.plan as unknown as Plan;
/** As it comes out of another thread. */
const sent = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('what is judged elsewhere', () => {
  it('goes from thread to thread and says the same', () => {
    const judged = judgedOf(evaluate(tern, DAY));
    expect(sent(judged)).toEqual(judged);
    expect(judgedAfter(undefined, sent(judgedChange(undefined, judged)))).toEqual(judged);
  });

  it('is sent as what changed: the checks that say the same stay the same objects', () => {
    const again = createEvaluator();
    const before = judgedOf(again(tern, DAY));
    const { 'wheel.et': et } = tern.readings;
    const now = judgedOf(
      again(
        {
          ...tern,
          readings: {
            ...tern.readings,
            'wheel.et': { instrument: 'rule', ...et, repeats: [{ value: 12 }] },
          },
        },
        DAY,
      ),
    );
    const change = sent(judgedChange(before, now));
    const others = change.checks.filter((check) => typeof check !== 'number');
    expect(others.length).toBeGreaterThan(0);
    expect(others.length).toBeLessThan(now.checks.length / 2);
    const after = judgedAfter(before, change);
    expect(after).toEqual(now);
    expect(after.checks.filter((check) => before.checks.includes(check))).toHaveLength(
      now.checks.length - others.length,
    );
  });

  it('refuses a change that goes by another judgement', () => {
    const change = judgedChange(judgedOf(evaluate(tern, DAY)), judgedOf(evaluate(tern, DAY)));
    expect(() => judgedAfter(judgedOf(evaluate(EMPTY_PLAN, DAY)), change)).toThrow(RangeError);
    expect(() => judgedAfter(undefined, change)).toThrow(/no check 0/);
  });

  it('stands in the results in place of their own, and all else is theirs', () => {
    const own = evaluate(tern, DAY);
    const judged = sent(judgedOf(evaluate(tern, DAY)));
    const results = withJudged(own, judged);
    expect(results.checks).toBe(judged.checks);
    expect(results.stages).toBe(judged.stages);
    expect(results.strip).toBe(own.strip);
    expect(results.known).toBe(own.known);
    expect(results.of).toBe(own.of);
  });
});
