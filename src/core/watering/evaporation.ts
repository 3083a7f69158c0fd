import { requireRange } from '../numerics/guard.ts';
import { saturation_kPa } from '../weather/sun.ts';
import { WORDS } from '../../words/en/watering/core.ts';

/** Latent heat of vaporisation, MJ/kg. @source FAO-56 eq. 8, 1/lambda = 0.408 */
export const LATENT_MJ_KG = 2.45;
/** Stefan-Boltzmann, MJ/(K4 m2 day). @source FAO-56 eq. 39 */
const SIGMA = 4.903e-9;

/** Psychrometric constant at a height above the sea, kPa/K. @source FAO-56 eq. 7 and 8 */
export function psychrometric_kPa_K(height_m: number): number {
  requireRange(WORDS.height, height_m, -500, 6000);
  return 0.665e-3 * 101.3 * ((293 - 0.0065 * height_m) / 293) ** 5.26;
}

/** How fast the saturation vapour pressure rises with temperature, kPa/K. @source FAO-56 eq. 13 */
export function saturationSlope_kPa_K(temperature_C: number): number {
  return (4098 * saturation_kPa(temperature_C)) / (temperature_C + 237.3) ** 2;
}

/**
 * Vapour pressure of air, kPa.
 * @param humidity_frac relative humidity, 0 to 1
 * @source FAO-56 eq. 54
 */
export function vapour_kPa(temperature_C: number, humidity_frac: number): number {
  requireRange(WORDS.humidity, humidity_frac, 0, 1);
  return humidity_frac * saturation_kPa(temperature_C);
}

/** How much more vapour air would hold, kPa; never below 0. */
export function deficit_kPa(temperature_C: number, vapour: number): number {
  requireRange(WORDS.vapour, vapour, 0, 50);
  return Math.max(0, saturation_kPa(temperature_C) - vapour);
}

/** Air over the grass all is told by. */
export interface ReferenceDay {
  readonly most_C: number;
  readonly least_C: number;
  readonly vapour_kPa: number;
  /** Two metres up. */
  readonly wind_m_s: number;
  /** Net radiation and heat into the ground, MJ per square metre and day. */
  readonly net_MJ_m2: number;
  readonly ground_MJ_m2?: number;
  readonly height_m: number;
}

/**
 * Water that well watered short grass loses in a day, mm.
 * @source FAO-56 eq. 6 (Penman-Monteith)
 * @throws RangeError for air that cannot be
 */
export function referenceDay_mm(at: ReferenceDay): number {
  const { most_C, least_C, wind_m_s, net_MJ_m2, ground_MJ_m2 = 0, height_m } = at;
  requireRange(WORDS.wind, wind_m_s, 0, 60);
  requireRange(WORDS.radiation, net_MJ_m2, -20, 50);
  const mean_C = (most_C + least_C) / 2;
  const slope = saturationSlope_kPa_K(mean_C);
  const gamma = psychrometric_kPa_K(height_m);
  const deficit = (saturation_kPa(most_C) + saturation_kPa(least_C)) / 2 - at.vapour_kPa;
  const radiation = 0.408 * slope * (net_MJ_m2 - ground_MJ_m2);
  const air = ((gamma * 900) / (mean_C + 273)) * wind_m_s * deficit;
  return Math.max(0, (radiation + air) / (slope + gamma * (1 + 0.34 * wind_m_s)));
}

/** Air over the grass in one hour. */
export interface ReferenceHour {
  readonly temp_C: number;
  readonly vapour_kPa: number;
  readonly wind_m_s: number;
  /** Net radiation, MJ per square metre and hour. */
  readonly net_MJ_m2: number;
  readonly height_m: number;
}

/** Heat into the ground as a share of net radiation, by day and by night. @source FAO-56 eq. 45 and 46 */
const GROUND_frac = { day: 0.1, night: 0.5 } as const;

/**
 * Water that short grass loses in an hour, mm; 0 where dew falls.
 * @source FAO-56 eq. 53 (hourly Penman-Monteith), ground heat eq. 45 and 46
 */
