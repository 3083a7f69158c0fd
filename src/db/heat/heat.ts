import { inTransaction } from '../inTransaction.ts';
import type { Sequelize } from 'sequelize';
import { ms, rows, run, type In } from '../sql.ts';
import type { Override } from '../../core/heat/setPoint.ts';
import type {
  CalibrationInput,
  FittedRecord,
  HeatSettings,
  SensorRecord,
  SeriesRole,
  ZoneInput,
  ZoneRecord,
  ZoneStatus,
} from '../../contracts/heat/heat.ts';

export async function readZones(db: Sequelize): Promise<ZoneRecord[]> {
  return (await rows(
    db,
    'SELECT id, version, place_id AS "placeId", device, spec, fitted FROM heat_zones ORDER BY id',
  )) as unknown as ZoneRecord[];
}

export async function readSensors(db: Sequelize): Promise<SensorRecord[]> {
  return (await rows(
    db,
    `SELECT id, zone_id AS "zoneId", role, offset_k AS "offset_K", checked_on::text AS "checkedOn", due_on::text AS "dueOn"
     FROM heat_sensors ORDER BY zone_id NULLS FIRST, id`,
  )) as unknown as SensorRecord[];
}

export const ZONE_ROLES: readonly SeriesRole[] = ['medium', 'bed', 'air', 'heater', 'set'];

/** A new zone with its sensors. @returns null when its place or its device has a zone already */
export async function insertZone(
  db: Sequelize,
  { placeId, device, spec }: ZoneInput,
  transaction: In = null,
): Promise<number | null> {
  const [made] = await run(
    db,
    'INSERT INTO heat_zones (place_id, device, spec) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING RETURNING id',
    [placeId, device, JSON.stringify(spec)],
    transaction,
  );
  if (!made) return null;
  for (const role of ZONE_ROLES)
    await run(db, 'INSERT INTO heat_sensors (zone_id, role) VALUES ($1, $2)', [made['id'], role], transaction);
  await run(
    db,
    `INSERT INTO heat_sensors (zone_id, role) VALUES (NULL, 'outside') ON CONFLICT DO NOTHING`,
    [],
    transaction,
  );
  return made['id'] as number;
}

export async function updateZone(
  db: Sequelize,
  id: number,
  version: number,
  { placeId, device, spec }: ZoneInput,
): Promise<boolean> {
  const done = await run(
    db,
    'UPDATE heat_zones SET place_id = $3, device = $4, spec = $5, version = version + 1 WHERE id = $1 AND version = $2 RETURNING id',
    [id, version, placeId, device, JSON.stringify(spec)],
  );
  return done.length > 0;
}

export async function writeFit(db: Sequelize, id: number, fitted: FittedRecord | null): Promise<void> {
  await run(db, 'UPDATE heat_zones SET fitted = $2 WHERE id = $1', [
    id,
    fitted === null ? null : JSON.stringify(fitted),
  ]);
}

export async function readOverrides(
  db: Sequelize,
  from_ms: number,
): Promise<(Override & { id: number; zoneId: number })[]> {
  const found = await rows(
    db,
    `SELECT id, zone_id, set_c, from_at, until_at, by_whom, why FROM heat_overrides
     WHERE until_at > $1 AND ended_at IS NULL ORDER BY id`,
    [new Date(from_ms).toISOString()],
  );
  return found.map((r) => ({
    id: r['id'] as number,
    zoneId: r['zone_id'] as number,
    set_C: r['set_c'] as number | null,
    from_ms: ms(r['from_at'])!,
    until_ms: ms(r['until_at'])!,
    by: r['by_whom'] as string,
    why: r['why'] as string,
  }));
}

/** @returns false when the key was used for another */
export async function insertOverride(db: Sequelize, zoneId: number, o: Override, key: string): Promise<boolean> {
  await inTransaction(db, async (transaction) =>
    run(
      db,
      `INSERT INTO heat_overrides (zone_id, set_c, from_at, until_at, by_whom, why, idempotency_key) VALUES ($1, $2, $3, $4, $5, $6, $7)
       ON CONFLICT (idempotency_key) DO NOTHING`,
      [zoneId, o.set_C, new Date(o.from_ms).toISOString(), new Date(o.until_ms).toISOString(), o.by, o.why, key],
      transaction,
    ),
  );
  const [there] = await rows(db, 'SELECT zone_id, set_c FROM heat_overrides WHERE idempotency_key = $1', [key]);
  return there!['zone_id'] === zoneId && there!['set_c'] === o.set_C;
}

export async function endOverrides(db: Sequelize, zoneId: number, at_ms: number): Promise<void> {
  await run(db, 'UPDATE heat_overrides SET ended_at = $2 WHERE zone_id = $1 AND until_at > $2 AND ended_at IS NULL', [
    zoneId,
    new Date(at_ms).toISOString(),
  ]);
}

export interface SetPointLine {
  readonly at_ms: number;
  readonly set_C: number | null;
  readonly from: string;
  readonly by: string;
  readonly why: string;
}

