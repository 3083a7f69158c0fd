import { civilFromDay, dayFromCivil, type DayNumber } from '../calendar/dayNumber.ts';
import type { OutsideClimate } from '../plan/schedule/outsideClimate.ts';
import { extraterrestrial_MJ_m2, saturation_kPa } from './sun.ts';

/** Albedo. @source FAO-56 eq. 38 (grass reference 0.23; moist bare soil is much the same) */
const ALBEDO = 0.23;
/** Share of the sun above the air that arrives for each root kelvin of the day's range, inland. @source Hargreaves, FAO-56 eq. 50 */
const RANGE_FACTOR = 0.16;
/** Stefan-Boltzmann, MJ/(K4 m2 day). @source FAO-56 eq. 39 */
const SIGMA = 4.903e-9;
/** Psychrometric constant near sea level, kPa/K. @source FAO-56 eq. 8 at 101.3 kPa */
const GAMMA = 0.067;
/** @source Priestley & Taylor 1972, Mon. Weather Rev. 100, 81 */
const PRIESTLEY_TAYLOR = 1.26;
/** How far a bed's surface evaporates as open water does: tilled soil, dry for some days and wet for some. Common practice, no source. */
const WETNESS = 0.75;
/** Wind two metres up where nobody measures it, m/s. @source FAO-56, missing wind data: 2 m/s */
const USUAL_WIND_m_s = 2;
/** Heat of the air, J/(m3 K), and what a surface gives to the sky for a kelvin about 288 K, W/(m2 K). */
const AIR_J_m3_K = 1_206;
const SKY_W_m2_K = 5.4;
const W_PER_MJ_DAY = 1e6 / 86_400;

export interface SurfaceDay {
  readonly day_C: number;
  readonly night_C: number;
  readonly latitude_deg: number;
  /** 1 to 366. */
  readonly dayOfYear: number;
  readonly wind_m_s?: number;
  /** Sun above the air on that day, MJ/m2; worked out where it is not given. */
  readonly above_MJ_m2?: number;
}

/**
 * How much warmer than the air bare sunlit soil is at its surface as a mean of day and night, K: sun taken in, less what goes to
 * the sky and what evaporates, against what the wind carries off. Negative in the dark of winter.
 * @source energy balance of the surface: net radiation FAO-56 eq. 38-40 with the sun by Hargreaves (eq. 50), evaporation by
 * Priestley & Taylor 1972, aerodynamic resistance 208/u of FAO-56 box 4; the wetness common practice
 * @accuracy spring and summer in temperate latitudes 2-4 K (common practice, no source)
 */
export function surfaceExcess_K(at: SurfaceDay): number {
  const { day_C, night_C, wind_m_s } = at;
  const mean_C = (day_C + night_C) / 2;
  const above = at.above_MJ_m2 ?? extraterrestrial_MJ_m2(at.latitude_deg, at.dayOfYear);
  const clear = 0.75 * above;
  const sun = Math.min(clear, RANGE_FACTOR * Math.sqrt(Math.max(0, day_C - night_C)) * above);
  const vapour_kPa = saturation_kPa(Math.max(-60, Math.min(80, night_C)));
  const cloud = clear > 0 ? 1.35 * Math.max(0.3, sun / clear) - 0.35 : 0.6;
  const [day2, night2] = [(day_C + 273.16) * (day_C + 273.16), (night_C + 273.16) * (night_C + 273.16)];
  const fourth = (day2 * day2 + night2 * night2) / 2;
  const toSky = SIGMA * fourth * (0.34 - 0.14 * Math.sqrt(vapour_kPa)) * cloud;
  const net_W = ((1 - ALBEDO) * sun - toSky) * W_PER_MJ_DAY;
  const slope = (4098 * saturation_kPa(mean_C)) / (mean_C + 237.3) ** 2;
  const evaporates = net_W > 0 ? PRIESTLEY_TAYLOR * WETNESS * (slope / (slope + GAMMA)) : 0;
  const away_W_K = (AIR_J_m3_K * Math.max(0.5, wind_m_s ?? USUAL_WIND_m_s)) / 208 + SKY_W_m2_K;
  return (net_W * (1 - evaporates)) / away_W_K;
}

/** Mean temperature of the surface of bare soil on a day, degrees C. */
export function surfaceMean_C(day: DayNumber, day_C: number, night_C: number, latitude_deg: number): number {
  return (day_C + night_C) / 2 + surfaceExcess_K({ day_C, night_C, latitude_deg, dayOfYear: dayOfYear(day) });
}

const dayOfYear = (day: DayNumber): number => day - dayFromCivil(civilFromDay(day).year, 1, 1) + 1;

/** The same for the i-th of days in a row that are asked for again and again in other weather. */
export function surfaceMeansFrom(
  from: DayNumber,
  days: number,
  latitude_deg: number,
): (i: number, day_C: number, night_C: number) => number {
  const dates = Array.from({ length: days }, (_, i) => dayOfYear(from + i));
  const above = Float64Array.from(dates, (date) => extraterrestrial_MJ_m2(latitude_deg, date));
  return (i, day_C, night_C) =>
    (day_C + night_C) / 2 +
    surfaceExcess_K({ day_C, night_C, latitude_deg, dayOfYear: dates[i]!, above_MJ_m2: above[i]! });
}

/** The usual surface by day. */
export function usualSurface_C(outside: OutsideClimate, latitude_deg: number): Float64Array {
  return Float64Array.from(outside.day_C, (day_C, i) =>
    surfaceMean_C(outside.from + i, day_C, outside.night_C[i]!, latitude_deg),
  );
}

/** Share of the sun's warmth that each clear or woven layer adds to the soil again. Common practice, no source. */
const LAYER_frac = 0.8;

/** What layers of cover add to the soil at 10 cm when they have lain for a fortnight, K: they hold what the sun brings. */
export function coverSoil_K(layers: number, excess_K: number): number {
  return Math.max(0, excess_K) * LAYER_frac * layers;
}
