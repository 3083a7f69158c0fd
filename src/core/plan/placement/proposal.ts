import type { DayNumber } from '../../calendar/dayNumber.ts';
import type { BatchPlan, PlannedSteps } from '../batchPlan.ts';
import type { Place, WeekSetPoint } from '../../books/place.ts';
import type { Stage, StagePlaces, WorkKey } from '../stage.ts';
import type { SeasonInstance } from './fromSeason.ts';
import { STEP_OF } from './steps.ts';
import type { PlacedStay, Solution } from './solution.ts';

/** What a plan of the season asks of one batch. Days and places only of what is still to come. */
export interface ProposedBatch {
  readonly id: number;
  readonly places: StagePlaces;
  readonly steps: PlannedSteps;
}

export interface ProposedSetPoints {
  readonly placeId: number;
  readonly setPoints: readonly WeekSetPoint[];
}

/** A plan of the season, to be looked at before it is taken. */
export interface Proposal {
  readonly batches: readonly ProposedBatch[];
  readonly setPoints: readonly ProposedSetPoints[];
  /** Batches for which no way was found. */
  readonly unplaced: readonly number[];
}

/**
 * Reads an answer back into plans of batches and weekly set-points; of batches that stay as they are nothing is said. A batch keeps what it has for the stages behind it.
 * Weeks in which nothing stands in a heated place are off, or kept at `idle_C`.
 */
export function proposalOf(
  season: SeasonInstance,
  solution: Solution,
  plans: ReadonlyMap<number, BatchPlan>,
  places: readonly Place[],
  idle_C: number | null = null,
): Proposal {
  const { instance, from } = season;
  const unplaced: number[] = [];
  const batches: ProposedBatch[] = [];
  const inUse = new Set<string>();
  solution.batches.forEach((placed, i) => {
    const { id } = season.batches[i]!;
    for (const stay of placed.stays) {
      // By its forecast, to the hour, it counts on the morning it leaves.
      const to = placed.kept ? stay.to + 1 : stay.to;
      for (let d = stay.from; d < to; d += 1) inUse.add(`${stay.place}/${Math.floor(d / 7)}`);
    }
    if (placed.out === null) unplaced.push(id);
    else if (!instance.batches[i]!.pinned && !placed.kept)
      batches.push(proposedBatch(season, i, placed.stays, placed.out, plans.get(id)!));
  });
  const setPoints = places.flatMap((place, p): ProposedSetPoints[] => {
    if (place.temperature?.kind !== 'set-point') return [];
    const { levels } = instance.places[p]!;
    const idle = idleSetPoint(place, idle_C);
    const weeks = solution.rows[p]!.flatMap((level, b): WeekSetPoint[] => {
      if (b < instance.frozenBlocks) return [];
      const used = inUse.has(`${p}/${b}`);
      return [{ week: from + 7 * b, setPoint_C: used ? levels[level]!.setPoint_C : idle }];
    });
    return [{ placeId: place.id, setPoints: weeks }];
  });
  return { batches, setPoints, unplaced };
}

/** What an empty place is set to: off, or the least of its set-points that keeps it so warm. */
function idleSetPoint({ temperature }: Pick<Place, 'temperature'>, idle_C: number | null): number | null {
  if (idle_C === null || temperature?.kind !== 'set-point') return null;
  return [...temperature.levels_C].sort((a, b) => a - b).find((level) => level >= idle_C) ?? null;
}

/** Stays of one batch as places and days of its plan. It keeps what it has for the stages behind it. */
export function proposedBatch(
  { instance, from, placeIds, batches }: SeasonInstance,
  index: number,
  stays: readonly PlacedStay[],
  out: number,
  plan: BatchPlan,
): ProposedBatch {
  const { id, stages, later_days } = batches[index]!;
  const { inProgress } = instance.batches[index]!;
  const to: Partial<Record<Stage, number | null>> = { ...plan.places };
  const steps: Partial<Record<WorkKey, DayNumber>> = {};
  for (const stay of stays) {
    const stage = stages[stay.stage]!;
    to[stage] = placeIds[stay.place]!;
    if (inProgress?.at === stay.stage) continue;
    // Plugs are not taken off the heat here: they come on their day.
    if (!(plan.joins && stage === 'grow')) steps[STEP_OF[stage]] = from + stay.from;
  }
  // The day it is planned for; the weather may keep it longer.
  steps.plant = from + out - later_days;
  if (to.space === to.pot) to.space = null;
  return { id, places: to as StagePlaces, steps };
}

/** A place with proposed set-points in place of those it has for the same weeks. */
export function withSetPoints(place: Place, proposed: readonly WeekSetPoint[] | undefined): Place {
  if (!proposed || proposed.length === 0) return place;
  const weeks = new Map((place.setPoints ?? []).map((s) => [s.week, s]));
  for (const setPoint of proposed) weeks.set(setPoint.week, setPoint);
  return { ...place, setPoints: [...weeks.values()].sort((a, b) => a.week - b.week) };
}
