import type { DayNumber } from '../../calendar/dayNumber.ts';
import { ruleWeeks } from '../../growth/stageSums.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';

/**
 * Sowing day by the plain rule of weeks: hardening days and the middle of the crop's weeks before the transplant date.
 * It holds only at the temperatures it was learned at; shown as a check on thermal time.
 * @source the crop's own weeks (common practice, no source)
 * @example ruleOfWeeksSowDay({weeksLow: 6, weeksHigh: 8}, {transplantOn: 100, hardening_days: 8}) // 43
 */
export function ruleOfWeeksSowDay(
  crop: Pick<Crop, 'weeksLow' | 'weeksHigh'>,
  plan: Pick<BatchPlan, 'transplantOn' | 'hardening_days'>,
): DayNumber {
  return plan.transplantOn - plan.hardening_days - Math.round(ruleWeeks(crop) * 7);
}
