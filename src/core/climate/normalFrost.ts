import { normalCdf } from '../numerics/normal.ts';
import { dayFromCivil } from '../calendar/dayNumber.ts';
import { outsideClimate, type MonthNormal } from '../schedule/outsideClimate.ts';

/** Spread of a night about its normal, K. Common practice, no source (3-4 K in temperate springs). */
const NIGHT_SD_K = 3.5;
/** One night is much like the next: so many count as one. Common practice, no source. */
const NIGHTS_ALIKE = 3;

/**
 * Chance that any night from a day on, up to midsummer, is at or below a threshold, from monthly normals alone: nights normal
 * about the course through the normals, three in a row counted as one. An approximation where no daily history is at hand.
 * @returns chance by day from the first of the season (1 January, or 1 July in the south), rising frost-free; length 197
 */
export function springOddsFromNormals(
  normals: readonly MonthNormal[],
  threshold_C: number,
  south: boolean,
): Float64Array {
  const from = dayFromCivil(2001, south ? 7 : 1, 1);
  const { night_C } = outsideClimate(normals, from, 197);
  const odds = new Float64Array(197);
  let free = 1;
  for (let i = 196; i >= 0; i--) {
    free *= (1 - normalCdf((threshold_C - night_C[i]!) / NIGHT_SD_K)) ** (1 / NIGHTS_ALIKE);
    odds[i] = 1 - free;
  }
  return odds;
}
