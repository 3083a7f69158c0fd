import { SPREAD_SIGMA, ALL_UP_PROGRESS } from '../../germination/spread.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import { normalQuantile } from '../../numerics/normal.ts';
import { WORDS } from '../../../words/en/plan/offHeat.ts';

/**
 * Progress (1 = half up) at which a tray is ready to leave the heat by a rule; days after half up are counted apart.
 * A share is of the seeds thought to come up: the log-normal spread gives exp(sigma z(share)).
 * @throws RangeError when a share is not from 0.5 to below 1
 * @source common practice, no source (the schools); the spread as in germination/spread.ts
 * @example progressOffHeat({ kind: 'half-up' }) // 1
 */
export function progressOffHeat(rule: OffHeatRule): number {
  if (rule.kind === 'all-up') return ALL_UP_PROGRESS;
  if (rule.kind !== 'share') return 1;
  const { share_frac } = rule;
  if (!(share_frac >= 0.5 && share_frac < 1)) throw new RangeError(`share_frac: ${share_frac}, wanted 0.5 to below 1`);
  return Math.max(1, Math.exp(SPREAD_SIGMA * normalQuantile(share_frac)));
}

/** The rule in words, as it follows "off the heat". */
export function offHeatWords(rule: OffHeatRule): string {
  switch (rule.kind) {
    case 'half-up':
      return WORDS.andIntoTheLightThe;
    case 'all-up':
      return WORDS.when90OfThoseThat;
    case 'share':
      return WORDS.whenOfThoseThatWill(Math.round(100 * rule.share_frac));
    case 'days-after':
      return WORDS.afterHalfUp(rule.days, rule.days === 1 ? WORDS.day : WORDS.days);
  }
}
