import { requireRange } from './guard.ts';

/** Below this share of the largest term nothing more is added up. */
const TRIFLE = 1e-18;
/** A share that is met but for the rounding of its sum is met. */
const ROUNDING = 1e-12;

/** log(n!), exact sums kept up to the largest asked for. */
const logFactorials = [0];
export function logFactorial(n: number): number {
  for (let i = logFactorials.length; i <= n; i++) logFactorials.push(logFactorials[i - 1]! + Math.log(i));
  return logFactorials[n]!;
}

/**
 * Chance of exactly k successes in n tries.
 * @param p chance of one, 0 to 1
 * @example binomialPmf(1, 2, 0.5) // 0.5
 */
export function binomialPmf(k: number, n: number, p: number): number {
  if (k < 0 || k > n) return 0;
  if (p <= 0) return k === 0 ? 1 : 0;
  if (p >= 1) return k === n ? 1 : 0;
  return Math.exp(logFactorial(n) - logFactorial(k) - logFactorial(n - k) + k * Math.log(p) + (n - k) * Math.log1p(-p));
}

/**
 * Chance of at least k successes in n tries.
 * @param k whole number
 * @param n whole number, 0 to a million
 * @param p chance of one, 0 to 1
 * @throws RangeError for n or p out of bounds
 * @accuracy 1e-11 against a statistics library
 * @example binomialAtLeast(1, 2, 0.5) // 0.75
 */
export function binomialAtLeast(k: number, n: number, p: number): number {
  requireRange('tries', n, 0, 1_000_000);
  requireRange('chance', p, 0, 1);
  if (k <= 0) return 1;
  if (k > n) return 0;
  // The shorter tail is added up from its large end.
  if (k > n * p) return upFrom(k, n, p);
  return 1 - upFrom(n - k + 1, n, 1 - p);
}

/** Sum of the terms from k up, each from the one before. */
function upFrom(k: number, n: number, p: number): number {
  let term = binomialPmf(k, n, p);
  let sum = term;
  const odds = p / (1 - p);
  for (let i = k; i < n && term > sum * TRIFLE; i++) {
    term *= ((n - i) / (i + 1)) * odds;
    sum += term;
  }
  return Math.min(1, sum);
}

/**
 * The smallest k with P(at most k) >= q.
 * @param q share, above 0 and below 1
 * @example binomialQuantile(0.5, 10, 0.5) // 5
 */
export function binomialQuantile(q: number, n: number, p: number): number {
  if (!(q > 0 && q < 1)) throw new RangeError(`q is ${q}; it must lie between 0 and 1`);
  let low = 0;
  let high = n;
  while (low < high) {
    const mid = (low + high) >> 1;
    // P(at most mid) = 1 - P(at least mid + 1)
    if (1 - binomialAtLeast(mid + 1, n, p) >= q - ROUNDING) high = mid;
    else low = mid + 1;
  }
  return low;
}
