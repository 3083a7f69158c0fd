import type { DayNumber } from '../calendar/dayNumber.ts';
import { civilFromDay, dayFromCivil } from '../calendar/dayNumber.ts';
import { dayOfMonthDay } from '../calendar/monthDay.ts';
import type { Place } from '../model.ts';

/** Day and night temperature of a place for each day from `from`, degrees Celsius. */
export interface PlaceClimate {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
}

/** Hours at the day temperature, from six to six. A plain half until day length is worked out from latitude. */
const DAY_HOURS = 12;

/** The 24 hours of a day at a place, from midnight: night, twelve hours of day, night. Degrees Celsius. */
export function hoursOfDay(day_C: number, night_C: number): Float64Array {
  const hours = new Float64Array(24).fill(night_C);
  return hours.fill(day_C, (24 - DAY_HOURS) / 2, (24 + DAY_HOURS) / 2);
}

/**
 * The temperatures a place really has, day by day, from its yearly periods. A period lasts until the next begins,
 * across the new year.
 * @param days how many days, at least 1
 * @throws RangeError for a place without periods
 */
export function placeClimate(
  place: Pick<Place, 'id' | 'name' | 'periods'>,
  from: DayNumber,
  days: number,
): PlaceClimate {
  if (place.periods.length === 0) throw new RangeError(`${place.name} has no temperature: give it at least one period`);
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
export function temperatureOn(climate: PlaceClimate, day: DayNumber): { day_C: number; night_C: number } {
  const i = Math.min(Math.max(day - climate.from, 0), climate.day_C.length - 1);
  return { day_C: climate.day_C[i]!, night_C: climate.night_C[i]! };
}

/** 1 January of the year before a day: where season tables begin, so that last autumn's sowings are inside. */
export function climateStart(day: DayNumber): DayNumber {
  return dayFromCivil(civilFromDay(day).year - 1, 1, 1);
}
