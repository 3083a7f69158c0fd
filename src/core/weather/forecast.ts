import type { DayNumber } from '../calendar/dayNumber.ts';
import { localTimeAt } from '../calendar/localDay.ts';

/** An hour of a forecast by the nursery's wall clock. null: not told. */
export interface ForecastHour {
  readonly day: DayNumber;
  /** 0 to 23; the hour that comes twice when clocks go back is there twice. */
  readonly hour: number;
  readonly temp_C: number;
  readonly wind_m_s: number | null;
  readonly gust_m_s: number | null;
  readonly rain_mm: number | null;
  /** Share of the sky under cloud, 0 to 1. */
  readonly cloud_frac: number | null;
}

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

/** Skies as one hears them told. */
export const SKIES = ['clear', 'broken', 'dull'] as const;
export type Sky = (typeof SKIES)[number];

/** What a day brings, by forecast or measured. */
export interface DayWeather {
  readonly day: DayNumber;
  /** Days from the forecast's own day; 0 = today. */
  readonly lead: number;
  /** Highest of the day, 9 to 18. */
  readonly most_C: number | null;
  /** Lowest of the night that follows, 18 to 9. */
  readonly night_C: number | null;
  /** Lowest from midnight to midnight, as a max-min thermometer has it. */
  readonly least_C: number | null;
  /** Strongest gust from midnight to midnight: a gust stands on the day it is foretold for. */
  readonly gust_m_s: number | null;
  /** Share of daylight without cloud, 8 to 17. */
  readonly sun_frac: number | null;
  readonly rain_mm: number | null;
  /** All its hours are there, the night after included. */
  readonly whole: boolean;
}

/** Gusts over the mean wind, where a forecast tells none. Common practice, no source. */
export const GUST_FACTOR = 1.6;

/** Strongest wind of an hour. */
export function gustOf(hour: Pick<ForecastHour, 'wind_m_s' | 'gust_m_s'>): number | null {
  return hour.gust_m_s ?? (hour.wind_m_s === null ? null : GUST_FACTOR * hour.wind_m_s);
}

const most = (values: readonly (number | null)[]): number | null =>
  values.reduce<number | null>((a, b) => (b === null ? a : a === null || b > a ? b : a), null);
const least = (values: readonly (number | null)[]): number | null =>
  values.reduce<number | null>((a, b) => (b === null ? a : a === null || b < a ? b : a), null);

/**
 * A forecast by days. A day needs six of its daylight hours to be told of by day, and six of its night's by night; what is less
 * is null, never guessed.
 * @param hours in any order
 * @param today days before it are left out
 */
export function dayWeathers(hours: readonly ForecastHour[], today: DayNumber): DayWeather[] {
  const byDay = new Map<DayNumber, ForecastHour[]>();
  for (const hour of hours) {
    const list = byDay.get(hour.day);
    if (list) list.push(hour);
    else byDay.set(hour.day, [hour]);
  }
  const days = [...byDay.keys()].filter((day) => day >= today).sort((a, b) => a - b);
  return days.map((day) => {
    const own = byDay.get(day)!;
    const daytime = own.filter((h) => h.hour >= 9 && h.hour < 18);
    const next = byDay.get(day + 1) ?? [];
    const night = [...own.filter((h) => h.hour >= 18), ...next.filter((h) => h.hour < 9)];
    const clear = own.filter((h) => h.hour >= 8 && h.hour < 17 && h.cloud_frac !== null);
    return {
      day,
      lead: day - today,
      most_C: daytime.length >= 6 ? most(daytime.map((h) => h.temp_C)) : null,
      night_C: night.length >= 6 ? least(night.map((h) => h.temp_C)) : null,
      least_C: own.length >= 18 ? least(own.map((h) => h.temp_C)) : null,
      gust_m_s: own.length >= 6 ? most(own.map(gustOf)) : null,
      sun_frac: clear.length >= 4 ? clear.reduce((sum, h) => sum + 1 - h.cloud_frac!, 0) / clear.length : null,
      rain_mm: own.some((h) => h.rain_mm !== null) ? own.reduce((sum, h) => sum + (h.rain_mm ?? 0), 0) : null,
      whole: own.length >= 23 && night.length >= 14,
    };
  });
}

/** What the sky strip flags. Limits are common practice, no source. */
export const FLAG_LIMITS = { frost_C: 0, groundFrost_C: 3, gale_m_s: 17, heat_C: 28, sun_frac: 0.7 } as const;
export type Flag = 'frost' | 'ground-frost' | 'gale' | 'heat' | 'sun';

/** Dangers of a day for trays outside or under glass: frost, ground frost, gale, heat, strong sun. */
export function flagsOf(day: DayWeather): Flag[] {
  const flags: Flag[] = [];
  if (day.night_C !== null && day.night_C <= FLAG_LIMITS.frost_C) flags.push('frost');
  else if (day.night_C !== null && day.night_C <= FLAG_LIMITS.groundFrost_C) flags.push('ground-frost');
  const gust = day.gust_m_s;
  if (gust !== null && gust >= FLAG_LIMITS.gale_m_s) flags.push('gale');
  if (day.most_C !== null && day.most_C >= FLAG_LIMITS.heat_C) flags.push('heat');
  else if (day.sun_frac !== null && day.sun_frac >= FLAG_LIMITS.sun_frac) flags.push('sun');
  return flags;
}

/** A forecast as it was taken. */
export interface KeptForecast {
  readonly id: number;
  readonly source: string;
  readonly kind: 'service' | 'typed' | 'file';
  readonly made_ms: number;
  readonly madeOn: number;
  readonly hours: readonly ToldHour[];
}

/** What a forecast said of a day's low, kept for its score. */
export interface ForecastLow {
  readonly day: number;
  readonly lead: number;
  readonly least_C: number;
  readonly most_C: number | null;
  readonly gust_m_s: number | null;
}

/** A foretold day with who foretold it. */
export interface SourcedLow extends ForecastLow {
  readonly source: string;
}
