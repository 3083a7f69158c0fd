import type { DayNumber } from '../calendar/dayNumber.ts';
import { germinationRate } from '../germination/germinationRate.ts';
import { degreeDaysOfDay } from '../growth/stageSums.ts';
import type { Crop, Place } from '../model.ts';
import { DAY_SHARE_frac, placeClimate, type PlaceClimate } from './placeClimate.ts';
import { thermalIntegral, type ThermalIntegral } from './thermalIntegral.ts';

/** Germination and growth progress of each crop in each place over the same run of days, worked out once and kept. */
export interface SeasonTables {
  readonly from: DayNumber;
  readonly days: number;
  readonly places: ReadonlyMap<number, Place>;
  climateOf(placeId: number): PlaceClimate;
  germinationOf(crop: Crop, placeId: number): ThermalIntegral;
  growthOf(crop: Crop, placeId: number): ThermalIntegral;
}

/**
 * Tables over days [from, from + days). Each integral is made at first use.
 * @throws RangeError for a place that is not among `places`
 */
export function seasonTables(places: readonly Place[], from: DayNumber, days: number): SeasonTables {
  const byId = new Map(places.map((place) => [place.id, place]));
  const climates = new Map<number, PlaceClimate>();
  const germination = new Map<string, ThermalIntegral>();
  const growth = new Map<string, ThermalIntegral>();

  function climateOf(placeId: number): PlaceClimate {
    return remember(climates, placeId, () => {
      const place = byId.get(placeId);
      if (!place) throw new RangeError(`there is no place number ${placeId}`);
      return placeClimate(place, from, days);
    });
  }

  return {
    from,
    days,
    places: byId,
    climateOf,
    germinationOf: (crop, placeId) =>
      remember(germination, `${crop.id}/${placeId}`, () => {
        const climate = climateOf(placeId);
        const rate = byTemperature(germinationRate(crop));
        return thermalIntegral(
          from,
          eachDay(climate, (day_C, night_C) => DAY_SHARE_frac * rate(day_C) + (1 - DAY_SHARE_frac) * rate(night_C)),
        );
      }),
    growthOf: (crop, placeId) =>
      remember(growth, `${crop.id}/${placeId}`, () =>
        thermalIntegral(
          from,
          eachDay(climateOf(placeId), (day_C, night_C) => degreeDaysOfDay(crop, day_C, night_C)),
        ),
      ),
  };
}

function eachDay(climate: PlaceClimate, gain: (day_C: number, night_C: number) => number): Float64Array {
  const gains = new Float64Array(climate.day_C.length);
  for (let i = 0; i < gains.length; i++) gains[i] = gain(climate.day_C[i]!, climate.night_C[i]!);
  return gains;
}

/** A place repeats few temperatures over a year, so each is worked out once. */
function byTemperature(rate: (t: number) => number): (t: number) => number {
  const known = new Map<number, number>();
  return (t) => remember(known, t, () => rate(t));
}

function remember<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}
