import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { cropNamed } from '../../../tests/references/library.ts';
import { boltRisks, type BoltDay } from './bolting.ts';

const from = requireDay('2027-03-20');
const days = (n: number, of: (i: number) => Partial<BoltDay>): BoltDay[] =>
  Array.from({ length: n }, (_, i) => ({
    day: from + i,
    day_C: 16,
    night_C: 12,
    grown_frac: i / n,
    out: false,
    ...of(i),
  }));
const celery = cropNamed('celery');

describe('running to flower', () => {
  it('celery: twelve days under 11 on the mean past its youth; as many in its youth do nothing', () => {
    const cold = (a: number, b: number) => days(60, (i) => (i >= a && i < b ? { day_C: 12, night_C: 6 } : {}));
    expect(boltRisks(celery, cold(30, 42), 52)).toMatchObject([{ cause: 'cold', figure: 12, of: 12, level: 'likely' }]);
    expect(boltRisks(celery, cold(30, 38), 52)).toMatchObject([{ figure: 8, level: 'possible', from: from + 30 }]);
    expect(boltRisks(celery, cold(0, 12), 52)).toEqual([]);
    expect(boltRisks(celery, cold(30, 33), 52)).toEqual([]);
  });

  it('warm days take cold ones back', () => {
    const mixed = days(60, (i) => (i < 20 ? {} : i % 2 === 0 ? { day_C: 12, night_C: 6 } : { day_C: 24, night_C: 16 }));
    expect(boltRisks(celery, mixed, 52)).toEqual([]);
  });

  it('spinach: hot days, and days longer than it bears; lettuce does not mind their length', () => {
    const hot = days(30, (i) => ({ day_C: i < 9 ? 27 : 20 }));
    expect(boltRisks(cropNamed('spinach'), hot, 52)).toMatchObject([
      { cause: 'warm', figure: 9, of: 8, level: 'likely' },
      // 18 April at 52 degrees north: some 13.9 hours from sunrise to sunset (almanac figure, from memory).
      { cause: 'long days', of: 13.5, level: 'possible' },
    ]);
    expect(
      boltRisks(
        cropNamed('lettuce'),
        days(30, () => ({})),
        52,
      ),
    ).toEqual([]);
    expect(boltRisks(cropNamed('tomato'), hot, 52)).toEqual([]);
  });
});
