import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import type { MonthDay } from '../../core/calendar/monthDay.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import type { WeatherDay } from '../../core/weather/weatherDay.ts';
import { NurseryModel } from '../house/models.ts';
import { rows, run, type Db } from '../sql.ts';

/**
 * Writes daily weather; a day already there is replaced by what is told of it now.
 * @returns days written anew and replaced
 */
export async function writeWeather(
  db: Db,
  days: readonly WeatherDay[],
  source: string,
): Promise<{ fresh: number; replaced: number }> {
  const done = await run(
    db,
    `WITH put AS (
       INSERT INTO weather_days (on_day, least_c, most_c, rain_mm, gust_m_s, source)
       SELECT d, l, m, r, g, $6 FROM unnest($1::date[], $2::real[], $3::real[], $4::real[], $5::real[]) AS t (d, l, m, r, g)
       ON CONFLICT (on_day) DO UPDATE SET least_c = excluded.least_c, most_c = excluded.most_c, rain_mm = excluded.rain_mm,
         gust_m_s = coalesce(excluded.gust_m_s, weather_days.gust_m_s), source = excluded.source
       RETURNING (xmax = 0) AS fresh
     )
     SELECT count(*) FILTER (WHERE fresh)::int AS fresh, count(*) FILTER (WHERE NOT fresh)::int AS replaced FROM put`,
    [
      days.map((d) => isoFromDay(d.day)),
      days.map((d) => d.least_C),
      days.map((d) => d.most_C),
      days.map((d) => d.rain_mm),
      days.map((d) => d.gust_m_s ?? null),
      source,
    ],
  );
  return { fresh: done[0]!['fresh'] as number, replaced: done[0]!['replaced'] as number };
}

/** All daily weather there is, by day. */
export async function readWeather(db: Db): Promise<(WeatherDay & { readonly source: string })[]> {
  const found = await rows(
    db,
    'SELECT on_day::text AS d, least_c, most_c, rain_mm, gust_m_s, source FROM weather_days ORDER BY on_day',
  );
  return found.map((r) => ({
    day: requireDay(r['d'] as string),
    least_C: r['least_c'] as number | null,
    most_C: r['most_c'] as number | null,
    rain_mm: r['rain_mm'] as number | null,
    gust_m_s: r['gust_m_s'] as number | null,
    source: r['source'] as string,
  }));
}

/** Takes out all days of one source. @returns how many */
export async function dropWeather(db: Db, source: string): Promise<number> {
  // A delete of nothing would still count as a change of the weather, and all be worked out anew.
  const [known] = await rows(db, 'SELECT 1 AS one FROM weather_days WHERE source = $1 LIMIT 1', [source]);
  if (!known) return 0;
  return (await rows(db, 'DELETE FROM weather_days WHERE source = $1 RETURNING 1 AS one', [source])).length;
}

/** Takes the frosts of the site at a risk: all that goes by frost dates follows. false when someone was first. */
export async function updateFrost(
  version: number,
  frost: FrostChoice,
  dates: { readonly lastFrost?: MonthDay; readonly firstFrost?: MonthDay },
): Promise<boolean> {
  const [changed] = await NurseryModel.update({ frost, ...dates, version: version + 1 }, { where: { id: 1, version } });
  return changed === 1;
}
