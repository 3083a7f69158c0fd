import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { batchProgress } from '../../core/batch/progress.ts';
import { UNSOWN } from '../../core/batch/reduce.ts';
import { seasonInstance, type SeasonBatchToPlan, type SeasonToPlan } from '../../core/plan/placement/fromSeason.ts';
import { placeNew, type Placed } from '../../core/plan/placement/placeNew.ts';
import type { ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import { newBatch } from '../batch/batchInput.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { housePace } from '../house/houseData.ts';
import type { Season } from '../../core/plan/season.ts';

/** Most batches placed in one step; more take longer than anyone waits for an answer. */
export const MOST_PLACED = 300;

/** The season as the planner takes it. */
export function seasonToPlan(season: Season): SeasonToPlan {
  const { world, now, tables } = season;
  const { offHeat, coolSchool, coolMost_C, weights, planning } = world.nursery;
  return {
    today: now.today,
    places: world.places,
    containers: new Map(world.containers.map((c) => [c.id, c])),
    offHeat,
    coolSchool,
    coolMost_C,
    weights,
    planning,
    pace: housePace(world),
    tables,
    batches: season.batches
      .filter((view) => view.fault === null)
      .map(({ batch, name, state, progress }): SeasonBatchToPlan => {
        const crop = cropOf(season, batch);
        return { id: batch.id, name, crop, plan: batch.plan, state, pinned: batch.pinned, progress };
      }),
  };
}

/** Batches as the planner would place them beside what already stands there, in the order given. */
export interface PlacedForMe {
  /** With places and days; as it was where no way was found. */
  readonly inputs: readonly BatchInput[];
  readonly placed: readonly Placed[];
  /** Set-points wanted in weeks in which nothing stood there. */
  readonly setPoints: readonly ProposedSetPoints[];
}

/** The planner's own insertion for batches that are not made yet. */
export function placeForMe(season: Season, inputs: readonly BatchInput[]): PlacedForMe {
  if (inputs.length === 0) return { inputs: [], placed: [], setPoints: [] };
  const toPlan = seasonToPlan(season);
  const { offHeat, tables, containers, today } = toPlan;
  // Numbers no batch has.
  const made = inputs.map((input, i): SeasonBatchToPlan => {
    const crop = cropOf(season, input);
    const { plan } = newBatch({ ...input, steps: {} });
    const progress = batchProgress({ crop, plan, state: UNSOWN, offHeat, tables, containers, today });
    return { id: -1 - i, name: crop.name, crop, plan, state: UNSOWN, pinned: false, progress };
  });
  const batches = [...toPlan.batches, ...made];
  const placed = placeNew(
    seasonInstance({ ...toPlan, batches }),
    new Map(batches.map((batch) => [batch.id, batch])),
    made.map((batch) => batch.id),
  );
  return {
    placed,
    inputs: inputs.map((input, i) => {
      const way = placed[i]!.ways[0];
      if (!way) return input;
      const { places, steps } = way.proposed;
      const days = Object.entries(steps).map(([key, day]) => [key, isoFromDay(day)]);
      return { ...input, places, steps: Object.fromEntries(days) };
    }),
    setPoints: together(placed.flatMap((one) => one.ways[0]?.setPoints ?? [])),
  };
}

/** One list of weeks for each place. */
function together(parts: readonly ProposedSetPoints[]): ProposedSetPoints[] {
  const byPlace = new Map<number, Map<number, number | null>>();
  for (const { placeId, setPoints } of parts) {
    const weeks = byPlace.get(placeId) ?? new Map<number, number | null>();
    for (const { week, setPoint_C } of setPoints) weeks.set(week, setPoint_C);
    byPlace.set(placeId, weeks);
  }
  return [...byPlace].map(([placeId, weeks]) => ({
    placeId,
    setPoints: [...weeks].map(([week, setPoint_C]) => ({ week, setPoint_C })),
  }));
}
