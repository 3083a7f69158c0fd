import type { DayNumber } from '../core/calendar/dayNumber.ts';

import { hourly_C } from '../core/weather/hourly.ts';
import { dayLength_h } from '../core/weather/sun.ts';
import type { ForecastHour } from '../core/weather/forecast.ts';

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