export function referenceHour_mm({ temp_C, vapour_kPa: ea, wind_m_s, net_MJ_m2, height_m }: ReferenceHour): number {
  requireRange(WORDS.wind, wind_m_s, 0, 60);
  requireRange(WORDS.radiation, net_MJ_m2, -2, 5);
  const slope = saturationSlope_kPa_K(temp_C);
  const gamma = psychrometric_kPa_K(height_m);
  const ground = net_MJ_m2 * (net_MJ_m2 > 0 ? GROUND_frac.day : GROUND_frac.night);
  const radiation = 0.408 * slope * (net_MJ_m2 - ground);
  const air = ((gamma * 37) / (temp_C + 273)) * wind_m_s * (saturation_kPa(temp_C) - ea);
  return Math.max(0, (radiation + air) / (slope + gamma * (1 + 0.34 * wind_m_s)));
}

/**
 * Water that short grass loses in a day where only temperatures are known, mm.
 * @param above_MJ_m2 sun above the air on that day
 * @source Hargreaves & Samani 1985, as FAO-56 eq. 52
 */
export function hargreaves_mm(most_C: number, least_C: number, above_MJ_m2: number): number {
  requireRange(WORDS.radiation, above_MJ_m2, 0, 50);
  const mean_C = (most_C + least_C) / 2;
  return Math.max(0, 0.0023 * (mean_C + 17.8) * Math.sqrt(Math.max(0, most_C - least_C)) * 0.408 * above_MJ_m2);
}

/**
 * Net radiation of an hour in the open, MJ per square metre: what of the sun stays, less what goes to the sky.
 * @param sun_MJ_m2 of the hour on the flat
 * @param clear_frac how clear the sky is, sun over the sun of a clear sky; by night that of the evening before
 * @source FAO-56 eq. 38 (albedo 0.23) and eq. 39 by the hour
 */
export function netHour_MJ_m2(sun_MJ_m2: number, clear_frac: number, temp_C: number, ea_kPa: number): number {
  const toSky =
    (SIGMA / 24) *
    (temp_C + 273.16) ** 4 *
    (0.34 - 0.14 * Math.sqrt(ea_kPa)) *
    (1.35 * Math.min(1, Math.max(0.3, clear_frac)) - 0.35);
  return 0.77 * sun_MJ_m2 - toSky;
}

/** Air over a wet tray, in a house, a frame or a chamber. */
export interface WetAir {
  readonly temp_C: number;
  readonly vapour_kPa: number;
  /** How fast air goes over the trays: about 0.1 in a still house, 0.5 with a fan. */
  readonly air_m_s: number;
  /** Light that stays in leaves and mix, from sun and lamps, W/m2. */
  readonly light_W_m2: number;
  /** How much warmer the mix is held than the air, K: bottom heat dries from below. */
  readonly bottom_K: number;
  readonly height_m: number;
}

/** What a warm surface gives to the room, W/(m2 K). @source ISO 6946: surface resistance inside 0.13 m2 K/W */
const SURFACE_W_m2_K = 1 / 0.13;

/**
 * Water that a wet surface loses in an hour, mm; 0 where it would dew.
 * @source Penman 1948 with Shuttleworth 1993, Handbook of Hydrology, eq. 4.2.30 (from memory); heat from below as heat the surface has
 * to give off, common practice
 */
export function wetSurfaceHour_mm(at: WetAir): number {
  const { temp_C, air_m_s, light_W_m2, bottom_K, height_m } = at;
  requireRange(WORDS.wind, air_m_s, 0, 60);
  requireRange(WORDS.radiation, light_W_m2, 0, 1500);
  const slope = saturationSlope_kPa_K(temp_C);
  const gamma = psychrometric_kPa_K(height_m);
  const heat_MJ_m2 = ((light_W_m2 + SURFACE_W_m2_K * Math.max(0, bottom_K)) * 3600) / 1e6;
  const air = (6.43 / 24) * (1 + 0.536 * air_m_s) * deficit_kPa(temp_C, at.vapour_kPa);
  return Math.max(0, (slope * heat_MJ_m2 + gamma * air) / (slope + gamma) / LATENT_MJ_KG);
}
