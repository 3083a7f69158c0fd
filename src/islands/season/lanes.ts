import type { Place } from '../../core/model.ts';
import { meanTemperature_C, placeClimate } from '../../core/schedule/placeClimate.ts';
import { stackBands, type Laid } from './stack.ts';
import type { Band } from './useSeason.ts';

export const LANE_GAP = 8;
const LEAST_LANE_px = 30;

/** A lane of the descent, measured in pixels. */
export interface Lane {
  readonly place: Place;
  readonly mean_C: number;
  readonly top: number;
  /** With what hangs out of it. */
  readonly height: number;
  readonly roomHeight_px: number;
  readonly perSlot_px: number;
  readonly laid: readonly Laid<Band>[];
  readonly byKey: ReadonlyMap<string, Laid<Band>>;
  /** Runs of days at one temperature. */
  readonly tints: readonly {
    readonly from: number;
    readonly to: number;
    readonly mean_C: number;
  }[];
}

/** Lanes from warmest to coldest over the days shown, as tall as their room, with overflow hanging below. */
export function lanesOf(
  places: readonly Place[],
  bands: readonly Band[],
  from: number,
  to: number,
  height_px: number,
): { lanes: Lane[]; height: number } {
  const warm = places
    .map((place) => {
      const climate = placeClimate(place, from, to - from + 1);
      return { place, climate, mean_C: meanTemperature_C(climate, from, to) };
    })
    .sort((a, b) => b.mean_C - a.mean_C || a.place.walkOrder - b.place.walkOrder);
  const total = Math.max(
    1,
    places.reduce((sum, place) => sum + place.room_trays, 0),
  );
  const perSlot = (height_px - warm.length * LANE_GAP) / total;
  let top = 0;
  const lanes = warm.map(({ place, climate, mean_C }): Lane => {
    const mine = bands.filter((band) => band.placeId === place.id);
    const { laid, depth } = stackBands(mine, place.room_trays);
    const room_px = Math.max(LEAST_LANE_px, place.room_trays * perSlot);
    const perSlot_px = place.room_trays > 0 ? room_px / place.room_trays : 3;
    const height = Math.max(room_px, depth * perSlot_px);
    // Where nothing is really over room the lane's ground covers what the laying left hanging.
    const roomHeight_px = laid.some((one) => one.over) ? room_px : height;
    const tints: { from: number; to: number; mean_C: number }[] = [];
    for (let day = from; day <= to; day++) {
      const mean = (climate.day_C[day - from]! + climate.night_C[day - from]!) / 2;
      const last = tints.at(-1);
      if (last && last.mean_C === mean) last.to = day + 1;
      else tints.push({ from: day, to: day + 1, mean_C: mean });
    }
    const lane = {
      place,
      mean_C,
      top,
      height,
      roomHeight_px,
      perSlot_px,
      laid,
      tints,
      byKey: keyed(laid),
    };
    top += height + LANE_GAP;
    return lane;
  });
  return { lanes, height: top };
}

function keyed(laid: readonly Laid<Band>[]): Map<string, Laid<Band>> {
  return new Map(laid.map((one) => [`${one.band.batchId}/${one.band.index}`, one]));
}
