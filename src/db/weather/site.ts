import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import type { ForecastFile, ForecastStatus } from '../../contracts/weather/forecast.ts';
import type { SiteReadingInput } from '../../contracts/weather/siteReadings.ts';
import type { SiteReading } from '../../core/weather/siteReading.ts';
import type { PlantingSettings } from '../../core/planting/settings.ts';
import { NurseryModel } from '../house/models.ts';
import { ms, rows, run, type Db, type In } from '../sql.ts';
import type { KeptForecast, ForecastLow, SourcedLow } from '../../core/weather/forecast.ts';

/** Keeps a forecast; one already kept of the same source and instant is left as it is. @returns whether it is new */
export async function insertForecast(
  db: Db,
  forecast: Omit<KeptForecast, 'id'>,
  lows: readonly ForecastLow[],
  received_ms: number,
): Promise<boolean> {
  const made = await rows(
    db,
    `INSERT INTO forecasts (source, kind, made_at, received_at, made_on, body, lows) VALUES ($1, $2, $3, $4, $5, $6, $7)
     ON CONFLICT (source, made_at) DO NOTHING RETURNING id`,
    [
      forecast.source,
      forecast.kind,
      new Date(forecast.made_ms),
      new Date(received_ms),
      isoFromDay(forecast.madeOn),
      JSON.stringify({ hours: forecast.hours }),
      JSON.stringify(lows.map((low) => ({ ...low, day: isoFromDay(low.day) }))),
    ],
  );
  if (made.length === 0) return false;
  // The lows are kept for the score; the hours are of no use after a month.
  await run(
    db,
    `UPDATE forecasts SET body = '{"hours": []}' WHERE made_on < $1::date - 30 AND body <> '{"hours": []}'`,
    [isoFromDay(forecast.madeOn)],
  );
  return true;
}

/** An instant at which nothing of a source has been made yet: the one given, or just after the last. */
export async function freeInstant(db: Db, source: string, at_ms: number): Promise<number> {
  const [row] = await rows(
    db,
    'SELECT max(made_at) AS last FROM forecasts WHERE source = $1 AND made_at >= $2 AND made_at <= $3',
    [source, new Date(at_ms), new Date(at_ms + CLOCKS_DIFFER_ms)],
  );
  const last = ms(row?.['last'] ?? null);
  return last === null ? at_ms : last + 1;
}

/** How far the clock of who makes a forecast may be ahead of the nursery's. */
export const CLOCKS_DIFFER_ms = 3_600_000;

/** The newest forecast made by an instant; null when there is none. */
export async function readForecast(db: Db, by_ms: number, transaction: In = null): Promise<KeptForecast | null> {
  const [row] = await rows(
    db,
    `SELECT id, source, kind, made_at, made_on::text AS made_on, body FROM forecasts WHERE made_at <= $1
     ORDER BY made_at DESC, id DESC LIMIT 1`,
    [new Date(by_ms + CLOCKS_DIFFER_ms)],
    transaction,
  );
  if (!row) return null;
  return {
    id: row['id'] as number,
    source: row['source'] as string,
    kind: row['kind'] as KeptForecast['kind'],
    made_ms: ms(row['made_at'])!,
    madeOn: requireDay(row['made_on'] as string),
    hours: (row['body'] as { hours: ForecastFile['hours'] }).hours,
  };
}

/** Lows forecasts made between two days told of; of one day the last forecast counts. */
export async function readLows(db: Db, from: number, to: number): Promise<SourcedLow[]> {
  const found = await rows(
    db,
    `SELECT * FROM (
       SELECT DISTINCT ON (source, made_on) source, made_at, lows FROM forecasts
       WHERE made_on BETWEEN $1 AND $2 ORDER BY source, made_on, made_at DESC
     ) AS newest ORDER BY made_at`,
    [isoFromDay(from), isoFromDay(to)],
  );
  return found.flatMap((row) =>
    (row['lows'] as (Omit<ForecastLow, 'day'> & { day: string })[]).map((low) => ({
      ...low,
      source: row['source'] as string,
      day: requireDay(low.day),
    })),
  );
}

/** How the last try at the service went. */
export async function readTries(db: Db): Promise<ForecastStatus | null> {
  const [row] = await rows(db, 'SELECT source, tried_at, good_at, failures, problem FROM forecast_tries WHERE id = 1');
  if (!row) return null;
  return {
    source: row['source'] as string,
    tried_ms: ms(row['tried_at'])!,
    good_ms: ms(row['good_at']),
    failures: row['failures'] as number,
    problem: row['problem'] as string,
  };
}

