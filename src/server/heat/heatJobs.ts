import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { soundsNow } from '../../core/heat/alarms.ts';
import { markSounded, readOpenAlarms } from '../../db/heat/alarms.ts';
import { downSample, dropMonthsBefore } from '../../db/heat/readings.ts';
import type { Db } from '../../db/sql.ts';
import type { Job } from '../house/jobs.ts';
import { log } from '../log.ts';
import { readHeat } from './context.ts';

const MONTH_ms = 31 * 86_400_000;

/** The jobs of the heat: folding readings into their tiers, sounding what nobody has answered, dropping what is too old. */
export const heatJobs = (db: Db): Readonly<Record<'tiers' | 'alarms' | 'retention', Job>> => ({
  tiers: () => foldReadings(db),
  alarms: () => soundAlarms(db),
  retention: () => dropOldReadings(db),
});

/** Folds all readings that came since into the tiers the charts are drawn from. @returns how many tiers' first rows */
export async function foldReadings(db: Db): Promise<number> {
  let folded = 0;
  for (let lot = await downSample(db); lot > 0; lot = await downSample(db)) folded += lot;
  return folded;
}

/** Alarms that nobody has taken sound again, when their time has come and the hours are not quiet. @returns how many */
export async function soundAlarms(db: Db): Promise<number> {
  const { season, hour, settings } = await readHeat(db);
  const now_ms = season.now.instant_ms;
  const loud = (await readOpenAlarms(db)).filter((alarm) =>
    soundsNow({
      kind: alarm.kind,
      taken: alarm.taken_ms !== null,
      lastSounded_ms: alarm.sounded_ms,
      now_ms,
      hour,
      quiet: settings.quiet,
    }),
  );
  await markSounded(
    db,
    loud.map((alarm) => alarm.id),
    now_ms,
  );
  for (const alarm of loud)
    log.warn({ alarm: alarm.kind, zone: alarm.zoneId, day: isoFromDay(season.now.today) }, 'alarm sounds');
  return loud.length;
}

/** Drops the months of single readings beyond what the house keeps; their tiers stay. @returns the parts dropped */
export async function dropOldReadings(db: Db): Promise<string[]> {
  const { season, settings } = await readHeat(db);
  const dropped = await dropMonthsBefore(db, season.now.instant_ms - settings.keep_months * MONTH_ms);
  if (dropped.length > 0) log.info({ dropped }, 'old readings taken away; their tiers stay');
  return dropped;
}
