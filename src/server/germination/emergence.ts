import { cropOf, plainCropOf } from '../../core/books/cropOf.ts';
import { countsOf, looksOf, progressThrough } from '../../core/batch/looks.ts';
import { effectiveEvents } from '../../core/batch/reduce.ts';
import { afterLooks, beliefOf } from '../../core/germination/belief.ts';
import { hillAt, hillFit } from '../../core/germination/hillFit.ts';
import { indices } from '../../core/germination/indices.ts';
import { expectedCounts, verdictOf, type LookOn } from '../../core/germination/verdict.ts';
import { wilson } from '../../core/numerics/wilson.ts';
import { backwardChain } from '../../core/plan/schedule/backward.ts';
import { milestoneOf } from '../../core/plan/schedule/chain.ts';
import { temperatureOn } from '../../core/plan/schedule/placeClimate.ts';
import type { EmergenceData, EmergenceDay } from '../../contracts/germination/emergence.ts';
import { growthFor } from '../../core/growth/grown.ts';
import { learnedFor } from '../../core/germination/learned.ts';
import { leggyOf } from '../growth/leggy.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { Derived } from '../../core/numerics/remembered.ts';

/** Days shown beyond the one by which nearly all are expected. */
const BEYOND_days = 4;
const MOST_days = 90;

/** How a batch comes up: counts against what was expected, the odds, the measures. null when it was not sown here. */
export function emergenceOf(season: Season, view: BatchView): EmergenceData | null {
  const { world, now, plainTables, taught } = season;
  const from = [
    plainTables,
    now.today,
    world.nursery.learning,
    world.lots.find((l) => l.id === view.batch.lotId),
    ...taught.filter((t) => t.cropId === view.batch.cropId),
  ];
  return worked.get(view, () => workOut(season, view), from);
}

/** What was worked out for a batch, with all it was worked out from besides the batch and its log. */
const worked = new Derived<BatchView, EmergenceData | null>();

