import type { DayNumber } from '../core/calendar/dayNumber.ts';
import { localTimeAt } from '../core/calendar/localDay.ts';
import { hourly_C } from '../core/weather/hourly.ts';
import { dayLength_h } from '../core/weather/sun.ts';
import type { ForecastHour } from '../core/weather/forecast.ts';

/** An hour as services tell it, by its instant. */
export interface ToldHour {
  readonly at: string;
  readonly temp_C: number;
  readonly wind_m_s?: number | null | undefined;
  readonly gust_m_s?: number | null | undefined;
  readonly rain_mm?: number | null | undefined;
  readonly cloud_frac?: number | null | undefined;
}

/** Hours told by their instants, by the nursery's wall clock and in order. The hour clocks are put back is there twice. */
export function localHours(hours: readonly ToldHour[], timeZone: string): ForecastHour[] {
  return hours
    .map((h) => ({ at_ms: Date.parse(h.at), h }))
    .sort((a, b) => a.at_ms - b.at_ms)
    .map(({ at_ms, h }) => {
      const { day, minute } = localTimeAt(at_ms, timeZone);
      return {
        day,
        hour: Math.floor(minute / 60),
        temp_C: h.temp_C,
        wind_m_s: h.wind_m_s ?? null,
        gust_m_s: h.gust_m_s ?? null,
        rain_mm: h.rain_mm ?? null,
        cloud_frac: h.cloud_frac ?? null,
      };
    });
}

/** A day as one hears it told. */
export interface TypedDay {
  readonly day: DayNumber;
  readonly least_C: number;
  readonly most_C: number;
  readonly gust_m_s: number | null;
  readonly cloud_frac: number;
}

/**
 * Hours of days told by lowest, highest and sky: hourly by the usual curve, the wind half as strong by night.
 * @param solarNoon_h wall-clock hour of solar noon
 * @source the curve: Parton & Logan 1981; wind by day and night common practice, no source
 */
export function hoursOfDays(
  days: readonly TypedDay[],
  latitude_deg: number,
  dayOfYear: (day: DayNumber) => number,
  solarNoon_h: number,
): ForecastHour[] {
  return days.flatMap((d, i) => {
    const next = days[i + 1]?.day === d.day + 1 ? days[i + 1]!.least_C : d.least_C;
    const light = dayLength_h(latitude_deg, dayOfYear(d.day));
    return Array.from({ length: 24 }, (_, hour): ForecastHour => {
      const solar = (((hour - (solarNoon_h - 12)) % 24) + 24) % 24;
      const byDay = Math.abs(solar - 12) < light / 2;
      const gust = d.gust_m_s === null ? null : d.gust_m_s * (byDay ? 1 : 0.6);
      return {
        day: d.day,
        hour,
        temp_C: hourly_C({
          hour: solar,
          least_C: d.least_C,
          most_C: d.most_C,
          dayLength_h: light,
          nextLeast_C: next,
          reached: true,
        }),
        wind_m_s: gust === null ? null : gust / 1.6,
        gust_m_s: gust,
        rain_mm: null,
        cloud_frac: d.cloud_frac,
      };
    });
  });
}
