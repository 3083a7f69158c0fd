import { inTransaction } from '../inTransaction.ts';
import type { Sequelize, Transaction } from 'sequelize';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import type { HotBedLineInput } from '../../contracts/heat/warmth.ts';
import type { HotBedRecord } from '../../core/books/records.ts';
import { rows, run } from '../sql.ts';

/**
 * Writes a line of a hot bed's log, once for a key.
 * @returns null when what it withdraws is not of this bed, or was withdrawn already
 */
export async function insertHotBedLine(
  db: Sequelize,
  placeId: number,
  line: HotBedLineInput,
  requestHash: string,
  recorded_ms: number,
): Promise<{ readonly id: number; readonly sameRequest: boolean } | null> {
  const correctsId = line.kind === 'withdrawn' ? line.correctsId : null;
  const [fresh] = await inTransaction(db, async (transaction) =>
    run(
      db,
      `INSERT INTO hot_bed_log (idempotency_key, request_hash, place_id, kind, on_day, medium_c, spot, by_whom, corrects_id, recorded_at)
     SELECT $1::text, $2::text, $3::int, $4::text, $5::date, $6::float8, $7::text, $8::text, $9::int, $10::timestamptz
     WHERE $9::int IS NULL
       OR EXISTS (SELECT 1 FROM hot_bed_log WHERE id = $9::int AND place_id = $3::int AND kind <> 'withdrawn')
     ON CONFLICT DO NOTHING RETURNING id`,
      [
        line.idempotencyKey,
        requestHash,
        placeId,
        line.kind,
        line.on,
        line.kind === 'read' ? line.medium_C : null,
        line.kind === 'read' ? line.spot : 'middle',
        line.by,
        correctsId,
        new Date(recorded_ms).toISOString(),
      ],
      transaction,
    ),
  );
  if (fresh) return { id: fresh['id'] as number, sameRequest: true };
  const [known] = await rows(db, 'SELECT id, request_hash FROM hot_bed_log WHERE idempotency_key = $1', [
    line.idempotencyKey,
  ]);
  return known ? { id: known['id'] as number, sameRequest: known['request_hash'] === requestHash } : null;
}

/** Lines of all hot beds as they stand, those withdrawn left out, the oldest first. */
export async function readHotBedLog(db: Sequelize, transaction: Transaction | null): Promise<HotBedRecord[]> {
  const [found] = await db.query(
    `SELECT id, place_id, kind, on_day::text AS on_day, medium_c, spot, by_whom FROM hot_bed_log l
     WHERE kind <> 'withdrawn' AND NOT EXISTS (SELECT 1 FROM hot_bed_log c WHERE c.corrects_id = l.id)
     ORDER BY on_day, id`,
    { transaction },
  );
  return (found as Record<string, unknown>[]).map((r) => ({
    id: r['id'] as number,
    placeId: r['place_id'] as number,
    kind: r['kind'] as HotBedRecord['kind'],
    on: requireDay(r['on_day'] as string),
    medium_C: r['medium_c'] as number | null,
    spot: r['spot'] as HotBedRecord['spot'],
    by: r['by_whom'] as string,
  }));
}
