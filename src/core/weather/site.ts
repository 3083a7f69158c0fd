import { coverWorth, type CoverWorth, type PairedNight } from './coverWorth.ts';
import { dayWeathers, type DayWeather, type ForecastHour, type SourcedLow } from './forecast.ts';
import type { DayLow } from './frost.ts';
import { localHours } from './forecast.ts';
import { scoreAt, scoresOf, type ForecastPair, type LeadScore } from './score.ts';
import { siteWind, type SiteWind } from './siteWind.ts';
import { surfaceMean_C } from './soilSurface.ts';
import { usualSoil_C } from './soil.ts';
import { soilNow_C } from './soilNow.ts';
import type { LadderDay } from '../hardening/ladder.ts';
import { outsideClimate, type MonthNormal, type OutsideClimate } from '../plan/schedule/outsideClimate.ts';
import { lastYears } from './climateYears.ts';
import type { WeatherDay } from './weatherDay.ts';
import type { SiteReading } from './siteReading.ts';
import { type KeptForecast } from './forecast.ts';

import type { World } from '../house/world.ts';
import type { Now } from '../calendar/localDay.ts';

/** Days looked back for what the site has had. */
export const BACK_days = 60;
/** Days ahead the soil is reckoned and the usual weather kept: with those back a whole year, from which the soil’s wave is taken. */
const AHEAD_days = 306;
/** Hours after which a forecast is called old. */
export const STALE_h = 30;

/** A value of the past with how far it may be off. */
export interface Known {
  readonly value: number;
  readonly spread_K: number;
}

/** What the nursery knows of its weather: years, readings, forecast. All days are day numbers. */
export interface Site {
  readonly key: string;
  readonly today: number;
  readonly latitude_deg: number;
  readonly history: readonly (WeatherDay & { readonly source: string })[];
  readonly lows: readonly DayLow[];
  readonly readings: readonly SiteReading[];
  readonly forecast: {
    readonly source: string;
    readonly kind: KeptForecast['kind'];
    readonly made_ms: number;
    readonly age_h: number;
    readonly stale: boolean;
    /** Days not told whole of the ten. */
    readonly short_days: number;
    readonly hours: readonly ForecastHour[];
    /** From today. */
    readonly days: readonly DayWeather[];
  } | null;
  readonly scores: readonly LeadScore[];
  readonly pairs: number;
  /** Lowest from midnight to midnight of past days and today. */
  readonly least: ReadonlyMap<number, Known>;
  readonly most: ReadonlyMap<number, Known>;
  readonly gusts: ReadonlyMap<number, Known>;
  /** Usual weather from BACK_days before today. null: no normals and no years. */
  readonly usual: OutsideClimate | null;
  /** Month means by the years imported, where none are typed. */
  readonly normals: readonly MonthNormal[] | null;
  /** Soil at 10 cm from BACK_days before today; null: nothing to go by. */
  readonly soil: { readonly from: number; readonly value_C: Float64Array; readonly readOn: number | null } | null;
  /** What is known of its wind, from the gusts measured and how it lies. */
  readonly wind: SiteWind;
  /** By cover. */
  readonly worths: ReadonlyMap<number, CoverWorth>;
  readonly pairedNights: ReadonlyMap<number, readonly PairedNight[]>;
}

/** What is kept of the weather of a site. */
export interface SiteParts {
  readonly history: Site['history'];
  readonly kept: KeptForecast | null;
  readonly lows: readonly SourcedLow[];
  readonly readings: readonly SiteReading[];
  readonly stationGusts: ReadonlyMap<number, number>;
}

