import { normalCdf } from '../numerics/normal.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import { milestoneOf, noonOf, type Chain } from '../plan/schedule/chain.ts';
import type { Progress } from './progress.ts';
import { windowOf } from './tolerance.ts';

/** Relative spread of the days to come up, and of the days to grow by batch and by year. Common practice, no source. */
export const GERMINATION_SPREAD_frac = 0.2;
export const GROWTH_SPREAD_frac = 0.15;
export const YEAR_SPREAD_frac = 0.08;

/**
 * Spread of the day a batch is ready, one standard deviation, from the days it still has to come up and to grow.
 * @source common practice, no source: a fifth of the days to come up, and of the growing days 15% by batch and 8% by year
 */
export function readySpread_days(germinating_days: number, growing_days: number): number {
  const germinating = GERMINATION_SPREAD_frac * germinating_days;
  return Math.hypot(germinating, GROWTH_SPREAD_frac * growing_days, YEAR_SPREAD_frac * growing_days);
}

/** Days a chain still has to come up and to grow from a time on; nothing of what is done. */
export function daysToCome(chain: Chain, from_t: number): { germinating_days: number; growing_days: number } {
  const t = (key: Parameters<typeof milestoneOf>[1]) => milestoneOf(chain, key)?.t ?? null;
  const start = t('sow') ?? t('arrive') ?? from_t;
  const half = t('half-up') ?? start;
  const between = (a: number, b: number) => Math.max(0, b - Math.max(a, from_t));
  return { germinating_days: between(start, half), growing_days: between(half, Math.min(chain.ready_t, t('plant')!)) };
}

/**
 * Chance that a batch's plants are ready by the last day that is as good, as its forecast and its spread have it; what the
 * weather lets is told apart. null where there is no forecast, 1 for what is out already.
 */
export function readyInTime_frac(
  { forecast }: Pick<Progress, 'forecast'>,
  plan: Pick<BatchPlan, 'transplantOn' | 'before_days' | 'after_days' | 'hardening_days'>,
  today: number,
): number | null {
  if (forecast.kind !== 'chain') return null;
  const harden = milestoneOf(forecast, 'harden')!;
  if (milestoneOf(forecast, 'plant')!.status === 'done') return 1;
  const lastDay = plan.transplantOn + windowOf(plan).after_days;
  // Hardened for its days once it is ready; what hardens already has only days to wait.
  const ready_t = harden.status === 'done' ? harden.t : forecast.ready_t;
  const spare_days = noonOf(lastDay) + 0.5 - (ready_t + plan.hardening_days);
  const { germinating_days, growing_days } = daysToCome(forecast, noonOf(today));
  const spread = readySpread_days(germinating_days, growing_days);
  if (harden.status === 'done' || spread === 0) return spare_days >= 0 ? 1 : 0;
  return normalCdf(spare_days / spread);
}
