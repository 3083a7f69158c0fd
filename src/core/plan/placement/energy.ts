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
export function heatNeed_kWh(need: HeatNeed): number {
  const { day_kWh, night_kWh } = heatParts_kWh(need);
  return day_kWh + night_kWh;
}

/** The same by its twelve hours of day (6 to 18 by the clock) and of night. */
export interface HeatParts {
  readonly day_kWh: number;
  readonly night_kWh: number;
}

export function heatParts_kWh({ loss_W_per_K, setDay_C, setNight_C, freeDay_C, freeNight_C }: HeatNeed): HeatParts {
  return {
    day_kWh: (loss_W_per_K * 12 * Math.max(0, setDay_C - freeDay_C)) / 1000,
    night_kWh: (loss_W_per_K * 12 * Math.max(0, setNight_C - freeNight_C)) / 1000,
  };
}

/**
 * What heat costs: by the mean price of the day's hours and that of the night's.
 * @param heatNight_factor price of the twelve hours of night as a share of the mean of all; absent: 1, one price
 */
export function heatMoney(
  { day_kWh, night_kWh }: HeatParts,
  { heat_perkWh, heatNight_factor = 1 }: { readonly heat_perkWh: number; readonly heatNight_factor?: number },
): number {
  return heat_perkWh * (day_kWh * (2 - heatNight_factor) + night_kWh * heatNight_factor);
}
