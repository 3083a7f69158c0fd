import type { DayNumber } from '../calendar/dayNumber.ts';
import { civilFromDay } from '../calendar/dayNumber.ts';

const DAYS_A_YEAR = 365.25;
/** Years wanted before a trend is told. */
const TREND_years = 10;

/** The days gone by: all, or those of the last years where the house says so. */
export function lastYears<D extends { readonly day: DayNumber }>(
  days: readonly D[],
  today: DayNumber,
  years: number | null | undefined,
): readonly D[] {
  if (years === null || years === undefined) return days;
  const from = today - Math.ceil(years * DAYS_A_YEAR);
  return days.filter((d) => d.day >= from);
}

/** How much warmer ten years are than the ten before, by the nights of each year known nearly whole; null: too few years. */
export interface NightTrend {
  readonly K_per_decade: number;
  readonly years: number;
}

/** Least-squares line through the yearly mean of the lowest temperatures. */
export function nightTrend(
  days: readonly { readonly day: DayNumber; readonly least_C: number | null }[],
): NightTrend | null {
  const byYear = new Map<number, { sum: number; n: number }>();
  for (const { day, least_C } of days) {
    if (least_C === null) continue;
    const { year } = civilFromDay(day);
    const one = byYear.get(year) ?? { sum: 0, n: 0 };
    byYear.set(year, { sum: one.sum + least_C, n: one.n + 1 });
  }
  const points = [...byYear].filter(([, one]) => one.n >= 330).map(([year, one]) => ({ x: year, y: one.sum / one.n }));
  if (points.length < TREND_years) return null;
  const mx = points.reduce((sum, p) => sum + p.x, 0) / points.length;
  const my = points.reduce((sum, p) => sum + p.y, 0) / points.length;
  const top = points.reduce((sum, p) => sum + (p.x - mx) * (p.y - my), 0);
  const under = points.reduce((sum, p) => sum + (p.x - mx) ** 2, 0);
  return { K_per_decade: (10 * top) / under, years: points.length };
}
