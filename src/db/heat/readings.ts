import { inTransaction } from '../inTransaction.ts';
import { LOCKS } from '../locks.ts';
import type { Sequelize } from 'sequelize';
import { ms, rows, run } from '../sql.ts';

export interface ReadingRow {
  readonly sensorId: number;
  readonly at_ms: number;
  readonly value: number;
}

const monthOf = (at_ms: number) => new Date(at_ms).toISOString().slice(0, 7);
const partitioned = new WeakMap<Sequelize, Set<string>>();

/** Makes the month's part of the table before its first reading. */
async function needMonth(db: Sequelize, month: string): Promise<void> {
  const known = partitioned.get(db) ?? new Set();
  partitioned.set(db, known);
  if (known.has(month)) return;
  const [year, m] = month.split('-').map(Number) as [number, number];
  const next = m === 12 ? `${year + 1}-01` : `${year}-${String(m + 1).padStart(2, '0')}`;
  await inTransaction(db, async (transaction) => {
    await run(db, 'SELECT pg_advisory_xact_lock($1)', [LOCKS.readings], transaction);
    await run(
      db,
      `CREATE TABLE IF NOT EXISTS readings_${month.replace('-', '_')} PARTITION OF readings
       FOR VALUES FROM ('${month}-01T00:00:00Z') TO ('${next}-01T00:00:00Z')`,
      [],
      transaction,
    );
  });
  known.add(month);
}

/** Writes readings; one that is there already stays as it is. @returns how many were new */
export async function insertReadings(db: Sequelize, list: readonly ReadingRow[]): Promise<number> {
  if (list.length === 0) return 0;
  for (const month of new Set(list.map((r) => monthOf(r.at_ms)))) await needMonth(db, month);
  const done = await run(
    db,
    `WITH new AS (
       INSERT INTO readings (sensor_id, at, value)
       SELECT s, to_timestamp(a), v FROM unnest($1::int[], $2::float8[], $3::real[]) AS t (s, a, v)
       ON CONFLICT DO NOTHING RETURNING sensor_id, at
     ), dirty AS (
       INSERT INTO readings_dirty (sensor_id, at)
       SELECT DISTINCT sensor_id, date_bin('6 hours', at, 'epoch'::timestamptz) FROM new ON CONFLICT DO NOTHING
     )
     SELECT count(*)::int AS n FROM new`,
    [list.map((r) => r.sensorId), list.map((r) => r.at_ms / 1000), list.map((r) => r.value)],
  );
  return done[0]!['n'] as number;
}

export const TIERS_min = [10, 60, 360] as const;

/**
 * Works out the tiers of what has changed, piece by piece: no bucket is wider than a piece, and none of the table but its
 * readings is read. What is taken is marked first and by itself: readings that come in meanwhile mark
 * their piece anew and wait for nothing; what a crash left taken is done again.
 * @returns pieces done
 */
export async function downSample(db: Sequelize, most = 120): Promise<number> {
  await run(
    db,
    `WITH due AS (SELECT sensor_id, at FROM readings_dirty WHERE NOT taken ORDER BY at LIMIT ${most} FOR UPDATE SKIP LOCKED),
     gone AS (DELETE FROM readings_dirty d USING due s WHERE d.sensor_id = s.sensor_id AND d.at = s.at AND NOT d.taken)
     INSERT INTO readings_dirty (sensor_id, at, taken) SELECT sensor_id, at, true FROM due ON CONFLICT DO NOTHING`,
  );
  return inTransaction(db, async (transaction) => {
    const dirty = await rows(
      db,
      `DELETE FROM readings_dirty WHERE (sensor_id, at) IN
         (SELECT sensor_id, at FROM readings_dirty WHERE taken ORDER BY at LIMIT ${most} FOR UPDATE SKIP LOCKED) AND taken
       RETURNING sensor_id, at`,
      [],
      transaction,
    );
    if (dirty.length === 0) return 0;
    const bind = [dirty.map((d) => d['sensor_id']), dirty.map((d) => new Date(d['at'] as string).toISOString())];
    for (const minutes of TIERS_min)
      await run(
        db,
        `INSERT INTO reading_tiers (minutes, sensor_id, at, n, low, mean, high)
         SELECT ${minutes}, d.s, tier.*
         FROM unnest($1::int[], $2::timestamptz[]) AS d (s, a)
         CROSS JOIN LATERAL (
           SELECT date_bin('${minutes} minutes', r.at, 'epoch'::timestamptz), count(*), min(r.value), avg(r.value), max(r.value)
           FROM readings r WHERE r.sensor_id = d.s AND r.at >= d.a AND r.at < d.a + interval '6 hours' GROUP BY 1
         ) AS tier
         ON CONFLICT (minutes, sensor_id, at) DO UPDATE SET n = excluded.n, low = excluded.low, mean = excluded.mean, high = excluded.high`,
        bind,
        transaction,
      );
    return dirty.length;
  });
}

/** Takes away parts of the readings that ended before an instant. Tiers stay. @returns names of the months taken away */
export async function dropMonthsBefore(db: Sequelize, before_ms: number): Promise<string[]> {
  const parts = await rows(
    db,
    `SELECT c.relname AS name FROM pg_inherits i JOIN pg_class c ON c.oid = i.inhrelid WHERE i.inhparent = 'readings'::regclass`,
  );
  const old = parts
    .map((p) => p['name'] as string)
    .filter((name) => name.slice(9).replace('_', '-') < monthOf(before_ms));
  for (const name of old) {
    await run(db, `DROP TABLE ${name}`);
    partitioned.get(db)?.delete(name.slice(9).replace('_', '-'));
  }
  return old;
}