export async function writeTry(db: Db, source: string, at_ms: number, problem: string): Promise<void> {
  await run(
    db,
    `INSERT INTO forecast_tries (id, source, tried_at, good_at, failures, problem)
     VALUES (1, $1, $2, CASE WHEN $3 = '' THEN $2::timestamptz END, CASE WHEN $3 = '' THEN 0 ELSE 1 END, $3)
     ON CONFLICT (id) DO UPDATE SET source = excluded.source, tried_at = excluded.tried_at, problem = excluded.problem,
       good_at = COALESCE(excluded.good_at, forecast_tries.good_at),
       failures = CASE WHEN $3 = '' THEN 0 ELSE forecast_tries.failures + 1 END`,
    [source, new Date(at_ms), problem.slice(0, 500)],
  );
}

/** Writes a reading; the same key writes once. @returns its number, or what was written before under the key */
export async function insertReading(
  db: Db,
  input: SiteReadingInput,
  requestHash: string,
  recorded_ms: number,
  transaction: In,
): Promise<{ readonly id: number; readonly repeated: boolean; readonly sameRequest: boolean }> {
  const [fresh] = await rows(
    db,
    `INSERT INTO site_readings (idempotency_key, request_hash, kind, on_day, cover_id, least_c, most_c, gust_m_s, soil_c, offset_k,
       note, corrects_id, recorded_at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)
     ON CONFLICT (idempotency_key) DO NOTHING RETURNING id`,
    [
      input.idempotencyKey,
      requestHash,
      input.kind,
      input.day,
      input.coverId,
      input.least_C,
      input.most_C,
      input.gust_m_s,
      input.soil_C,
      input.offset_K,
      input.note,
      input.correctsId,
      new Date(recorded_ms),
    ],
    transaction,
  );
  if (fresh) return { id: fresh['id'] as number, repeated: false, sameRequest: true };
  const [known] = await rows(
    db,
    'SELECT id, request_hash FROM site_readings WHERE idempotency_key = $1',
    [input.idempotencyKey],
    transaction,
  );
  return { id: known!['id'] as number, repeated: true, sameRequest: known!['request_hash'] === requestHash };
}

/** Readings as they stand: those corrected or withdrawn left out. By day, then as written. */
export async function readSiteReadings(db: Db): Promise<SiteReading[]> {
  const found = await rows(
    db,
    `SELECT r.id, r.kind, r.on_day::text AS on_day, r.cover_id, r.least_c, r.most_c, r.gust_m_s, r.soil_c, r.offset_k, r.note,
       r.corrects_id
     FROM site_readings r WHERE r.kind <> 'withdrawn' AND NOT EXISTS (SELECT 1 FROM site_readings c WHERE c.corrects_id = r.id)
     ORDER BY r.on_day, r.id`,
  );
  return found.map((r) => {
    const offset = r['offset_k'] as number;
    const true_C = (v: unknown) => (v === null ? null : (v as number) - offset);
    return {
      id: r['id'] as number,
      kind: r['kind'] as SiteReading['kind'],
      day: requireDay(r['on_day'] as string),
      coverId: r['cover_id'] as number | null,
      least_C: true_C(r['least_c']),
      most_C: true_C(r['most_c']),
      gust_m_s: r['gust_m_s'] as number | null,
      soil_C: true_C(r['soil_c']),
      offset_K: offset,
      note: r['note'] as string,
      correctsId: r['corrects_id'] as number | null,
    };
  });
}

/** Days a station tells of, beside those there are: a day of another source is left as it is. @returns how many are new */
export async function addObserved(db: Db, days: ForecastFile['observed'], source: string): Promise<number> {
  if (days.length === 0) return 0;
  const made = await rows(
    db,
    `INSERT INTO weather_days (on_day, least_c, most_c, rain_mm, gust_m_s, source)
     SELECT d, l, m, r, g, $6 FROM unnest($1::date[], $2::real[], $3::real[], $4::real[], $5::real[]) AS t (d, l, m, r, g)
     ON CONFLICT (on_day) DO NOTHING RETURNING 1 AS one`,
    [
      days.map((d) => d.day),
      days.map((d) => d.least_C ?? null),
      days.map((d) => d.most_C ?? null),
      days.map((d) => d.rain_mm ?? null),
      days.map((d) => d.gust_m_s ?? null),
      source,
    ],
  );
  return made.length;
}

/** Gusts of days a station told of, since a day. */
export async function readGusts(db: Db, from: number): Promise<ReadonlyMap<number, number>> {
  const found = await rows(
    db,
    'SELECT on_day::text AS d, gust_m_s FROM weather_days WHERE on_day >= $1 AND gust_m_s IS NOT NULL',
    [isoFromDay(from)],
  );
  return new Map(found.map((r) => [requireDay(r['d'] as string), r['gust_m_s'] as number]));
}

/** Changes how the house hardens and plants out; false when someone else was first. */
export async function updatePlanting(version: number, planting: PlantingSettings): Promise<boolean> {
  const [changed] = await NurseryModel.update({ planting, version: version + 1 }, { where: { id: 1, version } });
  return changed === 1;
}
