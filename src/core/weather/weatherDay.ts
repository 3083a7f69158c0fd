import type { DayNumber } from '../calendar/dayNumber.ts';

/** A day of weather as a file tells it, degrees Celsius and millimetres; null = not told or not believed. */
export interface WeatherDay {
  readonly day: DayNumber;
  readonly least_C: number | null;
  readonly most_C: number | null;
  readonly rain_mm: number | null;
  /** Strongest gust; absent where the file does not tell it. */
  readonly gust_m_s?: number | null;
}
