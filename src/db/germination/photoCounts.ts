import type { Sequelize, Transaction } from 'sequelize';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import type { Correction } from '../../core/vision/settle.ts';
import type { PhotoCountInput } from '../../contracts/germination/photoCount.ts';
import { rows } from '../sql.ts';

/** What was corrected in the last counts from photos, the oldest first. */
export async function readCorrections(db: Sequelize, most = 60): Promise<Correction[]> {
  const found = await rows(
    db,
    `SELECT crop_id AS "cropId", cells, up, missed, false_up AS "falseUp", merged, split
       FROM (SELECT * FROM photo_counts WHERE cells > 0 ORDER BY id DESC LIMIT $1) AS last ORDER BY id`,
    [most],
  );
  return found as unknown as Correction[];
}

/** Doubled and empty cells of batches by the last photo of each of their trays, and the day of the latest. */
export async function readPhotoSums(
  db: Sequelize,
  batchIds: readonly number[],
): Promise<Map<number, { readonly on: number; readonly doubled: number; readonly empty: number }>> {
  const found = await rows(
    db,
    `SELECT batch_id, max(on_day)::text AS on_day, sum(doubled)::integer AS doubled, sum(empty)::integer AS empty
       FROM (SELECT DISTINCT ON (batch_id, coalesce(tray, 0)) * FROM photo_counts
              WHERE batch_id = ANY($1) AND cells > 0 ORDER BY batch_id, coalesce(tray, 0), id DESC) AS last
      GROUP BY batch_id`,
    [batchIds],
  );
  return new Map(
    (found as { batch_id: number; on_day: string; doubled: number; empty: number }[]).map(
      ({ batch_id, on_day, doubled, empty }) => [batch_id, { on: requireDay(on_day), doubled, empty }],
    ),
  );
}

/** Writes one; the same key twice writes once. @returns whether it was there already, and with what request */
export async function insertPhotoCount(
  db: Sequelize,
  batch: { readonly id: number; readonly cropId: number },
  { idempotencyKey, day, tray, cells, up, doubled, empty, missed, falseUp, merged, split }: PhotoCountInput,
  requestHash: string,
  transaction: Transaction,
): Promise<{ readonly repeated: boolean; readonly requestHash: string }> {
  const [there] = await rows(
    db,
    `INSERT INTO photo_counts (idempotency_key, request_hash, batch_id, crop_id, on_day, tray, cells, up, doubled, empty, missed, false_up, merged, split)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14)
     ON CONFLICT (idempotency_key) DO NOTHING RETURNING id`,
    [
      idempotencyKey,
      requestHash,
      batch.id,
      batch.cropId,
      day,
      tray,
      cells,
      up,
      doubled,
      empty,
      missed,
      falseUp,
      merged,
      split,
    ],
    transaction,
  );
  if (there) return { repeated: false, requestHash };
  const [before] = await rows(
    db,
    'SELECT request_hash FROM photo_counts WHERE idempotency_key = $1',
    [idempotencyKey],
    transaction,
  );
  return { repeated: true, requestHash: before!['request_hash'] as string };
}
