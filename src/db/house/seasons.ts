import { isDeepStrictEqual } from 'node:util';
import type { Sequelize, Transaction } from 'sequelize';
import type { PottingDetails } from '../../core/batch/event.ts';
import type { KeptBatch } from '../../core/batch/keptBatch.ts';
import { requireDay, isoFromDay, type DayNumber } from '../../core/calendar/dayNumber.ts';
import { seasonOf } from '../../core/calendar/season.ts';
import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { freeLetter } from '../../core/batch/letter.ts';
import { LOCKS } from '../locks.ts';
import { ms, rows, run, type In, type Row } from '../sql.ts';
import type { Kept, KeptPotting, KeptEstimate } from '../../core/house/kept.ts';
import { WORDS } from '../../words/en/house/seasonsDb.ts';

const COLUMNS = 'id, version, name, first_day::text AS first_day, last_day::text AS last_day, closed_at';

/** All seasons, the first to begin first. */
export async function readSeasons(db: Sequelize, transaction: In = null): Promise<SeasonRecord[]> {
  return (await rows(db, `SELECT ${COLUMNS} FROM seasons ORDER BY first_day, id`, [], transaction)).map(seasonRecord);
}

function seasonRecord(row: Row): SeasonRecord {
  return {
    id: row['id'] as number,
    version: row['version'] as number,
    name: row['name'] as string,
    firstDay: requireDay(row['first_day'] as string),
    lastDay: requireDay(row['last_day'] as string),
    closedAt_ms: ms(row['closed_at']),
  };
}

/**
 * Holds all seasons until the transaction ends. Whoever may need a season made takes this first, then a season, then a batch, then
 * the letters: in that order nobody waits for one who waits for him.
 */
export async function holdSeasons(db: Sequelize, transaction: Transaction): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCKS.seasons], transaction });
}

/** Reads a season and holds all seasons until the transaction ends; null when there is none. */
export async function lockSeason(db: Sequelize, id: number, transaction: Transaction): Promise<SeasonRecord | null> {
  await holdSeasons(db, transaction);
  const found = await rows(db, `SELECT ${COLUMNS} FROM seasons WHERE id = $1 FOR UPDATE`, [id], transaction);
  return found[0] ? seasonRecord(found[0]) : null;
}

/**
 * The open season a day out belongs to: of those that hold it the one that begins last, else one made from midwinter to
 * midwinter of the site.
 * @throws ProblemError 422 on transplantOn when only closed seasons hold the day
 */
