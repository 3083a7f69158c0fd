import { readFileSync } from 'node:fs';
import type { Sequelize } from 'sequelize';
import { isoFromDay, requireDay } from '../src/core/calendar/dayNumber.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { readWorld } from '../src/db/house/world.ts';
import { learnedFor } from '../src/core/germination/learned.ts';
import { readSeason } from '../src/server/plan/season.ts';
import { setUp } from '../bin/setUp.ts';
import { key, newDatabase, send, startApp, type App } from '../tests/support/app.ts';
import {
  logBetween,
  MADE_CROPS,
  makeYear,
  setDay,
  TRUE_LOT,
  trueLogSpread,
  yearsSeed,
} from '../tests/support/madeUpYears.ts';
import { row, type Figures, type Row } from './form.ts';
import { cluster } from './pageFigures.ts';

const YEARS = Number(process.env['YEARS'] ?? 10);
const BATCHES = Number(process.env['BATCHES'] ?? 400);
const FIRST = 2027;
/** Readings kept in tiers for each year: so many that ten years have four million. */
const READINGS_perYear = Number(process.env['READINGS'] ?? 400_000);

const quantile = (list: readonly number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]!;

interface YearFigures {
  readonly dayChange_ms: number;
  /** The call itself, and what the next who asks waits longer for it. */
  readonly write_ms: number;
  readonly rework_ms: number;
  readonly seasonP95_ms: number;
  readonly season_KB: number;
  readonly roundP95_ms: number;
  readonly round_KB: number;
  readonly firstBatch_ms: number;
  readonly memory_MB: number;
  readonly spread: number;
}

/**
 * A made-up nursery of ten years, 400 batches a year, four million readings in tiers; every year is closed when the next
 * begins. Measured in the middle of each year's season on the built application (npm run build). CROOK_TEST_PG is used where
 * it is set, else a PostgreSQL of its own is started.
 */
export default async function years(): Promise<Figures> {
  const { base, stop } = cluster();
  try {
    return await measured(base);
  } finally {
    stop();
  }
}

async function measured(base: string): Promise<Figures> {
  const url = await newDatabase(base);
  process.env['DATABASE_URL'] = url;
  const db = connect(url);
  const found: YearFigures[] = [];
  try {
    await migrateUp(db);
    await setUp(db, yearsSeed(FIRST), Date.now());
    const ids = new Map((await readWorld(db))!.crops.map((crop) => [crop.name, crop]));
    let firstBatch = 0;
    for (let year = FIRST; year < FIRST + YEARS; year++) {
      const today = requireDay(`${year}-06-10`);
      await setDay(db, today);
      const made = await makeYear(db, year, BATCHES, ids);
      firstBatch ||= made[0]!.id;
      await logBetween(db, made, 0, today);
      await tiers(db, year);
      await db.query('ANALYZE');
      const app = await startApp([], url, { DEMO_BENCHES: 'off', DEMO_FORECAST: 'off' });
      let figures;
      try {
        figures = await figuresOf(app, db, today, firstBatch, made.at(-1)!.id);
        await logBetween(db, made, today, requireDay(`${year}-12-31`));
        await setDay(db, requireDay(`${year + 1}-01-05`));
        found.push({ ...figures, spread: await learnedSpread(ids) });
        await close(app, year);
      } finally {
        await app.stop();
      }
      process.stderr.write(`${year}: ${JSON.stringify(found.at(-1))}\n`);
    }
  } finally {
    await db.close();
  }
  return report(found);
}

/** A year of readings in tiers, by the hour and by ten minutes, of sensors that no zone asks for: only their number counts. */
async function tiers(db: Sequelize, year: number): Promise<void> {
  const sensors = 20;
  const hours = Math.min(8760, Math.floor(READINGS_perYear / 2 / sensors));
  const tens = Math.floor((READINGS_perYear - hours * sensors) / sensors);
  const fill = (minutes: number, n: number) =>
    db.query(
      `INSERT INTO reading_tiers (minutes, sensor_id, at, n, low, mean, high)
       SELECT $1::int, 1000 + s, make_timestamptz($2::int, 1, 1, 0, 0, 0, 'UTC') + (k * $1::int) * interval '1 minute', 6, 20, 21, 22
       FROM generate_series(1, $3::int) AS s, generate_series(0, $4::int - 1) AS k`,
      { bind: [minutes, year, sensors, n] },
    );
  await fill(60, hours);
  await fill(10, tens);
}

const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};

