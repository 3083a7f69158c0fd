import { cropOfBatch } from '../../core/books/varietyFigures.ts';
import { isOver } from '../../core/batch/event.ts';
import { useMemo } from 'react';
import { batchProgress, type Progress, type Stand } from '../../core/batch/progress.ts';
import { isTrouble, punctuality } from '../../core/batch/tolerance.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import { reckon, type SeasonSummary } from '../../core/plan/placement/reckon.ts';
import { hoursByWeek, type WeekWork } from '../../core/plan/placement/work.ts';
import { horizonDays, overRoom, type OverRoom } from '../../core/plan/schedule/roomUse.ts';
import type { SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import { useTables } from '../batch/useTables.ts';
import { Derived } from '../../core/numerics/remembered.ts';

export interface Worked {
  readonly batch: SeasonBatch;
  readonly progress: Progress;
}

export interface Band extends Stand {
  readonly batchId: number;
  readonly index: number;
  readonly last: boolean;
}

export interface SeasonWork {
  readonly worked: readonly Worked[];
  readonly tables: SeasonTables;
  /** Works one batch out as if its plan were another. */
  readonly tryPlan: (batch: SeasonBatch, plan: BatchPlan) => Progress;
}

/** Every batch's plan and forecast in the browser, and the means to try another plan. */
export function useSeason(house: HouseData, batches: readonly SeasonBatch[]): SeasonWork {
  const tables = useTables(house);
  // The season as it is and as proposed are the same while nothing is proposed: worked out once.
  return useMemo(
    () => known.get(house, () => workOf(house, batches, tables), [batches, tables]),
    [house, batches, tables],
  );
}

function workOf(house: HouseData, batches: readonly SeasonBatch[], tables: SeasonTables): SeasonWork {
  const containers = new Map(house.containers.map((container) => [container.id, container]));
  const tryPlan = (batch: SeasonBatch, plan: BatchPlan): Progress =>
    batchProgress({
      crop: cropOfBatch(house, batch),
      plan,
      state: batch.state,
      offHeat: house.offHeat,
      tables,
      containers,
      today: house.today,
      coming_frac: batch.coming_frac,
      weather: batch.weather,
    });
  const worked = batches.map((batch) => ({ batch, progress: tryPlan(batch, batch.plan) }));
  return { worked, tables, tryPlan };
}

const known = new Derived<HouseData, SeasonWork>();

/** A batch that is late beyond its days, not likely, or cannot be. */
export const inTrouble = (w: Worked): boolean =>
  !isOver(w.batch.state.phase) && isTrouble(punctuality(w.progress, w.batch.plan));

/** A season added up. */
export function useReckoning(house: HouseData, { worked, tables }: SeasonWork): SeasonSummary {
  return useMemo(
    () =>
      reckon({
        today: house.today,
        places: house.places,
        tables,
        weights: house.weights,
        batches: worked.map((w) => ({ plan: w.batch.plan, progress: w.progress, over: isOver(w.batch.state.phase) })),
      }),
    [house, worked, tables],
  );
}

/** Hours of the work still to come, week by week. */
export function useWeekWork(house: HouseData, { worked }: SeasonWork): WeekWork[] {
  return useMemo(
    () =>
      hoursByWeek(
        worked.map((w) => ({ plan: w.batch.plan, progress: w.progress, over: isOver(w.batch.state.phase) })),
        new Map(house.containers.map((container) => [container.id, container])),
        house.planning,
        house.pace,
        house.today,
      ),
    [house, worked],
  );
}

/** Bands of a worked batch. */
export function bandsOf({ batch, progress }: Worked): Band[] {
  return progress.stands.map((stand, index) => ({
    ...stand,
    batchId: batch.id,
    index,
    last: index === progress.stands.length - 1,
  }));
}

/** Runs of days over room from today to the last day of the season. */
export function overRoomAhead(house: HouseData, worked: readonly Worked[]): OverRoom[] {
  const stands = worked.flatMap((w) => w.progress.stands);
  return overRoom(stands, house.places, house.today, horizonDays(stands, house.today));
}