export async function seasonForDay(db: Sequelize, day: DayNumber, transaction: Transaction): Promise<number> {
  const [season] = await seasonsWith(db, day, transaction);
  if (season) return season.id;
  // Two who need the same season at once make it once.
  await holdSeasons(db, transaction);
  const [made] = await seasonsWith(db, day, transaction);
  if (made) return made.id;
  const [nursery] = await rows(db, 'SELECT latitude_deg FROM nursery WHERE id = 1', [], transaction);
  const usual = seasonOf(day, Number(nursery?.['latitude_deg'] ?? 50));
  const all = await readSeasons(db, transaction);
  const taken = new Set(all.map((one) => one.name.toLowerCase()));
  let name = usual.label;
  for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${usual.label} (${n})`;
  return insertSeason(db, { name, firstDay: usual.from, lastDay: usual.to }, transaction);
}

/**
 * Refuses what would write to a closed season, and keeps it open until the transaction ends.
 * @throws ProblemError 409
 */
export async function requireOpenSeason(db: Sequelize, id: number, transaction: Transaction): Promise<void> {
  const [row] = await rows(db, `SELECT ${COLUMNS} FROM seasons WHERE id = $1 FOR SHARE`, [id], transaction);
  if (row && seasonRecord(row).closedAt_ms !== null) throw closedSeason(seasonRecord(row).name);
}

export const closedSeason = (name: string): ProblemError =>
  new ProblemError(409, WORDS.theSeasonIsClosed, WORDS.seasonIsClosedAndIts(name));

/** Season of a batch whose day out becomes another: its own while that holds the day, else the one the day belongs to. */
export async function seasonWithDay(
  db: Sequelize,
  own: number,
  day: DayNumber,
  transaction: Transaction,
): Promise<number> {
  const season = (await readSeasons(db, transaction)).find((one) => one.id === own);
  if (season && season.firstDay <= day && day <= season.lastDay) return own;
  return seasonForDay(db, day, transaction);
}

/** Open seasons that hold a day, the one that begins last first; refused when only closed ones do. */
async function seasonsWith(db: Sequelize, day: DayNumber, transaction: Transaction): Promise<SeasonRecord[]> {
  const holding = (await readSeasons(db, transaction)).filter((one) => one.firstDay <= day && day <= one.lastDay);
  const open = holding.filter((one) => one.closedAt_ms === null).reverse();
  if (open.length === 0 && holding.length > 0)
    throw fieldProblem('transplantOn', WORDS.isInSeasonWhichIs(isoFromDay(day), holding[0]!.name));
  return open;
}

export async function insertSeason(
  db: Sequelize,
  { name, firstDay, lastDay }: Pick<SeasonRecord, 'name' | 'firstDay' | 'lastDay'>,
  transaction: Transaction,
): Promise<number> {
  const made = await run(
    db,
    'INSERT INTO seasons (name, first_day, last_day) VALUES ($1, $2, $3) RETURNING id',
    [name, isoFromDay(firstDay), isoFromDay(lastDay)],
    transaction,
  );
  return made[0]!['id'] as number;
}

/** Changes a season's name and days; its version goes up. */
export async function updateSeason(
  db: Sequelize,
  id: number,
  { name, firstDay, lastDay }: Pick<SeasonRecord, 'name' | 'firstDay' | 'lastDay'>,
  transaction: Transaction,
): Promise<void> {
  await run(
    db,
    'UPDATE seasons SET version = version + 1, name = $2, first_day = $3, last_day = $4 WHERE id = $1',
    [id, name, isoFromDay(firstDay), isoFromDay(lastDay)],
    transaction,
  );
}

/** Closes a season (at an instant) or opens it again (null). */
export async function setClosed(
  db: Sequelize,
  id: number,
  at_ms: number | null,
  transaction: Transaction,
): Promise<void> {
  await run(
    db,
    'UPDATE seasons SET version = version + 1, closed_at = $2 WHERE id = $1',
    [id, at_ms === null ? null : new Date(at_ms).toISOString()],
    transaction,
  );
}

/** Puts batches into a season; one whose letter is taken there gets the first free one. */
export async function moveToSeason(
  db: Sequelize,
  batchIds: readonly number[],
  seasonId: number,
  transaction: Transaction,
): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock($1)', { bind: [LOCKS.newBatch], transaction });
  for (const id of batchIds) {
    const letter = await letterIn(db, seasonId, id, transaction);
    await run(
      db,
      'UPDATE batches SET season_id = $2, letter = $3, version = version + 1 WHERE id = $1',
      [id, seasonId, letter],
      transaction,
    );
  }
}

/** The letter a batch has in a season: its own if no other of its crop and variety has it there. */
export async function letterIn(
  db: Sequelize,
  seasonId: number,
  batchId: number,
  transaction: Transaction,
): Promise<string> {
  const [row] = await rows(
    db,
    `SELECT b.letter, ARRAY(SELECT o.letter FROM batches o WHERE o.season_id = $2 AND o.id <> b.id AND o.voided_at IS NULL
       AND o.crop_id = b.crop_id AND o.variety_id IS NOT DISTINCT FROM b.variety_id) AS taken
     FROM batches b WHERE b.id = $1`,
    [batchId, seasonId],
    transaction,
  );
  const letter = row!['letter'] as string;
  const taken = row!['taken'] as string[];
  return taken.includes(letter) ? freeLetter(taken) : letter;
}

export async function insertKept(
  db: Sequelize,
  seasonId: number,
  kept: readonly { readonly batchId: number; readonly kept: KeptBatch }[],
  transaction: Transaction,
): Promise<void> {
  for (const one of kept)
    await run(
      db,
      'INSERT INTO kept_batches (batch_id, season_id, kept) VALUES ($1, $2, $3)',
      [one.batchId, seasonId, JSON.stringify(one.kept)],
      transaction,
    );
}

export async function dropKept(db: Sequelize, seasonId: number, transaction: Transaction): Promise<void> {
  await run(db, 'DELETE FROM kept_batches WHERE season_id = $1', [seasonId], transaction);
}

/** A kept batch with its season, by its number or its code. */
export interface KeptRow {
  readonly batchId: number;
  readonly code: string;
  readonly seasonId: number;
  readonly kept: KeptBatch;
}

const KEPT = `SELECT k.batch_id, b.code, k.season_id, k.kept FROM kept_batches k JOIN batches b ON b.id = k.batch_id`;
const keptRow = (row: Row): KeptRow => ({
  batchId: row['batch_id'] as number,
  code: row['code'] as string,
  seasonId: row['season_id'] as number,
  kept: row['kept'] as KeptBatch,
});

export async function readKept(
  db: Sequelize,
  by: { readonly id: number } | { readonly code: string },
): Promise<KeptRow | null> {
  const found =
    'id' in by
      ? await rows(db, `${KEPT} WHERE b.id = $1`, [by.id])
      : await rows(db, `${KEPT} WHERE b.code = $1`, [by.code]);
  return found[0] ? keptRow(found[0]) : null;
}

/** Names and seasons of batches of closed seasons, by their numbers. */
export async function readKeptNames(
  db: Sequelize,
  ids: readonly number[],
): Promise<ReadonlyMap<number, { readonly name: string; readonly seasonId: number }>> {
  if (ids.length === 0) return new Map();
  const found = await rows(
    db,
    `SELECT batch_id, season_id, kept->>'name' AS name FROM kept_batches WHERE batch_id = ANY($1::integer[])`,
    [ids],
  );
  return new Map(
    found.map((row) => [
      row['batch_id'] as number,
      { name: row['name'] as string, seasonId: row['season_id'] as number },
    ]),
  );
}

/** All batches of a closed season, by name. */
export async function readKeptOf(db: Sequelize, seasonId: number): Promise<KeptRow[]> {
  return (await rows(db, `${KEPT} WHERE k.season_id = $1 ORDER BY k.kept->>'name', b.id`, [seasonId])).map(keptRow);
}

/** How many batches each season has. */
export async function countBySeason(db: Sequelize): Promise<ReadonlyMap<number, number>> {
  const found = await rows(
    db,
    'SELECT season_id, count(*)::integer AS n FROM batches WHERE voided_at IS NULL GROUP BY season_id',
  );
  return new Map(found.map((row) => [row['season_id'] as number, row['n'] as number]));
}

/** Reads what was kept; what is known stays while nothing was closed, opened or kept since. */
export async function readKeptOfAll(db: Sequelize, known: Kept | null, transaction: In = null): Promise<Kept> {
  const [row] = await rows(
    db,
    `SELECT concat_ws(' ', (SELECT kept FROM revision),
       (SELECT concat_ws('/', count(*), max(voided_at)) FROM batches WHERE voided_at IS NOT NULL),
       (SELECT string_agg(id::text, ',' ORDER BY id) FROM seasons WHERE closed_at IS NOT NULL)) AS mark`,
    [],
    transaction,
  );
  const mark = row!['mark'] as string;
  if (known?.mark === mark) return known;
  const estimates = await readEstimates(db, known?.estimates ?? [], transaction);
  return { mark, estimates, pottings: await readPottings(db, transaction) };
}

/** Timed pottings of closed seasons that no later line corrects. */
async function readPottings(db: Sequelize, transaction: In): Promise<KeptPotting[]> {
  const found = await rows(
    db,
    `SELECT b.crop_id, e.on_day::text AS day, e.count, e.details FROM batch_events e
     JOIN batches b ON b.id = e.batch_id JOIN seasons s ON s.id = b.season_id AND s.closed_at IS NOT NULL AND b.voided_at IS NULL
     WHERE e.details->>'minutes' IS NOT NULL AND NOT EXISTS (SELECT 1 FROM batch_events c WHERE c.corrects_id = e.id)
     ORDER BY e.on_day, e.id`,
    [],
    transaction,
  );
  return found.map((row) => ({
    cropId: row['crop_id'] as number,
    day: requireDay(row['day'] as string),
    count: row['count'] as number,
    details: row['details'] as PottingDetails,
  }));
}

/** All kept estimates: those of trays of years before by their day, then those of batches in the order in which they were made. */
async function readEstimates(db: Sequelize, known: readonly KeptEstimate[], transaction: In): Promise<KeptEstimate[]> {
  const before = new Map(known.map((one) => [`${one.batchId} ${one.taught}`, one]));
  const found = await rows(
    db,
    `SELECT -t.id AS batch_id, 'emergence' AS taught, t.id AS log_id, t.estimate, f.taken_at::text AS kept_at, t.crop_id, t.variety_id, t.lot_id,
       NULL AS grow_place_id, t.sown_on
     FROM old_trays t JOIN old_tray_files f ON f.id = t.file_id AND NOT f.left_out
     UNION ALL
     SELECT e.batch_id, e.taught, e.log_id, e.estimate, e.kept_at::text AS kept_at, b.crop_id, b.variety_id, b.lot_id, b.grow_place_id, NULL
     FROM kept_estimates e JOIN batches b ON b.id = e.batch_id AND b.voided_at IS NULL
     ORDER BY sown_on, batch_id, taught`,
    [],
    transaction,
  );
  return found.map((row) => {
    const one: KeptEstimate = {
      batchId: row['batch_id'] as number,
      taught: row['taught'] as KeptEstimate['taught'],
      logId: row['log_id'] as number,
      cropId: row['crop_id'] as number,
      varietyId: row['variety_id'] as number | null,
      lotId: row['lot_id'] as number | null,
      placeId: row['grow_place_id'] as number | null,
      estimate: row['estimate'] as KeptEstimate['estimate'],
      keptAt: row['kept_at'] as string,
    };
    const last = before.get(`${one.batchId} ${one.taught}`);
    return last && isDeepStrictEqual(last, one) ? last : one;
  });
}

/** Writes what batches taught; what was kept of them before is written over. */
export async function keepEstimates(
  db: Sequelize,
  estimates: readonly Pick<KeptEstimate, 'batchId' | 'taught' | 'logId' | 'estimate'>[],
  transaction: In = null,
): Promise<void> {
  if (estimates.length === 0) return;
  await run(
    db,
    `INSERT INTO kept_estimates (batch_id, taught, log_id, estimate)
     SELECT (e->>'batchId')::integer, e->>'taught', (e->>'logId')::integer, e->'estimate' FROM jsonb_array_elements($1::jsonb) AS e
     ON CONFLICT (batch_id, taught) DO UPDATE SET log_id = excluded.log_id, estimate = excluded.estimate, kept_at = now()`,
    [JSON.stringify(estimates)],
    transaction,
  );
}
