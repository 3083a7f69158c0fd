import type { DayNumber } from '../../calendar/dayNumber.ts';
import { germinationRate } from '../../germination/germinationRate.ts';
import { progressOverHours } from '../../germination/progress.ts';
import { degreeDaysOfHours, lightFactor } from '../../growth/growthRate.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place } from '../../books/place.ts';
import { outsideClimate, type MonthNormal, type OutsideClimate } from './outsideClimate.ts';
import { hoursOfDay, placeClimate, type PlaceClimate } from './placeClimate.ts';
import { soundHours } from './measuredHours.ts';
import { placeSky, type PlaceSky, type Sky } from './sky.ts';
import { wetTray_K } from './wetTray.ts';
import { thermalIntegral, type ThermalIntegral } from './thermalIntegral.ts';

/** More than any nursery's places, so that crop and place make one number. */
const PLACES = 1_000_000;

/** Germination and growth progress of each crop in each place over the same run of days, worked out once and kept. */
export interface SeasonTables {
  readonly from: DayNumber;
  readonly days: number;
  readonly places: ReadonlyMap<number, Place>;
  /** Where the nursery lies; null: not known. */
  readonly latitude_deg: number | null;
  /** Usual outside over these days; null when it is not written down. */
  readonly outside: OutsideClimate | null;
  climateOf(placeId: number): PlaceClimate;
  /** Hours and light of a place; null where it is not known where the nursery lies. */
  skyOf(placeId: number): PlaceSky | null;
  /** The same of a place held at one set-point throughout; null = off. */
  skyAt(placeId: number, setPoint_C: number | null): PlaceSky | null;
  /** @param slower how many times as long as its crop it takes, above 0 */
  germinationOf(crop: Crop, placeId: number, slower?: number): ThermalIntegral;
  growthOf(crop: Crop, placeId: number): ThermalIntegral;
}

/** Temperature of the medium by the hour, as it was measured: by place, by day, 24 hours with null where there is none. */
export type MeasuredPlaces = ReadonlyMap<number, ReadonlyMap<DayNumber, readonly (number | null)[]>>;
const NOTHING_MEASURED: MeasuredPlaces = new Map();

/** Days outside as they were read or are foretold, in place of the usual ones. */
export type KnownOutside = ReadonlyMap<DayNumber, { readonly day_C: number | null; readonly night_C: number | null }>;

/** What tables are worked out from beside places and days. */
export interface TablesBy {
  readonly normals?: readonly MonthNormal[] | null;
  /** What the medium really had, in place of what was planned. */
  readonly measured?: MeasuredPlaces;
  /** Days outside read and foretold. */
  readonly known?: KnownOutside;
  /** Where the nursery lies. Without it every day is half day and half night, and light is good. */
  readonly sky?: Sky | null;
}

/**
 * Tables over days [from, from + days). Each integral is made at first use.
 * @throws RangeError for a place that is not among `places`
 */
export function seasonTables(
  places: readonly Place[],
  from: DayNumber,
  days: number,
  { normals = null, measured = NOTHING_MEASURED, known, sky = null }: TablesBy = {},
): SeasonTables {
  const usual = normals === null ? null : outsideClimate(normals, from, days);
  const outside = usual && known ? withKnown(usual, known) : usual;
  const byId = new Map(places.map((place) => [place.id, place]));
  const climates = new Map<number, PlaceClimate>();
  const skies = new Map<number, PlaceSky>();
  const held = new Map<number, Float64Array>();
  const heldSkies = new Map<string, PlaceSky>();
  const germination = new Map<string, readonly { readonly pace: number; readonly integral: ThermalIntegral }[]>();
  const growth = new Map<string, ThermalIntegral>();

  function placeOf(placeId: number): Place {
    const place = byId.get(placeId);
    if (!place) throw new RangeError(`there is no place number ${placeId}`);
    return place;
  }
  const climateOf = (placeId: number): PlaceClimate =>
    remember(climates, placeId, () => placeClimate(placeOf(placeId), from, days, outside));
  const skyOf = (placeId: number): PlaceSky | null =>
    sky === null ? null : remember(skies, placeId, () => placeSky(placeOf(placeId), climateOf(placeId), outside, sky));

  /** What each day gains by its hours: as planned, and as measured where it was. */
  function byHours(
    placeId: number,
    gain: (hours_C: ArrayLike<number>, i: number) => number,
    cooler_K = 0,
  ): Float64Array {
    const climate = climateOf(placeId);
    const hours_C = skyOf(placeId)?.hours_C ?? remember(held, placeId, () => hoursOfDays(climate));
    const air = (i: number) => hours_C.subarray(24 * i, 24 * i + 24);
    const planned = cooler_K === 0 ? air : (i: number) => air(i).map((t) => t - cooler_K);
    const gains = eachDay(climate, planned, gain, skyOf(placeId) === null);
    for (const [day, read] of measured.get(placeId) ?? []) {
      const i = day - from;
      if (i < 0 || i >= days) continue;
      const { hours } = soundHours(read, known?.get(day)?.night_C ?? null);
      gains[i] = gain(
        Array.from(planned(i), (value, hour) => hours[hour] ?? value),
        i,
      );
    }
    return gains;
  }

  return {
    from,
    days,
    places: byId,
    latitude_deg: sky?.latitude_deg ?? null,
    outside,
    climateOf,
    skyOf,
    skyAt(placeId, setPoint_C) {
      const place = placeOf(placeId);
      if (sky === null) return null;
      if (place.temperature?.kind !== 'set-point') return skyOf(placeId);
      return remember(heldSkies, `${placeId} ${setPoint_C}`, () => {
        const held = { ...place, setPoints: [], temperature: { ...place.temperature, usual_C: setPoint_C } } as Place;
        return placeSky(held, placeClimate(held, from, days, outside), outside, sky);
      });
    },
    germinationOf(crop, placeId, slower = 1) {
      if (!(slower > 0)) throw new RangeError(`emergence_factor: ${slower}, wanted above 0`);
      const { germBase_C, germBest_C, germCeiling_C } = crop;
      const key = [crop.id * PLACES + placeId, slower, germBase_C, germBest_C, germCeiling_C].join(' ');
      const pace = paceOf(crop);
      const there = germination.get(key) ?? [];
      const known = there.find((one) => one.pace === pace);
      if (known) return known.integral;
      const rate = germinationRate(crop);
      // Seed comes up by its medium, which a wet open tray keeps under the air.
      const gains = byHours(
        placeId,
        (hours_C) => progressOverHours(rate, hours_C),
        skyOf(placeId) ? wetTray_K(placeOf(placeId)) : 0,
      );
      if (slower !== 1) gains.forEach((gain, i) => (gains[i] = gain / slower));
      const integral = thermalIntegral(from, gains);
      // A crop and its quicker varieties side by side; what the house knew better since goes out again.
      germination.set(key, [{ pace, integral }, ...there].slice(0, PACES_KEPT));
      return integral;
    },
    growthOf(crop, placeId) {
      const { base_C, growOptimum_C, growCeiling_C, dliGood } = crop;
      const key = [placeId, base_C, growOptimum_C, growCeiling_C, dliGood].join(' ');
      return remember(growth, key, () => {
        const light = skyOf(placeId)?.light_mol_m2;
        const gains = byHours(placeId, (hours_C) => degreeDaysOfHours(crop, hours_C));
        if (light) gains.forEach((warmth, i) => (gains[i] = warmth * lightFactor(light[i]!, dliGood)));
        return thermalIntegral(from, gains);
      });
    },
  };
}

