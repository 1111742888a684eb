import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import tern from '../../examples/tern.json';
import { readPlanFile } from './plan-file';
import { validated } from './validated';

const LIST = Joi.array().items(Joi.number());

describe('what is validated', () => {
  it('tells every fault of what may be meant', () => {
    expect(validated(LIST, ['x', 1, 'y'], { convert: false }).error?.details).toHaveLength(2);
    expect(validated(LIST, [1, 2]).value).toEqual([1, 2]);
  });

  it('tells the first fault alone of what is far too large', () => {
    expect(validated(LIST, Array(50_000).fill('x'), { convert: false }).error?.details).toHaveLength(1);
    const deep = { of: Array.from({ length: 4000 }, (_, i) => ({ i, of: [i, i, i] })) };
    expect(validated(Joi.object({ a: Joi.number(), b: Joi.number() }), deep).error?.details).toHaveLength(1);
  });

  it('tells all of a whole plan', () => {
    const { choices } = tern.plan;
    const wrong = { ...tern.plan, choices: { ...choices, method: 'saw', datum: 'there', tyre: 7 } };
    const read = readPlanFile({ ...tern, plan: wrong });
    expect(!read.ok && read.problems.map(({ field }) => field).sort()).toEqual([
      'plan.choices.datum',
      'plan.choices.method',
      'plan.choices.tyre',
    ]);
  });
});
