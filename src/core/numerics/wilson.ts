import { requireRange } from './guard.ts';
import { normalQuantile } from './normal.ts';

/**
 * Wilson score interval of a share.
 * @param k successes, 0 to n
 * @param n tries, at least 1
 * @param level share of such intervals that hold the truth, for example 0.9
 * @returns lower and upper bound, 0 to 1
 * @throws RangeError when k or n is out of bounds
 * @source Wilson 1927, J. Am. Stat. Assoc. 22, 209-212
 * @example wilson(0, 10, 0.95).high // 0.2775
 */
export function wilson(k: number, n: number, level = 0.9): { readonly low: number; readonly high: number } {
  requireRange('tries', n, 1, 1e9);
  requireRange('successes', k, 0, n);
  const z = normalQuantile(0.5 + level / 2);
  const p = k / n;
  const middle = p + (z * z) / (2 * n);
  const half = z * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  const under = 1 + (z * z) / n;
  return { low: Math.max(0, (middle - half) / under), high: Math.min(1, (middle + half) / under) };
}
