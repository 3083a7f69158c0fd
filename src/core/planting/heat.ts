import type { DayNumber } from '../calendar/dayNumber.ts';
import type { DayWeather } from '../weather/forecast.ts';
import type { Crop } from '../books/crop.ts';

/** What freshly set plants bear of heat. Temperatures in degrees Celsius. */
export interface HeatLines {
  /** Hottest hour. */
  readonly air_C: number;
  /** Soil at 10 cm. */
  readonly soil_C: number;
}

/** Above its comfortable day by so much a plant without roots in the ground wilts; never nearer its ceiling than so much. Common practice, no source. */
const OVER_COMFORT_K = 6;
const UNDER_CEILING_K = 2;
/** Soil that hot checks roots a few degrees sooner than air. Common practice, no source. */
const SOIL_SOONER_K = 4;

/** The heat a crop bears when it is set out. */
export function heatLines({ comfortDay_C, growCeiling_C }: Pick<Crop, 'comfortDay_C' | 'growCeiling_C'>): HeatLines {
  const air_C = Math.min(comfortDay_C + OVER_COMFORT_K, growCeiling_C - UNDER_CEILING_K);
  return { air_C, soil_C: air_C - SOIL_SOONER_K };
}

/** Why it is too hot or dry to set out. */
export interface TooHot {
  readonly cause: 'hot' | 'soil' | 'dry-wind';
  readonly figure: number;
  readonly wants: number;
  readonly day: DayNumber | null;
}

/** Days of heat looked at: by then roots have begun. Common practice, no source. */
export const HEAT_days = 3;
/** A warm, dry day with such gusts dries plants faster than they can drink. Common practice, no source. */
const DRY_WIND = { warm_C: 22, gust_m_s: 11, rain_mm: 1, sun_frac: 0.5 } as const;

/** What speaks against setting out for heat or drought in the coming days; null: nothing that is told. */
export function tooHot(forecast: readonly DayWeather[], soilNow_C: number | null, lines: HeatLines): TooHot | null {
  const days = forecast.slice(0, HEAT_days);
  const hottest = days.reduce<DayWeather | null>(
    (worst, d) => (d.most_C !== null && (worst === null || d.most_C > worst.most_C!) ? d : worst),
    null,
  );
  if (hottest && hottest.most_C! > lines.air_C)
    return { cause: 'hot', figure: hottest.most_C!, wants: lines.air_C, day: hottest.day };
  if (soilNow_C !== null && soilNow_C > lines.soil_C)
    return { cause: 'soil', figure: soilNow_C, wants: lines.soil_C, day: null };
  const windy = days.find(
    (d) =>
      (d.most_C ?? -Infinity) >= DRY_WIND.warm_C &&
      (d.gust_m_s ?? 0) > DRY_WIND.gust_m_s &&
      (d.rain_mm ?? 0) < DRY_WIND.rain_mm &&
      (d.sun_frac ?? 1) >= DRY_WIND.sun_frac,
  );
  if (windy) return { cause: 'dry-wind', figure: windy.gust_m_s!, wants: DRY_WIND.gust_m_s, day: windy.day };
  return null;
}

/** First coming day from which nothing speaks against it any more, by the forecast; null: not within it. */
export function coolerFrom(forecast: readonly DayWeather[], lines: HeatLines): DayNumber | null {
  for (let i = 1; i < forecast.length; i++)
    if (forecast[i]!.most_C !== null && tooHot(forecast.slice(i), null, lines) === null) return forecast[i]!.day;
  return null;
}
