import { dayOfYear, type DayNumber } from '../calendar/dayNumber.ts';
import { dayLength_h } from '../weather/sun.ts';
import type { Crop } from '../books/crop.ts';

/** Why a crop may run to flower before its time. */
export type BoltCause = 'cold' | 'warm' | 'long days';

export interface BoltRisk {
  readonly cause: BoltCause;
  /** Days that count, and how many make it flower; for long days hours of the longest and the line. */
  readonly figure: number;
  readonly of: number;
  /** The line: mean below (cold) or highest above (warm), degrees C; hours for long days. */
  readonly line: number;
  /** First day of those that count. */
  readonly from: DayNumber;
  readonly level: 'possible' | 'likely';
}

/** A day of a batch as far as bolting goes. */
export interface BoltDay {
  readonly day: DayNumber;
  readonly day_C: number;
  readonly night_C: number;
  /** Share of its growth to hardening it has. */
  readonly grown_frac: number;
  /** Whether it stands out, by day length. */
  readonly out: boolean;
}

export type BoltTraits = Pick<Crop, 'boltCold_C' | 'boltCold_days' | 'boltWarm_C' | 'boltWarm_days' | 'boltDay_h'>;

/** Before this share of its growth a plant is juvenile and takes no cold for winter. Common practice, no source. */
export const JUVENILE_frac = 0.25;
/** A day with a mean of this or more takes one cold day back. Common practice, no source. */
const DEVERNAL_C = 18;
/** From this share of the days on the risk is worth a word. Common practice, no source. */
const POSSIBLE_frac = 0.6;

/**
 * Risks of running to flower along a batch's days: cold days once it is past its youth (warm ones take them back), days too
 * warm, and longer days than it bears when it goes out.
 * @param days from half up to planting out, in order
 * @source common practice, no source; that cold after the juvenile stage and long days make biennials and long-day crops
 * flower: general horticulture, from memory
 */
export function boltRisks(crop: BoltTraits, days: readonly BoltDay[], latitude_deg: number): BoltRisk[] {
  const risks: BoltRisk[] = [];
  const level = (figure: number, of: number): BoltRisk['level'] => (figure >= of ? 'likely' : 'possible');
  const { boltCold_C, boltCold_days, boltWarm_C, boltWarm_days, boltDay_h } = crop;
  if (boltCold_C !== null && boltCold_days !== null) {
    let [sum, most, from, mostFrom] = [0, 0, NaN, NaN];
    for (const { day, day_C, night_C, grown_frac } of days) {
      const mean = (day_C + night_C) / 2;
      if (grown_frac >= JUVENILE_frac && mean < boltCold_C) {
        if (sum === 0) from = day;
        sum++;
      } else if (mean >= DEVERNAL_C) sum = Math.max(0, sum - 1);
      if (sum > most) [most, mostFrom] = [sum, from];
    }
    if (most >= POSSIBLE_frac * boltCold_days)
      risks.push({
        cause: 'cold',
        figure: most,
        of: boltCold_days,
        line: boltCold_C,
        from: mostFrom,
        level: level(most, boltCold_days),
      });
  }
  if (boltWarm_C !== null && boltWarm_days !== null) {
    const warm = days.filter(({ day_C }) => day_C > boltWarm_C);
    if (warm.length >= POSSIBLE_frac * boltWarm_days)
      risks.push({
        cause: 'warm',
        figure: warm.length,
        of: boltWarm_days,
        line: boltWarm_C,
        from: warm[0]!.day,
        level: level(warm.length, boltWarm_days),
      });
  }
  const last = days.at(-1);
  if (boltDay_h !== null && last) {
    const hours = dayLength_h(latitude_deg, dayOfYear(last.day));
    if (hours > boltDay_h)
      risks.push({
        cause: 'long days',
        figure: hours,
        of: boltDay_h,
        line: boltDay_h,
        from: last.day,
        level: 'possible',
      });
  }
  return risks;
}
