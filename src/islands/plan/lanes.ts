import type { Place } from '../../core/books/place.ts';
import { meanTemperature_C } from '../../core/plan/schedule/placeClimate.ts';
import { mondayOf } from '../../core/calendar/week.ts';
import type { SeasonTables } from '../../core/plan/schedule/seasonTables.ts';
import { overByDay, stackBands, type Laid, type OverDays } from './stack.ts';
import type { Band } from './useSeason.ts';

export const LANE_GAP = 8;
const LEAST_LANE_px = 30;
/** Most that overflow may hang out of a lane, as a share of the lane. */
const MOST_HANGING_frac = 0.7;

/** A lane of the descent, measured in pixels. */
export interface Lane {
  readonly place: Place;
  readonly mean_C: number;
  readonly top: number;
  /** With the overflow that hangs out of it. */
  readonly height: number;
  readonly roomHeight_px: number;
  /** Of bands: a little less than the room's own where laying left gaps or there is too much. */
  readonly perSlot_px: number;
  readonly laid: readonly Laid<Band>[];
  readonly byKey: ReadonlyMap<string, Laid<Band>>;
  /** Overflow by day, and its height for one slot. */
  readonly over: readonly OverDays[];
  readonly overSlot_px: number;
  /** Runs of days at about one temperature. */
  readonly tints: readonly Tint[];
  /** Runs of weeks at one set-point; null = off. Empty for a place that is not set. */
  readonly setPoints: readonly { readonly from: number; readonly to: number; readonly setPoint_C: number | null }[];
}

export interface Tint {
  readonly from: number;
  readonly to: number;
  readonly mean_C: number;
}

/** Lanes from warmest to coldest over the days shown, as tall as their room, with overflow hanging below by day. */
export function lanesOf(
  places: readonly Place[],
  tables: SeasonTables,
  bands: readonly Band[],
  from: number,
  to: number,
  height_px: number,
): { lanes: Lane[]; height: number } {
  const warm = places
    .map((place) => ({ place, mean_C: meanTemperature_C(tables.climateOf(place.id), from, to) }))
    .sort((a, b) => b.mean_C - a.mean_C || a.place.walkOrder - b.place.walkOrder);
  const total = Math.max(
    1,
    places.reduce((sum, place) => sum + place.room_trays, 0),
  );
  const perSlot = (height_px - warm.length * LANE_GAP) / total;
  let top = 0;
  const lanes = warm.map(({ place, mean_C }): Lane => {
    const mine = bands.filter((band) => band.placeId === place.id);
    const { laid, depth } = stackBands(mine, place.room_trays);
    const roomHeight_px = Math.max(LEAST_LANE_px, place.room_trays * perSlot);
    const slots = Math.max(place.room_trays, depth, 1);
    const over = overByDay(mine, place.room_trays);
    const most = Math.max(0, ...over.map((run) => run.slots));
    const own = roomHeight_px / Math.max(1, place.room_trays);
    const hanging = Math.min(most * own, roomHeight_px * MOST_HANGING_frac);
    const lane: Lane = {
      place,
      mean_C,
      top,
      height: roomHeight_px + (most > 0 ? Math.max(10, hanging) : 0),
      roomHeight_px,
      perSlot_px: roomHeight_px / slots,
      laid,
      byKey: new Map(laid.map((one) => [`${one.band.batchId}/${one.band.index}`, one])),
      over,
      overSlot_px: most > 0 ? Math.max(10, hanging) / most : 0,
      tints: tintsOf(place, tables, from, to),
      setPoints: setPointsOf(place, from, to),
    };
    top += lane.height + LANE_GAP;
    return lane;
  });
  return { lanes, height: top };
}

/** Days at one temperature to the nearest kelvin and a half: finer steps could not be told apart. */
function tintsOf(place: Place, tables: SeasonTables, from: number, to: number): Tint[] {
  const climate = tables.climateOf(place.id);
  const tints: { from: number; to: number; mean_C: number }[] = [];
  for (let day = from; day <= to; day++) {
    const mean_C = Math.round(meanTemperature_C(climate, day, day) / 1.5) * 1.5;
    const last = tints.at(-1);
    if (last && last.mean_C === mean_C) last.to = day + 1;
    else tints.push({ from: day, to: day + 1, mean_C });
  }
  return tints;
}

function setPointsOf(place: Place, from: number, to: number): Lane['setPoints'] {
  const { temperature } = place;
  if (temperature?.kind !== 'set-point') return [];
  const chosen = new Map((place.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
  const runs: { from: number; to: number; setPoint_C: number | null }[] = [];
  for (let week = mondayOf(from); week < to; week += 7) {
    const setPoint_C = chosen.has(week) ? chosen.get(week)! : temperature.usual_C;
    const last = runs.at(-1);
    if (last && last.setPoint_C === setPoint_C) last.to = week + 7;
    else runs.push({ from: Math.max(week, from), to: week + 7, setPoint_C });
  }
  return runs;
}
