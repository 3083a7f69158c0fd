import type { DayNumber } from '../calendar/dayNumber.ts';

/** Share of the way to the day's mean that soil at 10 cm goes in a day. Common practice, no source (a lag of some four days). */
export const SOIL_LAG_frac = 0.22;
/** Days over which a thermometer's word fades to the model's. Common practice, no source. */
const FADES_days = 30;

/** A reading of the soil thermometer. */
export interface SoilReading {
  readonly day: DayNumber;
  readonly value_C: number;
}

/**
 * Soil at 10 cm on each day from `from`: a first-order lag on the day's mean air, corrected by the grower's thermometer, whose
 * word fades over a month as the lag goes on.
 * @param mean_C mean air of each day, measured, forecast or usual
 * @param start_C soil on the first day
 * @source the lag as in computation of soil temperature by running means (Zheng, Hunt & Running 1993, Clim. Res. 2, 183; from memory); the correction common practice
 */
export function soilNow_C(
  from: DayNumber,
  mean_C: ArrayLike<number>,
  start_C: number,
  readings: readonly SoilReading[],
): Float64Array {
  const soil = new Float64Array(mean_C.length);
  const read = new Map(readings.map((r) => [r.day, r.value_C]));
  let plain = start_C;
  let off_K = 0;
  for (let i = 0; i < mean_C.length; i++) {
    if (i > 0) plain += SOIL_LAG_frac * (mean_C[i]! - plain);
    off_K *= Math.exp(-1 / FADES_days);
    const told = read.get(from + i);
    if (told !== undefined) off_K = told - plain;
    soil[i] = plain + off_K;
  }
  return soil;
}
