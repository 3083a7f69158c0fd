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

const FROM = `FROM batch_events e JOIN batches b ON b.id = e.batch_id WHERE ($1::integer IS NULL OR b.season_id = $1)`;

/** How many lines the log has, of all seasons (null) or of one, closed or open. */
export async function countLedger(db: Sequelize, seasonId: number | null): Promise<number> {
  const [row] = await rows(db, `SELECT count(*)::integer AS n ${FROM}`, [seasonId]);
  return row!['n'] as number;
}

/** Lines of the log, of all seasons (null) or of one, closed or open. @param order newest or oldest first */
export async function readLedger(
  db: Sequelize,
  seasonId: number | null,
  { order, limit, offset }: { readonly order: 'newest' | 'oldest'; readonly limit: number; readonly offset: number },
): Promise<LedgerLine[]> {
  const way = order === 'newest' ? 'DESC' : 'ASC';
  const by = `ORDER BY e.recorded_at ${way}, e.id ${way}`;
  const found = await rows(
    db,
    `WITH e AS (SELECT e.* ${FROM} ${by} LIMIT $2 OFFSET $3)
     SELECT ${EVENT_COLUMNS}, b.code, c.name AS crop_name, v.name AS variety_name, b.letter, b.lot_id, b.season_id,
       b.voided_at IS NOT NULL AS voided, EXISTS (SELECT 1 FROM batch_events r WHERE r.corrects_id = e.id) AS replaced
     FROM e JOIN batches b ON b.id = e.batch_id JOIN crops c ON c.id = b.crop_id LEFT JOIN varieties v ON v.id = b.variety_id
     ${by}`,
    [seasonId, limit, offset],
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
