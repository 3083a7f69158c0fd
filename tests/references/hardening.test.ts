import { siteWind } from '../../src/core/weather/siteWind.ts';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { dayFromCivil, requireDay } from '../../src/core/calendar/dayNumber.ts';
import { hourly_C } from '../../src/core/weather/hourly.ts';
import { LAYER_WEEKS } from '../../src/core/weather/coverWorth.ts';
import { dayLength_h } from '../../src/core/weather/sun.ts';
import { shelterOf } from '../../src/core/hardening/ladder.ts';
import { PROGRAMMES, rungsFor } from '../../src/core/hardening/programme.ts';
import { normalQuantile } from '../../src/core/numerics/normal.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { USUAL_MODES, USUAL_RULES } from '../../src/core/planting/gates.ts';
import { oddsOf, type OddsTask } from '../../src/core/planting/odds.ts';
import { riskOffsets } from '../../src/core/planting/outDates.ts';
import { outsideClimate } from '../../src/core/plan/schedule/outsideClimate.ts';
import { surfaceMean_C } from '../../src/core/weather/soilSurface.ts';
import { simulatedSprings, type PastDay, type Springs } from '../../src/core/plan/springs/springs.ts';
import { SOIL_LAG_frac } from '../../src/core/weather/soilNow.ts';
import { readWeatherCsv } from '../../src/formats/weatherFile.ts';

const data = (name: string) =>
  readFileSync(new URL(`../../node_modules/vega-datasets/data/${name}`, import.meta.url), 'utf8');

// Hourly normals of Seattle, 8,759 hours, from the vega-datasets package (NOAA data, public domain).
describe('hours from lowest and highest, against an open table of hourly normals', () => {
  const rows = data('seattle-weather-hourly-normals.csv')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => {
      const [date, , temperature] = line.split(',');
      return { date: date!, t: Number(temperature) };
    });
  const byDay = new Map<string, number[]>();
  for (const { date, t } of rows) {
    const day = date.slice(0, 10);
    byDay.set(day, [...(byDay.get(day) ?? []), t]);
  }
  const days = [...byDay].filter(([, list]) => list.length === 24);
  it('has the hours of a year', () => expect(days.length).toBeGreaterThan(350));
  for (const reached of [false, true])
    it(`is within a degree on the mean of them ${reached ? 'with the low reached' : 'as published'}`, () => {
      let sum = 0;
      let n = 0;
      let bias = 0;
      days.forEach(([date, list], i) => {
        const [year, month, d] = date.split('-').map(Number) as [number, number, number];
        const day = dayFromCivil(year, month, d);
        const doy = Math.min(365, day - dayFromCivil(year, 1, 1) + 1);
        const next = days[i + 1]?.[1] ?? list;
        list.forEach((t, hour) => {
          // Standard time at 122.3 degrees west: solar noon some ten minutes after twelve.
          const made = hourly_C({
            hour: (hour + 24 - 0.15) % 24,
            least_C: Math.min(...list),
            most_C: Math.max(...list),
            dayLength_h: dayLength_h(47.45, doy),
            nextLeast_C: Math.min(...next),
            reached,
          });
          sum += Math.abs(made - t);
          bias += made - t;
          n++;
        });
      });
      console.info(
        `hours ${reached ? 'with the low reached' : 'as published'}: mean error ${(sum / n).toFixed(2)} K, bias ${(bias / n).toFixed(2)} K over ${n} hours`,
      );
      expect(sum / n).toBeLessThan(1);
      expect(Math.abs(bias / n)).toBeLessThan(0.8);
    });
});

const NORMALS = [
  [6, 0],
  [7, 0.5],
  [9.5, 2],
  [12.5, 4],
  [16, 7],
  [19, 10],
  [21, 12],
  [20.5, 11.5],
  [18, 9.5],
  [14, 6.5],
  [9.5, 3.2],
  [7, 1],
].map(([day_C, night_C]) => ({ day_C: day_C!, night_C: night_C! }));

/** A made-up site: its usual weather with spells. The same makes its past years and the year that comes. */
function madeUpYears(first: number, last: number, seed: number): PastDay[] {
  const random = seededRandom(seed);
  const z = () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  const { day_C, night_C } = outsideClimate(NORMALS, first, last - first + 1);
  let spell = z();
  return Array.from({ length: last - first + 1 }, (_, i) => {
    spell = 0.7 * spell + Math.sqrt(0.51) * z();
    const clear = 1.1 * z();
    const least_C = night_C[i]! + 3 * spell - clear;
    return { day: first + i, least_C, most_C: Math.max(least_C + 0.5, day_C[i]! + 3 * spell + clear) };
  });
}

