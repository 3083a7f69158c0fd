import { civilFromDay, dayFromCivil, isoFromDay, type DayNumber } from '../calendar/dayNumber.ts';
import type { MonthDay } from '../calendar/monthDay.ts';
import { normalQuantile } from '../numerics/normal.ts';
import { studentQuantile } from '../numerics/student.ts';
import { requireRange } from '../numerics/guard.ts';
import type { FrostAtRisk } from '../plan/schedule/warnings.ts';
import { WORDS } from '../../words/en/weather/frost.ts';

/** Lowest of a day, degrees Celsius; in any order, a day at most once. */
export interface DayLow {
  readonly day: DayNumber;
  readonly least_C: number;
}

/** One season of a site, midwinter to midwinter. */
export interface FrostSeason {
  /** Year it begins in: the calendar year in the north, the year of its July in the south. */
  readonly year: number;
  /** Last day of the spring half at or below the threshold; null: none was. */
  readonly lastSpring: DayNumber | null;
  /** First day of the autumn half at or below it; null: none was. */
  readonly firstAutumn: DayNumber | null;
  /** Days of each half nothing is known of. */
  readonly springMissing: number;
  readonly autumnMissing: number;
  /** Whether enough is known of the half to go by it. */
  readonly springKnown: boolean;
  readonly autumnKnown: boolean;
}

/** Days of a half that may be missing. Common practice, no source. */
const MOST_MISSING = 9;
/** No day may be missing for so long about the frost found. Common practice, no source. */
const NEAR_days = 10;

/**
 * The last spring and the first autumn day at or below a threshold, season by season. Seasons run from midwinter to midwinter
 * and are split at midsummer, so that southern ones cross the new year.
 * @param lows any order
 * @param south south of the equator
 */
export function frostSeasons(lows: readonly DayLow[], threshold_C: number, south: boolean): FrostSeason[] {
  requireRange(WORDS.thresholdDegreesC, threshold_C, -60, 40);
  const known = new Map<DayNumber, number>();
  let first = Infinity;
  let last = -Infinity;
  for (const { day, least_C } of lows) {
    if (!Number.isFinite(least_C)) continue;
    known.set(day, least_C);
    if (day < first) first = day;
    if (day > last) last = day;
  }
  if (known.size === 0) return [];
  const startMonth = south ? 7 : 1;
  const seasonOf = (day: DayNumber) => {
    const { year, month } = civilFromDay(day);
    return month >= startMonth ? year : year - 1;
  };
  const seasons: FrostSeason[] = [];
  for (let year = seasonOf(first); year <= seasonOf(last); year++) {
    const from = dayFromCivil(year, startMonth, 1);
    const middle = south ? dayFromCivil(year + 1, 1, 16) : dayFromCivil(year, 7, 16);
    const to = dayFromCivil(year + 1, startMonth, 1);
    let lastSpring: DayNumber | null = null;
    let firstAutumn: DayNumber | null = null;
    let springMissing = 0;
    let autumnMissing = 0;
    for (let day = from; day < to; day++) {
      const low = known.get(day);
      if (low === undefined) {
        if (day < middle) springMissing++;
        else autumnMissing++;
      } else if (low <= threshold_C) {
        if (day < middle) lastSpring = day;
        else firstAutumn ??= day;
      }
    }
    const gap = (a: DayNumber, b: DayNumber) => {
      for (let day = a; day <= b; day++) if (!known.has(day)) return true;
      return false;
    };
    seasons.push({
      year,
      lastSpring,
      firstAutumn,
      springMissing,
      autumnMissing,
      springKnown:
        springMissing <= MOST_MISSING &&
        !(lastSpring !== null && gap(lastSpring + 1, Math.min(middle - 1, lastSpring + NEAR_days))),
      autumnKnown:
        autumnMissing <= MOST_MISSING &&
        !(firstAutumn !== null && gap(Math.max(middle, firstAutumn - NEAR_days), firstAutumn - 1)),
    });
  }
  return seasons;
}

/** Dates of a frost over the years, as days after the first of the season. */
export interface FrostDates {
  readonly side: 'spring' | 'autumn';
  /** Days into the season, rising; a year without frost is -Infinity in spring and Infinity in autumn. */
  readonly offsets: readonly number[];
  readonly years: number;
  readonly without: number;
  /** Month the season begins with. */
  readonly startMonth: 1 | 7;
}

export function frostDates(seasons: readonly FrostSeason[], side: 'spring' | 'autumn', south: boolean): FrostDates {
  const startMonth = south ? 7 : 1;
  const offsets = seasons
    .filter((s) => (side === 'spring' ? s.springKnown : s.autumnKnown))
    .map((s) => {
      const day = side === 'spring' ? s.lastSpring : s.firstAutumn;
      if (day === null) return side === 'spring' ? -Infinity : Infinity;
      return offsetOf(day, startMonth);
    })
    .sort((a, b) => a - b);
  return {
    side,
    offsets,
    years: offsets.length,
    without: offsets.filter((o) => !Number.isFinite(o)).length,
    startMonth,
  };
}

/** Days into a season as of a common year, so that the same month and day is the same figure every year; 29 February counts as the 28th. */
function offsetOf(day: DayNumber, startMonth: 1 | 7): number {
  const { month, day: dayOfMonth } = civilFromDay(day);
  const year = month >= startMonth ? 2001 : 2002;
  const inCommon = dayFromCivil(year, month, month === 2 ? Math.min(28, dayOfMonth) : dayOfMonth);
  return inCommon - dayFromCivil(2001, startMonth, 1);
}

