import type { BatchPlan } from '../core/plan/batchPlan.ts';
import { seasonInstance, type SeasonBatchToPlan, type SeasonInstance } from '../core/plan/placement/fromSeason.ts';
import { makeScratch, type InsertionScratch } from '../core/plan/placement/insert.ts';
import type { Offer } from '../core/plan/placement/offers.ts';
import { makeProblem, type Problem } from '../core/plan/placement/problem.ts';
import { proposedBatch } from '../core/plan/placement/proposal.ts';
import { staysOf } from '../core/plan/placement/solution.ts';
import { seasonToPlan } from '../contracts/plan/seasonToPlan.ts';
import type { KeptWeeks, SeasonSent } from '../contracts/plan/planner.ts';
import type { SeasonToPlan } from '../core/plan/placement/fromSeason.ts';
import type { Unpriced } from './appliedOffer.ts';
import { withKept } from './keptWeeks.ts';

/** A season made ready for the search. */
export interface Prepared {
  /** The season as it was handed in. */
  readonly toPlan: SeasonToPlan;
  readonly season: SeasonInstance;
  readonly problem: Problem;
  readonly scratch: InsertionScratch;
  readonly batches: ReadonlyMap<number, SeasonBatchToPlan>;
  readonly plans: ReadonlyMap<number, BatchPlan>;
}

export function prepare(sent: SeasonSent, keep: readonly KeptWeeks[] = []): Prepared {
  const toPlan = withKept(seasonToPlan(sent), keep);
  const season = seasonInstance(toPlan);
  const problem = makeProblem(season.instance);
  return {
    toPlan,
    season,
    problem,
    scratch: makeScratch(problem),
    batches: new Map(toPlan.batches.map((batch) => [batch.id, batch])),
    plans: new Map(sent.batches.map((batch) => [batch.id, batch.plan])),
  };
}

/** An offer in the season's own numbers and days, without its price. */
export function shown({ season, problem, plans }: Prepared, offer: Offer): Unpriced {
  const { kind, cost, heat_kWh, later_days, cleared_slotDays, share_frac, lack, setPoint } = offer;
  const { from, placeIds, instance } = season;
  const batches = offer.plans.map((plan) => {
    const task = problem.tasks[plan.task]!;
    return proposedBatch(season, plan.task, staysOf(task, plan), plan.days[task.stageCount]!, plans.get(task.spec.id)!);
  });
  const setPoints = setPoint
    ? [
        {
          placeId: placeIds[setPoint.place]!,
          setPoints: Array.from({ length: setPoint.to - setPoint.from }, (_, i) => ({
            week: from + 7 * (setPoint.from + i),
            setPoint_C: instance.places[setPoint.place]!.levels[setPoint.level]!.setPoint_C,
          })),
        },
      ]
    : [];
  return {
    kind,
    cost,
    heat_kWh,
    later_days,
    cleared_slotDays,
    share_frac,
    batches,
    setPoints,
    lack: lack && { placeId: placeIds[lack.place]!, slots: lack.slots, from: from + lack.from, to: from + lack.to },
  };
}