async function figuresOf(
  app: App,
  db: Sequelize,
  today: number,
  firstBatch: number,
  lastBatch: number,
): Promise<Omit<YearFigures, 'spread'>> {
  const get = (path: string) => fetch(app.url + path).then((response) => response.text());
  const many = async (path: string, n = 40) => {
    const times: number[] = [];
    for (let i = 0; i < n; i++) times.push(await timed(() => get(path)));
    return times;
  };
  for (const path of ['/plan/season', '/', `/batch/${firstBatch}`]) await many(path, 5);
  const season = await many('/plan/season');
  const round = await many('/');
  const still = quantile(await many('/api/house/round'), 0.5);
  // The day goes on: what was worked out for today is worked out again for the next who asks.
  const dayChanges: number[] = [];
  for (let day = today + 1; day <= today + 5; day++) {
    await setDay(db, day);
    dayChanges.push(await timed(() => get('/api/house/round')));
    // What is settled is kept once a day, beside.
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  // A line of the log, and the next who asks: what reading takes anyway is taken off.
  const writes: number[] = [];
  const rework: number[] = [];
  for (let i = 0; i < 15; i++) {
    const line = { idempotencyKey: key(), kind: 'note', day: isoFromDay(today), note: 'for the bench' };
    const path = `/api/batch/${lastBatch - i}/events`;
    writes.push(await timed(() => sent(app, 'POST', path, line)));
    rework.push((await timed(() => get('/api/house/round'))) - still);
  }
  return {
    dayChange_ms: quantile(dayChanges, 0.5),
    write_ms: quantile(writes, 0.5),
    rework_ms: Math.max(0, quantile(rework, 0.5)),
    seasonP95_ms: quantile(season, 0.95),
    season_KB: (await get('/plan/season')).length / 1024,
    roundP95_ms: quantile(round, 0.95),
    round_KB: (await get('/')).length / 1024,
    firstBatch_ms: quantile(await many(`/batch/${firstBatch}`), 0.5),
    memory_MB: memoryOf(app.pid),
  };
}

async function sent(app: App, ...of: [string, string, unknown]): Promise<void> {
  const { status, body } = await send(app, ...of);
  if (status >= 300) throw new Error(`${of[1]}: ${status} ${JSON.stringify(body)}`);
}

/** What a process holds in memory, by the system's own account (Linux). */
function memoryOf(pid: number): number {
  return Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1024;
}

/** The mean over the crops of the spread between seeds as the house has learned it. */
async function learnedSpread(ids: ReadonlyMap<string, { readonly id: number }>): Promise<number> {
  const season = await readSeason();
  const spreads = MADE_CROPS.map(
    (name) => learnedFor(season.taught, { cropId: ids.get(name)!.id, varietyId: null, lotId: null }, null).prior.sigma,
  );
  return spreads.reduce((a, b) => a + b) / spreads.length;
}

async function close(app: App, year: number): Promise<void> {
  const { body } = await send(app, 'GET', '/api/house/seasons');
  const season = (body as { id: number; name: string; version: number }[]).find((one) => one.name === String(year))!;
  const closed = await send(app, 'POST', `/api/house/seasons/${season.id}/close`, { version: season.version });
  if (closed.status !== 200) throw new Error(`season ${year} could not be closed: ${JSON.stringify(closed.body)}`);
}

/** The first and the last year, the last held against the first; the spread of every year against the truth. */
function report(found: readonly YearFigures[]): Figures {
  const [first, last] = [found[0]!, found.at(-1)!];
  const times: Row[] = [];
  for (const [name, unit] of [
    ['dayChange_ms', 'ms'],
    ['write_ms', 'ms'],
    ['rework_ms', 'ms'],
    ['seasonP95_ms', 'ms'],
    ['season_KB', 'KB'],
    ['roundP95_ms', 'ms'],
    ['round_KB', 'KB'],
    ['firstBatch_ms', 'ms'],
    ['memory_MB', 'MB'],
  ] as const) {
    const most = name === 'dayChange_ms' ? '<= 400' : name === 'rework_ms' ? '<= 20' : null;
    times.push(row(`year 1 ${name}`, first[name], unit));
    times.push(row(`year ${found.length} ${name}`, last[name], unit, most));
    times.push(row(`year ${found.length} over year 1 ${name}`, last[name] / first[name], '', '<= 1.25'));
  }
  const truth = trueLogSpread(TRUE_LOT.spread);
  const spreads = found.map(({ spread }, i) => row(`spread after year ${i + 1} over the true`, spread / truth, ''));
  const worst = Math.max(...found.map(({ spread }) => Math.abs(spread / truth - 1)));
  return {
    bench: 'years',
    method: `a made-up nursery of ${YEARS} years, ${BATCHES} batches and ${READINGS_perYear} readings in tiers a year, each year closed when the next begins; measured on 10 June of each over HTTP; seeds of tests/calibration/otherTrays.ts, true spread ${truth.toFixed(4)}`,
    rows: [...times, ...spreads, row('spread, worst year off the true', worst, '', '<= 0.05')],
  };
}
