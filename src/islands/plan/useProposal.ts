import { useCallback, useEffect, useMemo, useState } from 'react';
import type { PlanAnswer } from '../../contracts/plan/planner.ts';
import type { HouseData, SeasonBatch } from '../../contracts/plan/seasonData.ts';
import { withSetPoints } from '../../core/plan/placement/proposal.ts';
import type { Worked } from './useSeason.ts';
import { changesOf, planProposed } from './words.ts';

/** What a proposal moves, what of it is chosen, and the season as it would be with that. */
export function useProposal(
  house: HouseData,
  batches: readonly SeasonBatch[],
  byId: ReadonlyMap<number, Worked>,
  answer: PlanAnswer | null,
) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [heldPlaces, setHeldPlaces] = useState<ReadonlySet<number>>(new Set());
  const [showing, setShowing] = useState<'now' | 'proposed'>('proposed');
  const moving = useMemo(
    () =>
      answer ? answer.proposal.batches.filter((p) => byId.has(p.id) && changesOf(byId.get(p.id)!, p).length > 0) : [],
    [answer, byId],
  );
  useEffect(() => {
    setChosen(new Set(moving.map((m) => m.id)));
    setHeldPlaces(new Set());
    setShowing('proposed');
  }, [moving]);
  const part = useMemo(() => {
    const taken = answer ? answer.proposal.batches.filter((p) => chosen.has(p.id)) : [];
    const stands = new Set(taken.flatMap((p) => Object.values(p.places)));
    // Taken in part, only the set-points of places where something taken stands.
    const setPoints = answer
      ? answer.proposal.setPoints.filter(
          (s) => !heldPlaces.has(s.placeId) && (chosen.size === moving.length || stands.has(s.placeId)),
        )
      : [];
    return { taken, setPoints };
  }, [answer, chosen, heldPlaces, moving]);
  const proposedHouse = useMemo(() => {
    const of = new Map(part.setPoints.map((s) => [s.placeId, s.setPoints]));
    return answer
      ? { ...house, places: house.places.map((p) => ({ ...withSetPoints(p, of.get(p.id)), version: p.version })) }
      : house;
  }, [house, answer, part]);
  const proposedBatches = useMemo(() => {
    const of = new Map(part.taken.map((p) => [p.id, p]));
    return answer
      ? batches.map((b) => (of.has(b.id) ? { ...b, plan: planProposed(b.plan, of.get(b.id)!) } : b))
      : batches;
  }, [batches, answer, part]);
  const hold = useCallback((placeIds: readonly number[], on: boolean): void => {
    setHeldPlaces((known) => {
      const next = new Set(known);
      for (const id of placeIds) {
        if (on) next.add(id);
        else next.delete(id);
      }
      return next;
    });
  }, []);
  return {
    moving,
    chosen,
    setChosen,
    heldPlaces,
    hold,
    showing,
    setShowing,
    part,
    proposedHouse,
    proposedBatches,
  };
}
