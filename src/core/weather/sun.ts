import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/weather/sun.ts';

const RADIANS = Math.PI / 180;
/** Solar constant, MJ per square metre and minute. @source FAO-56 eq. 21 */
const G_SC = 0.082;

/** Inverse relative distance to the sun. @source FAO-56 eq. 23 @param dayOfYear 1 to 366 */
export function relativeDistance(dayOfYear: number): number {
  requireRange(WORDS.dayOfTheYear, dayOfYear, 1, 366);
  return 1 + 0.033 * Math.cos((2 * Math.PI * dayOfYear) / 365);
}

/** Declination of the sun, radians. @source FAO-56 eq. 24 */
export function declination_rad(dayOfYear: number): number {
  requireRange(WORDS.dayOfTheYear, dayOfYear, 1, 366);
  return 0.409 * Math.sin((2 * Math.PI * dayOfYear) / 365 - 1.39);
}

/**
 * Hour angle at sunset, radians; 0 where the sun does not rise that day, pi where it does not set.
 * @source FAO-56 eq. 25
 * @param latitude_deg -90 to 90, south negative
 */
export function sunsetAngle_rad(latitude_deg: number, dayOfYear: number): number {
  requireRange(WORDS.latitudeDegrees, latitude_deg, -90, 90);
  const x = -Math.tan(latitude_deg * RADIANS) * Math.tan(declination_rad(dayOfYear));
  return Math.acos(Math.min(1, Math.max(-1, x)));
}

/**
 * Length of the day, hours, 0 to 24.
 * @source FAO-56 eq. 34
 * @accuracy within 12 minutes of a sun library at 60 degrees, which counts refraction and the sun's width as well
 * @example dayLength_h(0, 80).toFixed(1) // '12.0'
 */
export function dayLength_h(latitude_deg: number, dayOfYear: number): number {
  return (24 / Math.PI) * sunsetAngle_rad(latitude_deg, dayOfYear);
}

/**
 * Radiation on a level surface above the air, MJ per square metre and day.
 * @source FAO-56 eq. 21
 */
export function extraterrestrial_MJ_m2(latitude_deg: number, dayOfYear: number): number {
  const angle = sunsetAngle_rad(latitude_deg, dayOfYear);
  const phi = latitude_deg * RADIANS;
  const delta = declination_rad(dayOfYear);
  const sines = angle * Math.sin(phi) * Math.sin(delta);
  const cosines = Math.cos(phi) * Math.cos(delta) * Math.sin(angle);
  return Math.max(0, ((24 * 60) / Math.PI) * G_SC * relativeDistance(dayOfYear) * (sines + cosines));
}

/**
 * Radiation at the ground for a share of possible sunshine, MJ per square metre and day.
 * @source FAO-56 eq. 35 with a_s 0.25, b_s 0.50
 */
export function solar_MJ_m2(latitude_deg: number, dayOfYear: number, sunshine_frac: number): number {
  requireRange(WORDS.shareOfSunshine, sunshine_frac, 0, 1);
  return (0.25 + 0.5 * sunshine_frac) * extraterrestrial_MJ_m2(latitude_deg, dayOfYear);
}

/**
 * Saturation vapour pressure, kPa.
 * @source FAO-56 eq. 11
 * @example saturation_kPa(20).toFixed(3) // '2.338'
 */
export function saturation_kPa(temperature_C: number): number {
  requireRange(WORDS.temperatureDegreesC, temperature_C, -60, 80);
  return 0.6108 * Math.exp((17.27 * temperature_C) / (temperature_C + 237.3));
}
