import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { countFault, type Count } from './indices.ts';
import { WORDS } from '../../words/en/germination/hillFit.ts';

/** A four-parameter Hill curve through counts: y = y0 + a t^b / (c^b + t^b), y in percent of the seeds sown. */
export interface HillFit {
  readonly y0_percent: number;
  readonly a_percent: number;
  readonly b: number;
  /** Days after sowing by which half of those that come are up. */
  readonly c_days: number;
  /** Standard deviation of what the curve leaves, percent. */
  readonly residual_percent: number;
}
export type HillOutcome =
  | { readonly kind: 'fitted'; readonly fit: HillFit }
  | { readonly kind: 'too few'; readonly reason: string }
  | { readonly kind: 'not converged'; readonly reason: string; readonly residual_percent: number };

/** Counts with something new in them that a curve needs. */
const LEAST_COUNTS = 4;
/** A curve further than this from the counts is not shown as one. */
const MOST_RESIDUAL_percent = 8;

/**
 * Fits the curve by least squares.
 * @param counts cumulative, days after sowing rising
 * @param sown seeds sown, above 0
 * @source El-Kassaby et al. 2008, Seed Sci. Res. 18, 29-36 (four-parameter Hill function)
 */
export function hillFit(counts: readonly Count[], sown: number): HillOutcome {
  const fault = countFault(counts, sown);
  if (fault) return { kind: 'too few', reason: fault.reason };
  const rising = counts.filter((c, i) => c.up > (counts[i - 1]?.up ?? 0));
  const up = counts.at(-1)?.up ?? 0;
  if (counts.length < LEAST_COUNTS || rising.length < 3) {
    const words =
      rising.length === 1 ? WORDS.allCameUpBetweenTwo : WORDS.countsOfThemHigherThan(counts.length, rising.length);
    return { kind: 'too few', reason: WORDS.aCurveNeedsCountsWith(words, LEAST_COUNTS) };
  }
  const x = counts.map((c) => c.day);
  const y = counts.map((c) => (100 * c.up) / sown);
  const final = (100 * up) / sown;
  const half = x[y.findIndex((v) => v >= final / 2)]!;
  const last = x.at(-1)!;
  const answer = levenbergMarquardt(
    { x, y },
    ([y0, a, b, c]) =>
      (t) =>
        t <= 0 ? y0! : y0! + a! / (1 + (c! / t) ** b!),
    {
      initialValues: [0, final, 8, half],
      minValues: [-5, 0, 0.5, 0.1],
      maxValues: [10, 110, 80, 3 * last],
      damping: 0.05,
      gradientDifference: 1e-4,
      maxIterations: 120,
      errorTolerance: 1e-8,
    },
  );
  const [y0_percent, a_percent, b, c_days] = answer.parameterValues as [number, number, number, number];
  const at = (t: number) => (t <= 0 ? y0_percent : y0_percent + a_percent / (1 + (c_days / t) ** b));
  const squares = x.reduce((sum, t, i) => sum + (at(t) - y[i]!) ** 2, 0);
  const residual_percent = Math.sqrt(squares / Math.max(1, x.length - 4));
  // The library does not say whether it converged: what is left does.
  if (!(residual_percent <= MOST_RESIDUAL_percent)) {
    return { kind: 'not converged', reason: WORDS.noCurveOfThisShape, residual_percent };
  }
  return { kind: 'fitted', fit: { y0_percent, a_percent, b, c_days, residual_percent } };
}

/** Percent up on a day by a fitted curve. */
export function hillAt(fit: HillFit, day: number): number {
  return day <= 0 ? fit.y0_percent : fit.y0_percent + fit.a_percent / (1 + (fit.c_days / day) ** fit.b);
}
