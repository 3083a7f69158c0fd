import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { coverWorth } from './coverWorth.ts';
import { dayWeathers, flagsOf, gustOf, type ForecastHour } from './forecast.ts';
import { hoursOfDays } from '../../formats/readForecast.ts';
import { localHours } from './forecast.ts';
import { oddsAtOrBelow, oddsOfAny, scoreAt, scoresOf, usualSpread_K } from './score.ts';
import { SOIL_LAG_frac, soilNow_C } from './soilNow.ts';

const today = requireDay('2027-04-12');
const hour = (day: number, h: number, temp_C: number, more: Partial<ForecastHour> = {}): ForecastHour => ({
  day,
  hour: h,
  temp_C,
  wind_m_s: 3,
  gust_m_s: null,
  rain_mm: null,
  cloud_frac: 0.2,
  ...more,
});
const day = (d: number, low: number, high: number) =>
  Array.from({ length: 24 }, (_, h) => hour(d, h, h < 8 ? low : high - Math.abs(h - 14)));

describe('a forecast by days', () => {
  it('takes the low of the night that follows, not of the one before', () => {
    const [first, second] = dayWeathers([...day(today, 5, 15), ...day(today + 1, -2, 12)], today);
    expect(first).toMatchObject({ lead: 0, most_C: 15, night_C: -2, least_C: 5, whole: true });
    expect(second).toMatchObject({ lead: 1, least_C: -2, whole: false });
  });
  it('says nothing of a night it is not told of, and forgets days that are past', () => {
    const [only] = dayWeathers([...day(today - 1, 1, 9), ...day(today, 5, 15).slice(0, 18)], today);
    expect(only).toMatchObject({ day: today, night_C: null, whole: false });
    expect(dayWeathers([], today)).toEqual([]);
  });
  it('flags frost, gale, heat and sun, each at its limit and not before', () => {
    const base = dayWeathers([...day(today, 5, 15), ...day(today + 1, 5, 15)], today)[0]!;
    const dull = { ...base, sun_frac: 0.1, night_C: 6, gust_m_s: 5 };
    expect(flagsOf(dull)).toEqual([]);
    expect(flagsOf({ ...dull, night_C: 0 })).toEqual(['frost']);
    expect(flagsOf({ ...dull, night_C: 2.9 })).toEqual(['ground-frost']);
    expect(flagsOf({ ...dull, gust_m_s: 17 })).toEqual(['gale']);
  });
  it('a gust stands on the day it is foretold for, its small hours as well', () => {
    const hours = [
      ...day(today, 5, 15),
      ...day(today + 1, 5, 15).map((h) => (h.hour === 3 ? { ...h, gust_m_s: 25 } : h)),
    ];
    const [first, second] = dayWeathers(hours, today);
    expect([first!.gust_m_s! < 10, second!.gust_m_s]).toEqual([true, 25]);
  });
  it('heat and sun', () => {
    const base = dayWeathers([...day(today, 5, 15), ...day(today + 1, 5, 15)], today)[0]!;
    const dull = { ...base, sun_frac: 0.1, night_C: 6, gust_m_s: 5 };
    expect(flagsOf({ ...dull, most_C: 28, sun_frac: 0.9 })).toEqual(['heat']);
    expect(flagsOf({ ...dull, sun_frac: 0.7 })).toEqual(['sun']);
  });
  it('takes gusts from the wind where none are told', () => {
    expect(gustOf({ wind_m_s: 5, gust_m_s: null })).toBeCloseTo(8);
    expect(gustOf({ wind_m_s: 5, gust_m_s: 6 })).toBe(6);
    expect(gustOf({ wind_m_s: null, gust_m_s: null })).toBeNull();
  });
  it('goes by the wall clock: the hour put back is there twice, the hour put on not at all', () => {
    const at = (iso: string, n: number) =>
      Array.from({ length: n }, (_, i) => ({ at: new Date(Date.parse(iso) + i * 3_600_000).toISOString(), temp_C: i }));
    const autumn = localHours(at('2027-10-30T23:00:00Z', 25), 'Europe/London');
    const last = autumn.filter((h) => h.day === requireDay('2027-10-31'));
    expect(last).toHaveLength(25);
    expect(last.filter((h) => h.hour === 1)).toHaveLength(2);
    const spring = localHours(at('2027-03-28T00:00:00Z', 23), 'Europe/London');
    expect(spring.map((h) => h.hour)).not.toContain(1);
    expect(spring.every((h) => h.day === requireDay('2027-03-28'))).toBe(true);
  });
  it('days typed come back as what was typed', () => {
    const typed = [
      { day: today, least_C: 3, most_C: 14, gust_m_s: 9, cloud_frac: 0.1 },
      { day: today + 1, least_C: -1, most_C: 12, gust_m_s: null, cloud_frac: 0.9 },
    ];
    const hours = hoursOfDays(typed, 52.4, () => 102, 13);
    const [first, second] = dayWeathers(hours, today);
    expect(first!.most_C).toBeCloseTo(14, 0);
    expect(first!.least_C).toBeCloseTo(3, 0);
    expect(first!.night_C).toBeCloseTo(-1, 0);
    expect(first!.gust_m_s).toBe(9);
    expect(second!.gust_m_s).toBeNull();
  });
});

