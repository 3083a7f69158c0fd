import { describe, expect, it } from 'vitest';
import { Numbered, Remembered } from './remembered.ts';

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
});