/** Writes a change of set-point unless the last line says the same: two servers that both notice write one line. */
export async function logSetPoint(db: Sequelize, zoneId: number, line: SetPointLine): Promise<void> {
  await inTransaction(db, async (transaction) => {
    await run(db, 'SELECT id FROM heat_zones WHERE id = $1 FOR UPDATE', [zoneId], transaction);
    const [last] = await rows(
      db,
      'SELECT set_c, came_from FROM set_point_log WHERE zone_id = $1 ORDER BY id DESC LIMIT 1',
      [zoneId],
      transaction,
    );
    if (last && last['set_c'] === line.set_C && last['came_from'] === line.from) return;
    await run(
      db,
      'INSERT INTO set_point_log (zone_id, at, set_c, came_from, by_whom, why) VALUES ($1, $2, $3, $4, $5, $6)',
      [zoneId, new Date(line.at_ms).toISOString(), line.set_C, line.from, line.by, line.why],
      transaction,
    );
  });
}

export async function readSetPointLog(db: Sequelize, zoneId: number, most: number): Promise<SetPointLine[]> {
  const found = await rows(
    db,
    'SELECT at, set_c, came_from, by_whom, why FROM set_point_log WHERE zone_id = $1 ORDER BY id DESC LIMIT $2',
    [zoneId, most],
  );
  return found.map((r) => ({
    at_ms: ms(r['at'])!,
    set_C: r['set_c'] as number | null,
    from: r['came_from'] as string,
    by: r['by_whom'] as string,
    why: r['why'] as string,
  }));
}

export async function writeStatus(db: Sequelize, zoneId: number, status: ZoneStatus): Promise<void> {
  await run(
    db,
    `INSERT INTO heat_status (zone_id, at, status) VALUES ($1, $2, $3)
     ON CONFLICT (zone_id) DO UPDATE SET at = excluded.at, status = excluded.status`,
    [zoneId, new Date(status.at_ms).toISOString(), JSON.stringify(status)],
  );
}

export async function readStatus(db: Sequelize): Promise<Map<number, ZoneStatus>> {
  return new Map(
    (await rows(db, 'SELECT zone_id, status FROM heat_status')).map((r) => [
      r['zone_id'] as number,
      r['status'] as ZoneStatus,
    ]),
  );
}

export async function insertCalibration(
  db: Sequelize,
  sensorId: number,
  c: CalibrationInput,
  at: { at_ms: number; on: string; due: string },
): Promise<boolean> {
  return inTransaction(db, async (transaction) => {
    const done = await run(
      db,
      'UPDATE heat_sensors SET offset_k = $2, checked_on = $3, due_on = $4 WHERE id = $1 RETURNING id',
      [sensorId, c.offset_K, at.on, at.due],
      transaction,
    );
    if (done.length === 0) return false;
    await run(
      db,
      'INSERT INTO calibrations (sensor_id, at, method, offset_k, spread_k, by_whom) VALUES ($1, $2, $3, $4, $5, $6)',
      [sensorId, new Date(at.at_ms).toISOString(), c.method, c.offset_K, c.spread_K, c.by],
      transaction,
    );
    return true;
  });
}

export interface CalibrationLine {
  readonly at_ms: number;
  readonly method: string;
  readonly offset_K: number;
  readonly spread_K: number;
  readonly by: string;
}
export async function readCalibrations(db: Sequelize, sensorId: number): Promise<CalibrationLine[]> {
  const found = await rows(
    db,
    'SELECT at, method, offset_k, spread_k, by_whom FROM calibrations WHERE sensor_id = $1 ORDER BY id DESC LIMIT 20',
    [sensorId],
  );
  return found.map((r) => ({
    at_ms: ms(r['at'])!,
    method: r['method'] as string,
    offset_K: r['offset_k'] as number,
    spread_K: r['spread_k'] as number,
    by: r['by_whom'] as string,
  }));
}

export async function insertOrder(db: Sequelize, device: string, body: unknown): Promise<void> {
  await run(db, `INSERT INTO device_orders (device, topic, body) VALUES ($1, 'break', $2)`, [
    device,
    JSON.stringify(body),
  ]);
}

/** Takes the orders waiting, each once whoever asks. */
export async function takeOrders(db: Sequelize): Promise<{ device: string; topic: string; body: unknown }[]> {
  return (await rows(
    db,
    'DELETE FROM device_orders WHERE id IN (SELECT id FROM device_orders ORDER BY id LIMIT 50 FOR UPDATE SKIP LOCKED) RETURNING device, topic, body',
  )) as never;
}

export async function readHeatSettings(db: Sequelize): Promise<HeatSettings> {
  const [row] = await rows(
    db,
    'SELECT version, tariff, co2_kg_kwh AS "co2_kg_kWh", quiet, keep_months FROM heat_settings WHERE id = 1',
  );
  return row as unknown as HeatSettings;
}

export async function updateHeatSettings(db: Sequelize, s: HeatSettings): Promise<boolean> {
  const done = await run(
    db,
    'UPDATE heat_settings SET tariff = $2, co2_kg_kwh = $3, quiet = $4, keep_months = $5, version = version + 1 WHERE id = 1 AND version = $1 RETURNING id',
    [s.version, JSON.stringify(s.tariff), s.co2_kg_kWh, JSON.stringify(s.quiet), s.keep_months],
  );
  return done.length > 0;
}
