import { WORDS } from '../../words/en/germination/cardinalFit.ts';
/** Half-up time of one lot at one constant temperature; null = none came up. */
export interface TrialPoint {
  readonly temperature_C: number;
  readonly t50_days: number | null;
}

export type CardinalFit =
  | {
      readonly kind: 'fitted';
      readonly base_C: number;
      readonly theta_degreeDays: number;
      /** null when the trial says nothing of temperatures above the best. */
      readonly optimum_C: number | null;
      readonly ceiling_C: number | null;
      /** Standard deviation of the rates around the lines, per day. */
      readonly residual_perDay: number;
      readonly points_count: number;
    }
  | { readonly kind: 'too few'; readonly reason: string };

/** A rate counts as past the best when it is below this share of what the rising line would give. Common practice, no source. */
const HOT_frac = 0.9;

interface Line {
  readonly slope: number;
  readonly intercept: number;
  readonly squares: number;
}

/**
 * Cardinal temperatures of a lot from a trial at several constant temperatures: straight lines of 1/t50 below and above
 * the best temperature, split where the squares left are least. The best and the ceiling are told only where two points or
 * more lie beyond the best.
 * @param points at least three temperatures at which half came up
 * @source Garcia-Huidobro, Monteith & Squire 1982, J. Exp. Bot. 33, 288-296
 */
export function cardinalFit(points: readonly TrialPoint[]): CardinalFit {
  const seen = new Set<number>();
  const up = points
    .filter((p) => p.t50_days !== null && p.t50_days > 0)
    .map((p) => ({ x: p.temperature_C, y: 1 / p.t50_days! }))
    .sort((a, b) => a.x - b.x);
  for (const { x } of up) seen.add(x);
  if (seen.size < 3) {
    return {
      kind: 'too few',
      reason: WORDS.halfCameUpAtThree(seen.size === 1 ? WORDS.oneTemperature : WORDS.temperatures(seen.size)),
    };
  }
  let best: { below: Line; above: Line | null; squares: number } | null = null;
  for (let split = 2; split <= up.length; split++) {
    const rest = up.slice(split);
    const below = lineThrough(up.slice(0, split));
    const above = rest.length >= 2 ? lineThrough(rest) : null;
    if (!below || !(below.slope > 0) || (above && !(above.slope < 0))) continue;
    // What still lies on the rising line is no hot point; one hot point alone says only that the best is passed.
    const first = rest[0];
    if (first && below && first.y > HOT_frac * (below.intercept + below.slope * first.x)) continue;
    const squares = below.squares + (above?.squares ?? 0);
    // Two points leave nothing: a line through more is preferred when it is as good.
    if (!best || squares < best.squares * (1 - 1e-9)) best = { below, above, squares };
  }
  if (!best) return { kind: 'too few', reason: WORDS.theRatesDoNotRise };
  const { below, above } = best;
  const free = Math.max(1, up.length - (above ? 4 : 2));
  return {
    kind: 'fitted',
    base_C: -below.intercept / below.slope,
    theta_degreeDays: 1 / below.slope,
    optimum_C: above ? (above.intercept - below.intercept) / (below.slope - above.slope) : null,
    ceiling_C: above ? -above.intercept / above.slope : null,
    residual_perDay: Math.sqrt(best.squares / free),
    points_count: up.length,
  };
}

function lineThrough(points: readonly { x: number; y: number }[]): Line | null {
  const n = points.length;
  const mx = points.reduce((sum, p) => sum + p.x, 0) / n;
  const my = points.reduce((sum, p) => sum + p.y, 0) / n;
  const xx = points.reduce((sum, p) => sum + (p.x - mx) ** 2, 0);
  if (!(xx > 0)) return null;
  const slope = points.reduce((sum, p) => sum + (p.x - mx) * (p.y - my), 0) / xx;
  const intercept = my - slope * mx;
  const squares = points.reduce((sum, p) => sum + (p.y - intercept - slope * p.x) ** 2, 0);
  return { slope, intercept, squares };
}
