import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sameValue } from './sameValue.ts';

const plain = fc.letrec((tie) => ({
  value: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(null, undefined, 0, -0, NaN, 1, '', 'a', true, false),
    fc.array(tie('value'), { maxLength: 3 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'c'), tie('value'), { noNullPrototype: true }),
  ),
})).value;

describe('whether two values say the same', () => {
  it('is what the standard library says of plain values', () => {
    fc.assert(
      fc.property(plain, plain, (a, b) => {
        expect(sameValue(a, b)).toBe(isDeepStrictEqual(a, b));
        expect(sameValue(a, structuredClone(a))).toBe(true);
      }),
      { numRuns: 3000, seed: 7 },
    );
  });
  it('tells a list from a record, and a name with nothing from no name', () => {
    expect(sameValue([], {})).toBe(false);
    expect(sameValue({ a: undefined }, { b: undefined })).toBe(false);
    expect(sameValue({ a: undefined }, {})).toBe(false);
    expect(sameValue([1, [2, { of: 3 }]], [1, [2, { of: 3 }]])).toBe(true);
    expect(sameValue([1, [2, { of: 3 }]], [1, [2, { of: 4 }]])).toBe(false);
    expect(sameValue(null, {})).toBe(false);
  });
});
