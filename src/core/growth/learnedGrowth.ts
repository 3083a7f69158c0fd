import type { Sign } from '../batch/event.ts';
import { robustPool } from '../numerics/robustPool.ts';
import { LEAVES_AT_POTTING } from './stageNeeds.ts';
import type { StageSums } from './stageSums.ts';

/** What a batch showed of its growth on a day: how much its places had given it, and what stage that was by eye or by work. */
export interface GrowthShown {
  readonly by: Sign | 'potted' | 'hardened' | 'planted';
  /** Degree-days since half up, light and hours taken in. */
  readonly grown_degreeDays: number;
  /** True leaves, where they were counted. */
  readonly leaves: number | null;
}

/** What one batch says of its crop's growth: log of what it needed against the book, with its error. */
export interface GrowthSaid {
  readonly value: number;
  readonly sd: number;
}

/** Whose growth: of a crop; variety and growing place where they are known. */
export interface GrowthOf {
  readonly varietyId: number | null;
  readonly placeId: number | null;
}

/**
 * How far what is seen may be from the stage it stands for, standard deviation of log growth: roots at the base of the cell
 * say it well, a potting was done when there was time, planting out goes by the calendar. Common practice, no source.
 */
const SAYS_sd: Readonly<Partial<Record<GrowthShown['by'], number>>> = {
  roots: 0.08,
  touching: 0.12,
  'true-leaves': 0.15,
  leaves: 0.12,
  potted: 0.15,
  hardened: 0.25,
  planted: 0.35,
};
/** First true leaves show at about half of the growth to the pot. Common practice, no source. */
const FIRST_LEAVES_frac = 0.5;
/** How growth differs between houses, varieties, places and batches, and how often a batch is wrong by much. Common practice, no source. */
const GROWTH = { base_sd: 0.2, group_sds: [0.08, 0.06], noise_sd: 0.06, wrong_frac: 0.1, wrong_sd: 0.6 };
/** Batches learned from, the latest. */
export const MOST_batches = 30;
/** A learned sum is never farther from the book than this factor, either way. */
const FARTHEST_factor = 2;

/** Growth a stage stands for, degree-days by the book; null where it says nothing of this crop. */
function needOf(sums: StageSums, { by, leaves }: GrowthShown): number | null {
  const { pot_degreeDays, space_degreeDays, ready_degreeDays } = sums;
  switch (by) {
    case 'true-leaves':
      return pot_degreeDays === null ? null : FIRST_LEAVES_frac * pot_degreeDays;
    case 'leaves':
      return pot_degreeDays === null || leaves === null || leaves < 1
        ? null
        : (Math.min(leaves, 6) / LEAVES_AT_POTTING) * pot_degreeDays;
    case 'roots':
    case 'potted':
      return pot_degreeDays;
    case 'touching':
      return space_degreeDays;
    case 'hardened':
    case 'planted':
      return ready_degreeDays;
    default:
      return null;
  }
}

/**
 * What a batch says of its crop's growth, all it showed taken together. A potting after its sign was seen says nothing more:
 * it only waited. null when nothing can be told.
 * @param sums by the book, nothing learned in them
 */
export function growthSaid(sums: StageSums, shown: readonly GrowthShown[]): GrowthSaid | null {
  const signed = shown.some((s) => s.by === 'roots' || s.by === 'leaves' || s.by === 'touching');
  let [pull, precision] = [0, 0];
  for (const one of shown) {
    const sd = SAYS_sd[one.by];
    const need = needOf(sums, one);
    if (sd === undefined || need === null || !(need > 0) || !(one.grown_degreeDays > 0)) continue;
    if (signed && one.by === 'potted') continue;
    const value = Math.min(1.5, Math.max(-1.5, Math.log(one.grown_degreeDays / need)));
    pull += value / sd ** 2;
    precision += 1 / sd ** 2;
  }
  return precision > 0 ? { value: pull / precision, sd: precision ** -0.5 } : null;
}

export interface LearnedGrowth {
  /** Times the book's degree-days a plant needs here, to a hundredth. */
  readonly factor: number;
  readonly sd: number;
  readonly batches_count: number;
  /** Batches more likely wrong than right: they hardly count. */
  readonly doubted_count: number;
}

/**
 * How many times the book's growth a crop needs in this house, by its variety and growing place, from what batches showed.
 * One batch that went wrong hardly moves it.
 * @param said the latest last
 */
export function learnedGrowth(target: GrowthOf, said: readonly (GrowthSaid & GrowthOf)[]): LearnedGrowth {
  const taken = said.slice(-MOST_batches);
  const groupsOf = ({ varietyId, placeId }: GrowthOf) => [varietyId, placeId];
  const { mean, sd, wrong_fracs } = robustPool(
    groupsOf(target),
    taken.map((s) => ({ value: s.value, sd: s.sd, groups: groupsOf(s) })),
    GROWTH,
  );
  const factor = Math.min(FARTHEST_factor, Math.max(1 / FARTHEST_factor, Math.exp(mean)));
  return {
    factor: Math.round(100 * factor) / 100,
    sd: Math.hypot(sd, GROWTH.noise_sd),
    batches_count: said.length,
    doubted_count: wrong_fracs.filter((chance) => chance > 0.5).length,
  };
}
