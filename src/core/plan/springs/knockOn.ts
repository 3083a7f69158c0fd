import { GERMINATION_SPREAD_frac, GROWTH_SPREAD_frac, YEAR_SPREAD_frac } from '../../batch/inTime.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { normalCdf, normalQuantile } from '../../numerics/normal.ts';
import { seededRandom, type Random } from '../../numerics/random.ts';
import { OVER_slots, roomOn, type Room } from '../schedule/roomUse.ts';

/** A run of days in a place; `to` is the day it leaves, not included. */
export interface KnockOnStand {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly slots: number;
}

/** How one spring goes for one batch. */
export interface SpringOfBatch {
  /** Times as long to come up, and to grow, as forecast. */
  readonly emergence: number;
  readonly growth: number;
  /** Where among all springs the weather lets out: 0 the earliest, 1 the latest. */
  readonly weather: number;
}

export interface KnockOnBatch {
  readonly id: number;
  /** Where it would stand if a spring went so. */
  standsIf(spring: SpringOfBatch): readonly KnockOnStand[];
}

export interface KnockOnInput {
  readonly batches: readonly KnockOnBatch[];
  readonly places: readonly Room[];
  readonly from: DayNumber;
  readonly days: number;
  readonly runs: number;
  readonly seed: number;
}

/** How often a place is over room in a week, over many springs. */
export interface TightWeek {
  readonly placeId: number;
  /** First of its seven days. */
  readonly from: DayNumber;
  /** Share of springs in which it is over room on any of them. */
  readonly odds_frac: number;
  /** Most slots over, on the mean of those springs. */
  readonly over_slots: number;
}

/** Weeks of one place, one after another, that may be over room. */
export interface TightSpot {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly odds_frac: number;
  readonly over_slots: number;
  /** Who stands there when it is over, most often first. */
  readonly batchIds: readonly number[];
}

export interface KnockOn {
  readonly weeks: readonly TightWeek[];
  /** The weakest first. */
  readonly spots: readonly TightSpot[];
  readonly runs: number;
}

/** Springs are told apart by so many equal shares of each chance: finer tells nothing more of whole days. */
const SHARES = 9;
const MIDDLES = Array.from({ length: SHARES }, (_, i) => (i + 0.5) / SHARES);
/** Weeks over room in fewer springs than this are not worth a word. */
export const WORTH_A_WORD_frac = 0.05;

/**
 * What slow and quick springs do to room: in each of many springs every batch comes up and grows as fast as chance has it
 * (the years alike for all, the rest its own), frames hold their plants as long as the weather does, and what is not ready
 * stays where it is, whoever is to come after. Nothing gives way in it: so it says where the plan has no slack.
 * @source spreads as for the odds of being ready in time: common practice, no source
 */
