import { requireRange } from './guard.ts';
import { normalQuantile } from './normal.ts';
import { WORDS } from '../../words/en/numerics/student.ts';

/**
 * The t below which a share p of Student's distribution lies.
 * @param p above 0 and below 1
 * @param freedom degrees of freedom, 1 or more, whole or not
 * @source Hill 1970, Algorithm 396, Comm. ACM 13, 619-620 (exact for 1 and 2; below, a Cornish-Fisher start)
 * @accuracy 1e-3 of the value against a statistics library, 1 to 200 degrees of freedom, p from 0.01 to 0.99
 * @example studentQuantile(0.9, 4) // 1.533
 */
export function studentQuantile(p: number, freedom: number): number {
  requireRange('share', p, 1e-12, 1 - 1e-12);
  requireRange(WORDS.degreesOfFreedom, freedom, 1, 1e9);
  if (p === 0.5) return 0;
  const tail = 2 * Math.min(p, 1 - p);
  const sign = p < 0.5 ? -1 : 1;
  if (freedom === 1) return sign / Math.tan((tail * Math.PI) / 2);
  if (freedom === 2) return sign * Math.sqrt(2 / (tail * (2 - tail)) - 2);
  const n = freedom;
  const a = 1 / (n - 0.5);
  const b = (48 / a) * (1 / a);
  let c = ((20700 * a) / b - 98) * a - 16;
  c = c * a + 96.36;
  const d = ((94.5 / (b + c) - 3) / b + 1) * Math.sqrt((a * Math.PI) / 2) * n;
  let y = (d * tail) ** (2 / n);
  if (y > 0.05 + a) {
    const x = normalQuantile(tail / 2);
    y = x * x;
    if (n < 5) c += 0.3 * (n - 4.5) * (x + 0.6);
    c = (((0.05 * d * x - 5) * x - 7) * x - 2) * x + b + c;
    y = (((((0.4 * y + 6.3) * y + 36) * y + 94.5) / c - y - 3) / b + 1) * x;
    y = a * y * y;
    y = y > 0.002 ? Math.expm1(y) : (y * y) / 2 + y;
  } else {
    y =
      ((1 / (((n + 6) / (n * y) - 0.089 * d - 0.822) * (n + 2) * 3) + 0.5 / (n + 4)) * y - 1) * ((n + 1) / (n + 2)) +
      1 / y;
  }
  return sign * Math.sqrt(n * y);
}