/** The picture from its parts; pure. */
export function siteOf(world: World, now: Now, key: string, parts: SiteParts): Site {
  const { kept, lows, readings, stationGusts } = parts;
  const { today } = now;
  const history = lastYears(parts.history, today, world.nursery.climateYears);
  const from = today - BACK_days;
  const { nursery } = world;
  const least = new Map<number, Known>();
  const most = new Map<number, Known>();
  const gusts = new Map<number, Known>();
  const outside = readings.filter((r) => r.kind === 'max-min' && r.coverId === null);
  const read = new Map<number, { least_C: number | null; most_C: number | null; gust_m_s: number | null }>();
  for (let i = lowerBound(history, from); i < history.length; i++) {
    const d = history[i]!;
    if (d.day > today) break;
    read.set(d.day, { least_C: d.least_C, most_C: d.most_C, gust_m_s: stationGusts.get(d.day) ?? null });
  }
  // The grower's own thermometer stands before the station's.
  for (const r of outside) {
    const before = read.get(r.day);
    read.set(r.day, {
      least_C: r.least_C ?? before?.least_C ?? null,
      most_C: r.most_C ?? before?.most_C ?? null,
      gust_m_s: r.gust_m_s ?? before?.gust_m_s ?? null,
    });
  }
  const pairsOf = (source: string | null): ForecastPair[] =>
    lows.flatMap((low) => {
      const least_C = read.get(low.day)?.least_C ?? null;
      return low.source !== source || least_C === null || low.day >= today
        ? []
        : [{ lead: low.lead, forecast_C: low.least_C, read_C: least_C }];
    });
  // A forecast is put right by its own source's errors, not by another's.
  const pairs = pairsOf(kept?.source ?? lows.at(-1)?.source ?? null);
  const scores = scoresOf(pairs);
  const nowScores = new Map([...new Set(lows.map((low) => low.source))].map((s) => [s, scoresOf(pairsOf(s))[0]!]));
  const nowcast = new Map(lows.filter((low) => low.lead === 0).map((low) => [low.day, low]));
  for (let day = from; day <= today; day++) {
    const r = read.get(day);
    const told = nowcast.get(day);
    const put = (
      map: Map<number, Known>,
      own: number | null | undefined,
      forecast: number | null | undefined,
      spread_K: number,
    ) => {
      if (own !== null && own !== undefined) map.set(day, { value: own, spread_K: 0 });
      else if (forecast !== null && forecast !== undefined) map.set(day, { value: forecast, spread_K });
    };
    const score = (told && nowScores.get(told.source)) ?? scores[0]!;
    const off = score.spread_K;
    put(least, r?.least_C, told ? told.least_C - score.bias_K : null, off);
    put(most, day === today ? null : r?.most_C, told?.most_C, off);
    put(gusts, day === today ? null : r?.gust_m_s, told?.gust_m_s, 2);
  }
  const usual = usualOf(world, history, from);
  const hours = kept ? localHours(kept.hours, nursery.timeZone) : [];
  const days = kept
    ? dayWeathers(hours, today)
        .map((d) => ({ ...d, lead: d.day - kept.madeOn }))
        .slice(0, 10)
    : [];
  const age_h = kept ? Math.max(0, (now.instant_ms - kept.made_ms) / 3_600_000) : 0;
  const pairedNights = pairedOf(readings);
  const soilReadings = readings.flatMap((r) =>
    r.kind === 'soil' && r.day >= from ? [{ day: r.day, value_C: r.soil_C! }] : [],
  );
  return {
    key,
    today,
    latitude_deg: nursery.latitude_deg,
    history,
    lows: history.flatMap((d) => (d.least_C === null ? [] : [{ day: d.day, least_C: d.least_C }])),
    readings,
    forecast: kept
      ? {
          source: kept.source,
          kind: kept.kind,
          made_ms: kept.made_ms,
          age_h,
          stale: age_h > STALE_h,
          short_days: Math.max(0, 10 - days.filter((d) => d.least_C !== null || d.most_C !== null).length),
          hours,
          days,
        }
      : null,
    scores,
    pairs: pairs.length,
    least,
    most,
    gusts,
    usual,
    normals: typedOutside(world) ? null : normalsOf(history),
    soil: soilOf(from, today, { least, most, usual, days, readings: soilReadings, latitude_deg: nursery.latitude_deg }),
    wind: siteWind(gustsOf(history, readings), nursery.exposure ?? null),
    worths: new Map(world.covers.map((c) => [c.id, coverWorth(c.worth_K, pairedNights.get(c.id) ?? [])])),
    pairedNights,
  };
}

/** Strongest gusts of past days: the station's, the grower's own before them. */
function gustsOf(history: Site['history'], readings: readonly SiteReading[]): number[] {
  const byDay = new Map<number, number>();
  for (const d of history) if (d.gust_m_s != null) byDay.set(d.day, d.gust_m_s);
  for (const r of readings) if (r.coverId === null && r.gust_m_s !== null) byDay.set(r.day, r.gust_m_s);
  return [...byDay.values()];
}

/** Index of the first day at or after `from` in a rising list. */
function lowerBound(days: readonly { readonly day: number }[], from: number): number {
  let [a, b] = [0, days.length];
  while (a < b) {
    const m = (a + b) >> 1;
    if (days[m]!.day < from) a = m + 1;
    else b = m;
  }
  return a;
}

/** Nights on which the same day was read outside and under a cover. */
function pairedOf(readings: readonly SiteReading[]): Map<number, PairedNight[]> {
  const outside = new Map<number, number>();
  for (const r of readings) if (r.coverId === null && r.least_C !== null) outside.set(r.day, r.least_C);
  const paired = new Map<number, PairedNight[]>();
  for (const r of readings) {
    const outside_C = outside.get(r.day);
    if (r.coverId === null || r.least_C === null || outside_C === undefined) continue;
    paired.set(r.coverId, [...(paired.get(r.coverId) ?? []), { day: r.day, inside_C: r.least_C, outside_C }]);
  }
  return paired;
}

