import { readFileSync } from 'node:fs';
import pg from 'pg';
import type { Sequelize } from 'sequelize';
import { isoFromDay, requireDay } from '../src/core/calendar/dayNumber.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { readWorld } from '../src/db/house/world.ts';
import { learnedFor } from '../src/core/germination/learned.ts';
import { morningOf } from '../src/server/clock.ts';
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
  readonly season_ms: number;
  readonly seasonP95_ms: number;
  readonly season_KB: number;
  readonly round_ms: number;
  readonly roundP95_ms: number;
  readonly round_KB: number;
  readonly firstBatch_ms: number;
  readonly memory_MB: number;
}

/** A nursery in the middle of a season, to be measured. */
interface Standing {
  readonly url: string;
  readonly today: number;
  readonly firstBatch: number;
  readonly lastBatch: number;
}

/**
 * A made-up nursery of ten years, 400 batches a year, four million readings in tiers; every year is closed when the next
 * begins. The nursery as it stood in the middle of its first season is measured beside that of its last, turn by turn, so that
 * what else the machine does in those minutes weighs on both alike. On the built application (npm run build). CROOK_TEST_PG is
 * used where it is set, else a PostgreSQL of its own is started.
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
  const spreads: number[] = [];
  let first: Standing | null = null;
  try {
    await migrateUp(db);
    await setUp(db, yearsSeed(FIRST), Date.now());
    const ids = new Map((await readWorld(db))!.crops.map((crop) => [crop.name, crop]));
    for (let year = FIRST; ; year++) {
      const today = requireDay(`${year}-06-10`);
      await setDay(db, today);
      const made = await makeYear(db, year, BATCHES, ids);
      await logBetween(db, made, 0, today);
      await tiers(db, year);
      await db.query('ANALYZE');
      const firstBatch: number = first === null ? made[0]!.id : first.firstBatch;
      const standing = { today, firstBatch, lastBatch: made.at(-1)!.id };
      first = first ?? { ...standing, url: await copyOf(db, base) };
      const isLast = year === FIRST + YEARS - 1;
      const found = isLast ? await sideBySide(first, { ...standing, url: await copyOf(db, base) }) : null;
      await logBetween(db, made, today, requireDay(`${year}-12-31`));
      await setDay(db, requireDay(`${year + 1}-01-05`));
      spreads.push(await learnedSpread(ids));
      process.stderr.write(`${year}: spread ${spreads.at(-1)}\n`);
      if (found) return report(found, spreads);
      const app = await startApp([], url, QUIET);
      try {
        await close(app, year);
      } finally {
        await app.stop();
      }
    }
  } finally {
    await db.close();
  }
}

const QUIET = { DEMO_BENCHES: 'off', DEMO_FORECAST: 'off' };
let copies = 0;

/** A copy of a database that nobody but this bench is connected to. */
async function copyOf(db: Sequelize, base: string): Promise<string> {
  const [[{ name }]] = (await db.query('SELECT current_database() AS name')) as unknown as [[{ name: string }]];
  const copy = `${name}_copy${copies++}`;
  const client = new pg.Client({ connectionString: `${base}/postgres` });
  await client.connect();
  try {
    // The pool's own idle connections are let go and come again with the next query.
    await client.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name]);
    await client.query(`CREATE DATABASE ${copy} TEMPLATE ${name}`);
  } finally {
    await client.end();
  }
  return `${base}/${copy}`;
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

/** Long enough for all that follows from setting the clock to be done before the day changes. */
const BEFORE_MIDNIGHT_ms = 2_500;

/** Sets a nursery's clock a little before a day begins, and lets it run. */
async function almostMidnight(db: Sequelize, day: number): Promise<void> {
  const midnight = morningOf(day, 'Europe/London') - 8 * 3_600_000;
  await db.query(
    `UPDATE nursery SET demo_clock = demo_clock || jsonb_build_object('at_ms', $1::float8, 'anchor_ms', $2::float8, 'running', true, 'rate', 1)`,
    { bind: [midnight - BEFORE_MIDNIGHT_ms, Date.now()] },
  );
}

