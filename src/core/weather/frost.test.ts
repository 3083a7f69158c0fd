import { describe, expect, it } from 'vitest';
import { dayFromCivil, isoFromDay, requireDay } from '../calendar/dayNumber.ts';
import { normalQuantile } from '../numerics/normal.ts';
import { seededRandom } from '../numerics/random.ts';
import { outsideClimate } from '../plan/schedule/outsideClimate.ts';
import { dateAtRisk, frostDates, frostOdds, frostSeasons, monthDayOf, quantile, type DayLow } from './frost.ts';
import { nightSpread, springBandFromNormals, springOddsFromNormals } from './normalFrost.ts';
import { dampingDepth_m, usualSoil_C } from './soil.ts';

/** A year of nights at 5 degrees, with frosts on the days named. */
const year = (from: string, days: number, frosts: readonly string[], without: readonly string[] = []): DayLow[] => {
  const start = requireDay(from);
  return Array.from({ length: days }, (_, i) => ({ day: start + i, least_C: 5 }))
    .map((d) => (frosts.includes(isoFromDay(d.day)) ? { ...d, least_C: -1 } : d))
    .filter((d) => !without.includes(isoFromDay(d.day)));
};

describe('seasons of frost', () => {
  it('are split at midsummer, at or below the threshold', () => {
    const [one] = frostSeasons(
      year('2020-01-01', 366, ['2020-02-29', '2020-05-03', '2020-10-20', '2020-12-01']),
      0,
      false,
    );
    expect([isoFromDay(one!.lastSpring!), isoFromDay(one!.firstAutumn!)]).toEqual(['2020-05-03', '2020-10-20']);
    expect(one).toMatchObject({ year: 2020, springKnown: true, autumnKnown: true, springMissing: 0 });
    expect(frostSeasons(year('2020-01-01', 366, ['2020-05-03']), -2.2, false)[0]!.lastSpring).toBeNull();
  });
  it('south of the equator cross the new year', () => {
    const lows = year('2020-07-01', 365, ['2020-10-04', '2021-01-02', '2021-04-28']);
    const [one] = frostSeasons(lows, 0, true);
    // A frost in January is still the spring's.
    expect([isoFromDay(one!.lastSpring!), isoFromDay(one!.firstAutumn!)]).toEqual(['2021-01-02', '2021-04-28']);
  });
  it('with too much missing, or a gap about the frost found, are not gone by', () => {
    const many = Array.from({ length: 12 }, (_, i) => isoFromDay(dayFromCivil(2021, 2, 1 + i)));
    expect(frostSeasons(year('2021-01-01', 365, ['2021-04-10'], many), 0, false)[0]).toMatchObject({
      springKnown: false,
      springMissing: 12,
      autumnKnown: true,
    });
    const near = frostSeasons(year('2021-01-01', 365, ['2021-04-10'], ['2021-04-15']), 0, false)[0]!;
    expect(near.springKnown).toBe(false);
    expect(frostSeasons(year('2021-01-01', 365, ['2021-04-10'], ['2021-02-15']), 0, false)[0]!.springKnown).toBe(true);
    expect(frostSeasons([], 0, false)).toEqual([]);
  });
});

describe('risk', () => {
  it('takes the quantile at i / (n + 1), and never beyond what was seen', () => {
    expect(quantile([10, 20, 30], 0.5)).toBe(20);
    expect(quantile([10, 20, 30], 0.75)).toBe(30);
    expect(quantile([10, 20, 30], 0.99)).toBe(30);
    expect(quantile([10, 20, 30], 0.375)).toBe(15);
    expect(quantile([-Infinity, 20, 30], 0.25)).toBe(-Infinity);
  });
  it('names the day by its month, and says how wide few years leave it', () => {
    const lows = ['2018', '2019', '2021', '2022', '2023'].flatMap((y, i) =>
      year(`${y}-01-01`, 365, [`${y}-04-${String(10 + 5 * i).padStart(2, '0')}`]),
    );
    const dates = frostDates(frostSeasons(lows, 0, false), 'spring', false);
    expect(dates).toMatchObject({ years: 5, without: 0 });
    expect(dateAtRisk(dates, 0.5)).toMatchObject({ date: '04-20' });
    const tenth = dateAtRisk(dates, 0.1)!;
    expect(tenth.widened).toBe(true);
    expect(tenth.date).toBe('05-07');
    expect([tenth.from! < '04-30', tenth.to! > '05-10']).toEqual([true, true]);
    // One year only: the band is weeks wide.
    const one = dateAtRisk({ ...dates, offsets: [dates.offsets[0]!], years: 1 }, 0.5)!;
    expect(requireDay(`2001-${one.to}`) - requireDay(`2001-${one.from}`)).toBeGreaterThan(20);
  });
  it('of a place without frost is none, and years without count', () => {
    const lows = ['2021', '2022', '2023'].flatMap((y) => year(`${y}-01-01`, 365, []));
    const dates = frostDates(frostSeasons(lows, 0, false), 'spring', false);
    expect(dates).toMatchObject({ years: 3, without: 3 });
    expect(dateAtRisk(dates, 0.1)).toMatchObject({ date: null });
    expect(dateAtRisk({ ...dates, offsets: [], years: 0 }, 0.1)).toBeNull();
    expect(frostOdds(dates, 100)).toBeCloseTo(0.125, 12);
  });
  it('of 29 February is that of the 28th, every year', () => {
    expect(monthDayOf(58, 1)).toBe('02-28');
    const lows = year('2024-01-01', 366, ['2024-02-29']);
    const leap = frostDates(frostSeasons(lows, 0, false), 'spring', false);
    expect(leap.offsets).toEqual([58]);
  });
  it('is honest: frosts given a tenth of the years come about so often', () => {
    // Made-up sites: thirty years teach the date, the next thirty are held against it.
    let late = 0;
    let all = 0;
    for (let site = 1; site <= 60; site++) {
      const random = seededRandom(site);
      const last = () => 120 + 12 * normalQuantile(Math.min(0.999, Math.max(0.001, random())));
      const learned = Array.from({ length: 30 }, last).sort((a, b) => a - b);
      const risk = dateAtRisk({ side: 'spring', offsets: learned, years: 30, without: 0, startMonth: 1 }, 0.2)!;
      for (let k = 0; k < 30; k++) {
        all++;
        if (last() > risk.offset) late++;
      }
    }
    expect(late / all).toBeGreaterThan(0.15);
    expect(late / all).toBeLessThan(0.25);
  });
});

