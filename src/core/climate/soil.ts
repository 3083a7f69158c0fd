import type { DayNumber } from '../calendar/dayNumber.ts';
import type { OutsideClimate } from '../schedule/outsideClimate.ts';

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
 * Usual soil temperature at a depth, day by day: the yearly wave of the air's daily mean, damped and late by depth. The
 * surface is taken for the air; bare dark soil in sun is warmer, mulched or wet soil colder, so a thermometer corrects it.
 * @param depth_m 0 to 5
 */
export function usualSoil_C(outside: OutsideClimate, depth_m: number): (day: DayNumber) => number {
  const n = Math.min(outside.day_C.length, 365);
  let mean = 0;
  let cos = 0;
  let sin = 0;
  for (let i = 0; i < n; i++) {
    const t = (outside.day_C[i]! + outside.night_C[i]!) / 2;
    const angle = (2 * Math.PI * i) / YEAR_days;
    mean += t / n;
    cos += (2 * t * Math.cos(angle)) / n;
    sin += (2 * t * Math.sin(angle)) / n;
  }
  const late = depth_m / dampingDepth_m();
  const amplitude = Math.hypot(cos, sin) * Math.exp(-late);
  const phase = Math.atan2(sin, cos);
  return (day) => mean + amplitude * Math.cos((2 * Math.PI * (day - outside.from)) / YEAR_days - phase - late);
}
