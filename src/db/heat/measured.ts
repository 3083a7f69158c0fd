import type { Sequelize } from 'sequelize';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import type { MeasuredPlaces } from '../../core/plan/schedule/seasonTables.ts';
import { ms, rows } from '../sql.ts';

/** How far back: longer than any crop takes to come up, with a year's learning in mind. */
const BACK_days = 400;

/** Hourly means of the medium of every heated place, by the nursery's days and hours. */
export async function readMeasured(db: Sequelize, timeZone: string, now_ms: number): Promise<MeasuredPlaces> {
  const found = await rows(
    db,
    `SELECT z.place_id AS place, t.at, t.mean FROM reading_tiers t
     JOIN heat_sensors s ON s.id = t.sensor_id AND s.role = 'medium' JOIN heat_zones z ON z.id = s.zone_id
     WHERE t.minutes = 60 AND t.at >= $1 AND t.at < $2`,
    [new Date(now_ms - BACK_days * 86_400_000).toISOString(), new Date(now_ms).toISOString()],
  );
  const places = new Map<number, Map<number, (number | null)[]>>();
  for (const row of found) {
    const { day, minute } = localTimeAt(ms(row['at'])!, timeZone);
    const days = places.get(row['place'] as number) ?? new Map<number, (number | null)[]>();
    places.set(row['place'] as number, days);
    const hours = days.get(day) ?? new Array<number | null>(24).fill(null);
    days.set(day, hours);
    hours[Math.floor(minute / 60)] = Number(row['mean']);
  }
  return places;
}
