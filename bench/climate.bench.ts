import { cpus } from 'node:os';
import { demoWeather } from '../simulators/demoWeather.ts';
import { isoFromDay } from '../src/core/calendar/dayNumber.ts';
import { dateAtRisk, frostDates, frostSeasons } from '../src/core/climate/frost.ts';
import { readWeatherCsv } from '../src/contracts/weatherFile.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { writeWeather } from '../src/db/weather.ts';
import { newDatabase } from '../tests/support/app.ts';

const RUNS = 7;
const median = (list: number[]): number => Math.round(10 * [...list].sort((a, b) => a - b)[list.length >> 1]!) / 10;

/** Forty years of daily weather taken in, with the database (needs CROOK_TEST_PG), and frost worked out of them. */
export default async function bench(): Promise<object> {
  const days = demoWeather('1986-01-01', '2025-12-31');
  const text = ['date,tmin,tmax', ...days.map((d) => `${isoFromDay(d.day)},${d.least_C},${d.most_C}`)].join('\n');
  const columns = { date: 'date', least: 'tmin', most: 'tmax', rain: null, station: null, stationIs: null, unit: 'C' } as const; // prettier-ignore
  const frost: number[] = [];
  const lows = days.map((d) => ({ day: d.day, least_C: d.least_C! }));
  for (let run = 0; run < RUNS; run++) {
    const began = performance.now();
    const seasons = frostSeasons(lows, 0, false);
    for (const side of ['spring', 'autumn'] as const) dateAtRisk(frostDates(seasons, side, false), 0.1);
    frost.push(performance.now() - began);
  }
  const db = connect(await newDatabase());
  await migrateUp(db);
  const taken: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    await db.query('TRUNCATE weather_days');
    const began = performance.now();
    await writeWeather(db, readWeatherCsv(text, columns).days, 'bench');
    taken.push(performance.now() - began);
  }
  await db.close();
  return {
    bench: 'climate',
    machine: { cores: cpus().length, node: process.version },
    days: days.length,
    import_ms: { median: median(taken), worst: median([Math.max(...taken)]), target_ms: 1500 },
    frost_ms: { median: median(frost), worst: median([Math.max(...frost)]), target_ms: 20 },
  };
}
