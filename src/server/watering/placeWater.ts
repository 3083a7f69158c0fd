import { cropOf } from '../../core/books/cropOf.ts';
import { localHourAt, localTimeAt } from '../../core/calendar/localDay.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { perTray } from '../../core/potting/pot.ts';
import { factorQuantile } from '../../core/watering/belief.ts';
import { hoseFrost } from '../../core/watering/hose.ts';
import { wetSurface, WET_EVENINGS } from '../../core/watering/tooWet.ts';
import { demandSince_mm, wetAt_prob, type WaterToday } from '../../core/watering/trayWater.ts';
import type { PlaceWater, WaterTray } from '../../contracts/watering/water.ts';
import { leavingWater, leavingWeight } from '../../core/house/leaving.ts';
import { waterJobKey } from '../../core/house/roundLine.ts';
import { leavingWords, pacedMinutes } from '../house/roundJobs.ts';
import { feedGiven, feedsNow } from './feeding.ts';
import { waterNow, type WaterNow } from './waterNow.ts';

const HOUR_ms = 3_600_000;
/** A reading of water says something for a week. */
const WATER_READ_ms = 7 * 24 * HOUR_ms;

const timeOf = ({ world }: Season, at_ms: number) => localTimeAt(at_ms, world.nursery.timeZone);

/**
 * Water of a place for the round and its own page; null: nothing stands there in trays.
 * @param season all of it, also where only some batches are shown: they teach each other
 */
export function placeWater(
  season: Season,
  placeId: number,
  shown: Season['batches'] = season.batches,
): PlaceWater | null {
  const water = waterNow(season);
  const there = shown.flatMap((view) => {
    const today = water.trays.get(view.batch.id);
    return today?.tray.placeId === placeId ? [{ view, today }] : [];
  });
  if (there.length === 0) return null;
  const air = water.airs.get(placeId)!;
  const read = water.lines.findLast(
    (line) => line.placeId === placeId && line.water_C !== null && line.at_ms > water.now_ms - WATER_READ_ms,
  );
  const hour = localHourAt(water.now_ms, season.world.nursery.timeZone);
  const hose = hoseFrost(water.outside, water.now_ms, hour, water.next_ms);
  const ahead = air.hours.filter(({ at_ms }) => at_ms >= water.now_ms && at_ms < water.next_ms);
  const trays = there
    .map(({ view, today }) => linesHeld.get(today, () => waterTrayOf(season, water, view, today)))
    .sort(byWant);
  return {
    trays,
    feed: feedGiven(
      season,
      trays.filter(({ want, feed }) => want === 'now' && feed).reduce((sum, { litres }) => sum + litres, 0),
    ),
    work: workOf(placeId, there, season),
    humidityKnown: air.humidityKnown,
    lightKnown: air.lightKnown,
    rainUnknown: ahead.some(({ rainKnown }) => !rainKnown),
    water_C: read?.water_C ?? null,
    tender: there.some(({ view }) => ['tender', 'tropical'].includes(cropOf(season, view.batch).hardiness)),
    hoseFrozen: hose.frozen,
    hoseTonight: hose.tonight,
    weatherShort: season.site?.forecast != null && ahead.some(({ told }) => !told),
  };
}

function workOf(
  placeId: number,
  there: readonly { readonly view: BatchView; readonly today: WaterToday }[],
  season: Season,
): PlaceWater['work'] {
  const wanting = there.filter(({ today }) => today.want === 'now');
  if (wanting.length === 0) return null;
  const leaving = leavingWater(
    wanting.map(({ view, today }) => ({ plants: view.plants.expected_count, dry_prob: today.dry_prob ?? 0 })),
  );
  return {
    key: waterJobKey(placeId),
    minutes: wanting.reduce((sum, { today }) => sum + pacedMinutes(season, 'water', today.tray.trays).minutes, 0),
    leaving,
    leavingWords: leavingWords(leaving),
    weight: leavingWeight(leaving, 0),
  };
}

