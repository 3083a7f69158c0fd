import { inTransaction } from '../inTransaction.ts';
import type { Sequelize } from 'sequelize';
import { ms, rows, run, type Row } from '../sql.ts';
import type { AlarmKind } from '../../core/heat/alarms.ts';
import type { Finding } from '../../core/heat/watch.ts';
import type { AlarmRecord } from '../../contracts/heat/heat.ts';

const ALARM = `id, zone_id, kind, raised_at, cleared_at, taken_at, taken_by, sounded_at, evidence`;
const alarmOf = (r: Row): AlarmRecord => ({
  id: r['id'] as number,
  zoneId: r['zone_id'] as number | null,
  kind: r['kind'] as AlarmKind,
  raised_ms: ms(r['raised_at'])!,
  cleared_ms: ms(r['cleared_at']),
  taken_ms: ms(r['taken_at']),
  takenBy: r['taken_by'] as string | null,
  sounded_ms: ms(r['sounded_at']),
  evidence: r['evidence'] as Finding['evidence'],
});

export async function readOpenAlarms(db: Sequelize): Promise<AlarmRecord[]> {
  return (await rows(db, `SELECT ${ALARM} FROM alarms WHERE cleared_at IS NULL ORDER BY raised_at`)).map(alarmOf);
}

export async function readAlarms(db: Sequelize, most: number): Promise<AlarmRecord[]> {
  return (
    await rows(db, `SELECT ${ALARM} FROM alarms ORDER BY cleared_at IS NOT NULL, raised_at DESC LIMIT $1`, [most])
  ).map(alarmOf);
}

export async function readAlarm(db: Sequelize, id: number): Promise<AlarmRecord | null> {
  const [row] = await rows(db, `SELECT ${ALARM} FROM alarms WHERE id = $1`, [id]);
  return row ? alarmOf(row) : null;
}

/** Brings the open alarms of a zone to what is found now: new ones raised, those gone cleared, evidence refreshed. */
export async function syncAlarms(
  db: Sequelize,
  zoneId: number,
  found: readonly { kind: AlarmKind; since_ms: number; evidence: Finding['evidence'] }[],
  now_ms: number,
): Promise<void> {
  const kinds = found.map((f) => f.kind);
  await inTransaction(db, async (transaction) => {
    for (const f of found)
      await run(
        db,
        `INSERT INTO alarms (zone_id, kind, raised_at, evidence) VALUES ($1, $2, $3, $4)
         ON CONFLICT (coalesce(zone_id, 0), kind) WHERE cleared_at IS NULL
         DO UPDATE SET evidence = CASE WHEN excluded.evidence = '[]' THEN alarms.evidence ELSE excluded.evidence END`,
        [zoneId, f.kind, new Date(f.since_ms).toISOString(), JSON.stringify(f.evidence)],
        transaction,
      );
    await run(
      db,
      `UPDATE alarms SET cleared_at = $2 WHERE zone_id = $1 AND cleared_at IS NULL AND kind <> 'test' AND NOT (kind = ANY($3))`,
      [zoneId, new Date(now_ms).toISOString(), kinds],
      transaction,
    );
  });
}

/** Raises a test alarm unless one stands already. */
export async function raiseTest(db: Sequelize, now_ms: number): Promise<void> {
  await run(db, `INSERT INTO alarms (zone_id, kind, raised_at) VALUES (NULL, 'test', $1) ON CONFLICT DO NOTHING`, [
    new Date(now_ms).toISOString(),
  ]);
}

/** Somebody has seen it; the first stays written. A test alarm is over with that. */
export async function takeAlarm(db: Sequelize, id: number, by: string, at_ms: number): Promise<AlarmRecord | null> {
  const at = new Date(at_ms).toISOString();
  await run(
    db,
    `UPDATE alarms SET taken_at = $2, taken_by = $3, cleared_at = CASE WHEN kind = 'test' THEN $2 ELSE cleared_at END WHERE id = $1 AND taken_at IS NULL`,
    [id, at, by],
  );
  return readAlarm(db, id);
}

export async function markSounded(db: Sequelize, ids: readonly number[], at_ms: number): Promise<void> {
  if (ids.length > 0)
    await run(db, 'UPDATE alarms SET sounded_at = $2 WHERE id = ANY($1)', [[...ids], new Date(at_ms).toISOString()]);
}
