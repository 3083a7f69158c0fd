import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import type { Season } from '../../core/plan/season.ts';
import { outsideHours } from '../../core/watering/outsideHours.ts';
import { placeAir } from '../../core/watering/placeAir.ts';

const HOUR_ms = 3_600_000;

type Demand = (placeId: number, day: number) => number;
const held = new Derived<Season['batches'], Demand>();

/** Millimetres a day that a wet surface loses at a place on a day to come, rain taken off; each worked out once while the season stands. */
export const demandOn = (season: Season): Demand =>
  held.get(season.batches, () => workOut(season), [season.site, season.tables]);

function workOut({ world, now, site, tables }: Season): Demand {
  const { latitude_deg, timeZone, height_m } = world.nursery;
  const noon_h = solarNoon_h(world, now.instant_ms);
  const within = { latitude_deg, height_m: height_m ?? 0, noon_h };
  const known = new Map<string, number>();
  return (placeId, day) => {
    const key = `${placeId} ${day}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const place = world.places.find(({ id }) => id === placeId);
    if (!place) return 0;
    const from_ms = now.instant_ms + ((day - now.today) * 24 - now.minute / 60) * HOUR_ms;
    const outside = outsideHours(site, { latitude_deg, timeZone, noon_h }, Math.round(from_ms / HOUR_ms) * HOUR_ms, 24);
    const mm = placeAir(place, tables.climateOf(placeId), outside, [], within).hours.reduce(
      (sum, hour) => sum + Math.max(0, hour.demand_mm - hour.rain_mm),
      0,
    );
    known.set(key, mm);
    return mm;
  };
}
