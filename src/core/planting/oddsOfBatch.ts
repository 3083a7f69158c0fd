import { cropOf } from '../books/cropOf.ts';
import { isOver } from '../batch/event.ts';
import { coverSoil_K, surfaceMean_C } from '../weather/soilSurface.ts';
import { coverWorth } from '../weather/coverWorth.ts';
import { scoreAt } from '../weather/score.ts';
import type { BatchPlan } from '../plan/batchPlan.ts';
import type { Crop } from '../books/crop.ts';
import { milestoneOf } from '../plan/schedule/chain.ts';
import { simulatedSprings, type SpringInput, type Springs } from '../plan/springs/springs.ts';
import { oddsOf, type BatchOdds, type OddsTask } from './odds.ts';
import { OUT_HARM_C } from './outDates.ts';

import { rulesOf } from '../hardening/ladderOfBatch.ts';
import { soilOn, type Site } from '../weather/site.ts';
import type { BatchView, Season } from '../plan/season.ts';
import { outFrom } from './outFrom.ts';
import { Derived } from '../numerics/remembered.ts';

/** Springs looked through, and days each of them reaches. */
export const RUNS = 500;
export const SPRING_days = 120;
/** Batches that go out later than this are not reckoned yet. */
export const ODDS_AHEAD_days = 75;
const SEED = 20_27;

/** What the springs of a season are drawn from; the page's worker draws the same. null: nothing to go by. */
export function springInput(site: Site): SpringInput | null {
  const { today, usual, forecast, latitude_deg } = site;
  const known = site.history.length >= 5 * 330;
  if (!known && !usual) return null;
  const near = Array.from({ length: 10 }, (_, i) => {
    const day = forecast?.days.find((d) => d.day === today + i);
    const score = scoreAt(site.scores, day?.lead ?? 9);
    const read = i === 0 ? site.least.get(today) : undefined;
    return {
      least_C: read?.value ?? day?.least_C ?? null,
      most_C: day?.most_C ?? null,
      gust_m_s: day?.gust_m_s ?? null,
      spread_K: read?.spread_K === 0 ? 0 : score.spread_K,
      bias_K: read ? 0 : score.bias_K,
    };
  });
  const from = usual ? today - usual.from : 0;
  return {
    from: today,
    days: SPRING_days,
    runs: RUNS,
    seed: SEED,
    history: site.history,
    usual: usual && { day_C: usual.day_C.subarray(from), night_C: usual.night_C.subarray(from) },
    near,
    wind: site.wind,
    soil_C: soilOn(site, today),
    latitude_deg,
  };
}

const springsHeld = new Derived<Site, Springs | null>();

/** Springs of a site, drawn once while its weather stands. */
export function springsOf(site: Site): Springs | null {
  return springsHeld.get(site, () => {
    const input = springInput(site);
    return input && simulatedSprings(input);
  });
}

/** Degrees a cover is safely worth on the night. */
export function safeCover_K(site: Site, season: Season, coverId: number | null | undefined): number {
  if (coverId === null || coverId === undefined) return 0;
  const cover = season.world.covers.find((c) => c.id === coverId);
  return Math.max(0, (site.worths.get(coverId) ?? coverWorth(cover?.worth_K ?? 0, [])).safe_K);
}

/** How much warmer than the air sunlit soil usually is about today, K. */
function sunOnSoil_K({ usual, today, latitude_deg }: Site): number {
  if (!usual) return 0;
  const i = today - usual.from;
  const [day_C, night_C] = [usual.day_C[i], usual.night_C[i]];
  if (day_C === undefined || night_C === undefined) return 0;
  return surfaceMean_C(today, day_C, night_C, latitude_deg) - (day_C + night_C) / 2;
}

