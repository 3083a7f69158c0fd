import type { Season } from '../../core/plan/season.ts';
import { solarNoon_h } from '../../core/hardening/ladderOfBatch.ts';
import { factorQuantile } from '../../core/watering/belief.ts';
import { vapour_kPa } from '../../core/watering/evaporation.ts';
import { placeAir, type PlaceAir } from '../../core/watering/placeAir.ts';
import { pacedMinutes } from '../house/roundJobs.ts';
import { Derived } from '../../core/numerics/remembered.ts';
import { waterNow, type WaterNow } from './waterNow.ts';

const HOUR_ms = 3_600_000;

/** Share of what a tray holds after which it is watered. */
const ROUND_frac = 0.6;

/** What the air of a place asks by the day, worked out once while the air stands. */
const askedHeld = new Derived<PlaceAir, ReadonlyMap<number, number>>();
const askedByDay = (air: PlaceAir): ReadonlyMap<number, number> =>
  askedHeld.get(air, () => {
    const days = new Map<number, number>();
    for (const { day, demand_mm } of air.hours) days.set(day, (days.get(day) ?? 0) + demand_mm);
    return days;
  });

/** Minutes of watering on a day to come: each tray as often as it dries. 0 beyond the days the weather is known. */
export function waterMinutes(season: Season, day: number, shown: Season['batches']): number {
  const water = waterNow(season);
  const ids = new Set(shown.map(({ batch }) => batch.id));
  const trays = new Map<number, number>();
  for (const { tray, belief } of water.trays.values()) {
    if (!ids.has(tray.batchId)) continue;
    const demand_mm = askedByDay(water.airs.get(tray.placeId)!).get(day);
    if (demand_mm === undefined) continue;
    const asked_mm = demand_mm * factorQuantile(belief, 0.5);
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

/** The open ground, where trays stand on a rung of their ladder. */
const OUTSIDE = { id: 0, kind: 'ground' } as const;
const NO_CLIMATE = { placeId: 0, from: 0, day_C: Float64Array.of(0), night_C: Float64Array.of(0) };
const outHeld = new Derived<WaterNow, number>();

/** How many times as fast a tray dries today outside as where it stands; null: it stands nowhere in trays. */
export function driesFaster(season: Season, batchId: number): number | null {
  const water = waterNow(season);
  const today = water.trays.get(batchId);
  if (!today) return null;
  const { world, now } = season;
  const byDay = ({ hours }: PlaceAir): number =>
    hours
      .filter(({ day, hour }) => day === now.today && hour >= 9 && hour < 18)
      .reduce((sum, { demand_mm }) => sum + demand_mm, 0);
  const there = outHeld.get(water, () => {
    const { latitude_deg, height_m } = world.nursery;
    const noon_h = solarNoon_h(world, now.instant_ms);
    return byDay(placeAir(OUTSIDE, NO_CLIMATE, water.outside, [], { latitude_deg, height_m: height_m ?? 0, noon_h }));
  });
  const here = byDay(water.airs.get(today.tray.placeId)!);
  return here > 0.01 ? there / here : null;
}
