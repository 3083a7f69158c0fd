import type { MonthDay } from './monthDay.ts';

/** First frost of autumn and last of spring, as the house has them. */
export interface FrostDays {
  readonly firstFrost: MonthDay;
  readonly lastFrost: MonthDay;
}

/**
 * Whether a day lies between the first frost and the last, both included, over the new year where they lie on either side of it.
 * @param iso "YYYY-MM-DD"
 * @example frostMayCome('2027-01-03', { firstFrost: '10-05', lastFrost: '05-12' }) // true
 */
export function frostMayCome(iso: string, { firstFrost, lastFrost }: FrostDays): boolean {
  const day = iso.slice(5);
  return firstFrost <= lastFrost ? day >= firstFrost && day <= lastFrost : day >= firstFrost || day <= lastFrost;
}
