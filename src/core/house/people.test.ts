import { describe, expect, it } from 'vitest';
import { freeMark, initialsOf, PERSON_MARKS } from './people.ts';

describe('people of the house', () => {
  it.each([
    ['Head grower', 'HG'],
    ['  weekend   hand ', 'WH'],
    ['Jean-Luc van der Berg', 'JLV'],
    ['Östen Åkesson', 'ÖÅ'],
    ['R. T. 3', 'RT'],
    ['42', ''],
  ])('initials of %s are %s', (name, initials) => expect(initialsOf(name)).toBe(initials));

  it('the next mark is one nobody has; when all are taken, the one fewest have', () => {
    expect(freeMark([])).toBe(PERSON_MARKS[0]);
    expect(freeMark([{ mark: 'circle' }, { mark: 'triangle' }])).toBe('square');
    const all = PERSON_MARKS.map((mark) => ({ mark }));
    expect(freeMark([...all, ...all.filter(({ mark }) => mark !== 'ring')])).toBe('ring');
  });
});
