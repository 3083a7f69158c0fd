import { isoFromDay, type DayNumber } from '../../calendar/dayNumber.ts';
import { mondayOf } from '../../calendar/week.ts';
import { normalQuantile } from '../../numerics/normal.ts';

/** How the house wants its seasons planned. */
export interface PlanningSettings {
  /** Share of batches to be ready in their days: 0.5 plans for the middle, 0.9 for nine in ten. */
  readonly sure_frac: number;
  /** Hours of sowing, potting, carrying and planting there are hands for in a usual week; null: as many as it takes. */
  readonly hands_h: number | null;
  /** Weeks with other hours, by the date of their Monday: holidays, market days, help. */
  readonly handsBy: readonly { readonly week: string; readonly hours: number; readonly why: string }[];
  /** What a heated place is kept at in weeks in which nothing stands there; null: off. */
  readonly idle_C: number | null;
  /** Minutes to sow a tray, and to plant out one sown tray's plants, by one person. */
  readonly sow_minPerTray: number;
  readonly plant_minPerTray: number;
}

/** @source common practice, no source */
export const USUAL_PLANNING: PlanningSettings = {
  sure_frac: 0.9,
  hands_h: null,
  handsBy: [],
  idle_C: null,
  sow_minPerTray: 6,
  plant_minPerTray: 15,
};

export const LEAST_SURE_frac = 0.5;
export const MOST_SURE_frac = 0.9;

/** The pace of the house's hands, as the planner counts work. */
export interface HousePace {
  /** Plants a person pots in a minute. */
  readonly pot_perMinute: number;
  /** Minutes to carry a tray with the trolley. */
  readonly carry_minPerTray: number;
}

/** @source common practice, no source: 630 plants in 85 minutes; eight trays a trip of three minutes */
export const USUAL_PACE: HousePace = { pot_perMinute: 630 / 85, carry_minPerTray: 3 / 8 };

/**
 * So much of the spread in the price makes nine in ten: days that are as good, and work on named days, give the rest. Measured
 * by `npm run bench -- plan-quality` on draws that share nothing with the plan.
 */
const NINE_IN_TEN_frac = 0.4;

/**
 * Share of the spread of a batch's date that its price is averaged over: none for the middle, most for nine in ten, between
 * by the normal quantile.
 */
export function shareOfSpread(sure_frac: number): number {
  const sure = Math.min(MOST_SURE_frac, Math.max(LEAST_SURE_frac, sure_frac));
  return (NINE_IN_TEN_frac * normalQuantile(sure)) / normalQuantile(MOST_SURE_frac);
}

/** Hours there are hands for in the week of a day; null: not bound. */
export function handsOf(
  { hands_h, handsBy }: Pick<PlanningSettings, 'hands_h' | 'handsBy'>,
  day: DayNumber,
): number | null {
  const week = isoFromDay(mondayOf(day));
  return handsBy.find((one) => one.week === week)?.hours ?? hands_h;
}
