import { normalQuantile } from '../../numerics/normal.ts';
import { TRIFLE_perTrayDay, type BatchSpec, type Weights } from './instance.ts';

/** Points of the spread over which a day's price is averaged: the middles of so many equal shares. */
const POINTS = 39;
const QUANTILES = Array.from({ length: POINTS }, (_, i) => Math.max(0, normalQuantile((i + 0.5) / POINTS)));

/** Price of going out on a day that is certain: late or early outside the window. */
function certainOutPrice(weights: Weights, spec: BatchSpec, out: number): number {
  const late = out - (spec.target + spec.after_days);
  if (late > 0) return weights.late_perTrayDay * spec.trays * spec.weight * late;
  const early = spec.target - spec.before_days - out;
  if (early > 0) return weights.early_perTrayDay * spec.trays * early;
  return TRIFLE_perTrayDay * spec.trays * Math.abs(out - spec.target);
}

/**
 * Price of being planned to go out on each day, averaged over how fast things come up and grow: what is ready sooner waits
 * for its day, what is not goes out so many days later.
 * @source the newsvendor's choice: the mean price under a normal spread, by its quantiles
 */
export function outPricesOf(weights: Weights, spec: BatchSpec, days: number): Float64Array {
  const { spread_days = 0 } = spec;
  return Float64Array.from({ length: days }, (_, d) => {
    if (spread_days <= 0) return certainOutPrice(weights, spec, d);
    let sum = 0;
    for (const z of QUANTILES) sum += certainOutPrice(weights, spec, d + z * spread_days);
    return sum / POINTS;
  });
}
