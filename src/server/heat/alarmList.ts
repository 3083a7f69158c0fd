import type { AlarmRecord } from '../../contracts/heat/heat.ts';
import { readAlarms } from '../../db/heat/alarms.ts';
import type { Db } from '../../db/sql.ts';

/** Alarms, open ones first. */
export async function alarmList(db: Db, most: number): Promise<AlarmRecord[]> {
  return readAlarms(db, most);
}