/** Paces of one crop kept at once. */
const PACES_KEPT = 4;

/** What a page works its tables out from; the same on the server and in the browser. */
export interface HouseOfTables {
  readonly places: readonly Place[];
  readonly tablesFrom: DayNumber;
  readonly tableDays: number;
  readonly outside: readonly MonthNormal[] | null;
  readonly latitude_deg: number;
  /** Days outside read or foretold: highest and lowest. */
  readonly knownOutside: readonly (readonly [day: DayNumber, day_C: number | null, night_C: number | null])[];
}

/** The tables of a house. */
export function tablesOfHouse(house: HouseOfTables): SeasonTables {
  const known = new Map(house.knownOutside.map(([day, day_C, night_C]) => [day, { day_C, night_C }]));
  const { latitude_deg } = house;
  return seasonTables(house.places, house.tablesFrom, house.tableDays, {
    normals: house.outside,
    known,
    sky: { latitude_deg },
  });
}

/** Usual days outside with those that are known in their stead. */
function withKnown(usual: OutsideClimate, known: KnownOutside): OutsideClimate {
  const [day_C, night_C] = [usual.day_C.slice(), usual.night_C.slice()];
  for (const [day, read] of known) {
    const i = day - usual.from;
    if (i < 0 || i >= day_C.length) continue;
    if (read.day_C !== null) day_C[i] = read.day_C;
    if (read.night_C !== null) night_C[i] = read.night_C;
  }
  return { from: usual.from, day_C, night_C };
}

/** Tells a crop's times to come up from those it had before the house learned better. */
function paceOf(crop: Crop): number {
  let pace = crop.germBest_days;
  for (const { days } of crop.emergence) if (typeof days === 'number') pace = pace * 1.000_1 + days;
  return pace;
}

/** Hours of all days of a place of which nothing but day and night is known. */
function hoursOfDays({ day_C, night_C }: PlaceClimate): Float64Array {
  const hours = new Float64Array(24 * day_C.length);
  for (let i = 0; i < day_C.length; i++) {
    const same = i > 0 && day_C[i] === day_C[i - 1] && night_C[i] === night_C[i - 1];
    if (same) hours.copyWithin(24 * i, 24 * i - 24, 24 * i);
    else hours.set(hoursOfDay(day_C[i]!, night_C[i]!), 24 * i);
  }
  return hours;
}

function eachDay(
  { day_C, night_C }: PlaceClimate,
  hoursOf: (i: number) => ArrayLike<number>,
  gain: (hours_C: ArrayLike<number>, i: number) => number,
  byDayAndNight: boolean,
): Float64Array {
  const gains = new Float64Array(day_C.length);
  let last: ArrayLike<number> = [];
  for (let i = 0; i < gains.length; i++) {
    const alikeDay = i > 0 && day_C[i] === day_C[i - 1] && night_C[i] === night_C[i - 1];
    if (alikeDay && byDayAndNight) {
      gains[i] = gains[i - 1]!;
      continue;
    }
    const hours_C = hoursOf(i);
    // A period keeps its temperatures for weeks: a day like the one before gains the same.
    const same = alikeDay && alike(hours_C, last);
    gains[i] = same ? gains[i - 1]! : gain(hours_C, i);
    last = hours_C;
  }
  return gains;
}

/** Whether two days have the same hours; told by a few of them. */
function alike(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  return a[0] === b[0] && a[7] === b[7] && a[14] === b[14] && a[21] === b[21];
}

function remember<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const known = map.get(key);
  if (known !== undefined) return known;
  const made = make();
  map.set(key, made);
  return made;
}
