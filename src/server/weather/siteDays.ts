import { frostDates, frostOdds, frostSeasons, frostsSeen, seasonOffset } from '../../core/weather/frost.ts';
import { nightsKnown } from '../../core/weather/nightsKnown.ts';
import { springOddsFromNormals } from '../../core/weather/normalFrost.ts';
import { usualSoil_C } from '../../core/weather/soil.ts';
import { outsideClimate } from '../../core/plan/schedule/outsideClimate.ts';
import type { SiteDays } from '../../contracts/plan/seasonData.ts';
import type { Season } from '../../core/plan/season.ts';
import { soilOn, type Site } from '../../core/weather/site.ts';
import { Derived } from '../../core/numerics/remembered.ts';

const BACK_days = 120;
const AHEAD_days = 400;
/** Spring half of a season, days. */
const HALF_days = 196;
const held = new Derived<Site, SiteDays>();

/**
 * Frost odds and soil by day for the season's drawing: in the spring half the chance that a frost still comes, in the autumn half that
 * it has come; soil as it is and will be, after the forecast as usual.
 */
export function siteDays(season: Season): SiteDays | null {
  const { site } = season;
  return site && held.get(site, () => newSiteDays(season, site));
}

function newSiteDays({ world, now }: Season, site: Site): SiteDays {
  const { nursery } = world;
  const south = nursery.latitude_deg < 0;
  const startMonth = south ? 7 : 1;
  const threshold_C = nursery.frost?.threshold_C ?? 0;
  const seasons = frostSeasons(site.lows, threshold_C, south);
  const spring = frostDates(seasons, 'spring', south);
  const autumn = frostDates(seasons, 'autumn', south);
  const guessed =
    spring.years === 0 && nursery.outside
      ? springOddsFromNormals(nursery.outside, threshold_C, south, nightsKnown(nursery))
      : null;
  const from = now.today - BACK_days;
  const outside = nursery.outside ? outsideClimate(nursery.outside, from, 366) : null;
  const usualSoil = outside ? usualSoil_C(outside, 0.1, nursery.latitude_deg) : null;
  const odds = (day: number): number | null => {
    const at = seasonOffset(day, startMonth);
    // Where no year had one nothing is drawn.
    const seen = (dates: typeof spring) => (frostsSeen(dates, at) === 0 ? null : frostOdds(dates, at));
    if (at <= HALF_days) return spring.years > 0 ? seen(spring) : (guessed?.[at] ?? null);
    return autumn.years > 0 ? seen(autumn) : null;
  };
  const days = Array.from({ length: BACK_days + AHEAD_days }, (_, i) => from + i);
  return {
    from,
    frost_frac: days.map((day) => round(odds(day), 100)),
    soil_C: days.map((day) =>
      round((day <= now.today + 10 ? soilOn(site, day) : null) ?? usualSoil?.(day) ?? null, 10),
    ),
  };
}

const round = (value: number | null, n: number): number | null => (value === null ? null : Math.round(n * value) / n);