describe('the score of forecasts', () => {
  it('is the usual one before anything is known, wider with lead', () => {
    const scores = scoresOf([]);
    expect(scores).toHaveLength(10);
    scores.forEach((s, lead) => expect(s).toEqual({ lead, n: 0, bias_K: 0, spread_K: usualSpread_K(lead) }));
    expect(scoreAt(scores, 40)).toBe(scores[9]);
  });
  it('learns a site that comes out colder than told, and odds follow', () => {
    const pairs = Array.from({ length: 60 }, (_, i) => ({ lead: 1, forecast_C: 4, read_C: 2 + 0.5 * ((i % 3) - 1) }));
    const scores = scoresOf(pairs);
    expect(scores[1]!.bias_K).toBeGreaterThan(1.7);
    expect(scores[1]!.spread_K).toBeGreaterThanOrEqual(scores[0]!.spread_K);
    expect(oddsAtOrBelow(2, 0, scores[1]!)).toBeGreaterThan(oddsAtOrBelow(2, 0, scores[0]!));
    expect(() => oddsAtOrBelow(NaN, 0, scores[0]!)).toThrow(RangeError);
  });
  it('bands never narrow with lead, whatever the pairs', () => {
    const pair = fc.record({
      lead: fc.integer({ min: 0, max: 9 }),
      forecast_C: fc.integer({ min: -10, max: 20 }),
      read_C: fc.integer({ min: -12, max: 22 }),
    });
    fc.assert(
      fc.property(fc.array(pair, { maxLength: 80 }), (pairs) => {
        const spreads = scoresOf(pairs).map((s) => s.spread_K);
        expect(spreads).toEqual([...spreads].sort((a, b) => a - b));
      }),
      { seed: 7, numRuns: 100 },
    );
  });
});

describe('what a cover is worth', () => {
  const nights = (gains: readonly number[]) =>
    gains.map((g, i) => ({ day: today + i, outside_C: -1, inside_C: -1 + g }));
  it('is as written until three own nights are read, then their mean with a spread', () => {
    expect(coverWorth(2, nights([4, 4]))).toMatchObject({ worth_K: 2, own: false, nights: 2 });
    const own = coverWorth(2, nights([3, 4, 5, 4]));
    expect(own).toMatchObject({ worth_K: 4, own: true, nights: 4 });
    expect(own.safe_K).toBeLessThan(own.worth_K);
    expect(coverWorth(2, nights(Array<number>(40).fill(4))).spread_K).toBeLessThan(own.spread_K);
  });
  it('a night read twice counts once, the later reading', () => {
    const twice = [...nights([3, 3, 3]), { day: today, outside_C: -1, inside_C: 5 }];
    expect(coverWorth(2, twice)).toMatchObject({ nights: 3, worth_K: 4 });
  });
});

describe('soil now', () => {
  it('lags the air: a step is followed as an exponential, by the day', () => {
    const soil = soilNow_C(today, new Float64Array(20).fill(12), 6, []);
    for (let i = 0; i < 20; i++) expect(soil[i]).toBeCloseTo(12 - 6 * (1 - SOIL_LAG_frac) ** i, 10);
  });
  it('a reading is believed on its day and fades after it', () => {
    const soil = soilNow_C(today, new Float64Array(60).fill(10), 10, [{ day: today + 5, value_C: 13 }]);
    expect(soil[4]).toBe(10);
    expect(soil[5]).toBeCloseTo(13, 10);
    expect(soil[35]).toBeCloseTo(10 + 3 * Math.exp(-1), 6);
  });
});

describe('odds of a harmful night on any of several', () => {
  const score = { lead: 0, n: 0, bias_K: 0, spread_K: 2 };
  const nights = (lows: readonly number[]) => lows.map((low_C, i) => ({ day: 100 + i, low_C, score }));

  it('one night is its own odds; ten are more than the worst and less than all thrown apart', () => {
    const one = oddsAtOrBelow(2.5631, 0, score);
    expect(one).toBeCloseTo(0.1, 3);
    expect(oddsOfAny(nights([2.5631]), 0)).toBeCloseTo(one, 3);
    const ten = oddsOfAny(nights(new Array<number>(10).fill(2.5631)), 0);
    expect(ten).toBeGreaterThan(2 * one);
    // Independent they would be 1 - 0.9^10 = 0.65.
    expect(ten).toBeLessThan(0.65);
    expect(oddsOfAny([], 0)).toBe(0);
  });

  it('agrees with two hundred thousand draws of errors that take after each other', () => {
    const lows = [3, 1.5, 4, 2, 6];
    // A generator of its own: numbers of a linear congruence (Numerical Recipes, ch. 7.1), normal by Box and Muller 1958.
    let seed = 12345;
    const uniform = () => (seed = (Math.imul(1664525, seed) + 1013904223) >>> 0) / 4294967296;
    const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
    let hit = 0;
    for (let run = 0; run < 200_000; run++) {
      let error = normal();
      const cold = lows.some((low, i) => {
        if (i > 0) error = 0.7 * error + Math.sqrt(1 - 0.49) * normal();
        return low + 2 * error <= 0;
      });
      if (cold) hit++;
    }
    expect(Math.abs(oddsOfAny(nights(lows), 0) - hit / 200_000)).toBeLessThan(0.006);
  });
});
