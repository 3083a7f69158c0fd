import { describe, expect, it } from 'vitest';
import { inUse, isInUse } from './inUse.ts';

const lines = [
  { id: 1, name: 'a' },
  { id: 2, name: 'b', retiredOn: '2027-01-01' },
  { id: 3, name: 'c', retiredOn: null },
];

describe('lines there are to choose from', () => {
  it('leave out what is retired, but for what was chosen before', () => {
    expect(inUse(lines).map((line) => line.id)).toEqual([1, 3]);
    expect(inUse(lines, 2, null, undefined).map((line) => line.id)).toEqual([1, 2, 3]);
    expect(inUse(lines, 1).map((line) => line.id)).toEqual([1, 3]);
    expect(lines.map(isInUse)).toEqual([true, false, true]);
  });
});
