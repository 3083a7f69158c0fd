import { siteWind } from '../src/core/weather/siteWind.ts';
import { cpus } from 'node:os';
import { Worker } from 'node:worker_threads';
import { DEMO_COVERS } from '../simulators/demoPlanting.ts';
import { madeUpForecast } from '../simulators/weatherService.ts';
import { demoWeather } from '../simulators/demoWeather.ts';
import { isoFromDay, requireDay } from '../src/core/calendar/dayNumber.ts';
import { dateAtRisk, frostDates, frostSeasons } from '../src/core/weather/frost.ts';
import { sun_W_m2 } from '../src/core/weather/hourly.ts';
import { localHours } from '../src/core/weather/forecast.ts';
import { ladderAhead, shelterOf, type LadderDay } from '../src/core/hardening/ladder.ts';
import { PROGRAMMES, rungsFor } from '../src/core/hardening/programme.ts';
import { lidDays } from '../src/core/heat/lid.ts';
import type { Hardiness } from '../src/core/books/crop.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { USUAL_MODES, USUAL_RULES } from '../src/core/planting/gates.ts';
import type { OddsTask } from '../src/core/planting/odds.ts';
import { historyColumns, type SpringsSent } from '../src/contracts/planting/springs.ts';
import { readWeatherCsv } from '../src/formats/weatherFile.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { writeWeather } from '../src/db/weather/weather.ts';
import { figures, type Figures } from './form.ts';
import { newDatabase } from '../tests/support/app.ts';

const RUNS = 7;
const median = (list: number[]): number => Math.round(10 * [...list].sort((a, b) => a - b)[list.length >> 1]!) / 10;

const spread = (list: number[], target_ms: number) => ({
  median: median(list),
  worst: median([Math.max(...list)]),
  target_ms,
});
const SITE = { latitude_deg: 52.4, timeZone: 'Europe/London', name: 'bench' };
const HARDINESS: readonly Hardiness[] = ['hardy', 'half-hardy', 'tender', 'tropical'];

/** A hundred batches of all kinds on their way out. */
function tasksOf(from: number): OddsTask[] {
  return Array.from({ length: 100 }, (_, i): OddsTask => {
    const rungs = rungsFor(PROGRAMMES[i % PROGRAMMES.length]!, HARDINESS[i % 4]!);
    return {
      batchId: i,
      ladder: { rungs, shelter_K: rungs.map((r) => shelterOf(r, 2)), caution: 0.5 },
      at: { rung: 0, served: 0 },
      hardenFrom: from + (i % 50),
      modes: USUAL_MODES,
      rules: USUAL_RULES,
      outFrom: from + (i % 60),
      soilMin_C: 6 + (i % 9),
      nightMin_C: -2 + (i % 12),
      harm_C: [-5, -2.2, 0, 3][i % 4]!,
      cover_K: i % 3,
      warm_K: i % 3,
      nightsSoFar: 0,
      warmSoFar: 0,
      transplantOn: from + 12 + (i % 60),
      lastGoodOn: from + 19 + (i % 60),
    };
  });
}

/** Odds of 100 batches over 500 springs, in a thread, started and all. */
async function oddsInThread(): Promise<{ all_ms: number[]; draw_ms: number[] }> {
  const from = requireDay('2027-04-12');
  const input = {
    from,
    days: 120,
    runs: 500,
    seed: 1,
    wind: siteWind([], null),
    near: [],
    soil_C: 9,
    latitude_deg: 52,
    usual: null,
  };
  const history = demoWeather('1987-01-01', '2027-04-11');
  const sent: SpringsSent = { input, ...historyColumns(history), tasks: tasksOf(from) };
  const all_ms: number[] = [];
  const draw_ms: number[] = [];
  for (let run = 0; run < 5; run++) {
    const began = performance.now();
    // A thread does not take over the loader of TypeScript by itself.
    const url = new URL('./oddsThread.ts', import.meta.url).href;
    const thread = new Worker(
      `import('tsx/esm/api').then(({ tsImport }) => tsImport(${JSON.stringify(url)}, ${JSON.stringify(import.meta.url)}));`,
      { eval: true },
    );
    const answer = await new Promise<{ drawn_ms: number; odds: unknown[] }>((resolve, reject) => {
      thread.once('message', resolve);
      thread.once('error', reject);
      thread.postMessage(sent);
    });
    all_ms.push(performance.now() - began);
    draw_ms.push(answer.drawn_ms);
    if (answer.odds.length !== 100) throw new Error('not all batches were reckoned');
    await thread.terminate();
  }
  return { all_ms, draw_ms };
}

