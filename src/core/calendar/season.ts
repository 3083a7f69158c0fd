import { civilFromDay, dayFromCivil, type DayNumber } from './dayNumber.ts';

/** A growing season from midwinter to midwinter: the calendar year in the north, July to June in the south. */
export interface Season {
  readonly label: string;
  readonly from: DayNumber;
  /** Last day, included. */
  readonly to: DayNumber;
}

/**
 * The season a day belongs to. South of the equator it crosses the new year and is named by both years.
 * @param latitude_deg degrees, north positive
 * @example seasonOf(dayFromCivil(2027, 1, 5), -36).label // '2026/27'
 */
export function seasonOf(day: DayNumber, latitude_deg: number): Season {
  const { year, month } = civilFromDay(day);
  if (latitude_deg >= 0)
    return {
      label: String(year),
      from: dayFromCivil(year, 1, 1),
      to: dayFromCivil(year, 12, 31),
    };
  const start = month >= 7 ? year : year - 1;
  return {
    label: `${start}/${String((start + 1) % 100).padStart(2, '0')}`,
    from: dayFromCivil(start, 7, 1),
    to: dayFromCivil(start + 1, 6, 30),
  };
}
