import { batchProgress } from '../../core/batch/progress.ts';
import type { SeasonBatchToPlan, SeasonToPlan } from '../../core/plan/placement/fromSeason.ts';
import { tablesOfHouse } from '../../core/plan/schedule/seasonTables.ts';
import { cropOfBatch } from '../../core/books/varietyFigures.ts';
import type { SeasonSent } from './planner.ts';

/** The season as the planner takes it, from what the pages carry. */
export function seasonToPlan({ house, batches }: SeasonSent): SeasonToPlan {
  const tables = tablesOfHouse(house);
  const containers = new Map(house.containers.map((container) => [container.id, container]));
  const { today, offHeat, coolSchool, coolMost_C, weights, planning, pace, places } = house;
  return {
    today,
    places,
    containers,
    offHeat,
    coolSchool,
    coolMost_C,
    weights,
    planning,
    pace,
    tables,
    batches: batches.map((batch): SeasonBatchToPlan => {
      const crop = cropOfBatch(house, batch);
      const { plan, state, coming_frac, weather } = batch;
      const progress = batchProgress({ crop, plan, state, offHeat, tables, containers, today, coming_frac, weather });
      return { id: batch.id, name: batch.name, crop, plan, state, pinned: batch.pinned, progress };
    }),
  };
}