/** Figures of two nurseries, measured turn by turn. */
async function sideBySide(...two: readonly [Standing, Standing]): Promise<readonly [YearFigures, YearFigures]> {
  const apps: App[] = [];
  const dbs = two.map(({ url }) => connect(url));
  try {
    for (const { url } of two) apps.push(await startApp([], url, QUIET));
    const get = (k: number, path: string) => fetch(apps[k]!.url + path).then((response) => response.text());
    /** Takes turns between the two; what each took. */
    const turns = async (n: number, work: (k: 0 | 1, i: number) => Promise<number>): Promise<[number[], number[]]> => {
      const times: [number[], number[]] = [[], []];
      for (let i = 0; i < n; i++) for (const k of [0, 1] as const) times[k].push(await work(k, i));
      return times;
    };
    const reading = (path: (of: Standing) => string, n = 60) => turns(n, (k) => timed(() => get(k, path(two[k]))));
    for (const path of ['/plan/season', '/']) await reading(() => path, 8);
    const season = await reading(() => '/plan/season');
    const round = await reading(() => '/');
    const firstBatch = await reading((of) => `/batch/${of.firstBatch}`);
    const still = (await reading(() => '/api/house/round')).map((times) => quantile(times, 0.5));
    // Midnight goes by and nothing is written: what was worked out for the day is worked out again for the first who asks.
    const dayChange = await turns(9, async (k, i) => {
      await almostMidnight(dbs[k]!, two[k].today + 1 + i);
      await get(k, '/api/house/round');
      await new Promise((resolve) => setTimeout(resolve, BEFORE_MIDNIGHT_ms + 100));
      const time = await timed(() => get(k, '/api/house/round'));
      // What is settled is kept once a day, beside.
      await new Promise((resolve) => setTimeout(resolve, 500));
      return time;
    });
    // A line of the log, and the next who asks: what reading takes anyway is taken off.
    const rework: [number[], number[]] = [[], []];
    const write = await turns(20, async (k, i) => {
      const line = { idempotencyKey: key(), kind: 'note', day: isoFromDay(two[k].today), note: 'for the bench' };
      const time = await timed(() => sent(apps[k]!, 'POST', `/api/batch/${two[k].lastBatch - i}/events`, line));
      rework[k].push((await timed(() => get(k, '/api/house/round'))) - still[k]!);
      return time;
    });
    const KB = async (k: number, path: string) => (await get(k, path)).length / 1024;
    const figures = async (k: 0 | 1): Promise<YearFigures> => ({
      dayChange_ms: quantile(dayChange[k], 0.5),
      write_ms: quantile(write[k], 0.5),
      rework_ms: Math.max(0, quantile(rework[k], 0.5)),
      season_ms: quantile(season[k], 0.5),
      seasonP95_ms: quantile(season[k], 0.95),
      season_KB: await KB(k, '/plan/season'),
      round_ms: quantile(round[k], 0.5),
      roundP95_ms: quantile(round[k], 0.95),
      round_KB: await KB(k, '/'),
      firstBatch_ms: quantile(firstBatch[k], 0.5),
      memory_MB: memoryOf(apps[k]!.pid),
    });
    return [await figures(0), await figures(1)];
  } finally {
    for (const app of apps) await app.stop();
    for (const db of dbs) await db.close();
  }
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
function report([first, last]: readonly [YearFigures, YearFigures], learned: readonly number[]): Figures {
  const times: Row[] = [];
  for (const [name, unit] of [
    ['dayChange_ms', 'ms'],
    ['write_ms', 'ms'],
    ['rework_ms', 'ms'],
    ['season_ms', 'ms'],
    ['seasonP95_ms', 'ms'],
    ['season_KB', 'KB'],
    ['round_ms', 'ms'],
    ['roundP95_ms', 'ms'],
    ['round_KB', 'KB'],
    ['firstBatch_ms', 'ms'],
    ['memory_MB', 'MB'],
  ] as const) {
    const most = name === 'dayChange_ms' ? '<= 400' : name === 'rework_ms' ? '<= 20' : null;
    times.push(row(`year 1 ${name}`, first[name], unit));
    times.push(row(`year ${YEARS} ${name}`, last[name], unit, most));
    times.push(row(`year ${YEARS} over year 1 ${name}`, last[name] / first[name], '', '<= 1.25'));
  }
  const truth = trueLogSpread(TRUE_LOT.spread);
  const spreads = learned.map((spread, i) => row(`spread after year ${i + 1} over the true`, spread / truth, ''));
  const worst = Math.max(...learned.map((spread) => Math.abs(spread / truth - 1)));
  return {
    bench: 'years',
    method: `a made-up nursery of ${YEARS} years, ${BATCHES} batches and ${READINGS_perYear} readings in tiers a year, each year closed when the next begins; the nursery as it stood on 10 June of its first and of its last year, measured over HTTP turn by turn; seeds of tests/calibration/otherTrays.ts, true spread ${truth.toFixed(4)}`,
    rows: [...times, ...spreads, row('spread, worst year off the true', worst, '', '<= 0.05')],
  };
}
