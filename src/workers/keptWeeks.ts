import type { SeasonToPlan } from '../core/plan/placement/fromSeason.ts';
import type { ProposedSetPoints } from '../core/plan/placement/proposal.ts';
import type { KeptWeeks } from '../contracts/plan/planner.ts';

/** The season with some weeks kept: who stands there then is pinned, and nothing else may come. */
export function withKept(toPlan: SeasonToPlan, keep: readonly KeptWeeks[]): SeasonToPlan {
  if (keep.length === 0) return toPlan;
  return {
    ...toPlan,
    places: toPlan.places.map((place) => {
      const mine = keep.filter((k) => k.placeId === place.id).map(({ from, to }) => ({ from, to: to - 1 }));
      return mine.length === 0 ? place : { ...place, closed: [...(place.closed ?? []), ...mine] };
    }),
    batches: toPlan.batches.map((batch) => {
      const standsThere = batch.progress.stands.some((s) =>
        keep.some((k) => k.placeId === s.placeId && s.from < k.to && s.to > k.from),
      );
      return standsThere ? { ...batch, pinned: true } : batch;
    }),
  };
}

/** Set-points of a plan without those of weeks that are kept. */
export function withoutKept(
  proposed: readonly ProposedSetPoints[],
  keep: readonly KeptWeeks[],
): readonly ProposedSetPoints[] {
  return proposed.map(({ placeId, setPoints }) => ({
    placeId,
    setPoints: setPoints.filter(
      ({ week }) => !keep.some((k) => k.placeId === placeId && week < k.to && week + 7 > k.from),
    ),
  }));
}
