import { inTransaction } from '../inTransaction.ts';
import type { Sequelize } from 'sequelize';
import { ms, rows, run } from '../sql.ts';
import type { HandReading, HandReadingInput } from '../../contracts/heat/heat.ts';

/**
 * Writes temperatures read by hand, once for a key.
 * @returns null when what it corrects is not of this zone, or was corrected already
 */
export async function insertHandReading(
  db: Sequelize,
  zoneId: number,
  r: HandReadingInput,
  requestHash: string,
  { recorded_ms, read_ms }: { readonly recorded_ms: number; readonly read_ms: number },
): Promise<{ readonly id: number; readonly repeated: boolean; readonly sameRequest: boolean } | null> {
  const [fresh] = await inTransaction(db, async (transaction) =>
    run(
      db,
      `INSERT INTO zone_hand_readings (idempotency_key, request_hash, zone_id, at, medium_c, air_c, by_whom, corrects_id, recorded_at)
     SELECT $1::text, $2::text, $3::int, $4::timestamptz, $5::float8, $6::float8, $7::text, $8::int, $9::timestamptz
     WHERE $8::int IS NULL OR EXISTS (SELECT 1 FROM zone_hand_readings WHERE id = $8::int AND zone_id = $3::int)
     ON CONFLICT DO NOTHING RETURNING id`,
      [
        r.idempotencyKey,
        requestHash,
        zoneId,
        new Date(read_ms).toISOString(),
        r.medium_C,
        r.air_C,
        r.by,
        r.correctsId,
        new Date(recorded_ms).toISOString(),
      ],
      transaction,
    ),
  );
  if (fresh) return { id: fresh['id'] as number, repeated: false, sameRequest: true };
  const [known] = await rows(db, 'SELECT id, request_hash FROM zone_hand_readings WHERE idempotency_key = $1', [
    r.idempotencyKey,
  ]);
  if (!known) return null;
  return { id: known['id'] as number, repeated: true, sameRequest: known['request_hash'] === requestHash };
}

/** Readings by hand as they stand, those corrected or withdrawn left out: the newest of each zone first, up to `most` of each. */
export async function readHandReadings(db: Sequelize, until_ms: number, most: number): Promise<HandReading[]> {
  const found = await rows(
    db,
    `SELECT id, zone_id, at, medium_c, air_c, by_whom FROM (
       SELECT r.*, row_number() OVER (PARTITION BY zone_id ORDER BY at DESC, id DESC) AS place
       FROM zone_hand_readings r
       WHERE (medium_c IS NOT NULL OR air_c IS NOT NULL) AND at <= $1
         AND NOT EXISTS (SELECT 1 FROM zone_hand_readings c WHERE c.corrects_id = r.id)
     ) AS newest WHERE place <= $2 ORDER BY zone_id, place`,
    [new Date(until_ms).toISOString(), most],
  );
  return found.map((r) => ({
    id: r['id'] as number,
    zoneId: r['zone_id'] as number,
    at_ms: ms(r['at'])!,
    medium_C: r['medium_c'] as number | null,
    air_C: r['air_c'] as number | null,
    by: r['by_whom'] as string,
  }));
}
