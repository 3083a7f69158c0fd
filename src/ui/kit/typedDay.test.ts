import { describe, expect, it } from 'vitest';
import { dayShown, dayTyped } from './typedDay.ts';

const TODAY = '2027-04-12';

describe('a day as it is typed', () => {
  it.each([
    ['2027-05-24', '2027-05-24'],
    ['24 May 2027', '2027-05-24'],
    ['24 may', '2027-05-24'],
    ['May 24', '2027-05-24'],
    ['Mon 24th May', '2027-05-24'],
    ['24/5/2027', '2027-05-24'],
    ['24.5.27', '2027-05-24'],
    ['24.5.', '2027-05-24'],
    ['24/5', '2027-05-24'],
    ['1 december', '2026-12-01'],
    ['3 Oct', '2027-10-03'],
    ['29 Feb 2028', '2028-02-29'],
    ['29 Feb 2027', null],
    ['31/4/2027', null],
    ['soon', null],
    ['', null],
    ['24', null],
  ])('%s', (text, iso) => {
    expect(dayTyped(text, TODAY)).toBe(iso);
  });

  it('figures go by the house: the month first where it is used to that', () => {
    expect(dayTyped('5/4/2027', TODAY)).toBe('2027-04-05');
    expect(dayTyped('5/4/2027', TODAY, 'month')).toBe('2027-05-04');
    expect(dayTyped('5/24', TODAY, 'month')).toBe('2027-05-24');
    expect(dayTyped('24/5/2027', TODAY, 'month')).toBeNull();
  });

  it('without a year is the nearest, over the new year', () => {
    expect(dayTyped('5 Jan', '2027-12-28')).toBe('2028-01-05');
    expect(dayTyped('28 Dec', '2028-01-05')).toBe('2027-12-28');
  });

  it('is shown with its month in letters, and read again as the same; what is no day is left as it is', () => {
    expect(dayShown('2027-05-04')).toBe('4 May 2027');
    for (const iso of ['2027-01-31', '2028-02-29', '2027-12-01']) expect(dayTyped(dayShown(iso), TODAY)).toBe(iso);
    expect(dayShown('next week')).toBe('next week');
    expect(dayShown('')).toBe('');
  });
});
