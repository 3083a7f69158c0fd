import { describe, expect, it } from 'vitest';
import { frostMayCome } from './frostSeason.ts';

describe('days on which frost may come', () => {
  const north = { firstFrost: '10-05', lastFrost: '05-12' };
  const south = { firstFrost: '05-20', lastFrost: '09-30' };
  it.each([
    ['2027-05-12', true, false],
    ['2027-05-13', false, false],
    ['2027-05-20', false, true],
    ['2027-07-01', false, true],
    ['2027-09-30', false, true],
    ['2027-10-01', false, false],
    ['2027-10-04', false, false],
    ['2027-10-05', true, false],
    ['2028-01-01', true, false],
    ['2028-02-29', true, false],
  ])('%s', (day, inNorth, inSouth) => {
    expect(frostMayCome(day, north)).toBe(inNorth);
    expect(frostMayCome(day, south)).toBe(inSouth);
  });
});
