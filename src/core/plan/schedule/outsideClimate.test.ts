import { describe, expect, it } from 'vitest';
import { DEMO_OUTSIDE } from '../../../../simulators/demoBooks.ts';
import { dayFromCivil, requireDay } from '../../calendar/dayNumber.ts';
import { mondayOf } from '../../calendar/week.ts';
import type { Place, PlaceTemperature } from '../../books/place.ts';
import { outsideClimate } from './outsideClimate.ts';
import { placeClimate } from './placeClimate.ts';

describe('outside from monthly means', () => {
  const from = requireDay('2027-01-01');
  const year = outsideClimate(DEMO_OUTSIDE, from, 365);

  it('has each month’s mean, by day and by night, and no step from day to day', () => {
    for (let month = 1; month <= 12; month++) {
      const first = dayFromCivil(2027, month, 1) - from;
      const next = (month === 12 ? dayFromCivil(2028, 1, 1) : dayFromCivil(2027, month + 1, 1)) - from;
      const mean = (course: Float64Array) => course.slice(first, next).reduce((sum, t) => sum + t, 0) / (next - first);
      expect(mean(year.day_C)).toBeCloseTo(DEMO_OUTSIDE[month - 1]!.day_C, 9);
      expect(mean(year.night_C)).toBeCloseTo(DEMO_OUTSIDE[month - 1]!.night_C, 9);
    }
    for (let i = 1; i < 365; i++) expect(Math.abs(year.day_C[i]! - year.day_C[i - 1]!)).toBeLessThan(0.2);
  });

  it('is the same wherever one begins, across the new year and the leap day', () => {
    const long = outsideClimate(DEMO_OUTSIDE, requireDay('2027-11-15'), 200);
    const later = outsideClimate(DEMO_OUTSIDE, requireDay('2028-02-20'), 20);
    const offset = requireDay('2028-02-20') - requireDay('2027-11-15');
    for (let i = 0; i < 20; i++) expect(later.night_C[i]).toBeCloseTo(long.night_C[offset + i]!, 12);
  });

  it('29 February lies between its neighbours, and no later day is moved by it', () => {
    const leap = outsideClimate(DEMO_OUTSIDE, requireDay('2028-02-28'), 3);
    expect(leap.day_C[1]).toBeCloseTo((leap.day_C[0]! + leap.day_C[2]!) / 2, 12);
    const common = outsideClimate(DEMO_OUTSIDE, requireDay('2027-07-01'), 1);
    expect(outsideClimate(DEMO_OUTSIDE, requireDay('2028-07-01'), 1).day_C[0]).toBe(common.day_C[0]);
  });

  it('a flat year stays flat, and one warm month is no taller than it must be', () => {
    const flat = Array.from({ length: 12 }, () => ({ day_C: 12, night_C: 4 }));
    expect(Math.max(...outsideClimate(flat, from, 365).day_C)).toBeCloseTo(12, 9);
    const warm = outsideClimate(
      flat.map((m, i) => (i === 6 ? { day_C: 20, night_C: 4 } : m)),
      from,
      365,
    ).day_C;
    expect(Math.max(...warm)).toBeLessThan(24);
    expect(Math.min(...warm)).toBeGreaterThan(9);
  });

  it('wants twelve months', () => {
    expect(() => outsideClimate(DEMO_OUTSIDE.slice(0, 11), from, 5)).toThrow(/there must be 12/);
  });
});

describe('places that are held, or follow outside', () => {
  const from = requireDay('2027-04-12');
  const outside = outsideClimate(DEMO_OUTSIDE, from, 60);
  const place = (temperature: PlaceTemperature, setPoints: Place['setPoints'] = []) => ({
    id: 1,
    name: 'Bench',
    periods: [],
    temperature,
    setPoints,
  });
  const held: PlaceTemperature = {
    kind: 'set-point',
    levels_C: [12, 18, 22],
    usual_C: 18,
    nightDrop_K: 4,
    unheatedPlus_K: 3,
    loss_W_per_K: 10,
  };

  it('a set-point holds by day and less its drop by night, week by week; off is outside and what it has unheated', () => {
    const week = mondayOf(from + 7);
    const climate = placeClimate(
      place(held, [
        { week, setPoint_C: 22 },
        { week: week + 7, setPoint_C: null },
      ]),
      from,
      60,
      outside,
    );
    expect(week).toBe(from + 7);
    expect([climate.day_C[0], climate.night_C[0]]).toEqual([18, 14]);
    expect([climate.day_C[7], climate.night_C[13]]).toEqual([22, 18]);
    expect(climate.day_C[14]).toBeCloseTo(outside.day_C[14]! + 3, 12);
    expect(climate.night_C[20]).toBeCloseTo(outside.night_C[20]! + 3, 12);
    expect(climate.day_C[21]).toBe(Math.max(18, outside.day_C[21]! + 3));
  });

  it('heating does not cool: a warm day is warmer than the set-point', () => {
    const july = outsideClimate(DEMO_OUTSIDE, requireDay('2027-07-15'), 5);
    expect(placeClimate(place(held), requireDay('2027-07-15'), 5, july).day_C[0]).toBeGreaterThan(24);
  });

  it('follows outside by its kelvin, and needs to know outside', () => {
    const frame = place({ kind: 'outside', plusDay_K: 3, plusNight_K: 1.5 });
    const climate = placeClimate(frame, from, 10, outside);
    expect(climate.day_C[4]! - outside.day_C[4]!).toBeCloseTo(3, 12);
    expect(climate.night_C[4]! - outside.night_C[4]!).toBeCloseTo(1.5, 12);
    expect(() => placeClimate(frame, from, 10)).toThrow(/write down the usual temperatures outside/);
  });
});

describe('weeks', () => {
  it('begin on Monday, before 1970 and across the new year', () => {
    expect(mondayOf(requireDay('2027-04-12'))).toBe(requireDay('2027-04-12'));
    expect(mondayOf(requireDay('2027-04-18'))).toBe(requireDay('2027-04-12'));
    expect(mondayOf(requireDay('2028-01-01'))).toBe(requireDay('2027-12-27'));
    expect(mondayOf(requireDay('1969-12-31'))).toBe(requireDay('1969-12-29'));
  });
});