/** Degrees a cover is worth on the night as a mean, and on the soil. */
export function meanCover(
  site: Site,
  season: Season,
  coverId: number | null | undefined,
): { readonly warm_K: number; readonly soil_K: number } {
  const cover = season.world.covers.find((c) => c.id === coverId);
  if (!cover) return { warm_K: 0, soil_K: 0 };
  const soil_K = Math.max(cover.soil_K, coverSoil_K(cover.layers, sunOnSoil_K(site)));
  return { warm_K: Math.max(0, site.worths.get(cover.id)?.worth_K ?? cover.worth_K), soil_K };
}

/** Lows in a row, last night the last, that with a cover are warm enough. */
export function nightsSoFar(site: Site, crop: Crop, warm_K: number): number {
  let run = 0;
  for (let day = site.today; run < 30; day--) {
    const low = site.least.get(day);
    if (low === undefined || low.value + warm_K < crop.plantNightMin_C) break;
    run++;
  }
  return run;
}

/** The task of a batch, by its plan or one tried instead. null: it cannot be reckoned. */
export function oddsTask(season: Season, view: OddsView, plan: BatchPlan = view.batch.plan): OddsTask | null {
  const { site, world, tables } = season;
  const { forecast } = view.progress;
  if (!site || forecast.kind !== 'chain' || isOver(view.state.phase)) return null;
  const crop = cropOf(season, view.batch);
  const ladder = view.ladder;
  const hardening = view.state.phase === 'hardening';
  const { programme: _p, chosen: _c, ...rules } = rulesOf({ plan, crop, world, site, tables });
  const startsOn = milestoneOf(forecast, 'harden')!.day;
  const cover_K = safeCover_K(site, season, plan.coverId);
  const { warm_K, soil_K } = meanCover(site, season, plan.coverId);
  const soilMin_C = crop.plantSoilMin_C - soil_K;
  const cover = world.covers.find((c) => c.id === plan.coverId) ?? null;
  const soil = (day: number) => soilOn(site, day) ?? -Infinity;
  let warmSoFar = 0;
  while (warmSoFar < 30 && soil(site.today - warmSoFar) >= soilMin_C) warmSoFar++;
  return {
    batchId: view.batch.id,
    ladder: rules,
    at:
      hardening && ladder
        ? ladder.setBackTo === null
          ? ladder.at
          : { rung: ladder.setBackTo, served: 0 }
        : { rung: 0, served: 0 },
    hardenFrom: Math.max(site.today, hardening ? Math.max(ladder?.restsUntil ?? 0, ladder?.heldUntil ?? 0) : startsOn),
    modes: { ...world.nursery.planting.modes, ...plan.gates },
    rules: world.nursery.planting.rules,
    outFrom: outFrom(site, world, crop, cover, plan.transplantOn).day,
    soilMin_C,
    nightMin_C: crop.plantNightMin_C,
    harm_C: OUT_HARM_C[crop.hardiness],
    cover_K,
    warm_K,
    nightsSoFar: nightsSoFar(site, crop, warm_K),
    warmSoFar,
    transplantOn: plan.transplantOn,
    lastGoodOn: plan.transplantOn + (plan.after_days ?? 7),
  };
}

/** The parts of a batch its odds follow from. */
export type OddsView = Pick<BatchView, 'batch' | 'state' | 'ladder' | 'progress'>;

/** Odds of a batch as it stands, worked out with the batch. null: too far ahead, gone, or nothing to go by. */
export function oddsNow(season: Season, view: OddsView): BatchOdds | null {
  const { site } = season;
  if (!site || view.batch.plan.transplantOn > site.today + ODDS_AHEAD_days) return null;
  const springs = springsOf(site);
  const task = springs && oddsTask(season, view);
  return task ? oddsOf(task, springs) : null;
}

/** Odds of a batch. null: too far ahead, or nothing to go by. */
export function batchOdds(_season: Season, view: BatchView): BatchOdds | null {
  return view.odds;
}

/** Whether a batch's date has become unlikely. */
export function isUnlikely(season: Season, view: BatchView): boolean {
  const odds = batchOdds(season, view);
  return odds !== null && odds.inTime_frac < season.world.nursery.planting.unlikely_frac;
}
