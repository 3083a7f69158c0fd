import { describe, expect, it } from 'vitest';
import { freeLetter, letterOf } from './letter.ts';

describe('letters of batches', () => {
  it('go on after Z', () => {
    expect([0, 1, 25, 26, 27, 701, 702].map(letterOf)).toEqual(['A', 'B', 'Z', 'AA', 'AB', 'ZZ', 'AAA']);
  });

  it('a free one is the first that no other has, gaps first', () => {
    expect(freeLetter([])).toBe('A');
    expect(freeLetter(['A', 'C'])).toBe('B');
    expect(freeLetter(['C', 'B', 'A'])).toBe('D');
  });
});
