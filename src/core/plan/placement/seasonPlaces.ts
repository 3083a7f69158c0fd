import type { DayNumber } from '../../calendar/dayNumber.ts';
import { isInUse } from '../../books/inUse.ts';
import type { Place } from '../../books/place.ts';
import { wetTray_K } from '../schedule/wetTray.ts';
import type { PlaceSky } from '../schedule/sky.ts';
import { heldAt, temperatureOn } from '../schedule/placeClimate.ts';
import { levelsOf } from './coolCap.ts';
import { heatParts_kWh } from './energy.ts';
import type { LevelSpec, PlaceSpec } from './instance.ts';
import type { SeasonToPlan } from './fromSeason.ts';

export function placeSpec(place: Place, season: SeasonToPlan, from: DayNumber, days: number): PlaceSpec {
  const { temperature } = place;
  // To a retired place nothing goes any more.
  const closed = isInUse(place)
    ? (place.closed ?? []).map((run) => [run.from - from, run.to + 1 - from] as const)
    : [[0, days] as const];
  const base = { id: place.id, name: place.name, room_slots: place.room_trays, closed };
  const blocks = Math.ceil(days / 7) + 1;
  if (temperature?.kind !== 'set-point') {
    const climate = season.tables.climateOf(place.id);
    const cut = (row: Float64Array) =>
      Float64Array.from({ length: days }, (_, i) => row[clampTo(from + i - climate.from, row.length)]!);
    const sky = season.tables.skyOf(place.id);
    const level: LevelSpec = {
      setPoint_C: null,
      day_C: cut(climate.day_C),
      night_C: cut(climate.night_C),
      heat_kWh: new Float64Array(days),
      ...(sky ? { sky: { ...cutSky(sky, from - climate.from, days), wet_K: wetTray_K(place) } } : {}),
    };
    return { ...base, levels: [level], row: new Array<number>(blocks).fill(0) };
  }
  const choices = levelsOf(temperature);
  const outside = season.tables.outside!;
  const levels = choices.map((setPoint_C): LevelSpec => {
    const day_C = new Float64Array(days);
    const night_C = new Float64Array(days);
    const heat_kWh = new Float64Array(days);
    const heatNight_kWh = new Float64Array(days);
    for (let i = 0; i < days; i++) {
      const out = temperatureOn(outside, from + i);
      const held = heldAt(temperature, setPoint_C, out.day_C, out.night_C);
      const free = heldAt(temperature, null, out.day_C, out.night_C);
      day_C[i] = held.day_C;
      night_C[i] = held.night_C;
      const parts = heatParts_kWh({
        loss_W_per_K: temperature.loss_W_per_K,
        setDay_C: held.day_C,
        setNight_C: held.night_C,
        freeDay_C: free.day_C,
        freeNight_C: free.night_C,
      });
      heat_kWh[i] = parts.day_kWh + parts.night_kWh;
      heatNight_kWh[i] = parts.night_kWh;
    }
    const sky = season.tables.skyAt(place.id, setPoint_C);
    return {
      setPoint_C,
      day_C,
      night_C,
      heat_kWh,
      heatNight_kWh,
      ...(sky ? { sky: { ...cutSky(sky, from - season.tables.from, days), wet_K: wetTray_K(place) } } : {}),
    };
  });
  const chosen = new Map((place.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
  const row = Array.from({ length: blocks }, (_, b) => {
    const week = from + 7 * b;
    return nearest(choices, chosen.has(week) ? chosen.get(week)! : temperature.usual_C);
  });
  return { ...base, levels, row };
}

/** Hours and light from a day of the tables on; the last day stands for those beyond them. */
function cutSky(sky: PlaceSky, start: number, days: number): PlaceSky {
  const last = sky.light_mol_m2.length - 1;
  const at = (i: number) => clampTo(start + i, last + 1);
  return {
    hours_C: Float64Array.from({ length: 24 * days }, (_, k) => sky.hours_C[24 * at(Math.floor(k / 24)) + (k % 24)]!),
    light_mol_m2: Float64Array.from({ length: days }, (_, i) => sky.light_mol_m2[at(i)]!),
  };
}

/** Index of a set-point among the choices, or of the nearest to it; 0 is off. */
export function nearest(choices: readonly (number | null)[], setPoint_C: number | null): number {
  if (setPoint_C === null) return 0;
  let best = 1;
  choices.forEach((choice, i) => {
    if (choice !== null && Math.abs(choice - setPoint_C) < Math.abs(choices[best]! - setPoint_C)) best = i;
  });
  return Math.min(best, choices.length - 1);
}

const clampTo = (i: number, length: number): number => Math.max(0, Math.min(length - 1, i));
