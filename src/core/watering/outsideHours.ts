import { dayOfYear, type DayNumber } from '../calendar/dayNumber.ts';
import { localHourAt, localTimeAt } from '../calendar/localDay.ts';
import { hourly_C, sun_W_m2 } from '../weather/hourly.ts';
import { GUST_FACTOR, type ForecastHour } from '../weather/forecast.ts';
import type { Site } from '../weather/site.ts';
import { temperatureOn } from '../plan/schedule/placeClimate.ts';
import { dayLength_h, saturation_kPa } from '../weather/sun.ts';

const HOUR_ms = 3_600_000;

/** Air outside in an hour that begins at an instant. */
export interface OutsideHour {
  readonly at_ms: number;
  readonly day: DayNumber;
  /** By the wall clock, 0 to 24 with its part. */
  readonly hour: number;
  readonly temp_C: number;
  readonly vapour_kPa: number;
  readonly wind_m_s: number;
  readonly cloud_frac: number;
  readonly sun_W_m2: number;
  readonly rain_mm: number;
  /** Hourly figures were foretold; else it is worked out from the day's lowest and highest, or from what is usual. */
  readonly told: boolean;
  /** Whether it rained, or will, is known. */
  readonly rainKnown: boolean;
}

/** Where nothing is told. Wind by FAO-56 (no data: 2 m/s); sky half clouded, common practice. */
const USUAL = { wind_m_s: 2, cloud_frac: 0.5, least_C: 8, most_C: 16 } as const;

/**
 * Air outside hour by hour over some days: the forecast's hours where there are any, else from the lowest and highest read, else the usual
 * of the season. Its vapour is that of the day's lowest temperature, at which air is taken to be full. @source FAO-56 eq. 48
 * @param noon_h wall-clock hour at which the sun stands highest
 * @param site null: nothing is known of the weather
 */
export function outsideHours(
  site: Site | null,
  at: { readonly latitude_deg: number; readonly timeZone: string; readonly noon_h: number },
  from_ms: number,
  hours: number,
): OutsideHour[] {
  const told = new Map<number, ForecastHour>();
  for (const hour of site?.forecast?.hours ?? []) told.set(hour.day * 24 + hour.hour, hour);
  const rainOn = new Map((site?.history ?? []).slice(-60).map(({ day, rain_mm }) => [day, rain_mm]));
  const days = new Map<DayNumber, DayRange>();
  const rangeOn = (day: DayNumber): DayRange => {
    const known = days.get(day) ?? dayRange(site, told, day);
    days.set(day, known);
    return known;
  };
  return Array.from({ length: hours }, (_, i): OutsideHour => {
    const at_ms = from_ms + i * HOUR_ms;
    const hour = localHourAt(at_ms, at.timeZone);
    const day = localTimeAt(at_ms, at.timeZone).day;
    const foretold = told.get(day * 24 + Math.floor(hour));
    const range = rangeOn(day);
    const doy = dayOfYear(day);
    // The sun's own time, in the middle of the hour.
    const solar = hour + 0.5 - (at.noon_h - 12);
    const temp_C =
      foretold?.temp_C ??
      hourly_C({
        hour: (solar + 24) % 24,
        least_C: range.least_C,
        most_C: range.most_C,
        nextLeast_C: rangeOn(day + 1).least_C,
        dayLength_h: dayLength_h(at.latitude_deg, doy),
        reached: true,
      });
    const cloud_frac = foretold?.cloud_frac ?? range.cloud_frac ?? USUAL.cloud_frac;
    const rain = foretold?.rain_mm ?? null;
    const past = rainOn.get(day) ?? null;
    return {
      at_ms,
      day,
      hour,
      temp_C,
      vapour_kPa: saturation_kPa(Math.min(temp_C, range.least_C)),
      wind_m_s: foretold?.wind_m_s ?? range.wind_m_s ?? USUAL.wind_m_s,
      cloud_frac,
      sun_W_m2: sun_W_m2(at.latitude_deg, doy, 1 - cloud_frac, solar),
      rain_mm: rain ?? (past === null ? 0 : past / 24),
      told: foretold !== undefined,
      rainKnown: rain !== null || past !== null,
    };
  });
}

interface DayRange {
  readonly least_C: number;
  readonly most_C: number;
  readonly wind_m_s: number | null;
  readonly cloud_frac: number | null;
}

/** Lowest and highest of a day: read, else foretold, else usual; wind and sky where the day has hours of them. */
function dayRange(site: Site | null, told: ReadonlyMap<number, ForecastHour>, day: DayNumber): DayRange {
  const hours = Array.from({ length: 24 }, (_, h) => told.get(day * 24 + h)).filter((hour) => hour !== undefined);
  const mean = (of: (hour: ForecastHour) => number | null): number | null => {
    const all = hours.map(of).filter((value) => value !== null);
    return all.length === 0 ? null : all.reduce((a, b) => a + b, 0) / all.length;
  };
  const usual = site?.usual ? temperatureOn(site.usual, day) : { night_C: USUAL.least_C, day_C: USUAL.most_C };
  const foretold = site?.forecast?.days.find((one) => one.day === day);
  const gust = site?.gusts.get(day)?.value ?? null;
  const least_C = site?.least.get(day)?.value ?? foretold?.least_C ?? usual.night_C;
  const most_C = site?.most.get(day)?.value ?? foretold?.most_C ?? usual.day_C;
  return {
    least_C: Math.min(least_C, most_C),
    most_C: Math.max(least_C, most_C),
    wind_m_s: mean(({ wind_m_s }) => wind_m_s) ?? (gust === null ? null : gust / GUST_FACTOR / 1.5),
    cloud_frac: mean(({ cloud_frac }) => cloud_frac),
  };
}
