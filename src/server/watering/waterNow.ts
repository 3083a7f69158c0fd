import { cropOf } from '../../core/books/cropOf.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { dayLength_h } from '../../core/weather/sun.ts';
import { dayOfYear } from '../../core/calendar/dayNumber.ts';
import { localHourAt, localTimeAt } from '../../core/calendar/localDay.ts';
import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { outsideHours, type OutsideHour } from '../../core/watering/outsideHours.ts';
import { vapour_kPa } from '../../core/watering/evaporation.ts';
import { placeAir, type AirHour, type PlaceAir } from '../../core/watering/placeAir.ts';
import { standingLines, type WaterLine } from '../../core/watering/waterLine.ts';
import { wetSurface, WET_EVENINGS } from '../../core/watering/tooWet.ts';
import { factorQuantile } from '../../core/watering/belief.ts';
import {
  demandSince_mm,
  Teaching,
  trayWater,
  waterToday,
  wetAt_prob,
  type TrayWater,
  type WaterToday,
} from '../../core/watering/trayWater.ts';
import { perTray } from '../../core/potting/pot.ts';
import type { PlaceWater, WaterTray } from '../../contracts/watering/water.ts';
import { pacedMinutes } from '../house/roundJobs.ts';

const HOUR_ms = 3_600_000;
/** Days looked back for what trays have lost, and ahead for what they will. */
export const BACK_days = 9;
export const AHEAD_days = 10;
/** Worked out anew so often. */
const SLOT_ms = 10 * 60_000;
/** Wall-clock hour of the morning's look. Common practice, no source. */
export const MORNING_h = 8;
/** The night belongs to the morning that ends it. */
const NIGHT_ENDS_h = 4;
/** Fed from so many days after half up, with every so many waterings. Common practice, no source. */
const FEED = { from_days: 14, every: 3 } as const;
/** A reading of water says something for a week. */
const WATER_READ_ms = 7 * 24 * HOUR_ms;
/** A hose that lay in frost is frozen until the air is above this. Common practice, no source. */
const HOSE_C = -1;

/** Water of the whole house as it stands now. */
export interface WaterNow {
  readonly outside: readonly OutsideHour[];
  readonly airs: ReadonlyMap<number, PlaceAir>;
  readonly trays: ReadonlyMap<number, WaterToday>;
  readonly teaching: Teaching;
  readonly lines: readonly WaterLine[];
  readonly now_ms: number;
  readonly next_ms: number;
  readonly dusk_ms: number;
  readonly dusks_ms: readonly number[];
}

const held = new Derived<Season['batches'], WaterNow>();

/** Water of all that stands in trays; worked out once while neither season nor water log change, for ten minutes. */
export function waterNow(season: Season): WaterNow {
  const { world, now, site, tables } = season;
  const slot = Math.floor(now.instant_ms / SLOT_ms);
  return held.get(season.batches, () => workOut(season), [world.waterLines, site, tables, slot]);
}

/** Instant of an hour of a day by the wall clock; within an hour on days on which the clock is put forward or back. */
const instantOf = ({ now }: Season, day: number, hour: number): number =>
  now.instant_ms + ((day - now.today) * 24 + hour - now.minute / 60) * HOUR_ms;