export function knockOn({ batches, places, from, days, runs, seed }: KnockOnInput): KnockOn {
  const random = seededRandom(seed);
  const index = new Map(places.map((place, p) => [place.id, p]));
  const room = places.map((place) => Float64Array.from({ length: days }, (_, d) => roomOn(place, from + d)));
  const weeks = Math.ceil(days / 7);
  const times = new Uint16Array(places.length * weeks);
  const slots = new Float64Array(places.length * weeks);
  const used = new Float64Array(places.length * days);
  const springs: (readonly KnockOnStand[])[][] = [];
  const overIn: Uint8Array[] = [];
  for (let run = 0; run < runs; run++) {
    const year = YEAR_SPREAD_frac * gauss(random);
    const weather = middleOf(random());
    const stands = batches.map((batch) => {
      const emergence = middleOf(random());
      const growth = middleOf(normalCdf((GROWTH_SPREAD_frac * gauss(random) + year) / GROWING_SPREAD_frac));
      return batch.standsIf({
        emergence: Math.exp(GERMINATION_SPREAD_frac * spreadOf(emergence)),
        growth: Math.exp(GROWING_SPREAD_frac * spreadOf(growth)),
        weather,
      });
    });
    used.fill(0);
    for (const list of stands) {
      for (const stand of list) {
        const p = index.get(stand.placeId);
        if (p === undefined) continue;
        const end = Math.min(days, stand.to - from);
        for (let d = Math.max(0, stand.from - from); d < end; d++) used[p * days + d]! += stand.slots;
      }
    }
    const over = new Uint8Array(places.length * weeks);
    for (let p = 0; p < places.length; p++) {
      for (let w = 0; w < weeks; w++) {
        let most = 0;
        for (let d = 7 * w; d < Math.min(days, 7 * w + 7); d++)
          most = Math.max(most, used[p * days + d]! - room[p]![d]!);
        if (most <= OVER_slots) continue;
        over[p * weeks + w] = 1;
        times[p * weeks + w]!++;
        slots[p * weeks + w]! += most;
      }
    }
    springs.push(stands);
    overIn.push(over);
  }
  const tight: TightWeek[] = [];
  places.forEach(({ id }, p) => {
    for (let w = 0; w < weeks; w++) {
      const n = times[p * weeks + w]!;
      if (n / runs < WORTH_A_WORD_frac) continue;
      tight.push({
        placeId: id,
        from: from + 7 * w,
        odds_frac: n / runs,
        over_slots: slots[p * weeks + w]! / n,
      });
    }
  });
  const spots = runsOfWeeks(tight).map((list): TightSpot => {
    const [first, last] = [list[0]!, list.at(-1)!];
    const p = index.get(first.placeId)!;
    const [w0, w1] = [(first.from - from) / 7, (last.from - from) / 7];
    const to = last.from + 7;
    const counts = new Map<number, number>();
    let any = 0;
    overIn.forEach((over, run) => {
      if (!over.subarray(p * weeks + w0, p * weeks + w1 + 1).some((o) => o === 1)) return;
      any++;
      batches.forEach(({ id }, i) => {
        const there = springs[run]![i]!.some((s) => s.placeId === first.placeId && s.from < to && s.to > first.from);
        if (there) counts.set(id, (counts.get(id) ?? 0) + 1);
      });
    });
    const batchIds = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]).map(([id]) => id);
    const worst = list.reduce((a, b) => (weightOf(b) > weightOf(a) ? b : a));
    return {
      placeId: first.placeId,
      from: first.from,
      to,
      odds_frac: any / runs,
      over_slots: worst.over_slots,
      batchIds,
    };
  });
  return { weeks: tight, spots: spots.sort((a, b) => weightOf(b) - weightOf(a)), runs };
}

/** How much a week or spot weighs: how often times how far. */
const weightOf = ({ odds_frac, over_slots }: Pick<TightWeek, 'odds_frac' | 'over_slots'>): number =>
  odds_frac * over_slots;

const GROWING_SPREAD_frac = Math.hypot(GROWTH_SPREAD_frac, YEAR_SPREAD_frac);

/** The middle of the share of all chances that one lies in. */
const middleOf = (u: number): number => MIDDLES[Math.min(SHARES - 1, Math.floor(u * SHARES))]!;

/** The middles spread as far as what they stand for: their own spread is 1. */
const WIDER = 1 / Math.sqrt(MIDDLES.reduce((sum, u) => sum + normalQuantile(u) ** 2, 0) / SHARES);
const spreadOf = (middle: number): number => WIDER * normalQuantile(middle);

/** A standard normal number. */
function gauss(random: Random): number {
  return normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, random())));
}

/** Weeks of one place that follow each other, together. */
function runsOfWeeks(weeks: readonly TightWeek[]): TightWeek[][] {
  const runs: TightWeek[][] = [];
  for (const week of weeks) {
    const last = runs.at(-1)?.at(-1);
    if (last && last.placeId === week.placeId && last.from + 7 === week.from) runs.at(-1)!.push(week);
    else runs.push([week]);
  }
  return runs;
}
