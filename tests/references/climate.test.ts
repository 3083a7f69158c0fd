import { readFileSync } from 'node:fs';
import { quantileSeq } from 'mathjs';
import { afterAll, describe, expect, it } from 'vitest';
import { readWeatherCsv } from '../../src/formats/weatherFile.ts';
import { isoFromDay } from '../../src/core/calendar/dayNumber.ts';
import { frostDates, frostSeasons, quantile } from '../../src/core/weather/frost.ts';
import { seededRandom } from '../../src/core/numerics/random.ts';
import { builtCalculator } from '../support/calc.ts';

// Open daily weather of two cities, 2012-2015, from the vega-datasets package (NOAA data, public domain).
const FILE = new URL('../../node_modules/vega-datasets/data/weather.csv', import.meta.url).pathname;
const text = readFileSync(FILE, 'utf8');
const calculator = builtCalculator();
afterAll(() => calculator.end());

describe('frosts of an open daily file, counted a second, obvious way', () => {
  for (const city of ['Seattle', 'New York'])
    for (const threshold of [0, -2.2, 4])
      it(`${city}, at or below ${threshold}`, () => {
        const { days, doubts, problemCount } = readWeatherCsv(text, {
          date: 'date',
          least: 'temp_min',
          most: 'temp_max',
          rain: 'precipitation',
          station: 'location',
          stationIs: city,
          unit: 'C',
        });
        expect([doubts, problemCount, days.length]).toEqual([[], 0, 1461]);
        const seasons = frostSeasons(
          days.map((d) => ({ day: d.day, least_C: d.least_C! })),
          threshold,
          false,
        );
        // The other way: the lines of the file as text, sorted, year by year.
        const lines = text
          .split('\n')
          .map((line) => line.split(','))
          .filter((cells) => cells[0] === city && Number(cells[4]) <= threshold)
          .map((cells) => cells[1]!)
          .sort();
        expect(
          seasons.map((s) => [s.lastSpring && isoFromDay(s.lastSpring), s.firstAutumn && isoFromDay(s.firstAutumn)]),
        ).toEqual(
          ['2012', '2013', '2014', '2015'].map((year) => [
            lines.filter((iso) => iso >= `${year}-01-01` && iso < `${year}-07-16`).at(-1) ?? null,
            lines.find((iso) => iso >= `${year}-07-16` && iso <= `${year}-12-31`) ?? null,
          ]),
        );
        expect(frostDates(seasons, 'spring', false).years).toBe(4);
      });

  it('on the command line as well', () => {
    const run = (...more: string[]) => calculator.run('frost', '--csv', FILE, '--json', ...more);
    const { seasons, lastSpring } = JSON.parse(
      run('--location', 'Seattle', '--threshold', '0', '--risk', '0.5').stdout,
    ) as {
      seasons: { lastSpring: string }[];
      lastSpring: { years: number; atRisk: { date: string }[] };
    };
    expect(seasons).toHaveLength(4);
    expect(seasons.every((s) => /^20\d\d-0[1-5]-/.test(s.lastSpring))).toBe(true);
    expect(lastSpring.years).toBe(4);
    expect(lastSpring.atRisk[0]!.date).toMatch(/^0[2-4]-/);
    // Both cities at once are not one place.
    const both = run('--threshold', '0');
    expect([both.status === 0, both.stderr]).toEqual([false, expect.stringMatching(/2 places/)]);
  });
});

describe('quantiles against a statistics library', () => {
  it('lie within one place of the library’s of another type, and nearer the more there are', () => {
    // mathjs takes type 7 of Hyndman & Fan, (n - 1) p + 1; ours is type 6, (n + 1) p: at most one place apart.
    for (const n of [5, 30, 400]) {
      const random = seededRandom(n);
      const list = Array.from({ length: n }, () => 100 * random()).sort((a, b) => a - b);
      const widest = Math.max(...list.slice(1).map((x, i) => x - list[i]!));
      for (const p of [0.1, 0.2, 0.5, 0.8, 0.9])
        expect(Math.abs(quantile(list, p) - (quantileSeq(list, p) as number))).toBeLessThanOrEqual(widest);
      expect(quantile(list, 0.5)).toBeCloseTo(quantileSeq(list, 0.5) as number, 9);
    }
  });
});
