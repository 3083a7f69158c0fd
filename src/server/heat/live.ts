import { readHandReadings } from '../../db/heat/handReadings.ts';
import { readOpenAlarms } from '../../db/heat/alarms.ts';
import { readStatus } from '../../db/heat/heat.ts';
import { database } from '../database.ts';
import { broadcast } from '../live.ts';
import { readSeason } from '../plan/season.ts';

/** The state of every zone and the alarms that stand, when they change. */
export const heatLive = broadcast(async () => {
  const db = database();
  const [status, alarms, { now }] = await Promise.all([readStatus(db), readOpenAlarms(db), readSeason()]);
  const hand = await readHandReadings(db, now.instant_ms, 1);
  return JSON.stringify({
    zones: [...status].map(([id, s]) => ({ id, ...s })),
    hand: hand.map((r) => r.id),
    alarms: alarms.map(({ id, zoneId, kind, taken_ms, sounded_ms }) => ({
      id,
      zoneId,
      kind,
      taken: taken_ms !== null,
      sounded_ms,
    })),
  });
});
