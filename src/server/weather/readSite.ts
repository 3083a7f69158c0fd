import type { Db } from '../../db/sql.ts';
import type { Site } from '../../core/weather/site.ts';
import { readWeather } from '../../db/weather/weather.ts';
import type { World } from '../../core/house/world.ts';
import type { Now } from '../../core/calendar/localDay.ts';
import { readForecast, readLows, readSiteReadings, readGusts } from '../../db/weather/site.ts';
import { BACK_days, siteOf } from '../../core/weather/site.ts';
import { Latest } from '../latest.ts';

/** Days of forecasts looked back on for the score. */
const SCORE_days = 120;

/** Daily history, read anew only when some of it changed. */
const history = new Latest<Site['history']>();

/** Reads what is kept of the site's weather and makes one picture of it. */
export async function readSite(db: Db, world: World, now: Now, key: string, weatherMark: string): Promise<Site> {
  const { today } = now;
  const [days, kept, lows, readings, stationGusts] = await Promise.all([
    history.at(weatherMark, () => readWeather(db)),
    readForecast(db, now.instant_ms),
    readLows(db, today - SCORE_days, today),
    readSiteReadings(db),
    readGusts(db, today - BACK_days),
  ]);
  return siteOf(world, now, key, { history: days, kept, lows, readings, stationGusts });
}
