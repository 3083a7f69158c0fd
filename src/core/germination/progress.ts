import type { GerminationRate } from './germinationRate.ts';

/**
 * Progress towards half up over hours: the sum of rate(T) x 1/24 day over the medium's temperature, hour by hour. Half are
 * up when the progress since sowing reaches 1.
 * @param hours_C temperature of each hour, degrees Celsius, any number of hours
 * @source thermal time for varying temperature, Garcia-Huidobro, Monteith & Squire 1982, J. Exp. Bot. 33, 288-296
 * @example progressOverHours(() => 0.1, new Float64Array(24)) // 0.1
 */
export function progressOverHours(rate: GerminationRate, hours_C: ArrayLike<number>): number {
  let progress = 0;
  let [last_C, last] = [NaN, 0];
  for (let i = 0; i < hours_C.length; i++) {
    // What is held has hours alike.
    if (hours_C[i] !== last_C) {
      last_C = hours_C[i]!;
      last = rate(last_C);
    }
    progress += last;
  }
  return progress / 24;
}
