import { describe, expect, it } from 'vitest';
import { Derived, Numbered, Remembered } from './remembered.ts';

describe('what is remembered', () => {
  it('is worked out once for a key, and the key asked for longest ago is let go first', () => {
    const asked: string[] = [];
    const doubled = new Remembered<string>(2);
    const ask = (key: string) =>
      doubled.get(key, () => {
        asked.push(key);
        return key + key;
      });
    expect([ask('a'), ask('b'), ask('a'), ask('c'), ask('a'), ask('b')]).toEqual(['aa', 'bb', 'aa', 'cc', 'aa', 'bb']);
    expect(asked).toEqual(['a', 'b', 'c', 'b']);
    expect(doubled.size).toBe(2);
    expect(() => new Remembered(0)).toThrow(RangeError);
  });

  it('an answer that failed is not remembered', () => {
    const answers = new Remembered<number>(3);
    expect(() =>
      answers.get('x', () => {
        throw new Error('not now');
      }),
    ).toThrow('not now');
    expect(answers.get('x', () => 7)).toBe(7);
  });

  it('objects have numbers by which one they are, not by what they hold', () => {
    const numbered = new Numbered();
    const [a, b] = [{ x: 1 }, { x: 1 }];
    expect([numbered.of(a), numbered.of(b), numbered.of(a)]).toEqual([1, 2, 1]);
  });

  it('what follows from an object is worked out once while all it follows from stays the same', () => {
    const sums = new Derived<object, { readonly sum: number }>();
    const of = {};
    let worked = 0;
    const ask = (...from: number[]) =>
      sums.get(
        of,
        (last) => {
          worked++;
          const sum = from.reduce((a, b) => a + b, 0);
          return last?.sum === sum ? last : { sum };
        },
        from,
      );
    const first = ask(1, 2);
    expect(ask(1, 2)).toBe(first);
    expect(worked).toBe(1);
    // Another way to the same: worked out anew, the same object.
    expect(ask(2, 1)).toBe(first);
    expect(ask(3)).toBe(first);
    expect(worked).toBe(3);
    expect(ask(2, 2)).toEqual({ sum: 4 });
    expect(sums.get({}, () => ({ sum: 9 }))).toEqual({ sum: 9 });
  });
});
