import type { DayNumber } from '../calendar/dayNumber.ts';
import {
  afterLooks,
  beliefOf,
  chanceOfAtLeast,
  countChances,
  meanOfChances,
  meansOf,
  quantileOfChances,
  upByNow_frac,
  type Belief,
  type Look,
  type Prior,
} from './belief.ts';
import { WORDS } from '../../words/en/germination/verdict.ts';

export interface LookOn extends Look {
  readonly day: DayNumber;
}

export interface EmergenceInput {
  readonly prior: Prior;
  readonly sown: number;
  readonly sownOn: DayNumber;
  readonly looks: readonly LookOn[];
  readonly today: DayNumber;
  /** Progress since sowing by the crop's own rate at the noon of a day, for today and days to come as planned. */
  readonly progressOn: (day: DayNumber) => number;
  /** Plants the batch needs up. */
  readonly needed: number;
  /** Last day on which sowing again would still make the date; null when it is not to be had. */
  readonly sowAgainBy: DayNumber | null;
}

export type VerdictKind =
  'count again' | 'too soon' | 'on time' | 'early' | 'late' | 'few' | 'likely dead' | 'enough up';

export interface Verdict {
  readonly kind: VerdictKind;
  /** Expected now by what was thought before any look: mean and the band that holds nine in ten. */
  readonly expectedNow: Band;
  /** In the end, with the looks taken in. */
  readonly expectedEnd: Band;
  /** Chance that as many come as are needed. */
  readonly enough_frac: number;
  readonly dead_frac: number;
  /** Days by which the first 5%, half and nine tenths of those that come are expected; null when not within the days looked at. */
  readonly firstOn: DayNumber | null;
  readonly halfOn: DayNumber | null;
  readonly nearlyAllOn: DayNumber | null;
  /** Last day on which sowing again still makes the date, when that is worth thinking about. */
  readonly sowAgainBy: DayNumber | null;
  /** Chance of fewer, and of more, than were seen if all were as thought. null before the first look. */
  readonly fewer_frac: number | null;
  /** Day of the last look; null before the first. */
  readonly countedOn: DayNumber | null;
}

export interface Band {
  readonly low: number;
  readonly mean: number;
  readonly high: number;
}

/** Outside a band that holds so much on each side a count is called early or late. */
const TAIL = 0.05;
/** A tray is called likely dead above this chance. */
const DEAD = 0.5;
/** With less chance of enough plants than this a tray is called short. */
const SHORT = 0.05;
const AHEAD_days = 120;
/** A count says nothing of today when it is so old and so many more seeds should have come since. Common practice, no source. */
const STALE_days = 3;
const STALE_frac = 0.1;

/** What a tray's counts say: late, dead, few or on time, with the odds. Pure; the grower decides. */
export function verdictOf(input: EmergenceInput): Verdict {
  const { prior, sown, looks, today, needed, progressOn } = input;
  const before = beliefOf(prior);
  const last = looks.at(-1) ?? null;
  const nowChances = countChances(before, progressOn(today), sown);
  const belief = afterLooks(before, looks, sown);
  const endChances = countChances(belief, Number.MAX_VALUE, sown, last);
  const enough_frac = chanceOfAtLeast(endChances, needed);
  const { logTime, sigma } = meansOf(belief);
  const half = Math.exp(logTime);
  const dayAt = (progress: number): DayNumber | null => {
    for (let day = input.sownOn; day <= today + AHEAD_days; day++) if (progressOn(day) >= progress) return day;
    return null;
  };
  let fewer_frac: number | null = null;
  if (last) {
    const then = countChances(before, last.progress, sown);
    // Half of the chance of the count itself, so that a middling count is at a half.
    fewer_frac = 1 - chanceOfAtLeast(then, last.up) + then[last.up]! / 2;
  }
  const stale =
    last !== null &&
    today - last.day >= STALE_days &&
    meanOfChances(countChances(belief, Math.max(progressOn(today), last.progress), sown, last)) - last.up >=
      STALE_frac * sown;
  const kind =
    stale && last.up < needed ? WORDS.countAgain : kindOf(last, before, belief, fewer_frac, enough_frac, needed);
  const worth = kind === 'late' || kind === 'few' || kind === 'likely dead';
  return {
    kind,
    expectedNow: bandOf(nowChances),
    expectedEnd: bandOf(endChances),
    enough_frac,
    dead_frac: belief.dead_frac,
    firstOn: dayAt(half * Math.exp(-1.6449 * sigma)),
    halfOn: dayAt(half),
    nearlyAllOn: dayAt(half * Math.exp(1.2816 * sigma)),
    sowAgainBy: worth ? input.sowAgainBy : null,
    fewer_frac,
    countedOn: last?.day ?? null,
  };
}

function kindOf(
  last: LookOn | null,
  before: Belief,
  belief: Belief,
  fewer_frac: number | null,
  enough_frac: number,
  needed: number,
): VerdictKind {
  if (!last || fewer_frac === null) return 'too soon';
  if (last.up >= needed) return 'enough up';
  if (belief.dead_frac > DEAD) return 'likely dead';
  // Nothing up when hardly anything was expected says nothing.
  if (last.up === 0 && upByNow_frac(before, last.progress) < TAIL) return 'too soon';
  if (upByNow_frac(belief, last.progress) > 0.9 && enough_frac < SHORT) return 'few';
  if (fewer_frac < TAIL) return 'late';
  if (fewer_frac > 1 - TAIL) return 'early';
  return 'on time';
}

function bandOf(chances: Float64Array): Band {
  return {
    low: quantileOfChances(chances, TAIL),
    mean: meanOfChances(chances),
    high: quantileOfChances(chances, 1 - TAIL),
  };
}

/** Expected count with its band on each of some days, by what is thought before any look (or after, when given). */
export function expectedCounts(
  belief: Belief,
  sown: number,
  progresses: readonly number[],
  seen: Look | null = null,
): Band[] {
  return progresses.map((progress) =>
    bandOf(countChances(belief, Math.max(progress, seen?.progress ?? 0), sown, seen)),
  );
}
