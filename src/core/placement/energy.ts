/** What a place's heat on one day follows from. */
export interface HeatNeed {
  /** Heat lost for each kelvin above what the place would have unheated, W/K. */
  readonly loss_W_per_K: number;
  readonly setDay_C: number;
  readonly setNight_C: number;
  /** What the place would have unheated. */
  readonly freeDay_C: number;
  readonly freeNight_C: number;
}

/**
 * Heat for one day: loss coefficient x kelvin above unheated, twelve hours by day and twelve by night, kWh. Steady state:
 * what sun, wetting and thick beds store or take is neglected, which a bench of sand evens out over a day or two.
 * This is the one place to put a better reckoning of heat.
 * @source steady-state heat loss Q = U A dT (ISO 6946 gives U); U A is the place's own figure
 * @example heatNeed_kWh({loss_W_per_K: 20, setDay_C: 20, setNight_C: 20, freeDay_C: 10, freeNight_C: 5}) // 6
 */
export function heatNeed_kWh({ loss_W_per_K, setDay_C, setNight_C, freeDay_C, freeNight_C }: HeatNeed): number {
  const day_K = Math.max(0, setDay_C - freeDay_C);
  const night_K = Math.max(0, setNight_C - freeNight_C);
  return (loss_W_per_K * 12 * (day_K + night_K)) / 1000;
}
