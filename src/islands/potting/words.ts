import { minutesWords } from '../../ui/minutes.ts';
import { volume } from '../../ui/house.ts';
import type { Sign } from '../../core/batch/event.ts';
import type { Range } from '../../core/potting/session.ts';
import type { StockUnit } from '../../core/potting/stock.ts';
import { WORDS } from '../../words/en/potting/pottingWords.ts';

/** "1 h 25 min, 1 h 10 min to 1 h 45 min four times of five". */
export function rangeWords({ low, high }: Range): string {
  return WORDS.toFourTimesOfFive(minutesWords(low), minutesWords(high));
}

/** Litres as they are measured out: to half a litre, below five to a tenth. */
export function litres(value: number): string {
  return volume(value < 5 ? Math.round(value * 10) / 10 : Math.round(value * 2) / 2);
}

/** An amount of a thing in stock. */
export function amountWords(amount: number, unit: StockUnit): string {
  const rounded = Math.abs(amount) < 10 ? Math.round(amount * 10) / 10 : Math.round(amount);
  if (unit === 'L') return volume(rounded);
  return unit === 'pieces' ? rounded.toLocaleString('en-GB') : `${rounded.toLocaleString('en-GB')} ${unit}`;
}

export const SIGN_TAPS: Readonly<Record<Sign, string>> = {
  'true-leaves': WORDS.trueLeaves,
  roots: WORDS.rootsShow,
  touching: WORDS.touching,
  leaves: WORDS.leaves,
  'not-yet': WORDS.notYet,
};

export const SAYS_WORDS = {
  urgent: 'Cannot wait',
  now: WORDS.ready,
  soon: WORDS.withinAWeek,
  later: WORDS.later,
} as const;

/** Causes plants are thrown out for at the potting bench. */
export const CULLS = ['weak', 'stretched', 'damped off', 'broken', 'eaten'] as const;
