import { binomialAtLeast } from '../numerics/binomial.ts';
import { requireRange } from '../numerics/guard.ts';
import { WORDS } from '../../words/en/potting/keep.ts';

/** No house raises so many of one batch; asked for more, so many are said. */
const MOST = 1_000_000;

/**
 * How many of the best to pot so that at least those wanted are left with the chosen chance, each being lost by itself.
 * @param loss_frac share still to be lost after potting, 0 to below 1
 * @param confidence 0.5 to 0.999
 * @source binomial quantile
 * @example keepFor(100, 0.05, 0.9) // 109
 */
export function keepFor(wanted: number, loss_frac: number, confidence: number): number {
  requireRange(WORDS.plantsWanted, wanted, 1, 1_000_000);
  requireRange(WORDS.lossesAfterPotting, loss_frac, 0, 0.9);
  requireRange('confidence', confidence, 0.5, 0.999);
  const enough = (n: number) => binomialAtLeast(wanted, n, 1 - loss_frac) >= confidence;
  let low = wanted;
  let high = wanted;
  while (high < MOST && !enough(high)) high = Math.min(MOST, high + Math.max(8, Math.ceil(high / 8)));
  while (low < high) {
    const mid = (low + high) >> 1;
    if (enough(mid)) high = mid;
    else low = mid + 1;
  }
  return low;
}
