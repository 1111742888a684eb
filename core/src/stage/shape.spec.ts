import { describe, expect, it } from 'vitest';
import { items, list, number, object, oneOf, some, whole } from './shape';
import { verdictShape } from './verdict';

const rule = { test: () => false, says: 'Never.' } as never;

describe('shapes of what a plan holds', () => {
  it('keep the rule of a list and of an object, and have none where none was given', () => {
    expect(list(number(0, 5), { max: 7, rule })).toMatchObject({ rule, min: 0, max: 7, unique: false });
    expect(list(number(0, 5), { min: 2, max: 7, unique: true })).toEqual({
      kind: 'list',
      of: { kind: 'number', min: 0, max: 5, whole: false },
      min: 2,
      max: 7,
      unique: true,
    });
    const fields = { wide: whole(1, 9) };
    expect(object<{ wide: number }>(fields, [], rule)).toEqual({ kind: 'object', fields, optional: [], rule });
    expect(object<{ wide: number }>(fields)).toEqual({ kind: 'object', fields, optional: [] });
  });

  it('take a verdict of the builder’s with a reason of some length and a name', () => {
    expect(verdictShape(['bought', 'rejected'])).toMatchObject({
      fields: {
        verdict: { values: ['bought', 'rejected'] },
        reason: { as: 'free', min: 3, max: 300 },
        who: { as: 'name', min: 1, max: 60 },
        at: { kind: 'time' },
      },
    });
  });

  it('say how an entry is found: by a given id, or one of these', () => {
    expect(items(whole(1, 4), 12)).toMatchObject({ keys: 'item', max: 12 });
    const either = oneOf(['left', 'right']);
    expect(some(['left', 'right'], either)).toEqual({
      kind: 'record',
      of: either,
      keys: ['left', 'right'],
      max: 2,
    });
  });
});
