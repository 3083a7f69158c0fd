import { describe, expect, it } from 'vitest';
import { forecastFile, MOST_HOURS } from '../src/contracts/weather/forecast.ts';
import { isoFromDay, requireDay } from '../src/core/calendar/dayNumber.ts';
import { dayWeathers } from '../src/core/weather/forecast.ts';
import { localHours } from '../src/core/weather/forecast.ts';
import { demoWeather, DEMO_YEARS, trueDays } from './demoWeather.ts';
import { madeUpForecast } from './weatherService.ts';

const site = { latitude_deg: 52.4, timeZone: 'Europe/London', name: 'made up' };
const at = (iso: string) => Date.parse(`${iso}T07:00:00Z`);

describe('the made-up weather service', () => {
  it('answers in the form that is written down, ten days and the night after, the same whenever it is asked', () => {
    const made = madeUpForecast(at('2027-04-12'), site);
    expect(forecastFile.safeParse(made).success).toBe(true);
    expect(made.hours.length).toBeLessThanOrEqual(MOST_HOURS);
    expect(madeUpForecast(at('2027-04-12') + 40 * 60_000, site)).toEqual(made);
    const days = dayWeathers(localHours(made.hours, site.timeZone), requireDay('2027-04-12'));
    expect(days.slice(0, 10).every((d) => d.whole)).toBe(true);
  });

  it('through the night the clocks go back a day has twenty-five hours, and is whole', () => {
    const made = madeUpForecast(at('2027-10-30'), site);
    const hours = localHours(made.hours, site.timeZone).filter((h) => h.day === requireDay('2027-10-31'));
    expect(hours).toHaveLength(25);
    expect(dayWeathers(localHours(made.hours, site.timeZone), requireDay('2027-10-30'))[1]!.whole).toBe(true);
  });

  it('is off by more the further ahead it tells, about as much as real ones are', () => {
    const truth = trueDays();
    const errors = Array.from({ length: 10 }, () => [] as number[]);
    for (let n = 0; n < 150; n++) {
      const today = requireDay('2027-03-01') + n;
      const made = madeUpForecast(Date.parse(`${isoFromDay(today)}T06:00:00Z`), site);
      dayWeathers(localHours(made.hours, site.timeZone), today)
        .slice(0, 10)
        .forEach((d, lead) => d.least_C !== null && errors[lead]!.push(d.least_C - truth.get(d.day)!.least_C));
    }
    const spread = errors.map((list) => Math.sqrt(list.reduce((sum, e) => sum + e * e, 0) / list.length));
    console.info(`error of the low by lead, K: ${spread.map((s) => s.toFixed(1)).join(' ')}`);
    // From about a degree on the day to three or four on the tenth: common practice, no source.
    expect(spread[0]!).toBeGreaterThan(0.5);
    expect(spread[0]!).toBeLessThan(1.8);
    expect(spread[9]!).toBeGreaterThan(2);
    expect(spread[9]!).toBeLessThan(5);
    for (let lead = 3; lead < 10; lead += 3) expect(spread[lead]!).toBeGreaterThan(spread[lead - 3]!);
  });

  it('its station has what came, and the history that ships ends where the demo begins', () => {
    const made = madeUpForecast(at('2027-04-20'), site);
    const truth = trueDays();
    for (const d of made.observed) expect(d.least_C).toBe(truth.get(requireDay(d.day))!.least_C);
    expect(made.observed.at(-1)!.day).toBe('2027-04-19');
    const shipped = demoWeather(DEMO_YEARS.from, DEMO_YEARS.to);
    expect(shipped.at(-1)!.day).toBe(requireDay('2027-04-11'));
    // One law makes the years that ship and the days that come.
    const longer = demoWeather(DEMO_YEARS.from, DEMO_YEARS.ends);
    expect(longer.slice(0, shipped.length)).toEqual(shipped);
    expect(truth.size).toBeGreaterThan(longer.length - 1);
  });
});
