import { useEffect, useMemo, useState } from 'react';
import { isOver } from '../../core/batch/event.ts';
import type { HouseData } from '../../contracts/plan/seasonData.ts';
import { outcomesOf, type BatchOutcome } from '../../core/plan/placement/outcomes.ts';
import type { ProposedBatch } from '../../core/plan/placement/proposal.ts';
import { reckon, type SeasonSummary } from '../../core/plan/placement/reckon.ts';
import type { Buys } from './MadeLater.tsx';
import type { SeasonWork } from './useSeason.ts';

interface Input {
  readonly house: HouseData;
  readonly work: SeasonWork;
  readonly proposedHouse: HouseData;
  readonly proposedWork: SeasonWork;
  readonly proposedSum: SeasonSummary;
  readonly moving: readonly ProposedBatch[];
  readonly chosen: ReadonlySet<number>;
  /** Whether a plan is shown at all. */
  readonly shown: boolean;
}

export interface LaterOne extends BatchOutcome {
  readonly buys: Buys | null;
  /** Whether the plan moves it; else it is only kept less warm, in these places. */
  readonly moves: boolean;
  readonly placeIds: readonly number[];
}

export interface Outcomes {
  readonly byId: ReadonlyMap<number, BatchOutcome>;
  /** Batches the plan makes later, once so as a list, those left as they are since included. */
  readonly later: readonly LaterOne[];
}

/** Each batch before and after what is taken of a plan; and for those made later, what leaving them as they are would cost. */
export function useOutcomes(input: Input): Outcomes {
  const { house, work, proposedHouse, proposedWork, proposedSum, moving, chosen, shown } = input;
  const byId = useMemo(() => {
    if (!shown) return new Map<number, BatchOutcome>();
    const seen = ({ worked }: SeasonWork) =>
      worked
        .filter(({ batch }) => !isOver(batch.state.phase))
        .map(({ batch, progress }) => ({ id: batch.id, plan: batch.plan, progress }));
    return new Map(outcomesOf(seen(work), seen(proposedWork), house.today).map((one) => [one.id, one]));
  }, [work, proposedWork, house, shown]);
  // Left as it is a batch stays in the list, so that one can think again.
  const [ever, setEver] = useState<ReadonlyMap<number, BatchOutcome>>(new Map());
  useEffect(() => setEver(new Map()), [moving]);
  useEffect(() => {
    setEver((known) => {
      const more = [...byId.values()].filter((one) => one.madeLater && known.get(one.id) !== one);
      return more.length === 0 ? known : new Map([...known, ...more.map((one) => [one.id, one] as const)]);
    });
  }, [byId]);
  const later = useMemo(
    () =>
      [...ever.values()].map((outcome): LaterOne => {
        const was = work.worked.find((w) => w.batch.id === outcome.id);
        const stands = was ? was.progress.stands.filter((s) => s.to > house.today) : [];
        const one = {
          ...outcome,
          moves: moving.some((m) => m.id === outcome.id),
          placeIds: [...new Set(stands.map((s) => s.placeId))],
        };
        if (!chosen.has(one.id) || !was) return { ...one, buys: null };
        const asItIs = proposedWork.worked.map((w) =>
          w.batch.id === one.id ? { batch: was.batch, progress: proposedWork.tryPlan(w.batch, was.batch.plan) } : w,
        );
        const left = reckon({
          today: house.today,
          places: proposedHouse.places,
          tables: proposedWork.tables,
          weights: house.weights,
          batches: asItIs.map((w) => ({ plan: w.batch.plan, progress: w.progress, over: isOver(w.batch.state.phase) })),
        });
        return {
          ...one,
          buys: {
            heat_kWh: left.heat_kWh - proposedSum.heat_kWh,
            money: left.money - proposedSum.money,
            over_slotDays: left.over_slotDays - proposedSum.over_slotDays,
          },
        };
      }),
    [ever, chosen, moving, work, proposedWork, proposedHouse, proposedSum, house],
  );
  return { byId, later };
}
