import type { DayNumber } from '../../calendar/dayNumber.ts';
import { civilFromDay, dayFromCivil } from '../../calendar/dayNumber.ts';
import { dayOfMonthDay } from '../../calendar/monthDay.ts';
import { mondayOf } from '../../calendar/week.ts';
import { hotBedDays } from '../../heat/hotBed.ts';
import { matRise, roomOn, type MatSpec } from '../../heat/mat.ts';
import type { Place, PlaceTemperature } from '../../books/place.ts';
import type { OutsideClimate } from './outsideClimate.ts';
import { WORDS } from '../../../words/en/plan/schedule/placeClimate.ts';

/** Day and night temperature of a place for each day from `from`, degrees Celsius. */
export interface PlaceClimate {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
  /** Of a place held at set-points: highest and lowest it would have unheated, and what it is set to (NaN = off). */
  readonly free?: { readonly day_C: Float64Array; readonly night_C: Float64Array };
  readonly set_C?: Float64Array;
  readonly nightDrop_K?: number;
}

/** Hours at the day temperature, from six to six. A plain half until day length is worked out from latitude. */
const DAY_HOURS = 12;

/** The 24 hours of a day at a place, from midnight: night, twelve hours of day, night. Degrees Celsius. */
export function hoursOfDay(day_C: number, night_C: number): Float64Array {
  const hours = new Float64Array(24).fill(night_C);
  return hours.fill(day_C, (24 - DAY_HOURS) / 2, (24 + DAY_HOURS) / 2);
}

type Warmed = Pick<Place, 'id' | 'name' | 'periods' | 'temperature' | 'setPoints' | 'bedLog'>;

/**
 * The temperatures a place really has, day by day: from its yearly periods, from its weekly set-points, or from outside.
 * @param days how many days, at least 1
 * @param outside usual outside over the same days; needed by places that are not written down by periods
 * @throws RangeError for a place without periods, or without the outside it follows
 */
