import { requireRange } from './guard.ts';
import { WORDS } from '../../words/en/numerics/monotoneCubic.ts';

/** A point (x, y) of a table. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/**
 * Shape-preserving cubic through a table: passes each point, never overshoots between two.
 * Outside the table it returns the end value; callers decide what lies beyond.
 *
 * Slopes are the mean of neighbouring secants, zero at local extremes, then limited to the circle
 * a^2 + b^2 <= 9 in units of the secant.
 * @param points at least two, x strictly increasing, otherwise RangeError
 * @source Fritsch & Carlson 1980, SIAM J. Numer. Anal. 17, 238-246
 * @example monotoneCubic([{x: 0, y: 0}, {x: 1, y: 1}])(0.5) // 0.5
 */
export function monotoneCubic(points: readonly Point[]): (x: number) => number {
  requireRange(WORDS.numberOfPoints, points.length, 2, 10_000);
  const n = points.length;
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const secants: number[] = [];
  for (let i = 0; i < n - 1; i++) {
    if (!(xs[i + 1]! > xs[i]!)) throw new RangeError(`x must increase; it does not at point ${i + 1}`);
    secants.push((ys[i + 1]! - ys[i]!) / (xs[i + 1]! - xs[i]!));
  }
  const slopes = limitedSlopes(secants, n);

  return (x: number): number => {
    if (!(x > xs[0]!)) return ys[0]!;
    if (x >= xs[n - 1]!) return ys[n - 1]!;
    let i = 0;
    while (x >= xs[i + 1]!) i++;
    const h = xs[i + 1]! - xs[i]!;
    const s = (x - xs[i]!) / h;
    const s2 = s * s;
    const s3 = s2 * s;
    return (
      ys[i]! * (2 * s3 - 3 * s2 + 1) +
      h * slopes[i]! * (s3 - 2 * s2 + s) +
      ys[i + 1]! * (3 * s2 - 2 * s3) +
      h * slopes[i + 1]! * (s3 - s2)
    );
  };
}

function limitedSlopes(secants: readonly number[], n: number): number[] {
  const slopes: number[] = [];
  for (let i = 0; i < n; i++) {
    const left = secants[Math.max(0, i - 1)]!;
    const right = secants[Math.min(n - 2, i)]!;
    slopes.push(left * right <= 0 ? 0 : (left + right) / 2);
  }
  for (let i = 0; i < n - 1; i++) {
    const secant = secants[i]!;
    if (secant === 0) {
      slopes[i] = 0;
      slopes[i + 1] = 0;
      continue;
    }
    const length = Math.hypot(slopes[i]! / secant, slopes[i + 1]! / secant);
    if (length > 3) {
      slopes[i] = (3 / length) * slopes[i]!;
      slopes[i + 1] = (3 / length) * slopes[i + 1]!;
    }
  }
  return slopes;
}
