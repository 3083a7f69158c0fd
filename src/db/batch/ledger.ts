import type { Sequelize } from 'sequelize';
import type { EventRecord } from '../../core/batch/record.ts';
import { EVENT_COLUMNS, eventRecord, type EventRow } from '../house/world.ts';
import { rows } from '../sql.ts';

/** A line of the log with the batch it is of. */
export interface LedgerLine {
  readonly event: EventRecord;
  readonly batchId: number;
  readonly code: string;
  readonly cropName: string;
  readonly varietyName: string;
  readonly letter: string;
  readonly lotId: number | null;
  readonly seasonId: number;
  /** A later line corrects or withdraws it. */
  readonly replaced: boolean;
  /** Its batch was voided. */
  readonly voided: boolean;
}

interface LedgerRow extends EventRow {
  code: string;
  crop_name: string;
  variety_name: string | null;
  letter: string;
  lot_id: number | null;
  season_id: number;
  replaced: boolean;
  voided: boolean;
}

/** Lines of one season, open or closed, and of some days; null: of all. */
export interface LedgerFilter {
  readonly seasonId: number | null;
  /** First and last day, YYYY-MM-DD. */
  readonly from: string | null;
  readonly to: string | null;
}
export const EVERY_LINE: LedgerFilter = { seasonId: null, from: null, to: null };

const FROM = `FROM batch_events e JOIN batches b ON b.id = e.batch_id
  WHERE ($1::integer IS NULL OR b.season_id = $1) AND ($2::date IS NULL OR e.on_day >= $2) AND ($3::date IS NULL OR e.on_day <= $3)`;
const bound = ({ seasonId, from, to }: LedgerFilter) => [seasonId, from, to];

/** How many lines the log has of what is asked for. */
export async function countLedger(db: Sequelize, filter: LedgerFilter): Promise<number> {
  const [row] = await rows(db, `SELECT count(*)::integer AS n ${FROM}`, bound(filter));
  return row!['n'] as number;
}

/** Lines of the log. @param order newest or oldest first */
export async function readLedger(
  db: Sequelize,
  filter: LedgerFilter,
  { order, limit, offset }: { readonly order: 'newest' | 'oldest'; readonly limit: number; readonly offset: number },
): Promise<LedgerLine[]> {
  const way = order === 'newest' ? 'DESC' : 'ASC';
  const by = `ORDER BY e.recorded_at ${way}, e.id ${way}`;
  const found = await rows(
    db,
    `WITH e AS (SELECT e.* ${FROM} ${by} LIMIT $4 OFFSET $5)
     SELECT ${EVENT_COLUMNS}, b.code, c.name AS crop_name, v.name AS variety_name, b.letter, b.lot_id, b.season_id,
       b.voided_at IS NOT NULL AS voided, EXISTS (SELECT 1 FROM batch_events r WHERE r.corrects_id = e.id) AS replaced
     FROM e JOIN batches b ON b.id = e.batch_id JOIN crops c ON c.id = b.crop_id LEFT JOIN varieties v ON v.id = b.variety_id
     ${by}`,
    [...bound(filter), limit, offset],
  );
  return (found as unknown as LedgerRow[]).map((row) => ({
    event: eventRecord(row),
    batchId: row.batch_id,
    code: row.code,
    cropName: row.crop_name,
    varietyName: row.variety_name ?? '',
    letter: row.letter,
    lotId: row.lot_id,
    seasonId: row.season_id,
    replaced: row.replaced,
    voided: row.voided,
  }));
}

/** How many batches were made of each lot, over all seasons. */
export async function batchesOfLots(db: Sequelize): Promise<ReadonlyMap<number, number>> {
  const found = await rows(
    db,
    'SELECT lot_id, count(*)::integer AS n FROM batches WHERE lot_id IS NOT NULL AND voided_at IS NULL GROUP BY lot_id',
  );
  return new Map(found.map((row) => [row['lot_id'] as number, row['n'] as number]));
}