/** The normals the grower typed; null where there are none or they are a guess. */
function typedOutside({ nursery }: World): readonly MonthNormal[] | null {
  return nursery.outsideBy === 'guess' ? null : nursery.outside;
}

/** Usual days and nights: the normals typed, else the means of the years by the month, else a rough guess. */
function usualOf(world: World, history: Site['history'], from: number): OutsideClimate | null {
  const normals = typedOutside(world) ?? normalsOf(history) ?? world.nursery.outside;
  return normals && outsideClimate(normals, from, BACK_days + AHEAD_days);
}

/** Days wanted of a month before its mean is believed. */
const LEAST_OF_MONTH = 20;

/** Mean days and nights of the months by the years imported; null while a month is not known. */
export function normalsOf(history: Site['history']): MonthNormal[] | null {
  const sums = Array.from({ length: 12 }, () => ({ day: 0, night: 0, n: 0 }));
  for (const d of history) {
    if (d.least_C === null || d.most_C === null) continue;
    const sum = sums[new Date(d.day * 86_400_000).getUTCMonth()]!;
    sum.day += d.most_C;
    sum.night += d.least_C;
    sum.n++;
  }
  if (sums.some((s) => s.n < LEAST_OF_MONTH)) return null;
  return sums.map((s) => ({ day_C: s.day / s.n, night_C: s.night / s.n }));
}

interface SoilParts {
  readonly latitude_deg: number;
  readonly least: ReadonlyMap<number, Known>;
  readonly most: ReadonlyMap<number, Known>;
  readonly usual: OutsideClimate | null;
  readonly days: readonly DayWeather[];
  readonly readings: readonly { readonly day: number; readonly value_C: number }[];
}

/** Soil at 10 cm by past days, the forecast and the usual weather after it. */
function soilOf(from: number, today: number, parts: SoilParts): Site['soil'] {
  const { least, most, usual, days, readings, latitude_deg } = parts;
  const ahead = new Map(days.map((d) => [d.day, d]));
  const n = BACK_days + AHEAD_days;
  const mean = new Float64Array(n);
  const first = least.keys().next();
  const read = readings.at(-1);
  if (!usual && first.done && !read) return null;
  // A reading alone is taken to stay as it is.
  let last = !usual && first.done ? read!.value_C : NaN;
  for (let i = 0; i < n; i++) {
    const day = from + i;
    const [lo, hi] = [least.get(day)?.value ?? ahead.get(day)?.least_C, most.get(day)?.value ?? ahead.get(day)?.most_C];
    const own = lo !== null && lo !== undefined && hi !== null && hi !== undefined ? (lo + hi) / 2 : null;
    if (own !== null) last = surfaceMean_C(day, hi!, lo!, latitude_deg);
    else if (usual) last = surfaceMean_C(day, usual.day_C[i]!, usual.night_C[i]!, latitude_deg);
    mean[i] = last;
  }
  if (Number.isNaN(mean[0]!)) {
    const known = mean.findIndex((t) => !Number.isNaN(t));
    if (known < 0) return null;
    mean.fill(mean[known]!, 0, known);
  }
  const start_C = usual ? usualSoil_C(usual, 0.1, latitude_deg)(from) : mean[0]!;
  const value_C = soilNow_C(from, mean, start_C, readings);
  return { from, value_C, readOn: readings.filter((r) => r.day <= today).at(-1)?.day ?? null };
}

/** Soil at 10 cm on a day; null when there is nothing to go by. */
export function soilOn(site: Site, day: number): number | null {
  return site.soil?.value_C[day - site.soil.from] ?? null;
}

/** Weather of past days as ladders look at it. */
export function pastDays(site: Site): ReadonlyMap<number, LadderDay> {
  const known = new Map<number, LadderDay>();
  for (let day = site.today - BACK_days; day < site.today; day++) {
    const [most, night, morning, gust] = [
      site.most.get(day),
      site.least.get(day + 1),
      site.least.get(day),
      site.gusts.get(day),
    ];
    if (!most && !night && !gust) continue;
    known.set(day, {
      day,
      most_C: most?.value ?? null,
      night_C: night?.value ?? null,
      morning_C: morning?.value ?? null,
      gust_m_s: gust?.value ?? null,
      spread_K: Math.max(most?.spread_K ?? 0, night?.spread_K ?? 0),
    });
  }
  return known;
}

/** Coming days as ladders look at them: the forecast less its bias, with its spread. */
export function comingDays(site: Site): LadderDay[] {
  return (site.forecast?.days ?? []).map((d) => {
    const { bias_K, spread_K } = scoreAt(site.scores, d.lead);
    const off = (t: number | null) => (t === null ? null : t - bias_K);
    return {
      day: d.day,
      most_C: d.most_C,
      night_C: off(d.night_C),
      morning_C: off(d.least_C),
      gust_m_s: d.gust_m_s,
      spread_K,
    };
  });
}
