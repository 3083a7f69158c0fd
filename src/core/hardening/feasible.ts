import { limitOn, type LadderDay, type LadderRules } from './ladder.ts';

/** How often a rung can be done. */
export interface RungOdds {
  readonly rung: number;
  /** Days looked at. */
  readonly days: number;
  readonly can_frac: number;
}

/**
 * Share of days on which each rung of a ladder could be done, by days the site has had at the time of year. Wind is seldom known
 * of past days; where it is not, it is not counted against a rung.
 */
export function rungOdds(rules: LadderRules, days: readonly LadderDay[]): RungOdds[] {
  return rules.rungs.map((_, i) => {
    const limits = days.map((day) => limitOn(rules, i + 1, day)).filter((limit) => limit?.stress !== 'unknown');
    const can = limits.filter((limit) => limit === null || limit.stress === 'calm?').length;
    return { rung: i + 1, days: limits.length, can_frac: limits.length === 0 ? 0 : can / limits.length };
  });
}

/** Below this share a rung is as good as never done. Common practice, no source. */
export const NEVER_frac = 0.05;
/** Days of the site's years wanted before anything is said of a rung. */
const LEAST_days = 60;

/** Whether the site's years say that a rung is as good as never done at that time of year. */
export function asGoodAsNever({ days, can_frac }: RungOdds): boolean {
  return days >= LEAST_days && can_frac < NEVER_frac;
}
