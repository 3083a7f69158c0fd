import type { ForecastHour } from '../weather/forecast.ts';
import { gustOf } from '../weather/forecast.ts';
import type { Rung } from './programme.ts';

/** Hours somebody is there to carry and to open, by the wall clock. */
export interface HomeHours {
  readonly from_h: number;
  readonly to_h: number;
}

/** A day's order for a rung. Hours by the wall clock; null: they stay where they are. */
export interface Order {
  readonly out_h: number | null;
  readonly in_h: number | null;
  /** Least of those hours, degrees C; null when the forecast does not tell. */
  readonly least_C: number | null;
  readonly gust_m_s: number | null;
  /** Hour to put the cover on. */
  readonly cover_h: number | null;
  /** Why the hours asked for cannot be had in full. */
  readonly short: 'home' | 'cold' | 'wind' | null;
}

/** Hours of strongest sun, which the shade steps keep clear of where they can. */
const GLARE = { from_h: 11, to_h: 15 } as const;

/**
 * When to carry out and in: the run of hours within somebody's being home that keeps to the rung's floor and gust, mildest first;
 * a rung in shade keeps out of the strongest sun where it can. Day and night rungs go out at the first hour and stay.
 * @param hours of that day, in order
 * @param sunset_h when covers go on
 */
export function orderOf(rung: Rung, hours: readonly ForecastHour[], home: HomeHours, sunset_h: number): Order {
  const cover_h = rung.cover === 'none' ? null : Math.max(home.from_h, Math.min(home.to_h, Math.floor(sunset_h) - 1));
  const there = hours.filter((h) => h.hour >= home.from_h && h.hour < home.to_h);
  if (rung.hours_h >= 24) {
    const own = summary(hours);
    return { out_h: home.from_h, in_h: null, ...own, cover_h, short: null };
  }
  const want = Math.max(1, Math.round(rung.hours_h));
  const bears = (h: ForecastHour) => h.temp_C >= rung.floor_C && (gustOf(h) ?? 0) <= rung.gust_m_s;
  let best: { from: number; length: number; worth: number } | null = null;
  for (let i = 0; i < there.length; i++) {
    let length = 0;
    while (length < want && i + length < there.length && bears(there[i + length]!)) length++;
    if (length === 0) continue;
    const run = there.slice(i, i + length);
    const glare = rung.sun_frac < 0.7 ? run.filter((h) => h.hour >= GLARE.from_h && h.hour < GLARE.to_h).length : 0;
    const worth = 100 * length - 3 * glare + Math.min(...run.map((h) => h.temp_C)) / 10;
    if (best === null || worth > best.worth) best = { from: i, length, worth };
  }
  if (best === null) {
    const windy = there.some((h) => (gustOf(h) ?? 0) > rung.gust_m_s);
    return { out_h: null, in_h: null, ...summary(there), cover_h: null, short: windy ? 'wind' : 'cold' };
  }
  const run = there.slice(best.from, best.from + best.length);
  const before = there.length < want ? 'home' : there.some((h) => h.temp_C < rung.floor_C) ? 'cold' : 'wind';
  return {
    out_h: run[0]!.hour,
    in_h: run.at(-1)!.hour + 1,
    ...summary(run),
    cover_h: null,
    short: best.length < want ? before : null,
  };
}

function summary(run: readonly ForecastHour[]): Pick<Order, 'least_C' | 'gust_m_s'> {
  if (run.length === 0) return { least_C: null, gust_m_s: null };
  const gusts = run.map(gustOf).filter((g) => g !== null);
  return { least_C: Math.min(...run.map((h) => h.temp_C)), gust_m_s: gusts.length > 0 ? Math.max(...gusts) : null };
}

/** How trays are carried. */
export interface Carrying {
  readonly trays_per_trip: number;
  /** There and back. */
  readonly trip_min: number;
}

/** Minutes to carry trays one way. */
export function carrying_min(trays: number, by: Carrying): number {
  return Math.ceil(trays / by.trays_per_trip) * by.trip_min;
}