/** The month and day of an offset into a season. */
export function monthDayOf(offset: number, startMonth: 1 | 7): MonthDay {
  return isoFromDay(dayFromCivil(2001, startMonth, 1) + Math.round(offset)).slice(5);
}

export interface RiskDate {
  /** Month and day; null: frost is rarer than that at all. */
  readonly date: MonthDay | null;
  readonly offset: number;
  /** Within which the date lies four times of five, for so few years. */
  readonly from: MonthDay | null;
  readonly to: MonthDay | null;
  /** Drawn wider because so few years are known: by them alone one year in ten would be more. */
  readonly widened: boolean;
}

/** Fewest years by which the dates themselves say one year in ten. */
export const ENOUGH_years = 10;

/** Spread of last frosts from year to year where hardly any are known, days. Common practice, no source. */
const USUAL_sd_days = 15;
const WORTH_years = 2;
const EIGHTY = 1.2816;

/**
 * The date after which (in autumn: before which) frost comes in no more than a share of years: the quantile of the dates at
 * plotting positions i / (n + 1), held at the earliest and latest seen. From fewer than ten years those would come true too
 * often (one year in ten from five years is one in six), so the date is that of the predictive distribution: Student's, for the
 * next year, about the mean of those known.
 * @param risk_frac 0.01 to 0.99
 * @source Weibull plotting positions (Hyndman & Fan 1996, type 6, Am. Stat. 50, 361-365); the band by the normal standard
 * error of a quantile, its spread drawn to 15 days while years are few (common practice); Student's predictive distribution of
 * a normal sample: Gelman et al. 2013, Bayesian Data Analysis, sec. 3.2
 */
export function dateAtRisk(dates: FrostDates, risk_frac: number): RiskDate | null {
  requireRange('risk', risk_frac, 0.01, 0.99);
  const { offsets, side, startMonth } = dates;
  const n = offsets.length;
  if (n === 0) return null;
  const p = side === 'spring' ? 1 - risk_frac : risk_frac;
  const finite = offsets.filter(Number.isFinite);
  const widened = n < ENOUGH_years;
  const offset = widened ? predictive(finite, n, risk_frac, side) : quantile(offsets, p);
  if (!Number.isFinite(offset)) return { date: null, offset, from: null, to: null, widened };
  const { sd } = momentsOf(finite);
  const z = normalQuantile(p);
  const off = EIGHTY * sd * Math.sqrt(1 / n + z ** 2 / (2 * n));
  const word = (o: number) => monthDayOf(Math.min(364, Math.max(0, o)), startMonth);
  return { date: word(offset), offset, from: word(offset - off), to: word(offset + off), widened };
}

/** Mean, and the spread drawn to the usual one while years are few. */
function momentsOf(finite: readonly number[]): { mean: number; sd: number; freedom: number } {
  const mean = finite.reduce((sum, o) => sum + o, 0) / finite.length;
  const squares = finite.reduce((sum, o) => sum + (o - mean) ** 2, 0);
  const freedom = WORTH_years + Math.max(0, finite.length - 1);
  return { mean, sd: Math.sqrt((WORTH_years * USUAL_sd_days ** 2 + squares) / freedom), freedom };
}

/** Date passed (in autumn: come short of) by the next year's frost with a chance, from few years; those without frost count as such. */
function predictive(finite: readonly number[], n: number, risk_frac: number, side: 'spring' | 'autumn'): number {
  // A year without frost in few is one in about so many.
  const frosty = finite.length === n ? 1 : (finite.length + 0.5) / (n + 1);
  if (finite.length === 0 || risk_frac >= frosty) return side === 'spring' ? -Infinity : Infinity;
  const { mean, sd, freedom } = momentsOf(finite);
  const t = studentQuantile(1 - risk_frac / frosty, freedom) * sd * Math.sqrt(1 + 1 / finite.length);
  return side === 'spring' ? mean + t : mean - t;
}

/** Quantile at plotting positions i / (n + 1) of a rising list; what lies between a date and "never" is "never" from half way. */
export function quantile(rising: readonly number[], p: number): number {
  const n = rising.length;
  const h = p * (n + 1);
  const i = Math.min(n, Math.max(1, Math.floor(h)));
  const a = rising[i - 1]!;
  const b = rising[Math.min(n, i + 1) - 1]!;
  const s = Math.min(1, Math.max(0, h - i));
  if (s === 0 || a === b) return a;
  if (!Number.isFinite(a) || !Number.isFinite(b)) return s < 0.5 ? a : b;
  return a + s * (b - a);
}

/** Chance of a frost on or after (in autumn: on or before) a month and day, by the years known: (k + 1/2) / (n + 1). */
export function frostOdds(dates: FrostDates, offset: number): number | null {
  const n = dates.offsets.length;
  if (n === 0) return null;
  return (frostsSeen(dates, offset) + 0.5) / (n + 1);
}

/** Years of those known that had a frost on or after (in autumn: on or before) a month and day. */
export function frostsSeen(dates: FrostDates, offset: number): number {
  return dates.offsets.filter((o) => (dates.side === 'spring' ? o >= offset : o <= offset)).length;
}

export { offsetOf as seasonOffset };

/** How the nursery takes its frosts: by which threshold and at which risk. */
export interface FrostChoice extends FrostAtRisk {
  readonly threshold_C: number;
  /** Its dates come from guessed normals: only the risk stands once the site has years of its own. */
  readonly by?: 'guess';
}
