import type { DayNumber } from '../calendar/dayNumber.ts';
import type { Place } from '../books/place.ts';
import { heatNeed_kWh } from './placement/energy.ts';
import type { PlaceClimate } from './schedule/placeClimate.ts';

/** A run of days a batch stood in a place, `to` not included. */
export interface HeatedStand {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
  readonly slots: number;
}

/**
 * Heat of the places a batch stood in: of each day's heat the part of the slots taken there that were its own.
 * @param used slots taken in a place on a day, the batch's own among them
 * @returns kWh; null when it stood in no place that is held at a set-point
 */
export function heatShare_kWh(
  stands: readonly HeatedStand[],
  places: ReadonlyMap<number, Place>,
  climateOf: (placeId: number) => PlaceClimate,
  used: (placeId: number, day: DayNumber) => number,
): number | null {
  let sum: number | null = null;
  for (const { placeId, from, to, slots } of stands) {
    const temperature = places.get(placeId)?.temperature;
    if (temperature?.kind !== 'set-point') continue;
    const climate = climateOf(placeId);
    const { set_C, free } = climate;
    if (!set_C || !free) continue;
    sum ??= 0;
    const last = Math.min(to, climate.from + set_C.length);
    for (let day = Math.max(from, climate.from); day < last; day++) {
      const i = day - climate.from;
      const setPoint_C = set_C[i]!;
      if (Number.isNaN(setPoint_C)) continue;
      const all = Math.max(slots, used(placeId, day));
      if (all <= 0) continue;
      const need = {
        loss_W_per_K: temperature.loss_W_per_K,
        setDay_C: setPoint_C,
        setNight_C: setPoint_C - temperature.nightDrop_K,
        freeDay_C: free.day_C[i]!,
        freeNight_C: free.night_C[i]!,
      };
      sum += (heatNeed_kWh(need) * slots) / all;
    }
  }
  return sum;
}
