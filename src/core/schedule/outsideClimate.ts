import { civilFromDay, dayFromCivil, type DayNumber } from '../calendar/dayNumber.ts';

/** A month's mean daily maximum and minimum outside, degrees Celsius. Twelve, January first. */
export interface MonthNormal {
  readonly day_C: number;
  readonly night_C: number;
}

/** Day and night outside for each day from `from`, degrees Celsius. */
export interface OutsideClimate {
  readonly from: DayNumber;
  readonly day_C: Float64Array;
  readonly night_C: Float64Array;
}

/**
 * Usual days and nights from monthly normals: straight lines between the middles of the months. The mean of a month comes
 * out up to a few tenths of a kelvin off its normal at midsummer and midwinter.
 * @throws RangeError unless there are twelve months
 */
export function outsideClimate(normals: readonly MonthNormal[], from: DayNumber, days: number): OutsideClimate {
  if (normals.length !== 12) throw new RangeError(`${normals.length} months of outside normals; there must be 12`);
  const day_C = new Float64Array(days);
  const night_C = new Float64Array(days);
  for (let i = 0; i < days; i++) {
    const { year, month } = civilFromDay(from + i);
    const middle = middleOf(year, month);
    const later = from + i >= middle;
    const start = later ? middle : middleOf(year, month - 1);
    const end = later ? middleOf(year, month + 1) : middle;
    const s = (from + i - start) / (end - start);
    const a = normals[(month - 1 + (later ? 0 : 11)) % 12]!;
    const b = normals[(month - 1 + (later ? 1 : 0)) % 12]!;
    day_C[i] = a.day_C + s * (b.day_C - a.day_C);
    night_C[i] = a.night_C + s * (b.night_C - a.night_C);
  }
  return { from, day_C, night_C };
}

function middleOf(year: number, month: number): number {
  const y = year + Math.floor((month - 1) / 12);
  const m = ((((month - 1) % 12) + 12) % 12) + 1;
  const first = dayFromCivil(y, m, 1);
  const next = m === 12 ? dayFromCivil(y + 1, 1, 1) : dayFromCivil(y, m + 1, 1);
  return (first + next) / 2;
}
