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
    const known = days.filter((day) => limitOn(rules, i + 1, day)?.stress !== 'unknown');
    const can = known.filter((day) => limitOn(rules, i + 1, day) === null).length;
    return { rung: i + 1, days: known.length, can_frac: known.length === 0 ? 0 : can / known.length };
  });
}

/** Below this share a rung is as good as never done. Common practice, no source. */
export const NEVER_frac = 0.05;