function workOut(season: Season): WaterNow {
  const { world, now, site } = season;
  const { latitude_deg, timeZone, height_m } = world.nursery;
  const now_ms = now.instant_ms;
  const noon_h = solarNoon_h(world, now_ms);
  const from_ms = Math.floor(now_ms / HOUR_ms) * HOUR_ms - BACK_days * 24 * HOUR_ms;
  const outside = outsideHours(site, { latitude_deg, timeZone, noon_h }, from_ms, (BACK_days + AHEAD_days) * 24);
  const lines = standingLines(world.waterLines);
  const within = { latitude_deg, height_m: height_m ?? 0, noon_h };
  const airs = new Map(
    world.places.map((place) => [
      place.id,
      placeAir(
        place,
        season.tables.climateOf(place.id),
        outside,
        lines.flatMap(({ placeId, at_ms, air_C, humidity_frac }) =>
          placeId === place.id && air_C !== null && humidity_frac !== null
            ? [{ at_ms, temp_C: air_C, humidity_frac }]
            : [],
        ),
        within,
      ),
    ]),
  );
  const byBatch = new Map<number | null, WaterLine[]>();
  for (const line of lines) {
    const own = byBatch.get(line.batchId);
    if (own) own.push(line);
    else byBatch.set(line.batchId, [line]);
  }
  const containers = new Map(world.containers.map((container) => [container.id, container]));
  const trays = season.batches.flatMap((view) => {
    const tray = trayWater(view, {
      today: now.today,
      now_ms,
      containers,
      airOf: (id) => airs.get(id) ?? null,
      noonOf_ms: (day) => instantOf(season, day, 12),
      lines: byBatch.get(view.batch.id) ?? [],
    });
    return tray ? [tray] : [];
  });
  const teaching = new Teaching(trays);
  const next_ms = instantOf(season, now.minute / 60 < NIGHT_ENDS_h ? now.today : now.today + 1, MORNING_h);
  const duskOn = (day: number) => instantOf(season, day, noon_h + dayLength_h(latitude_deg, dayOfYear(day)) / 2);
  const dusk_ms = duskOn(now.today);
  const at = { now_ms, next_ms, dusk_ms };
  return {
    outside,
    airs,
    lines,
    teaching,
    trays: new Map(
      trays.map((tray) => [tray.batchId, waterToday(tray, airs.get(tray.placeId)!, teaching.of(tray), at)]),
    ),
    ...at,
    dusks_ms: Array.from({ length: 7 }, (_, i) => duskOn(now.today - i)).filter((ms) => ms < now_ms),
  };
}

const timeOf = ({ world }: Season, at_ms: number) => localTimeAt(at_ms, world.nursery.timeZone);