/** Each tray's line, worked out once while what it wants stands. */
const linesHeld = new Derived<WaterToday, WaterTray>();

const ORDER = ['now', 'look', 'later', 'not'] as const;
const byWant = (a: WaterTray, b: WaterTray): number =>
  ORDER.indexOf(a.want) - ORDER.indexOf(b.want) || (b.dry_prob ?? 0) - (a.dry_prob ?? 0);

function waterTrayOf(season: Season, water: WaterNow, view: BatchView, today: WaterToday): WaterTray {
  const { tray, belief } = today;
  const air = water.airs.get(tray.placeId)!;
  const at = (ms: number | null) => (ms === null ? null : timeOf(season, ms));
  const last = tray.waterings.at(-1) ?? null;
  const { home } = season.world.nursery.planting;
  const again = at(today.againBy_ms);
  const dark = water.dusk_ms <= water.now_ms;
  return {
    batchId: tray.batchId,
    code: view.batch.code,
    name: view.name,
    trays: tray.trays,
    want: today.want,
    way: tray.way,
    litres: today.litres,
    minutes: pacedMinutes(season, 'water', tray.trays).minutes,
    dry_prob: today.dry_prob,
    wet_prob: today.wet_prob,
    share: today.share,
    keepMoist: !tray.up,
    dryNow: today.share !== null && today.share < tray.least,
    lid: tray.lid,
    lidAdvice: tray.lidAdvice,
    feed: feedsNow(season, water, view, tray),
    again:
      again === null
        ? null
        : { minute: again.minute, away: again.minute < home.from_h * 60 || again.minute >= home.to_h * 60 },
    dry: at(today.dryAt_ms),
    watered: at(last),
    look: tray.lastLook && { look: tray.lastLook.look, ...timeOf(season, tray.lastLook.at_ms) },
    wetAtDusk_prob: dark ? null : wetAt_prob(today, air, water.now_ms, water.dusk_ms, true),
    staysWet_prob:
      dark || last === null || timeOf(season, last).day !== season.now.today
        ? null
        : wetAt_prob(today, air, water.now_ms, water.dusk_ms, false),
    figures: {
      holds_L: tray.holding.water_L,
      guessed: tray.holding.guessed,
      cover_frac: tray.cover,
      lost_mm: tray.since?.demand_mm ?? null,
      ahead_mm: demandSince_mm(air, water.now_ms, water.next_ms, tray.lid),
      capacity_mm: tray.holding.capacity_mm,
      factor: factorQuantile(belief, 0.5),
      factorLow: factorQuantile(belief, 0.05),
      factorHigh: factorQuantile(belief, 0.95),
      looks: tray.evidence.seen,
      others: water.teaching.count - (tray.evidence.seen > 0 ? 1 : 0),
      full_g: tray.full_g,
    },
    wet: wetOf(season, water, view, today),
  };
}

function wetOf(season: Season, water: WaterNow, view: BatchView, today: WaterToday): WaterTray['wet'] {
  const { tray, belief } = today;
  const container = season.world.containers.find(({ id }) => id === tray.containerId)!;
  const { state } = view;
  const plants = state.up_count ?? state.sown_count ?? 0;
  const usual =
    tray.trays *
    (container.kind === 'seed-tray' ? cropOf(season, view.batch).cellsUsual_count * 2 : perTray(container));
  const wet = wetSurface(tray, belief, water.airs.get(tray.placeId)!, {
    now_ms: water.now_ms,
    dusks_ms: water.dusks_ms,
    hourOf: (ms) => localHourAt(ms, season.world.nursery.timeZone),
    dense: plants / Math.max(1, usual),
  });
  // Covered seed is wet all along: that is what the lid is for.
  if (!tray.up || (wet.evenings < WET_EVENINGS && wet.risk !== 'high')) return null;
  const { evenings, risk, causes, wet_h } = wet;
  return { evenings, risk, causes, wet_h };
}
