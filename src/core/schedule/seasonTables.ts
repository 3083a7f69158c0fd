import type { DayNumber } from '../calendar/dayNumber.ts';
import { germinationRate } from '../germination/germinationRate.ts';
import { progressOverHours } from '../germination/progress.ts';
import { degreeDaysOfDay } from '../growth/stageSums.ts';
import type { Crop, Place } from '../model.ts';
import { outsideClimate, type MonthNormal, type OutsideClimate } from './outsideClimate.ts';
import { hoursOfDay, placeClimate, type PlaceClimate } from './placeClimate.ts';
import { thermalIntegral, type ThermalIntegral } from './thermalIntegral.ts';

/** More than any nursery's places, so that crop and place make one number. */
const PLACES = 1_000_000;

/** Germination and growth progress of each crop in each place over the same run of days, worked out once and kept. */
export interface SeasonTables {
  readonly from: DayNumber;
  readonly days: number;
  readonly places: ReadonlyMap<number, Place>;
  /** Usual outside over these days; null when it is not written down. */
  readonly outside: OutsideClimate | null;
  climateOf(placeId: number): PlaceClimate;
  /** @param slower how many times as long as its crop it takes, above 0 */
  germinationOf(crop: Crop, placeId: number, slower?: number): ThermalIntegral;
  growthOf(crop: Crop, placeId: number): ThermalIntegral;
}

/** Temperature of the medium by the hour, as it was measured: by place, by day, 24 hours with null where there is none. */
export type MeasuredPlaces = ReadonlyMap<number, ReadonlyMap<DayNumber, readonly (number | null)[]>>;
const NOTHING_MEASURED: MeasuredPlaces = new Map();

/**
 * Tables over days [from, from + days). Each integral is made at first use.
 * @param measured what the medium really had, in place of what was planned, for coming up only
 * @throws RangeError for a place that is not among `places`
 */
export function seasonTables(
  places: readonly Place[],
  from: DayNumber,
  days: number,
  normals: readonly MonthNormal[] | null = null,
  measured: MeasuredPlaces = NOTHING_MEASURED,
): SeasonTables {
  const outside = normals === null ? null : outsideClimate(normals, from, days);
  const byId = new Map(places.map((place) => [place.id, place]));
  const climates = new Map<number, PlaceClimate>();
  const germination = new Map<string, { readonly pace: number; readonly integral: ThermalIntegral }>();
  const growth = new Map<number, ThermalIntegral>();

  function climateOf(placeId: number): PlaceClimate {
    return remember(climates, placeId, () => {
      const place = byId.get(placeId);
      if (!place) throw new RangeError(`there is no place number ${placeId}`);
      return placeClimate(place, from, days, outside);
    });
  }

  return {
    from,
    days,
    places: byId,
    outside,
    climateOf,
    germinationOf(crop, placeId, slower = 1) {
      if (!(slower > 0)) throw new RangeError(`emergence_factor: ${slower}, wanted above 0`);
      const key = `${crop.id * PLACES + placeId} ${slower}`;
      const pace = paceOf(crop);
      const known = germination.get(key);
      if (known?.pace === pace) return known.integral;
      const rate = germinationRate(crop);
      const gains = eachDay(climateOf(placeId), (day_C, night_C) =>
        progressOverHours(rate, hoursOfDay(day_C, night_C)),
      );
      const climate = climateOf(placeId);
      for (const [day, hours] of measured.get(placeId) ?? []) {
        const i = day - from;
        if (i < 0 || i >= days) continue;
        const planned = hoursOfDay(climate.day_C[i]!, climate.night_C[i]!);
        gains[i] = progressOverHours(
          rate,
          planned.map((value, hour) => hours[hour] ?? value),
        );
      }
      if (slower !== 1) gains.forEach((gain, i) => (gains[i] = gain / slower));
      const integral = thermalIntegral(from, gains);
      germination.set(key, { pace, integral });
      return integral;
    },
    growthOf: (crop, placeId) =>
      remember(growth, crop.id * PLACES + placeId, () =>
        thermalIntegral(
          from,
          eachDay(climateOf(placeId), (day_C, night_C) => degreeDaysOfDay(crop, day_C, night_C)),
        ),
      ),
  };
}

/** Tells a crop's times to come up from those it had before the house learned better. */
function paceOf(crop: Crop): number {
  let pace = crop.germBest_days;
  for (const { days } of crop.emergence) if (typeof days === 'number') pace = pace * 1.000_1 + days;
  return pace;
}

function eachDay(climate: PlaceClimate, gain: (day_C: number, night_C: number) => number): Float64Array {
  const { day_C, night_C } = climate;
  const gains = new Float64Array(day_C.length);
  for (let i = 0; i < gains.length; i++) {
    // A period keeps its temperatures for weeks: a day like the one before gains the same.
    const same = i > 0 && day_C[i] === day_C[i - 1] && night_C[i] === night_C[i - 1];
    gains[i] = same ? gains[i - 1]! : gain(day_C[i]!, night_C[i]!);
  }
  return gains;
}

function remember<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}
