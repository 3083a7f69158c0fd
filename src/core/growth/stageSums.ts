import { COMMON_PRACTICE } from '../explanation.ts';
import { daysToEmerge, germinationRate } from '../germination/germinationRate.ts';
import type { Crop } from '../books/crop.ts';
import { reference_degreeDays } from './growthRate.ts';
import { WORDS } from '../../words/en/growth/stageSums.ts';

/** Days a plant stands still after potting. @source common practice, no source ("two or three days") */
export const POTTING_CHECK_DAYS = 2;
/** Weeks at the reference temperatures, beyond the long end of the rule of weeks, until a plant is over-age. */
export const OVER_AGE_WEEKS = 2;
/** Share of the time in the pot after which leaves touch and trays are spaced. */
export const SPACE_AT_frac = 0.5;
/** Latest share of its growth at which a plant is still potted. Common practice, no source. */
const LATEST_POT_frac = 0.8;
export const STAGE_SUM_SOURCE = WORDS.ruleOfWeeksOfThe(COMMON_PRACTICE);

/** Degree-days above the crop's base from half up. */
export interface StageSums {
  /** Half up to ready for hardening. */
  readonly ready_degreeDays: number;
  /** Half up to ready for the pot; null for crops that are not potted by this route. */
  readonly pot_degreeDays: number | null;
  /** Half up to spacing out; null without potting. */
  readonly space_degreeDays: number | null;
  /** Half up to over-age. */
  readonly overAge_degreeDays: number;
  /** Times the book's growth that is in these. */
  readonly growth_factor: number;
}

/** Weeks from sowing to the first hardening day by the crop's rule: the middle of its range. */
export function ruleWeeks(crop: Pick<Crop, 'weeksLow' | 'weeksHigh'>): number {
  return (crop.weeksLow + crop.weeksHigh) / 2;
}

/**
 * Stage sums that give back the crop's rule of weeks at its reference temperatures (best germination temperature, then
 * growDay_C and growNight_C in good light), the usual route of the crop included.
 * @param growth_factor times the book's growth it needs in this house, as learned
 * @param age_frac growth at which it is to go out, as a share of what the rule of weeks gives: below 1 young, above 1 large
 * @throws RangeError when the crop never germinates at its best temperature, gains nothing at its reference
 * temperatures, or its weeks leave no time to grow
 */
export function stageSums(crop: Crop, potted: boolean, age_frac = 1, growth_factor = 1): StageSums {
  const emerge_days = daysToEmerge(germinationRate(crop), crop.germBest_C);
  if (emerge_days === null) {
    throw new RangeError(WORDS.neverGerminatesAtItsOwn(crop.name, crop.germBest_C));
  }
  const perDay = reference_degreeDays(crop);
  const check_days = crop.potted ? POTTING_CHECK_DAYS : 0;
  const grow_days = ruleWeeks(crop) * 7 - emerge_days - check_days;
  if (!(perDay > 0)) throw new RangeError(WORDS.doesNotGrowAtIts(crop.name, crop.base_C));
  if (!(grow_days > 0)) throw new RangeError(WORDS.weeksLeaveNoTimeAfter(crop.name, ruleWeeks(crop)));
  const ready = grow_days * perDay * growth_factor;
  const grown = ready * age_frac;
  // A young plant that is potted all the same is potted well before it goes out.
  const pot = potted ? Math.min(ready * crop.potAt_frac, grown * LATEST_POT_frac) : null;
  return {
    ready_degreeDays: grown,
    pot_degreeDays: pot,
    space_degreeDays: pot === null ? null : pot + (grown - pot) * SPACE_AT_frac,
    overAge_degreeDays:
      Math.max(ready, grown) + ((crop.weeksHigh - crop.weeksLow) / 2 + OVER_AGE_WEEKS) * 7 * perDay * growth_factor,
    growth_factor,
  };
}
