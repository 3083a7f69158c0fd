import type { DayNumber } from '../calendar/dayNumber.ts';
import { usualSurface_C } from './soilSurface.ts';
import type { OutsideClimate } from '../plan/schedule/outsideClimate.ts';

const YEAR_days = 365.2425;
const OMEGA_per_s = (2 * Math.PI) / (YEAR_days * 86_400);
/** Thermal diffusivity of moist loam, m2/s. @source van Wijk & de Vries 1963, in Physics of Plant Environment, table of soils (middle of 0.4-0.6e-6; from memory) */
const MOIST_LOAM_m2_s = 0.5e-6;

/**
 * Depth at which the yearly wave is e times smaller, m.
 * @source van Wijk & de Vries 1963: D = sqrt(2 kappa / omega)
 */
export function dampingDepth_m(diffusivity_m2_s = MOIST_LOAM_m2_s): number {
  return Math.sqrt((2 * diffusivity_m2_s) / OMEGA_per_s);
}

/**
 * The yearly wave through a run of daily surface temperatures, damped and late by depth.
 * @param surface_C a year of days from `from`
 * @param depth_m 0 to 5
 * @source van Wijk & de Vries 1963: T(z, t) = mean + A exp(-z/D) sin(omega t - z/D)
 */
export function yearlyWave(from: DayNumber, surface_C: ArrayLike<number>, depth_m: number): (day: DayNumber) => number {
  const n = Math.min(surface_C.length, 365);
  let mean = 0;
  let cos = 0;
  let sin = 0;
  for (let i = 0; i < n; i++) {
    const angle = (2 * Math.PI * i) / YEAR_days;
    mean += surface_C[i]! / n;
    cos += (2 * surface_C[i]! * Math.cos(angle)) / n;
    sin += (2 * surface_C[i]! * Math.sin(angle)) / n;
  }
  const late = depth_m / dampingDepth_m();
  const amplitude = Math.hypot(cos, sin) * Math.exp(-late);
  const phase = Math.atan2(sin, cos);
  return (day) => mean + amplitude * Math.cos((2 * Math.PI * (day - from)) / YEAR_days - phase - late);
}

/** Usual soil temperature at a depth, day by day: the wave of bare sunlit soil's surface. A thermometer puts it right. */
export function usualSoil_C(
  outside: OutsideClimate,
  depth_m: number,
  latitude_deg: number,
): (day: DayNumber) => number {
  return yearlyWave(outside.from, usualSurface_C(outside, latitude_deg), depth_m);
}
