import { batchProgress, type Progress } from '../core/batch/progress.ts';
import { isOver } from '../core/batch/event.ts';
import { withSetPoints } from '../core/plan/placement/proposal.ts';
import { priceBetween, reckon, type ChangePrice, type SeasonSummary } from '../core/plan/placement/reckon.ts';
import { tablesOfHouse } from '../core/plan/schedule/seasonTables.ts';
import type { OfferShown, SeasonSent } from '../contracts/plan/planner.ts';
import type { Prepared } from './prepared.ts';

/** The season as it would be with an offer, by the application's own forecasts. */
export interface AppliedOffer {
  readonly progress: ReadonlyMap<number, Progress>;
  readonly price: ChangePrice;
}

/** What an offer changes; its price is worked out here. */
export type Unpriced = Omit<OfferShown, 'price'>;

/** Applies offers to copies of a season. */
export function offerCopies(sent: SeasonSent, { toPlan, batches }: Prepared): (offer: Unpriced) => AppliedOffer {
  const { house } = sent;
  const over = new Set(sent.batches.filter((batch) => isOver(batch.state.phase)).map((batch) => batch.id));
  const sum = (
    progress: ReadonlyMap<number, Progress>,
    plans: typeof batches,
    places = toPlan.places,
    { tables } = toPlan,
  ): SeasonSummary =>
    reckon({
      today: house.today,
      places,
      tables,
      weights: house.weights,
      batches: [...plans.values()].map((one) => ({
        plan: one.plan,
        progress: progress.get(one.id)!,
        over: over.has(one.id),
      })),
    });
  const now = new Map([...batches.values()].map((one) => [one.id, one.progress]));
  let before: SeasonSummary | null = null;
  return (offer) => {
    const setPoints = new Map(offer.setPoints.map((s) => [s.placeId, s.setPoints]));
    const places = toPlan.places.map((place) => withSetPoints(place, setPoints.get(place.id)));
    const tables =
      setPoints.size === 0
        ? toPlan.tables
        : tablesOfHouse({
            ...house,
            places: house.places.map((place) => withSetPoints(place, setPoints.get(place.id))),
          });
    const of = new Map(offer.batches.map((one) => [one.id, one]));
    const plans = new Map(
      [...batches].map(([id, one]) => {
        const part = of.get(id);
        return [id, part ? { ...one, plan: { ...one.plan, places: part.places, steps: part.steps } } : one] as const;
      }),
    );
    const progress = new Map(
      [...plans.values()].map(({ id, crop, plan, state, progress: was }) => {
        if (setPoints.size === 0 && !of.has(id)) return [id, was] as const;
        const { coming_frac, weather } = sent.batches.find((one) => one.id === id)!;
        const { offHeat, containers, today } = toPlan;
        return [
          id,
          batchProgress({ crop, plan, state, offHeat, tables, containers, today, coming_frac, weather }),
        ] as const;
      }),
    );
    before ??= sum(now, batches);
    return {
      progress,
      price: priceBetween(before, sum(progress, plans, places, { ...toPlan, tables }), offer.later_days),
    };
  };
}
