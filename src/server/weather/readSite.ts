import type { Db } from '../../db/sql.ts';
import type { Site } from '../../core/weather/site.ts';
import { readWeather } from '../../db/weather/weather.ts';
import type { World } from '../../core/house/world.ts';
import type { Now } from '../../core/calendar/localDay.ts';
import { readForecast, readLows, readSiteReadings, readGusts } from '../../db/weather/site.ts';
import { BACK_days, siteOf } from '../../core/weather/site.ts';

/** Days of forecasts looked back on for the score. */
const SCORE_days = 120;

const historyHeld = new Map<string, Promise<Site['history']>>();

/** Daily history, read anew only when some of it changed. */
async function historyOf(db: Db, mark: string): Promise<Site['history']> {
  const known = historyHeld.get(mark);
  if (known) return known;
  const reading = readWeather(db);
  historyHeld.clear();
  historyHeld.set(mark, reading);
  void reading.catch(() => historyHeld.delete(mark));
  return reading;
}

/** Reads what is kept of the site's weather and makes one picture of it. */
export async function readSite(db: Db, world: World, now: Now, key: string, weatherMark: string): Promise<Site> {
  const { today } = now;
  const [history, kept, lows, readings, stationGusts] = await Promise.all([
    historyOf(db, weatherMark),
    readForecast(db, now.instant_ms),
    readLows(db, today - SCORE_days, today),
    readSiteReadings(db),
    readGusts(db, today - BACK_days),
  ]);
  return siteOf(world, now, key, { history, kept, lows, readings, stationGusts });
}
