import { z } from 'zod';
import { SKIES } from '../../core/weather/forecast.ts';
import { figure, isoDay, shortText } from '../fields.ts';
import { WORDS } from '../../words/en/weather/forecastContracts.ts';

/** How a forecast is written as JSON, as services answer it and as files are read. docs/FORECAST.md says the same in words. */
export const FORECAST_FORMAT = 'crook-forecast-1';
/** Ten days by the hour, and what is left of today. */
export const MOST_HOURS = 11 * 24 + 1;
export const FORECAST_BYTES = 256 * 1024;

const instant = (name: string) =>
  z
    .string({ error: WORDS.anInstantSuchAs2027(name) })
    .max(40)
    .refine((text) => /(?:Z|[+-]\d\d:\d\d)$/.test(text) && Number.isFinite(Date.parse(text)), {
      error: WORDS.anInstantWithItsOffset(name),
    });

export const forecastHour = z.strictObject({
  at: instant('at'),
  temp_C: figure('temp_C', -60, 60),
  wind_m_s: figure('wind_m_s', 0, 100).nullish(),
  gust_m_s: figure('gust_m_s', 0, 120).nullish(),
  rain_mm: figure('rain_mm', 0, 500).nullish(),
  cloud_frac: figure('cloud_frac', 0, 1).nullish(),
});

/** A day that is past, as a station has it. */
export const observedDay = z.strictObject({
  day: isoDay('day'),
  least_C: figure('least_C', -60, 60).nullish(),
  most_C: figure('most_C', -60, 60).nullish(),
  rain_mm: figure('rain_mm', 0, 1000).nullish(),
  gust_m_s: figure('gust_m_s', 0, 120).nullish(),
});

export const forecastFile = z.strictObject({
  format: z.literal(FORECAST_FORMAT, { error: WORDS.formatItMustSay(FORECAST_FORMAT) }),
  source: shortText('source', 100),
  made_at: instant('made_at'),
  hours: z
    .array(forecastHour)
    .min(6, { error: WORDS.hoursSixAtLeast })
    .max(MOST_HOURS, { error: WORDS.hoursAtMost(MOST_HOURS) }),
  observed: z.array(observedDay).max(60, { error: WORDS.observedAtMost60Days }).default([]),
});
export type ForecastFile = z.infer<typeof forecastFile>;

/** A forecast typed by hand: the days one hears on the wireless. */
export const typedForecast = z.strictObject({
  days: z
    .array(
      z
        .strictObject({
          day: isoDay('day'),
          least_C: figure(WORDS.lowestInDegreesC, -60, 60),
          most_C: figure(WORDS.highestInDegreesC, -60, 60),
          gust_m_s: figure(WORDS.gustsInMS, 0, 100).nullable(),
          sky: z.enum(SKIES),
        })
        .refine((d) => d.most_C >= d.least_C, { error: WORDS.highestNotBelowTheLowest, path: ['most_C'] }),
    )
    .min(1, { error: WORDS.daysOneAtLeast })
    .max(10, { error: WORDS.daysAtMost10 })
    .refine((days) => days.every((d, i) => i === 0 || d.day > days[i - 1]!.day), {
      error: WORDS.daysInOrderEachOnce,
    }),
});
export type TypedForecast = z.infer<typeof typedForecast>;

export const forecastImport = z.strictObject({
  text: z.string().min(2, { error: WORDS.fileItIsEmpty }).max(FORECAST_BYTES, { error: WORDS.fileAtMost256Kb }),
});

/** Where forecasts come from and how that goes. */
export interface ForecastStatus {
  readonly source: string;
  readonly tried_ms: number;
  readonly good_ms: number | null;
  readonly failures: number;
  readonly problem: string;
}