describe('odds are calibrated', () => {
  it('on made-up sites, what is given 80% happens 75 to 85 times in 100', () => {
    const from = requireDay('2027-04-20');
    const days = 90;
    const rungs = rungsFor(PROGRAMMES[0]!, 'tender');
    const ladder = { rungs, shelter_K: rungs.map((r) => shelterOf(r, 2)), caution: 0 };
    const tallies = new Map<number, { given: number; happened: number; n: number }>();
    const sites = 60;
    for (let site = 0; site < sites; site++) {
      const history = madeUpYears(requireDay('1997-01-01'), from - 1, 100 + site);
      const springs = simulatedSprings({
        from,
        days,
        runs: 300,
        seed: 9,
        history,
        usual: null,
        wind: siteWind([], 'open'),
        near: [],
        soil_C: 9,
        latitude_deg: 45,
      });
      // Forty springs that could really come at this site, with the same soil and wind rules.
      const real = realSprings(from, days, 40, 5000 + site);
      for (let k = 0; k < 12; k++) {
        const transplantOn = from + 18 + 5 * k;
        const task: OddsTask = {
          batchId: k,
          ladder,
          at: { rung: 0, served: 0 },
          hardenFrom: transplantOn - 12,
          modes: { ...USUAL_MODES, calendar: 'off' },
          rules: USUAL_RULES,
          outFrom: from,
          soilMin_C: 8 + (k % 6),
          nightMin_C: 4 + (k % 4),
          harm_C: k % 2 === 0 ? 0 : 2,
          cover_K: 0,
          warm_K: 0,
          nightsSoFar: 0,
          warmSoFar: 0,
          transplantOn,
          lastGoodOn: transplantOn + 7,
        };
        const given = oddsOf(task, springs);
        const came = oddsOf(task, real);
        for (const key of ['inTime_frac', 'frost_frac', 'soil_frac', 'nights_frac'] as const) {
          const bin = Math.round(10 * given[key]) / 10;
          const tally = tallies.get(bin) ?? { given: 0, happened: 0, n: 0 };
          tallies.set(bin, { given: tally.given + given[key], happened: tally.happened + came[key], n: tally.n + 1 });
        }
      }
    }
    const said = [...tallies]
      .sort((a, b) => a[0] - b[0])
      .map(
        ([bin, t]) => `${bin}: given ${(t.given / t.n).toFixed(3)}, happened ${(t.happened / t.n).toFixed(3)} (${t.n})`,
      );
    console.info(`calibration over ${sites} sites\n${said.join('\n')}`);
    for (const [bin, { given, happened, n }] of tallies) {
      if (n < 60) continue;
      expect(Math.abs(happened / n - given / n)).toBeLessThan(0.06);
      if (bin === 0.8) {
        expect(happened / n).toBeGreaterThan(0.75);
        expect(happened / n).toBeLessThan(0.85);
      }
    }
    expect(tallies.get(0.8)!.n).toBeGreaterThan(40);
  });
});

/** Springs that really come: the site's own law, new years of it, not drawn from its past. */
function realSprings(from: number, days: number, runs: number, seed: number): Springs {
  const n = runs * days;
  const out = {
    from,
    days,
    runs,
    years: 0,
    least_C: new Float32Array(n),
    most_C: new Float32Array(n),
    gust_m_s: new Float32Array(n),
    soil_C: new Float32Array(n),
  };
  const random = seededRandom(seed);
  const z = () => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
  for (let s = 0; s < runs; s++) {
    const year = madeUpYears(from, from + days - 1, seed * 131 + s);
    let soil = 9;
    year.forEach((d, i) => {
      const k = s * days + i;
      out.least_C[k] = d.least_C!;
      out.most_C[k] = d.most_C!;
      out.gust_m_s[k] = 7.5 * Math.exp(0.42 * z());
      if (i > 0) soil += SOIL_LAG_frac * (surfaceMean_C(from + i, d.most_C!, d.least_C!, 45) - soil);
      out.soil_C[k] = soil;
    });
  }
  return out;
}

describe('the worth of a layer by two schools', () => {
  it('weeks and degrees, over four years of two cities: printed, and of one size', () => {
    const text = data('weather.csv');
    for (const city of ['Seattle', 'New York']) {
      const { days } = readWeatherCsv(text, {
        date: 'date',
        least: 'temp_min',
        most: 'temp_max',
        rain: null,
        station: 'location',
        stationIs: city,
        unit: 'C',
      });
      const lows = days.flatMap((d) => (d.least_C === null ? [] : [{ day: d.day, least_C: d.least_C }]));
      // Four years: at one year in four the ranks of the dates still say something.
      const at = riskOffsets(lows, 0.25, false);
      const [open, two, four] = [at(0)!, at(-2)!, at(-4)!];
      console.info(
        `${city}: a layer of 2 degrees is worth ${(open - two).toFixed(0)} days at a risk of one year in four, one of 4 degrees ${(open - four).toFixed(0)}; the school of weeks says ${7 * LAYER_WEEKS}`,
      );
      expect(open).toBeGreaterThanOrEqual(two);
      expect(two).toBeGreaterThanOrEqual(four);
      // A few days to some seven weeks.
      expect(open - four).toBeGreaterThan(5);
      expect(open - four).toBeLessThan(100);
    }
  });
});
