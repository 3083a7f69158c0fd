import { flagsOf } from '../../core/weather/forecast.ts';
import { oddsAtOrBelow, scoreAt } from '../../core/weather/score.ts';
import type { ForecastView, SkyDay } from '../../contracts/hardening/hardenViews.ts';
import { readTries } from '../../db/weather/site.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';
import type { Site } from '../../core/weather/site.ts';

/** Share of a normal below which a tenth lies. */
const TENTH_Z = 1.2816;

/** Coming days as screens show them. */
export function skyDays(site: Site): SkyDay[] {
  return (site.forecast?.days ?? []).map((d) => {
    const score = scoreAt(site.scores, d.lead);
    const night = d.night_C;
    return {
      ...d,
      flags: flagsOf(d),
      frost_frac: night === null ? null : oddsAtOrBelow(night, 0, score),
      low10_C: night === null ? null : night - score.bias_K - TENTH_Z * score.spread_K,
    };
  });
}

/** The forecast in use with how its service does. null: there is none and none was asked for. */
export async function forecastView({ site }: Pick<Season, 'site'>): Promise<ForecastView | null> {
  const tries = await readTries(database());
  const f = site?.forecast;
  if (!site || !f)
    return tries
      ? {
          source: tries.source,
          kind: 'service',
          madeAt_ms: 0,
          age_h: 9999,
          stale: true,
          short_days: 10,
          days: [],
          pairs: 0,
          tries,
        }
      : null;
  return {
    source: f.source,
    kind: f.kind,
    madeAt_ms: f.made_ms,
    age_h: f.age_h,
    stale: f.stale,
    short_days: f.short_days,
    days: skyDays(site),
    pairs: site.pairs,
    tries,
  };
}
