import type { Crop } from '../books/crop.ts';
import type { JoinsAt } from '../plan/batchPlan.ts';
import { daysToEmerge, germinationRate } from '../germination/germinationRate.ts';
import { reference_degreeDays } from './growthRate.ts';
import { POTTING_CHECK_DAYS, ruleWeeks, type StageSums } from './stageSums.ts';

/**
 * Share of its growth that a plant still makes once it stands ready for its pot in a full cell, and the most of the way
 * from potting to hardening that it can make there. Common practice, no source.
 */
export const FULL_CELL_frac = 0.5;
export const MOST_IN_FULL_CELL_frac = 0.5;

/**
 * Degree-days that count as grown on the day of potting. Potted early it has what it has; potted late it keeps what it lost
 * in the full cell.
 * @param grown_degreeDays what the places have given since half up, and what plugs had when they came
 * @param bought_degreeDays what plugs had when they came: counted whole
 * @throws RangeError for a crop that is not potted
 * @source common practice, no source
 */
export function grownAtPotting_degreeDays(sums: StageSums, grown_degreeDays: number, bought_degreeDays = 0): number {
  const { pot_degreeDays, ready_degreeDays } = sums;
  if (pot_degreeDays === null) throw new RangeError('pot_degreeDays: this batch is not potted');
  const full_degreeDays = Math.max(pot_degreeDays, bought_degreeDays);
  const beyond = grown_degreeDays - full_degreeDays;
  if (beyond <= 0) return grown_degreeDays;
  const most = Math.max(0, ready_degreeDays - full_degreeDays) * MOST_IN_FULL_CELL_frac;
  return full_degreeDays + Math.min(beyond * FULL_CELL_frac, most);
}

/** What each stage has still to gain, degree-days. */
export interface StageNeeds {
  /** From off the heat (or the arrival of plugs) to potting, or to hardening where it is not potted. */
  readonly grow: number;
  /** From the end of the stand-still after potting to spacing, and from spacing to hardening; 0 where it is not potted. */
  readonly pot: number;
  readonly space: number;
}

/**
 * The one account of what the stages need, for the chain and for the planner.
 * @param behind_degreeDays grown before the growing place: on the heat after half up, or before plugs were bought
 * @param bought_degreeDays the part of it that plugs had when they came
 */
export function stageNeeds(sums: StageSums, behind_degreeDays: number, bought_degreeDays = 0): StageNeeds {
  const { ready_degreeDays, pot_degreeDays, space_degreeDays } = sums;
  if (pot_degreeDays === null || space_degreeDays === null)
    return { grow: Math.max(0, ready_degreeDays - behind_degreeDays), pot: 0, space: 0 };
  // What is beyond its potting size when it comes off the heat has grown on in its cell.
  const potted = Math.max(pot_degreeDays, grownAtPotting_degreeDays(sums, behind_degreeDays, bought_degreeDays));
  const spaced = Math.max(space_degreeDays, potted);
  return {
    grow: Math.max(0, pot_degreeDays - behind_degreeDays),
    pot: spaced - potted,
    space: Math.max(0, ready_degreeDays - spaced),
  };
}

/** Weeks that bought-in plugs usually have to go to their transplant date. Common practice, no source. */
export const PLUG_WEEKS_TO_GO = 4;
/** True leaves a plant has when it is ready for its pot. Common practice, no source. */
export const LEAVES_AT_POTTING = 2;
/** A plug is a week past emergence at the least. Common practice, no source. */
const LEAST_WEEKS_UP = 1;

/** Age of plugs when nothing is said, weeks from sowing: what leaves the usual weeks to go, hardening included. */
export function usualPlugAge_weeks(crop: Crop): number {
  const emerge_days = daysToEmerge(germinationRate(crop), crop.germBest_C) ?? crop.germBest_days;
  const least = emerge_days / 7 + LEAST_WEEKS_UP;
  const most = ruleWeeks(crop);
  const age = ruleWeeks(crop) + crop.hardening_days / 7 - PLUG_WEEKS_TO_GO;
  return Math.round(2 * Math.min(most, Math.max(least, age))) / 2;
}

/**
 * Degree-days behind bought-in plugs on the day they come: by their age in weeks from sowing or their true leaves as said,
 * else by the usual age of the crop; those ready for the pot have at least the growth of that stage.
 * @source common practice, no source
 */
export function plugGrowth_degreeDays(crop: Crop, sums: StageSums, joins: JoinsAt): number {
  const perDay = reference_degreeDays(crop);
  const emerge_days = daysToEmerge(germinationRate(crop), crop.germBest_C) ?? crop.germBest_days;
  const atPot = sums.ready_degreeDays * crop.potAt_frac;
  const byLeaves = joins.leaves_count == null ? null : (joins.leaves_count / LEAVES_AT_POTTING) * atPot;
  const weeks = joins.age_weeks ?? usualPlugAge_weeks(crop);
  // An age in weeks is a share of the whole way, however long the way is here.
  const grown = byLeaves ?? (weeks * 7 - emerge_days) * perDay * sums.growth_factor;
  const least = joins.stage === 'pot' ? (sums.pot_degreeDays ?? atPot) : 0;
  const check = crop.potted && joins.stage === 'pot' ? POTTING_CHECK_DAYS * perDay : 0;
  return Math.min(sums.ready_degreeDays, Math.max(least, grown - check, 0));
}
