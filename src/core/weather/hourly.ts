import { dayLength_h, extraterrestrial_MJ_m2, solar_MJ_m2 } from './sun.ts';

/**
 * Temperature at an hour of a day from its lowest and highest: a sine by day, an exponential fall by night.
 * @param hour solar time, 0 to 24
 * @param least_C at sunrise of this day; `nextLeast_C` of the next, by default the same
 * @source Parton & Logan 1981, Agric. Meteorol. 23, 205-216; a = 1.86 h, b = 2.20, c = -0.17 h (air at 1.5 m)
 */
export function hourly_C(at: {
  readonly hour: number;
  readonly least_C: number;
  readonly most_C: number;
  readonly dayLength_h: number;
  readonly nextLeast_C?: number;
  /** Scale the fall so that the low is reached at sunrise; the formula as published stays a ninth of the way above it. */
  readonly reached?: boolean;
}): number {
  const day = Math.min(23.5, Math.max(0.5, at.dayLength_h));
  const [a, b, c] = [1.86, 2.2, -0.17];
  const sunrise = 12 - day / 2;
  const sunset = 12 + day / 2;
  const lowAt = sunrise + c;
  const risen = at.most_C - at.least_C;
  const byDay = (hour: number) => at.least_C + risen * Math.sin((Math.PI * (hour - lowAt)) / (day + 2 * (a - c)));
  if (at.hour > lowAt && at.hour <= sunset) return byDay(at.hour);
  const after = at.hour > sunset ? at.hour - sunset : at.hour + 24 - sunset;
  // Before sunrise the night falls to this day's low, after sunset to the next one's.
  const end = at.hour > sunset ? (at.nextLeast_C ?? at.least_C) : at.least_C;
  const start = byDay(sunset);
  const fall = Math.exp((-b * after) / (24 - day));
  return end + (start - end) * (at.reached ? Math.max(0, fall - Math.exp(-b)) / (1 - Math.exp(-b)) : fall);
}

/** Sun on the flat at an hour, W/m2: the day's total spread over daylight as half a sine. @source the day's total by FAO-56 eq. 35; the spread common practice */
export function sun_W_m2(latitude_deg: number, dayOfYear: number, sunshine_frac: number, hour: number): number {
  const day = dayLength_h(latitude_deg, dayOfYear);
  if (day <= 0 || extraterrestrial_MJ_m2(latitude_deg, dayOfYear) <= 0) return 0;
  const total_J = solar_MJ_m2(latitude_deg, dayOfYear, sunshine_frac) * 1e6;
  const through = (hour - (12 - day / 2)) / day;
  if (through <= 0 || through >= 1) return 0;
  return ((total_J * Math.PI) / 2 / (day * 3600)) * Math.sin(Math.PI * through);
}