/** Water of a place for the round and its own page; null: nothing stands there in trays. */
export function placeWater(season: Season, placeId: number): PlaceWater | null {
  const water = waterNow(season);
  const there = season.batches.flatMap((view) => {
    const today = water.trays.get(view.batch.id);
    return today?.tray.placeId === placeId ? [{ view, today }] : [];
  });
  if (there.length === 0) return null;
  const air = water.airs.get(placeId)!;
  const open = season.world.places.find(({ id }) => id === placeId)?.kind === 'ground';
  const read = water.lines.findLast(
    (line) => line.placeId === placeId && line.water_C !== null && line.at_ms > water.now_ms - WATER_READ_ms,
  );
  const nightLeast = Math.min(
    ...water.outside
      .filter(({ at_ms }) => at_ms > water.now_ms - 12 * HOUR_ms && at_ms <= water.now_ms)
      .map(({ temp_C }) => temp_C),
  );
  const ahead = air.hours.filter(({ at_ms }) => at_ms >= water.now_ms && at_ms < water.next_ms);
  return {
    trays: there.map(({ view, today }) => waterTrayOf(season, water, view, today)).sort(byWant),
    humidityKnown: air.humidityKnown,
    lightKnown: air.lightKnown,
    rainUnknown: open && ahead.some(({ at_ms }) => !water.outside.find((out) => out.at_ms === at_ms)!.rainKnown),
    water_C: read?.water_C ?? null,
    tender: there.some(({ view }) => ['tender', 'tropical'].includes(cropOf(season, view.batch).hardiness)),
    hoseFrozen: nightLeast < HOSE_C && localHourAt(water.now_ms, season.world.nursery.timeZone) < 11,
    weatherShort: season.site?.forecast != null && ahead.some(({ told }) => !told),
  };
}

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
    lid: tray.lid,
    feed: feedsNow(season, water, view, tray),
    again:
      again === null
        ? null
        : { minute: again.minute, away: again.minute < home.from_h * 60 || again.minute >= home.to_h * 60 },
    dry: at(today.dryAt_ms),
    watered: at(last),
    look: tray.lastLook && { look: tray.lastLook.look, ...timeOf(season, tray.lastLook.at_ms) },
    wetAtDusk_prob: water.dusk_ms > water.now_ms ? wetAt_prob(today, air, water.now_ms, water.dusk_ms) : null,
    figures: {
      holds_L: tray.holding.water_L,
      guessed: tray.holding.guessed,
      cover_frac: tray.cover,
      lost_mm: tray.since?.demand_mm ?? null,
      ahead_mm: demandSince_mm(air, water.now_ms, water.next_ms, tray.lid ? 0.06 : 1),
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

/** Whether feed goes with this watering: every so many, from two weeks after half up. */
function feedsNow({ now }: Season, water: WaterNow, view: BatchView, tray: TrayWater): boolean {
  const halfUp = view.state.facts['half-up'] ?? view.state.facts.arrive;
  if (halfUp === undefined || now.today - halfUp < FEED.from_days) return false;
  const own = water.lines.filter(({ batchId, kind }) => batchId === tray.batchId && kind === 'watered');
  const fedAt = own.findLastIndex(({ fed }) => fed);
  return own.length - 1 - fedAt >= FEED.every - 1;
}

/** Share of what a tray holds after which it is watered. */
const ROUND_frac = 0.6;

/** Minutes of watering on a day to come: each tray as often as it dries. 0 beyond the days the weather is known. */
export function waterMinutes(season: Season, day: number): number {
  const water = waterNow(season);
  const trays = new Map<number, number>();
  for (const { tray, belief } of water.trays.values()) {
    const hours = water.airs.get(tray.placeId)!.hours.filter((hour) => hour.day === day);
    if (hours.length === 0) continue;
    const asked_mm = hours.reduce((sum, { demand_mm }) => sum + demand_mm, 0) * factorQuantile(belief, 0.5);
    const times = tray.lid ? 0 : Math.min(1, asked_mm / (ROUND_frac * tray.holding.capacity_mm));
    trays.set(tray.placeId, (trays.get(tray.placeId) ?? 0) + times * tray.trays);
  }
  return [...trays.values()].reduce((sum, n) => sum + (n < 0.5 ? 0 : pacedMinutes(season, 'water', n).minutes), 0);
}

/** Air by night under this is damp, kPa; opening helps while it is milder than this outside. Common practice, no source. */
const DAMP_kPa = 0.15;
const MILD_C = 3;
/** Kinds of places with a lid, a vent or a door. */
const OPENS: ReadonlySet<string> = new Set(['house', 'frame', 'bench']);

/** Whether it helps to open a place for ten minutes at dusk: its air is damp, and outside there is less vapour and no frost. */
export function opensAtDusk(season: Season, placeId: number): boolean {
  const place = season.world.places.find(({ id }) => id === placeId);
  const water = waterNow(season);
  if (!place || !OPENS.has(place.kind) || ![...water.trays.values()].some(({ tray }) => tray.placeId === placeId))
    return false;
  const { hours } = water.airs.get(placeId)!;
  const dusk = hours.findIndex(({ at_ms }) => at_ms + HOUR_ms > water.dusk_ms);
  const evening = hours.slice(dusk, dusk + 6);
  const out = water.outside[dusk];
  if (!out || evening.length === 0) return false;
  const deficit = evening.reduce((sum, { deficit_kPa }) => sum + deficit_kPa, 0) / evening.length;
  const inside = hours[dusk]!;
  const vapour = vapour_kPa(inside.temp_C, 1) - inside.deficit_kPa;
  return deficit < DAMP_kPa && out.temp_C > MILD_C && out.vapour_kPa < vapour;
}

/** How many times as fast a tray dries today outside as where it stands; null: it stands nowhere in trays. */
export function driesFaster(season: Season, batchId: number): number | null {
  const water = waterNow(season);
  const today = water.trays.get(batchId);
  if (!today) return null;
  const { world, now } = season;
  const open = placeAir(
    OUTSIDE,
    { placeId: 0, from: now.today, day_C: Float64Array.of(0), night_C: Float64Array.of(0) },
    water.outside.filter(({ day }) => day === now.today),
    [],
    {
      latitude_deg: world.nursery.latitude_deg,
      height_m: world.nursery.height_m ?? 0,
      noon_h: solarNoon_h(world, now.instant_ms),
    },
  );
  const asked = (hours: readonly AirHour[]) =>
    hours
      .filter(({ day, hour }) => day === now.today && hour >= 9 && hour < 18)
      .reduce((sum, h) => sum + h.demand_mm, 0);
  const [here, there] = [asked(water.airs.get(today.tray.placeId)!.hours), asked(open.hours)];
  return here > 0.01 ? there / here : null;
}

/** The open ground, where trays stand on a rung of their ladder. */
const OUTSIDE = { id: 0, kind: 'ground', lit: true } as const;