function workOut(season: Season, view: BatchView): EmergenceData | null {
  const { world, now, plainTables } = season;
  const { batch, state } = view;
  const sown = countsOf(view.events);
  if (!sown) return null;
  const crop = plainCropOf(world, batch);
  const lot = world.lots.find((l) => l.id === batch.lotId) ?? null;
  // Judged by the house's other trays, not by itself.
  const learned = learnedFor(season.taught, batch, lot, batch.id);
  const { prior } = world.nursery.learning ? learned : learnedFor([], batch, lot);
  const off = state.facts['off-heat'] ?? null;
  const forecast = view.progress.forecast;
  const offHeatOn = off ?? (forecast.kind === 'chain' ? (milestoneOf(forecast, 'off-heat')?.day ?? null) : null);
  const progressOn = progressThrough(
    crop,
    plainTables,
    sown.sownOn,
    state.stays,
    batch.plan,
    off === null ? offHeatOn : null,
  );
  const looks: LookOn[] = looksOf(sown, progressOn);
  const counts = sown.counts.map(({ day, up }) => ({ day: day - sown.sownOn, up })).filter(({ day }) => day > 0);
  const hill = hillFit(counts, sown.sown);
  const needed = Math.min(sown.sown, batch.plan.plantsWanted);
  const verdict = verdictOf({
    prior,
    sown: sown.sown,
    sownOn: sown.sownOn,
    looks,
    today: now.today,
    progressOn,
    needed,
    sowAgainBy: sowAgainBy(season, view),
  });
  const before = beliefOf(prior);
  const after = afterLooks(before, looks, sown.sown);
  const last = looks.at(-1) ?? null;
  const open = state.phase === 'sown' || state.phase === 'emerged';
  const end = Math.min(
    MOST_days,
    Math.max(
      (verdict.nearlyAllOn ?? now.today) - sown.sownOn + BEYOND_days,
      (counts.at(-1)?.day ?? 0) + 1,
      open ? now.today - sown.sownOn + 1 : 0,
      6,
    ),
  );
  const list = Array.from({ length: end + 1 }, (_, day) => day);
  const expected = expectedCounts(
    before,
    sown.sown,
    list.map((day) => progressOn(sown.sownOn + day)),
  );
  const later = last ? list.filter((day) => sown.sownOn + day >= last.day) : [];
  const known = expectedCounts(
    after,
    sown.sown,
    later.map((day) => progressOn(sown.sownOn + day)),
    last,
  );
  const days = list.map((day): EmergenceDay => {
    const count = counts.find((c) => c.day === day);
    const at = later.indexOf(day);
    const limits = count ? wilson(count.up, sown.sown, 0.9) : null;
    return {
      day,
      expected: expected[day]!,
      now: at >= 0 ? known[at]! : null,
      up: count?.up ?? null,
      wilson: limits && { low: limits.low * sown.sown, high: limits.high * sown.sown },
      hill: hill.kind === 'fitted' ? (Math.max(0, hillAt(hill.fit, day)) * sown.sown) / 100 : null,
    };
  });
  const placeId = state.stays[0]?.placeId ?? batch.plan.places.germinate;
  const climate = placeId === null ? null : temperatureOn(plainTables.climateOf(placeId), sown.sownOn);
  const until = Math.min(now.today, off ?? Infinity, sown.counts.at(-1)?.day ?? now.today);
  const logged = loggedOf(season, placeId, sown.sownOn, until);
  return {
    batchId: batch.id,
    name: view.name,
    code: batch.code,
    lotCode: lot?.code ?? null,
    cropName: view.cropName,
    sownOn: sown.sownOn,
    sown: sown.sown,
    needed,
    temperature_C: logged.mean_C ?? (climate ? (climate.day_C + climate.night_C) / 2 : null),
    logged_days: logged.days,
    days,
    verdict,
    settled:
      view.plants.by === 'potted' || view.plants.by === 'planted' || view.plants.by === 'ended'
        ? { cameUp_count: view.plants.cameUp_count, sown_count: view.plants.sown_count, by: view.plants.by }
        : null,
    leggy: leggyOf(season, view),
    indices: indices(counts, sown.sown),
    hill,
    trays_count: learned.trays_count,
    lotTrays_count: learned.lotTrays_count,
    time_factor: Math.exp(prior.logTime),
    share_frac: prior.most_frac,
    sigma: prior.sigma,
    doubted_count: learned.doubted_count,
    growth: growthFor(season.grown, { ...batch, placeId: batch.plan.places.grow }),
    leftOut: effectiveEvents(view.events).flatMap((e) =>
      e.kind === 'left-out' ? [{ eventId: e.id, tray: e.tray ?? null, reason: e.cause }] : [],
    ),
    trays: Object.keys(state.trayUp).map(Number),
    learning: world.nursery.learning,
  };
}

/** Mean of the medium over the days a tray stood there, where at least a day of it was measured. */
function loggedOf(
  season: Season,
  placeId: number | null,
  from: number,
  to: number,
): { days: number; mean_C: number | null } {
  const list = [...(season.measured.get(placeId ?? -1) ?? [])].filter(([day]) => day >= from && day <= to);
  const hours = list.flatMap(([, h]) => h.filter((value) => value !== null));
  const days = Math.round(hours.length / 24);
  return { days, mean_C: days === 0 ? null : hours.reduce((sum, value) => sum + value, 0) / hours.length };
}

/** Last day on which the same plan, sown anew, still goes out within its window; null when that is past or not to be had. */
export function sowAgainBy(season: Season, { batch }: BatchView): number | null {
  const crop = cropOf(season, batch);
  const { steps: _steps, ...rest } = batch.plan;
  const plan = { ...rest, transplantOn: rest.transplantOn + (rest.after_days ?? 0), joins: null };
  const chain = backwardChain({ crop, plan, offHeat: season.world.nursery.offHeat, tables: season.tables });
  if (chain.kind !== 'chain') return null;
  const day = milestoneOf(chain, 'sow')!.day;
  return day >= season.now.today ? day : null;
}
