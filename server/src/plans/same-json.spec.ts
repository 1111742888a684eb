import fc from 'fast-check';
import { isDeepStrictEqual } from 'node:util';
import { describe, expect, it } from 'vitest';
import { same } from './same-json';

describe('the same JSON', () => {
  it('is what Node.js calls the same', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        const [x, y] = [JSON.parse(JSON.stringify(a)), JSON.parse(JSON.stringify(b))] as const;
        expect(same(x, y)).toBe(isDeepStrictEqual(x, y));
        expect(same(x, JSON.parse(JSON.stringify(x)))).toBe(true);
        expect(same([x], [x, y])).toBe(false);
      }),
    );
  });

  it('asks no value about itself', () => {
    const odd = JSON.parse(
      '{"toString": {"a": 1}, "valueOf": 2, "constructor": null, "__proto__": [1]}',
    ) as object;
    expect(same(odd, JSON.parse(JSON.stringify(odd)))).toBe(true);
    expect(same(odd, {})).toBe(false);
    expect(same({}, JSON.parse('{"hasOwnProperty": 1}'))).toBe(false);
    expect(same({ a: undefined }, { b: undefined })).toBe(false);
    expect(same([], {})).toBe(false);
    expect(same(null, {})).toBe(false);
  });
});
