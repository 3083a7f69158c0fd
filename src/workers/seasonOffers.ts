import type { InsertionScratch } from '../core/plan/placement/insert.ts';
import { offersForLate, offersForRoom, offersForUnplaced, type Offer } from '../core/plan/placement/offers.ts';
import { presentState } from '../core/plan/placement/present.ts';
import type { State } from '../core/plan/placement/state.ts';
import type { Progress } from '../core/batch/progress.ts';
import { overRoom } from '../core/plan/schedule/roomUse.ts';
import type { OffersRequest, OfferShown, SeasonSent, PlanConflict } from '../contracts/plan/planner.ts';
import { offerCopies, type AppliedOffer, type Unpriced } from './appliedOffer.ts';
import { prepare, shown, type Prepared } from './prepared.ts';

/** Ways out of each trouble of the season as it is planned now. */
export function offersFor(request: OffersRequest): OfferShown[][] {
  const prepared = prepare(request);
  const { problem, season, batches, scratch } = prepared;
  const state = presentState(problem, season, batches);
  const copyWith = offerCopies(request, prepared);
  return request.troubles.map((trouble) =>
    offersOf(prepared, state, trouble, scratch).flatMap((found): OfferShown[] => {
      const offer = shown(prepared, found);
      const applied = copyWith(offer);
      return comesTrue(request, prepared, offer, applied, trouble) ? [{ ...offer, price: applied.price }] : [];
    }),
  );
}

/** Days by which an offer's day out may be another when it is worked out by the hour. */
const ROUNDING_days = 1;

/**
 * Whether what an offer promises comes true by the application's own forecasts: a late batch really sooner by the days it
 * says, a clash really less. What changes no plan is not held against it.
 */
function comesTrue(
  { house }: SeasonSent,
  { batches }: Prepared,
  offer: Unpriced,
  { progress }: AppliedOffer,
  trouble: PlanConflict,
): boolean {
  if (offer.kind === 'fewer' || offer.kind === 'more-room') return true;
  if (trouble.kind !== 'over') {
    const was = batches.get(trouble.batchId)?.progress.late_days ?? null;
    const is = progress.get(trouble.batchId)!.late_days;
    if (is === null) return false;
    if (trouble.kind === 'stuck' || was === null) return true;
    return is < was && Math.abs(is - was - offer.later_days) <= ROUNDING_days;
  }
  const { placeId, from, to } = trouble;
  const overIn = (list: Iterable<Progress>): number =>
    overRoom(
      [...list].flatMap((one) => one.stands),
      house.places,
      from,
      to - from,
    )
      .filter((run) => run.placeId === placeId)
      .reduce((sum, run) => sum + run.most_slots * (run.to - run.from), 0);
  return overIn(progress.values()) < overIn([...batches.values()].map((one) => one.progress));
}

function offersOf({ season }: Prepared, state: State, trouble: PlanConflict, scratch: InsertionScratch): Offer[] {
  if (trouble.kind === 'over') {
    const place = season.placeIds.indexOf(trouble.placeId);
    return offersForRoom(state, { place, from: trouble.from - season.from, to: trouble.to - season.from }, scratch);
  }
  const index = season.batches.findIndex((batch) => batch.id === trouble.batchId);
  if (index < 0) return [];
  return trouble.kind === 'late' ? offersForLate(state, index, scratch) : offersForUnplaced(state, index, scratch);
}
