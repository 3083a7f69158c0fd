import type { Crop } from '../books/crop.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import type { BatchTaught } from './learned.ts';
import { daysToEmerge, germinationRate } from './germinationRate.ts';
import { trayEstimate } from './learning.ts';
import { WORDS } from '../../words/en/germination/oldTraysCore.ts';

/** A tray of years before, as it was written down: counted while it came up, at a temperature somebody knew. */
export interface OldTray {
  readonly sownOn: DayNumber;
  readonly seeds: number;
  /** Mean of its medium from sowing to its last count. */
  readonly temperature_C: number;
  /** By day, rising. */
  readonly counts: readonly { readonly day: DayNumber; readonly up: number }[];
}

/** What such a tray teaches, as it is kept. */
export type OldTrayTaught = Omit<BatchTaught, 'batchId' | 'cropId' | 'varietyId' | 'lotId'>;

/**
 * What a tray of years before says of its crop's time and spread, by the book as it is now.
 * @param expected_frac share of its seeds thought to come up
 * @returns why it says nothing, where it does not
 */
export function taughtByOldTray(crop: Crop, tray: OldTray, expected_frac: number): OldTrayTaught | string {
  const book_days = daysToEmerge(germinationRate(crop), tray.temperature_C);
  if (book_days === null) return WORDS.byTheBookNeverComes(crop.name);
  const looks = tray.counts
    .filter(({ day }) => day > tray.sownOn)
    .map(({ day, up }) => ({ up, progress: (day - tray.sownOn) / book_days }));
  if (looks.length < 2) return WORDS.aTrayTeachesFromTwo;
  const estimate = trayEstimate(looks, tray.seeds, expected_frac);
  if (estimate === null) return WORDS.fewerThanThreeCameUp;
  return { ...estimate, temperature_C: tray.temperature_C, book_days };
}