export function placeClimate(
  place: Warmed,
  from: DayNumber,
  days: number,
  outside: OutsideClimate | null = null,
): PlaceClimate {
  const { temperature } = place;
  if (temperature === undefined || temperature.kind === 'written') return writtenClimate(place, from, days);
  if (temperature.kind === 'mat') return matClimate(place, temperature.mat, from, days, outside);
  if (outside === null) throw new RangeError(WORDS.followsOutsideWriteDownThe(place.name));
  if (temperature.kind === 'hot-bed') {
    const over = withinDays(outside, from, days);
    const { day_C, night_C } = hotBedDays(temperature.bed, place.bedLog ?? [], from, over);
    return { placeId: place.id, from, day_C, night_C };
  }
  const day_C = new Float64Array(days);
  const night_C = new Float64Array(days);
  const free = { day_C: new Float64Array(days), night_C: new Float64Array(days) };
  const set_C = new Float64Array(days).fill(NaN);
  const chosen = new Map((place.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
  for (let i = 0; i < days; i++) {
    const out = temperatureOn(outside, from + i);
    if (temperature.kind === 'outside') {
      day_C[i] = out.day_C + temperature.plusDay_K;
      night_C[i] = out.night_C + temperature.plusNight_K;
    } else {
      const week = mondayOf(from + i);
      const setPoint_C = chosen.has(week) ? chosen.get(week)! : temperature.usual_C;
      const held = heldAt(temperature, setPoint_C, out.day_C, out.night_C);
      day_C[i] = held.day_C;
      night_C[i] = held.night_C;
      free.day_C[i] = out.day_C + temperature.unheatedPlus_K;
      free.night_C[i] = out.night_C + temperature.unheatedPlus_K;
      if (setPoint_C !== null) set_C[i] = setPoint_C;
    }
  }
  if (temperature.kind === 'outside') return { placeId: place.id, from, day_C, night_C };
  return { placeId: place.id, from, day_C, night_C, free, set_C, nightDrop_K: temperature.nightDrop_K };
}

/** Outside over just the days asked for. */
export function withinDays(
  outside: OutsideClimate,
  from: DayNumber,
  days: number,
): { day_C: Float64Array; night_C: Float64Array } {
  const day_C = Float64Array.from({ length: days }, (_, i) => temperatureOn(outside, from + i).day_C);
  const night_C = Float64Array.from({ length: days }, (_, i) => temperatureOn(outside, from + i).night_C);
  return { day_C, night_C };
}

/** The medium on a mat: its room by day and by night, and what the mat adds. */
function matClimate(
  place: Warmed,
  mat: MatSpec,
  from: DayNumber,
  days: number,
  outside: OutsideClimate | null,
): PlaceClimate {
  const { medium_K } = matRise(mat);
  const rooms = Array.from({ length: days }, (_, i) =>
    roomOn(mat.room, outside === null ? null : temperatureOn(outside, from + i)),
  );
  return {
    placeId: place.id,
    from,
    day_C: Float64Array.from(rooms, (room) => room.day_C + medium_K),
    night_C: Float64Array.from(rooms, (room) => room.night_C + medium_K),
  };
}

/** Day and night of a place held at a set-point (null = off) with so much outside. Heating does not cool. */
export function heldAt(
  temperature: Extract<PlaceTemperature, { kind: 'set-point' }>,
  setPoint_C: number | null,
  outDay_C: number,
  outNight_C: number,
): { day_C: number; night_C: number } {
  const freeDay_C = outDay_C + temperature.unheatedPlus_K;
  const freeNight_C = outNight_C + temperature.unheatedPlus_K;
  if (setPoint_C === null) return { day_C: freeDay_C, night_C: freeNight_C };
  return {
    day_C: Math.max(setPoint_C, freeDay_C),
    night_C: Math.max(setPoint_C - temperature.nightDrop_K, freeNight_C),
  };
}

/** From yearly periods: a period lasts until the next begins, across the new year. */
function writtenClimate(place: Warmed, from: DayNumber, days: number): PlaceClimate {
  if (place.periods.length === 0) throw new RangeError(WORDS.hasNoTemperatureGiveIt(place.name));
  const day_C = new Float64Array(days);
  const night_C = new Float64Array(days);
  const firstYear = civilFromDay(from).year;
  const lastYear = civilFromDay(from + days - 1).year;
  const starts = [];
  for (let year = firstYear - 1; year <= lastYear; year++) {
    for (const period of place.periods) starts.push({ day: dayOfMonthDay(period.from, year), period });
  }
  starts.sort((a, b) => a.day - b.day);
  let next = 0;
  let current = starts[0]!.period;
  for (let i = 0; i < days; i++) {
    while (next < starts.length && starts[next]!.day <= from + i) current = starts[next++]!.period;
    day_C[i] = current.day_C;
    night_C[i] = current.night_C;
  }
  return { placeId: place.id, from, day_C, night_C };
}

/** Mean of day and night over days [from, to], clamped to what the climate covers. */
export function meanTemperature_C(climate: PlaceClimate, from: DayNumber, to: DayNumber): number {
  let sum = 0;
  let n = 0;
  for (let day = from; day <= to; day++) {
    const i = Math.min(Math.max(day - climate.from, 0), climate.day_C.length - 1);
    sum += (climate.day_C[i]! * DAY_HOURS + climate.night_C[i]! * (24 - DAY_HOURS)) / 24;
    n++;
  }
  return sum / n;
}

/** Day and night of one day, clamped to what the climate covers. */
export function temperatureOn(
  climate: Omit<PlaceClimate, 'placeId'>,
  day: DayNumber,
): { day_C: number; night_C: number } {
  const i = Math.min(Math.max(day - climate.from, 0), climate.day_C.length - 1);
  return { day_C: climate.day_C[i]!, night_C: climate.night_C[i]! };
}

/** 1 January of the year before a day: where season tables begin, so that last autumn's sowings are inside. */
export function climateStart(day: DayNumber): DayNumber {
  return dayFromCivil(civilFromDay(day).year - 1, 1, 1);
}
