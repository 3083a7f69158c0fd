import { requireRange } from '../numerics/guard.ts';
import { wilson } from '../numerics/wilson.ts';
import { WORDS } from '../../words/en/germination/indices.ts';

/** A count of what is up: so many in all, so many days after sowing. */
export interface Count {
  readonly day: number;
  readonly up: number;
}

/** Why counts cannot be, with the one at fault. */
export interface CountFault {
  readonly at: number;
  readonly reason: string;
}

/**
 * What is wrong with a series of counts: out of order, falling, or more than was sown. null when nothing is.
 * @param counts in the order they were taken; days after sowing, 0 or more
 */
export function countFault(counts: readonly Count[], sown: number): CountFault | null {
  let last: Count | null = null;
  for (const [at, count] of counts.entries()) {
    if (!(count.day >= 0)) return { at, reason: WORDS.aCountOnDayWould(count.day) };
    if (!(Number.isInteger(count.up) && count.up >= 0)) return { at, reason: WORDS.upIsNotAWhole(count.up) };
    if (count.up > sown) return { at, reason: WORDS.upOfSownCannotBe(count.up, sown) };
    if (last && count.day <= last.day)
      return {
        at,
        reason: WORDS.dayDoesNotComeAfter(count.day, last.day),
      };
    if (last && count.up < last.up)
      return { at, reason: `${count.up} up after ${last.up}: counts do not fall; log those that died as lost` };
    last = count;
  }
  return null;
}

/** The usual measures of an emergence series. Days after sowing; null where nothing came up or too little is known. */
export interface Indices {
  readonly sown: number;
  readonly up: number;
  readonly final_frac: number | null;
  readonly wilson90: { readonly low: number; readonly high: number } | null;
  /** Day of the first seen, and days by which a half and nine tenths of those that came were up, straight between counts. */
  readonly first_days: number | null;
  readonly t50Coolbear_days: number | null;
  readonly t50Farooq_days: number | null;
  readonly t90_days: number | null;
  readonly meanTime_days: number | null;
  /** Plants a day, each weighed by one over its day. */
  readonly speedIndex_perDay: number | null;
  /** Sum of the percent up at each count. */
  readonly timson_percentDays: number | null;
  /** 1 = all on one day. */
  readonly synchrony: number | null;
  /** Bits; 0 = all on one day. */
  readonly uncertainty_bits: number | null;
}

/**
 * Measures of a count series.
 * t50 as Coolbear, Francis & Grierson 1984 with (N + 1)/2, and as Farooq et al. 2005 with N/2; mean time and uncertainty
 * as in Labouriau 1983; speed index Maguire 1962, Crop Sci. 2, 176-177; Timson 1965, Nature 207, 216-217; synchrony
 * Primack 1980 (Z, in the form of Ranal & Santana 2006, Rev. Bras. Bot. 29, 1-11).
 * @param counts cumulative, days after sowing rising
 * @param sown seeds sown, 0 to a million
 * @throws RangeError when a count cannot be, with the reason
 */
export function indices(counts: readonly Count[], sown: number): Indices {
  requireRange(WORDS.seedsSown, sown, 0, 1_000_000);
  const fault = countFault(counts, sown);
  if (fault) throw new RangeError(fault.reason);
  const up = counts.at(-1)?.up ?? 0;
  const shares = sown > 0 && counts.length > 0;
  const base = {
    sown,
    up,
    final_frac: shares ? up / sown : null,
    wilson90: shares ? wilson(up, sown, 0.9) : null,
    timson_percentDays: shares ? counts.reduce((sum, c) => sum + (100 * c.up) / sown, 0) : null,
  };
  if (up === 0) {
    return {
      ...base,
      first_days: null,
      t50Coolbear_days: null,
      t50Farooq_days: null,
      t90_days: null,
      meanTime_days: null,
      speedIndex_perDay: null,
      synchrony: null,
      uncertainty_bits: null,
    };
  }
  const news = counts.map((c, i) => ({ day: c.day, n: c.up - (counts[i - 1]?.up ?? 0) })).filter(({ n }) => n > 0);
  const shareOf = ({ n }: { n: number }) => n / up;
  const pairs = (n: number) => (n * (n - 1)) / 2;
  return {
    ...base,
    first_days: news[0]!.day,
    t50Coolbear_days: dayOf(counts, (up + 1) / 2),
    t50Farooq_days: dayOf(counts, up / 2),
    t90_days: dayOf(counts, 0.9 * up),
    meanTime_days: news.reduce((sum, one) => sum + one.n * one.day, 0) / up,
    // What was up on day 0 has no speed.
    speedIndex_perDay: news.every(({ day }) => day > 0) ? news.reduce((sum, { n, day }) => sum + n / day, 0) : null,
    synchrony: up > 1 ? news.reduce((sum, { n }) => sum + pairs(n), 0) / pairs(up) : null,
    uncertainty_bits: Math.abs(news.reduce((sum, one) => sum - shareOf(one) * Math.log2(shareOf(one)), 0)),
  };
}

/** Day on which so many were up, straight between the counts on either side; the first count's day when it had them. */
function dayOf(counts: readonly Count[], n: number): number | null {
  const i = counts.findIndex((c) => c.up >= n);
  if (i < 0) return null;
  const b = counts[i]!;
  const a = counts[i - 1];
  if (!a || b.up === a.up) return b.day;
  return a.day + ((n - a.up) * (b.day - a.day)) / (b.up - a.up);
}