/** Ten days of a frame and of a house by the hour, lid and night advised. */
function structures(): number[] {
  const at = Date.parse('2027-04-12T06:00:00Z');
  const hours = localHours(madeUpForecast(at, SITE).hours, SITE.timeZone).map((h) => ({
    ...h,
    wind_m_s: h.wind_m_s ?? 2,
    cloud_frac: h.cloud_frac ?? 0.5,
    sun_W_m2: sun_W_m2(SITE.latitude_deg, 102, 1 - (h.cloud_frac ?? 0.5), h.hour - 1),
  }));
  const specs = DEMO_COVERS.flatMap((c) => c.structure ?? []);
  const times: number[] = [];
  for (let run = 0; run < 30; run++) {
    const began = performance.now();
    lidDays(
      specs[run % specs.length]!,
      hours,
      { least_C: 4, most_C: 26 },
      { from_h: 7, to_h: 19 },
      { kind: 'model' },
      [6, 9, 9],
      9,
    );
    times.push(performance.now() - began);
  }
  return times.slice(10);
}

/** A decision for 400 batches, each with its ten days ahead. */
function decisions(): number[] {
  const from = requireDay('2027-04-12');
  const random = seededRandom(3);
  const days: LadderDay[] = Array.from({ length: 10 }, (_, i) => ({
    day: from + i,
    most_C: 14 + 4 * random(),
    night_C: 10 * random() - 1,
    morning_C: 5,
    gust_m_s: 4 + 12 * random(),
    spread_K: 1 + 0.3 * i,
  }));
  const tasks = tasksOf(from);
  const times: number[] = [];
  for (let run = 0; run < 15; run++) {
    const began = performance.now();
    for (let i = 0; i < 400; i++)
      ladderAhead(tasks[i % 100]!.ladder, { rung: i % 4, served: 1 }, days, -Infinity, -Infinity);
    times.push(performance.now() - began);
  }
  return times.slice(5);
}

/** Forty years of daily weather taken in, with the database (needs CROOK_TEST_PG), and frost worked out of them. */
export default async function bench(): Promise<Figures> {
  const days = demoWeather('1986-01-01', '2025-12-31');
  const text = ['date,tmin,tmax', ...days.map((d) => `${isoFromDay(d.day)},${d.least_C},${d.most_C}`)].join('\n');
  const columns = {
    date: 'date',
    least: 'tmin',
    most: 'tmax',
    rain: null,
    station: null,
    stationIs: null,
    unit: 'C',
  } as const;
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
  const odds = await oddsInThread();
  const method = `medians and worst of ${RUNS} runs and more; ${cpus().length} cores, node ${process.version}`;
  const nested = {
    days: days.length,
    import_ms: spread(taken, 1500),
    frost_ms: spread(frost, 20),
    structure_tenDays_ms: spread(structures(), 20),
    odds_100batches_500springs_ms: spread(odds.all_ms, 2000),
    draw_500springs_ms: spread(odds.draw_ms, 2000),
    rungs_400batches_ms: spread(decisions(), 50),
  };
  return figures('climate', method, nested, {
    'import_ms median': '<= 1500',
    'frost_ms median': '<= 20',
    'structure_tenDays_ms median': '<= 20',
    'odds_100batches_500springs_ms median': '<= 2000',
    'rungs_400batches_ms median': '<= 50',
  });
}