describe('from normals alone', () => {
  const normals = [1, 1, 2.5, 4.5, 7.5, 10.5, 12.5, 12, 10, 7, 3.8, 1.6].map((night_C) => ({
    day_C: night_C + 8,
    night_C,
  }));
  it('the odds fall through the spring and are a guess of the same season', () => {
    const odds = springOddsFromNormals(normals, 0, false);
    expect(odds[0]).toBeGreaterThan(0.99);
    expect(odds[196]).toBeLessThan(0.01);
    for (let i = 1; i < odds.length; i++) expect(odds[i]!).toBeLessThanOrEqual(odds[i - 1]!);
    const half = odds.findIndex((o) => o < 0.5);
    expect(monthDayOf(half, 1) > '04-10' && monthDayOf(half, 1) < '05-31').toBe(true);
  });
  it('are those of nights that each keep a part of the one before: counted over 4000 made-up springs', () => {
    const nights = outsideClimate(normals, requireDay('2001-01-01'), 197).night_C;
    const { sd_K } = nightSpread(normals, null);
    const random = seededRandom(11);
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const last: number[] = [];
    for (let spring = 0; spring < 4000; spring++) {
      // Another spread of each made-up site, as far apart as sites are said to lie.
      const sd = sd_K * Math.exp(0.25 * gauss());
      let [z, on] = [gauss(), -1];
      for (let i = 0; i < nights.length; i++) {
        z = 0.7 * z + Math.sqrt(1 - 0.49) * gauss();
        if (nights[i]! + sd * z <= 0) on = i;
      }
      last.push(on);
    }
    const odds = springOddsFromNormals(normals, 0, false);
    for (const day of [60, 90, 110, 130, 150]) {
      const counted = last.filter((on) => on >= day).length / last.length;
      expect(Math.abs(odds[day]! - counted), `day ${day}`).toBeLessThan(0.03);
    }
  });
  it('the coldest night of a usual year tells how far nights swing, and narrows the band', () => {
    const cold = nightSpread(normals, -14).sd_K;
    expect(cold).toBeGreaterThan(nightSpread(normals, -8).sd_K);
    const date = (coldest_C: number | null) =>
      springBandFromNormals(normals, 0, false, 0.1, { coldest_C, site_sd_K: 0 });
    expect(date(-14).to).toBeGreaterThan(date(-6).to);
    const width = (coldest_C: number | null) => date(coldest_C).to - date(coldest_C).from;
    expect(width(-9)).toBeLessThan(width(null));
    expect(springBandFromNormals(normals, 0, false, 0.1).from).toBeLessThan(
      springOddsFromNormals(normals, 0, false).findIndex((o) => o <= 0.1),
    );
  });
  it('soil follows the air, damped and late by depth', () => {
    const outside = outsideClimate(normals, requireDay('2027-01-01'), 730);
    const [shallow, deep] = [usualSoil_C(outside, 0.1, 52), usualSoil_C(outside, 1, 52)];
    const days = Array.from({ length: 365 }, (_, i) => outside.from + i);
    const range = (f: (day: number) => number) => Math.max(...days.map(f)) - Math.min(...days.map(f));
    expect(dampingDepth_m()).toBeCloseTo(2.24, 2);
    expect(range(deep) / range(shallow)).toBeCloseTo(Math.exp(-0.9 / dampingDepth_m()), 3);
    const warmest = (f: (day: number) => number) => days.reduce((best, d) => (f(d) > f(best) ? d : best), days[0]!);
    expect(warmest(deep) - warmest(shallow)).toBeGreaterThan(15);
  });
});
