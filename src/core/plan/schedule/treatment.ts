import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { Crop } from '../../books/crop.ts';
import { WORDS } from '../../../words/en/plan/treatment.ts';

/** Days before sowing on which a seed that is soaked or scarified is taken in hand. Common practice, no source (up to 24 h). */
const DAY_BEFORE = 1;

/** Days a crop's seed is treated before it is sown: chilled moist for its weeks, soaked or scarified the day before; 0: none. */
export function treatment_days({ pretreat, chill_weeks }: Pick<Crop, 'pretreat' | 'chill_weeks'>): number {
  if (pretreat === 'none') return 0;
  return pretreat === 'chill' ? Math.round(7 * chill_weeks) : DAY_BEFORE;
}

/**
 * Earliest day a seed may be sown for its chilling: begun on the day logged, else today at the soonest. A soak or a scratch is
 * done in time by a tap the day before and holds nothing up.
 */
export function chilledBy(
  crop: Pick<Crop, 'pretreat' | 'chill_weeks'>,
  sowOn: DayNumber,
  treatedOn: DayNumber | null,
  today: DayNumber,
): DayNumber {
  if (crop.pretreat !== 'chill') return sowOn;
  return Math.max(sowOn, (treatedOn ?? today) + treatment_days(crop));
}

/** What is done, as a job and as a log line. */
export const TREATMENT_WORDS: Readonly<Record<Exclude<Crop['pretreat'], 'none'>, string>> = {
  soak: WORDS.soakTheSeedUpTo,
  scarify: WORDS.scratchOrNickTheSeed,
  chill: WORDS.moistInABagIn,
};
