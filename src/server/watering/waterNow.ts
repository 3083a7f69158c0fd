import { cropOf } from '../../core/books/cropOf.ts';
import type { Crop } from '../../core/books/crop.ts';
import type { BatchView, Season } from '../../core/plan/season.ts';
import { HELD_frac, heldOfMix } from '../../core/watering/holding.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { dayLength_h } from '../../core/weather/sun.ts';
import { dayOfYear } from '../../core/calendar/dayNumber.ts';
import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { outsideHours, type OutsideHour } from '../../core/watering/outsideHours.ts';
import { placeAir, type PlaceAir } from '../../core/watering/placeAir.ts';
import { standingLines, type WaterLine } from '../../core/watering/waterLine.ts';
import { Teaching, trayWater, waterToday, type WaterToday } from '../../core/watering/trayWater.ts';

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
/** Air read at a place says something for two weeks. */
const AIR_READ_ms = 14 * 24 * HOUR_ms;

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

/** Air outside and over the trays of each place. */
interface Air {
  readonly outside: readonly OutsideHour[];
  readonly airs: ReadonlyMap<number, PlaceAir>;
}
const airHeld = new Derived<Season['tables'], Air>();

/** What was read of the air, as a word that changes with it. */
const readOf = (lines: readonly WaterLine[]): string =>
  lines.flatMap(({ id, air_C }) => (air_C === null ? [] : [id])).join();

/** Air does not hang on what is logged of batches: it stands while the weather, the places and what was read of it do. */
const airNow = (season: Season, lines: readonly WaterLine[]): Air =>
  airHeld.get(season.tables, () => airOf(season, lines), [
    season.site,
    season.world.places,
    readOf(lines),
    Math.floor(season.now.instant_ms / SLOT_ms),
  ]);

function airOf({ world, now, site, tables }: Season, lines: readonly WaterLine[]): Air {
  const { latitude_deg, timeZone, height_m } = world.nursery;
  const now_ms = now.instant_ms;
  const noon_h = solarNoon_h(world, now_ms);
  const from_ms = Math.floor(now_ms / HOUR_ms) * HOUR_ms - BACK_days * 24 * HOUR_ms;
  const outside = outsideHours(site, { latitude_deg, timeZone, noon_h }, from_ms, (BACK_days + AHEAD_days) * 24);
  const within = { latitude_deg, height_m: height_m ?? 0, noon_h };
  const airs = new Map(
    world.places.map((place) => [
      place.id,
      placeAir(
        place,
        tables.climateOf(place.id),
        outside,
        lines.flatMap(({ placeId, at_ms, air_C, humidity_frac }) =>
          placeId === place.id && air_C !== null && humidity_frac !== null && at_ms > now_ms - AIR_READ_ms
            ? [{ temp_C: air_C, humidity_frac }]
            : [],
        ),
        within,
      ),
    ]),
  );
  return { outside, airs };
}

/** What the mix holds that a batch stands in: that of the pots once it was potted, else that of sowing. */
function mixHolds({ world }: Season): (view: BatchView) => number {
  const parts = new Map(world.stock.map(({ id, held_frac }) => [id, held_frac]));
  const ofMix = (mixId: number | null): number => {
    const mix = world.mixes.find(({ id }) => id === mixId);
    return (mix && heldOfMix(mix, (id) => parts.get(id))) ?? HELD_frac.loose;
  };
  const { mixId, sowMixId } = world.nursery.potting;
  const [pots, sown] = [ofMix(mixId), ofMix(sowMixId)];
  return ({ state }) => (state.facts.pot === undefined ? sown : pots);
}

/** Seed that wants light lies on the surface, as does what is sown no deeper than dust. */
const onSurface = ({ light, depth_mm }: Crop): boolean => light === 'light' || depth_mm < 1;

function workOut(season: Season): WaterNow {
  const { world, now } = season;
  const { latitude_deg } = world.nursery;
  const now_ms = now.instant_ms;
  const noon_h = solarNoon_h(world, now_ms);
  const lines = standingLines(world.waterLines);
  const { outside, airs } = airNow(season, lines);
  const byBatch = new Map<number | null, WaterLine[]>();
  for (const line of lines) {
    const own = byBatch.get(line.batchId);
    if (own) own.push(line);
    else byBatch.set(line.batchId, [line]);
  }
  const containers = new Map(world.containers.map((container) => [container.id, container]));
  const waterBy = new Map(world.places.map(({ id, waterBy: by }) => [id, by ?? 'hand']));
  const trays = season.batches.flatMap((view) => {
    const tray = trayWater(view, {
      today: now.today,
      now_ms,
      containers,
      airOf: (id) => airs.get(id) ?? null,
      heldOf: mixHolds(season),
      onSurface: (view) => onSurface(cropOf(season, view.batch)),
      waterBy: (id) => waterBy.get(id) ?? 'hand',
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
