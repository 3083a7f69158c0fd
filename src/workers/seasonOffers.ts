import type { Bench } from '../core/placement/insert.ts';
import { offersForLate, offersForRoom, offersForUnplaced, type Offer } from '../core/placement/offers.ts';
import { presentState } from '../core/placement/present.ts';
import { withSetPoints } from '../core/placement/proposal.ts';
import type { State } from '../core/placement/state.ts';
import { batchProgress } from '../core/batch/progress.ts';
import type { Stand } from '../core/batch/progress.ts';
import { tablesOfHouse, type SeasonTables } from '../core/schedule/seasonTables.ts';
import { overRoom } from '../core/schedule/roomUse.ts';
import type { OffersRequest, OfferShown, SeasonSent, Trouble } from '../contracts/planner.ts';
import { prepare, shown, type Prepared } from './prepared.ts';

/** Ways out of each trouble of the season as it is planned now. */
export function offersFor(request: OffersRequest): OfferShown[][] {
  const prepared = prepare(request);
  const { problem, season, batches, bench } = prepared;
  const state = presentState(problem, season, batches);
  const comesTrue = appliedTo(request, prepared);
  return request.troubles.map((trouble) =>
    offersOf(prepared, state, trouble, bench)
      .map((offer) => shown(prepared, offer))
      .filter((offer) => comesTrue(offer, trouble)),
  );
}

/** Days by which an offer's day out may be another when it is worked out by the hour. */
const ROUNDING_days = 1;

/**
 * Applies an offer to a copy of the season and says whether what it promises comes true by the application's own forecasts:
 * a late batch really sooner by the days it says, a clash really less. What changes no plan is not held against it.
 */
function appliedTo(
  sent: SeasonSent,
  { toPlan: plain, batches, season }: Prepared,
): (offer: OfferShown, trouble: Trouble) => boolean {
  const { house } = sent;
  const forecast = (id: number, offer: OfferShown, tables: SeasonTables) => {
    const { crop, plan, state } = batches.get(id)!;
    const part = offer.batches.find((one) => one.id === id);
    const { coming_frac, weather } = sent.batches.find((one) => one.id === id)!;
    return batchProgress({
      crop,
      plan: part ? { ...plan, places: part.places, steps: part.steps } : plan,
      state,
      offHeat: plain.offHeat,
      tables,
      containers: plain.containers,
      today: plain.today,
      coming_frac,
      weather,
    });
  };
  const overIn = (stands: readonly Stand[], { placeId, from, to }: Extract<Trouble, { kind: 'over' }>): number =>
    overRoom(stands, house.places, from, to - from)
      .filter((run) => run.placeId === placeId)
      .reduce((sum, run) => sum + run.most_slots * (run.to - run.from), 0);
  return (offer, trouble) => {
    if (offer.kind === 'fewer' || offer.kind === 'more-room') return true;
    const of = new Map(offer.setPoints.map((s) => [s.placeId, s.setPoints]));
    const tables =
      of.size === 0
        ? plain.tables
        : tablesOfHouse({ ...house, places: house.places.map((place) => withSetPoints(place, of.get(place.id))) });
    if (trouble.kind !== 'over') {
      const was = batches.get(trouble.batchId)?.progress.late_days ?? null;
      const is = forecast(trouble.batchId, offer, tables).late_days;
      if (is === null) return false;
      if (trouble.kind === 'stuck' || was === null) return true;
      return is < was && Math.abs(is - was - offer.later_days) <= ROUNDING_days;
    }
    const moved = new Set(of.size > 0 ? season.batches.map((b) => b.id) : offer.batches.map((b) => b.id));
    const all = [...batches.values()];
    const after = all.flatMap((one) => (moved.has(one.id) ? forecast(one.id, offer, tables) : one.progress).stands);
    return (
      overIn(after, trouble) <
      overIn(
        all.flatMap((one) => one.progress.stands),
        trouble,
      )
    );
  };
}

function offersOf({ season }: Prepared, state: State, trouble: Trouble, bench: Bench): Offer[] {
  if (trouble.kind === 'over') {
    const place = season.placeIds.indexOf(trouble.placeId);
    return offersForRoom(state, { place, from: trouble.from - season.from, to: trouble.to - season.from }, bench);
  }
  const index = season.batches.findIndex((batch) => batch.id === trouble.batchId);
  if (index < 0) return [];
  return trouble.kind === 'late' ? offersForLate(state, index, bench) : offersForUnplaced(state, index, bench);
}