export interface Bucket {
  readonly at_ms: number;
  readonly low: number;
  readonly mean: number;
  readonly high: number;
}

/** A row for each sensor with its columns as lists: thousands of small rows cost more to carry than to work out. */
const columns = (sql: string) =>
  `SELECT s, json_agg(b) AS b, json_agg(low) AS low, json_agg(mean) AS mean, json_agg(high) AS high FROM (${sql}) AS t GROUP BY s`;

/** Lowest, mean and highest by bucket over a span, from the coarsest tier that is fine enough. */
export async function readBuckets(
  db: Sequelize,
  sensorIds: readonly number[],
  from_ms: number,
  to_ms: number,
  buckets: number,
): Promise<Map<number, Bucket[]>> {
  const asked_s = Math.max(60, Math.ceil((to_ms - from_ms) / 1000 / buckets));
  // A little coarser than asked for is drawn the same and read much faster.
  const tier = [...TIERS_min].reverse().find((minutes) => minutes * 60 <= 1.5 * asked_s);
  const width_s = Math.max(asked_s, (tier ?? 0) * 60);
  const bin = `floor((extract(epoch FROM at)::float8 - ${from_ms / 1000}) / ${width_s})`;
  const ask = (minutes: number | undefined) =>
    rows(
      db,
      minutes
        ? columns(`SELECT sensor_id AS s, ${bin}::int AS b, min(low) AS low, (sum(mean * n) / sum(n))::real AS mean,
           max(high) AS high
         FROM reading_tiers WHERE minutes = ${minutes} AND sensor_id = ANY($1) AND at >= $2 AND at < $3 GROUP BY 1, 2`)
        : columns(`SELECT sensor_id AS s, ${bin}::int AS b, min(value) AS low, avg(value)::real AS mean, max(value) AS high
         FROM readings WHERE sensor_id = ANY($1) AND at >= $2 AND at < $3 GROUP BY 1, 2`),
      [[...sensorIds], new Date(from_ms).toISOString(), new Date(to_ms).toISOString()],
    );
  let found = await ask(tier);
  // Readings no longer kept, or never so fine: the finest tier there is.
  for (const minutes of TIERS_min) if (found.length === 0 && minutes !== tier) found = await ask(minutes);
  const out = new Map<number, Bucket[]>(sensorIds.map((id) => [id, []]));
  for (const r of found) {
    const [b, low, mean, high] = ['b', 'low', 'mean', 'high'].map((name) => r[name] as number[]) as [
      number[],
      number[],
      number[],
      number[],
    ];
    const list = b.map((bucket, i) => ({
      at_ms: from_ms + bucket * width_s * 1000,
      low: low[i]!,
      mean: mean[i]!,
      high: high[i]!,
    }));
    out.set(
      r['s'] as number,
      list.sort((one, other) => one.at_ms - other.at_ms),
    );
  }
  return out;
}

/** Mean of the heater's share by local hour over a span, from the hourly tier. */
export async function readHourly(
  db: Sequelize,
  sensorId: number,
  from_ms: number,
  to_ms: number,
): Promise<{ at_ms: number; mean: number }[]> {
  const found = await rows(
    db,
    'SELECT at, mean FROM reading_tiers WHERE minutes = 60 AND sensor_id = $1 AND at >= $2 AND at < $3 ORDER BY at',
    [sensorId, new Date(from_ms).toISOString(), new Date(to_ms).toISOString()],
  );
  return found.map((r) => ({ at_ms: ms(r['at'])!, mean: Number(r['mean']) }));
}

/** Raw readings in order of time, bounded. */
export async function readRaw(
  db: Sequelize,
  sensorIds: readonly number[],
  from_ms: number,
  to_ms: number,
  most: number,
): Promise<ReadingRow[]> {
  const found = await rows(
    db,
    'SELECT sensor_id AS s, at, value FROM readings WHERE sensor_id = ANY($1) AND at >= $2 AND at < $3 ORDER BY at, sensor_id LIMIT $4',
    [[...sensorIds], new Date(from_ms).toISOString(), new Date(to_ms).toISOString(), most],
  );
  return found.map((r) => ({ sensorId: r['s'] as number, at_ms: ms(r['at'])!, value: Number(r['value']) }));
}

/** Hourly means that were never finer, and the six hours of them. */
export async function insertHours(db: Sequelize, list: readonly ReadingRow[]): Promise<void> {
  for (let i = 0; i < list.length; i += 10_000) {
    const lot = list.slice(i, i + 10_000);
    await run(
      db,
      `INSERT INTO reading_tiers (minutes, sensor_id, at, n, low, mean, high)
       SELECT 60, s, to_timestamp(a), 1, v, v, v FROM unnest($1::int[], $2::float8[], $3::real[]) AS t (s, a, v)
       ON CONFLICT DO NOTHING`,
      [lot.map((r) => r.sensorId), lot.map((r) => r.at_ms / 1000), lot.map((r) => r.value)],
    );
  }
  const to = list.reduce((last, r) => Math.max(last, r.at_ms), 0) + 3_600_000;
  await run(
    db,
    `INSERT INTO reading_tiers (minutes, sensor_id, at, n, low, mean, high)
     SELECT 360, sensor_id, date_bin('6 hours', at, 'epoch'::timestamptz) AS b, count(*), min(low), avg(mean), max(high)
     FROM reading_tiers WHERE minutes = 60 AND at < $1 GROUP BY sensor_id, b
     ON CONFLICT DO NOTHING`,
    [new Date(to).toISOString()],
  );
}
