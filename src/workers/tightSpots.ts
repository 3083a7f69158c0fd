import { readyInTime_frac } from '../core/batch/inTime.ts';
import { batchProgress, type ProgressInput, type WeatherOut } from '../core/batch/progress.ts';
import { isOver } from '../core/batch/event.ts';
import type { BatchPlan } from '../core/plan/batchPlan.ts';
import { waysRound } from '../core/plan/placement/easing.ts';
import { presentState } from '../core/plan/placement/present.ts';
import { horizonDays } from '../core/plan/schedule/roomUse.ts';
import {
  knockOn,
  type KnockOn,
  type KnockOnBatch,
  type KnockOnStand,
  type SpringOfBatch,
  type TightSpot,
} from '../core/plan/springs/knockOn.ts';
import type { SeasonSent, TightAnswer } from '../contracts/plan/planner.ts';
import { offerCopies, type Unpriced } from './appliedOffer.ts';
import { prepare, shown, type Prepared } from './prepared.ts';

const RUNS = 500;
/** In a season of more batches than this the springs are fewer. */
const MANY = 150;
const RUNS_MANY = 200;
const SEED = 1;
const WEAKEST = 3;
/** Batches of a spot for which another way is looked for. */
const MOST_TRIED = 6;
/** An offer must lower the odds by so much, or halve them; and may raise none elsewhere by more than this, nor make its batch less sure by it. */
const WORTH_frac = 0.1;
const HARM_frac = 0.05;
/** Days after the last forecast day that are looked at: a slow spring goes on for longer. */
const BEYOND_days = 42;

/** Where the season as it stands may become tight for room if springs go otherwise, and what would ease its weakest spots. */
export function tightSpots(sent: SeasonSent): TightAnswer {
  const prepared = prepare(sent);
  const { problem, season, batches, scratch } = prepared;
  const live = sent.batches.filter((batch) => !isOver(batch.state.phase));
  const { today, places } = sent.house;
  const stands = live.flatMap((batch) => batches.get(batch.id)!.progress.stands);
  const days = horizonDays(stands, today) + BEYOND_days;
  const runs = live.length > MANY ? RUNS_MANY : RUNS;
  const all = live.map((batch) => asItGoes(sent, prepared, batch.id, batches.get(batch.id)!.plan));
  const simulated = (list: readonly KnockOnBatch[]) =>
    knockOn({ batches: list, places, from: today, days, runs, seed: SEED });
  const now = simulated(all);
  const copyWith = offerCopies(sent, prepared);
  const state = presentState(problem, season, batches);
  const spots = now.spots.slice(0, WEAKEST).map((spot) => {
    const cell = {
      place: season.placeIds.indexOf(spot.placeId),
      from: spot.from - season.from,
      to: Math.min(problem.days, spot.to - season.from),
    };
    let best: { offer: Unpriced; after_frac: number } | null = null;
    for (const id of spot.batchIds.slice(0, MOST_TRIED)) {
      const task = problem.tasks[season.batches.findIndex((batch) => batch.id === id)];
      if (!task) continue;
      for (const way of waysRound(state, task, cell, scratch)) {
        const offer = shown(prepared, way);
        const part = offer.batches[0]!;
        const before = batches.get(id)!;
        const plan = { ...before.plan, places: part.places, steps: part.steps };
        if (lessSure(sent, prepared, id, plan)) continue;
        const changed = asItGoes(sent, prepared, id, plan);
        const after = simulated(all.map((one) => (one.id === id ? changed : one)));
        const after_frac = oddsAt(after, spot);
        if (spot.odds_frac - after_frac < Math.min(WORTH_frac, spot.odds_frac / 2)) continue;
        if (harms(now, after)) continue;
        if (
          !best ||
          after_frac < best.after_frac - 0.02 ||
          (after_frac < best.after_frac + 0.02 && offer.cost < best.offer.cost)
        )
          best = { offer, after_frac };
      }
    }
    return { ...spot, ease: best && { ...best, offer: { ...best.offer, price: copyWith(best.offer).price } } };
  });
  return { runs, weeks: now.weeks, spots };
}

/** Odds of a spot in another simulation: of the weeks of the same place and days the highest. */
function oddsAt({ spots }: KnockOn, { placeId, from, to }: TightSpot): number {
  return Math.max(
    0,
    ...spots.filter((s) => s.placeId === placeId && s.from < to && s.to > from).map((s) => s.odds_frac),
  );
}

/** Whether any week becomes much tighter than it was. */
function harms(before: KnockOn, after: KnockOn): boolean {
  const was = new Map(before.weeks.map((w) => [`${w.placeId}/${w.from}`, w.odds_frac]));
  return after.weeks.some((w) => w.odds_frac - (was.get(`${w.placeId}/${w.from}`) ?? 0) > HARM_frac);
}

function lessSure(sent: SeasonSent, prepared: Prepared, id: number, plan: BatchPlan): boolean {
  const { today } = sent.house;
  const before = prepared.batches.get(id)!;
  const was = readyInTime_frac(before.progress, before.plan, today);
  const is = readyInTime_frac(progressOf(sent, prepared, id, plan), plan, today);
  return is === null || (was !== null && is < was - HARM_frac);
}

function progressOf(
  sent: SeasonSent,
  { toPlan, batches }: Prepared,
  id: number,
  plan: BatchPlan,
  spring: Pick<ProgressInput, 'planned' | 'weather'> = {},
) {
  const { crop, state } = batches.get(id)!;
  const one = sent.batches.find((batch) => batch.id === id)!;
  return batchProgress({
    crop,
    plan,
    state,
    offHeat: toPlan.offHeat,
    tables: toPlan.tables,
    containers: toPlan.containers,
    today: toPlan.today,
    coming_frac: one.coming_frac,
    weather: one.weather,
    ...spring,
  });
}

/** A batch by its own forecast in springs that are slower or quicker, each worked out once. */
function asItGoes(sent: SeasonSent, prepared: Prepared, id: number, plan: BatchPlan): KnockOnBatch {
  const known = new Map<string, readonly KnockOnStand[]>();
  const { weather } = sent.batches.find((batch) => batch.id === id)!;
  const usual = progressOf(sent, prepared, id, plan);
  const standsIf = (spring: SpringOfBatch): readonly KnockOnStand[] => {
    const key = `${spring.emergence}/${spring.growth}/${weather ? spring.weather : ''}`;
    const found = known.get(key);
    if (found) return found;
    const slower = {
      ...plan,
      emergence_factor: (plan.emergence_factor ?? 1) * spring.emergence,
      growth_factor: (plan.growth_factor ?? 1) * spring.growth,
    };
    // It is sown on the day of its plan, whatever the spring turns out to be.
    const { stands } = progressOf(sent, prepared, id, slower, {
      planned: usual.planned,
      weather: weather && outIn(weather, spring.weather),
    });
    // Where it is not to be reached so slowly it stands as forecast: that it is late is said elsewhere.
    const here = stands.length > 0 ? stands : usual.stands;
    known.set(key, here);
    return here;
  };
  return { id, standsIf };
}

/** What the weather lets in a spring of this rank, between what is known of the early, middle and late ones. */
function outIn(weather: WeatherOut, rank: number): WeatherOut {
  const { p10, p50, p90 } = weather;
  if (p10 === null || p50 === null || p90 === null) return weather;
  const at = rank < 0.5 ? p10 + ((p50 - p10) * (rank - 0.1)) / 0.4 : p50 + ((p90 - p50) * (rank - 0.5)) / 0.4;
  return { ...weather, p50: Math.round(at) };
}
