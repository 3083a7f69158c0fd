import type { Crop, EmergencePoint } from '../books/crop.ts';
import { monotoneCubic } from '../numerics/monotoneCubic.ts';

/** How far beyond the last tested temperature the rate takes to fall to nothing, K: one step of the published table. */
const FADE_K = 5;

/** Rate of progress towards median emergence, per day, as a function of the medium's temperature in degrees Celsius. */
export type GerminationRate = (temperature_C: number) => number;

type GerminationTraits = Pick<Crop, 'germBase_C' | 'germBest_C' | 'germCeiling_C' | 'germBest_days' | 'emergence'>;

/** The crop's rate: from its table of days when it has one with two figures or more, else from cardinal temperatures. */
export function germinationRate(crop: GerminationTraits): GerminationRate {
  const tested = crop.emergence.filter((p) => typeof p.days === 'number');
  return tested.length >= 2 ? tabledRate(crop.emergence) : cardinalRate(crop);
}

/**
 * Rate by cardinal temperatures: (T - Tb) / theta50 up to the optimum To, then falling in a straight line to 0 at Tc.
 * theta50, in degree-days, is germBest_days x (To - Tb).
 * @source Garcia-Huidobro, Monteith & Squire 1982, J. Exp. Bot. 33, 288-296
 * @example cardinalRate({germBase_C: 10, germBest_C: 20, germCeiling_C: 30, germBest_days: 5, emergence: []})(15) // 0.1
 */
export function cardinalRate(crop: GerminationTraits): GerminationRate {
  const { germBase_C: base, germBest_C: best, germCeiling_C: ceiling, germBest_days: days } = crop;
  if (!(base < best && best < ceiling)) {
    throw new RangeError(`cardinal temperatures must rise: base ${base}, best ${best}, ceiling ${ceiling} degrees C`);
  }
  if (!(days > 0)) throw new RangeError(`days to emerge at the best temperature is ${days}; it must be above 0`);
  const theta_degreeDays = days * (best - base);
  return (t) => {
    if (!(t > base && t < ceiling)) return 0;
    if (t <= best) return (t - base) / theta_degreeDays;
    return (1 / days) * ((ceiling - t) / (ceiling - best));
  };
}

/**
 * Rate from a table of days at constant temperatures: monotone cubic of 1/days through the table, 0 where it says
 * "no germination". Beyond the tested range it falls in a straight line to 0 over 5 K; never extrapolated upward.
 * At the table's own temperatures 1/rate is the table's days.
 * @source interpolation Fritsch & Carlson 1980; the table is the crop's own
 */
export function tabledRate(table: readonly EmergencePoint[]): GerminationRate {
  const points = triedRates(table);
  const inside = monotoneCubic(points);
  const first = points[0]!;
  const last = points[points.length - 1]!;
  return (t) => {
    if (!(t >= first.x - FADE_K && t <= last.x + FADE_K)) return 0;
    if (t < first.x) return first.y * (1 - (first.x - t) / FADE_K);
    if (t > last.x) return last.y * (1 - (t - last.x) / FADE_K);
    return Math.max(0, inside(t));
  };
}

/**
 * Rates of what was tried, from cold to hot. A wide gap between "none" and a figure is not bridged: from the figure the rate
 * falls to nothing as beyond the tested range.
 */
function triedRates(table: readonly EmergencePoint[]): { x: number; y: number }[] {
  const tried = table
    .filter((p) => p.days !== null)
    .map((p) => ({ x: p.temperature_C, y: typeof p.days === 'number' ? 1 / p.days : 0 }))
    .sort((a, b) => a.x - b.x);
  return tried.flatMap((point, i) => {
    const next = tried[i + 1];
    if (!next || next.x - point.x <= FADE_K || (point.y === 0) === (next.y === 0)) return [point];
    return [point, { x: point.y === 0 ? next.x - FADE_K : point.x + FADE_K, y: 0 }];
  });
}

/** Days to median emergence at a constant temperature in degrees Celsius, or null where it never comes. */
export function daysToEmerge(rate: GerminationRate, temperature_C: number): number | null {
  const perDay = rate(temperature_C);
  return perDay > 0 ? 1 / perDay : null;
}

/**
 * Share of the best percentage that comes up at a temperature (0-1), straight lines through the table's percentages;
 * null when the crop has no table of percentages. Held at its end values outside the table.
 */
export function emergenceShare_frac(table: readonly EmergencePoint[], temperature_C: number): number | null {
  const points = table.filter((p) => p.percent !== null).sort((a, b) => a.temperature_C - b.temperature_C);
  if (points.length < 2) return null;
  const best = Math.max(...points.map((p) => p.percent!));
  if (best <= 0) return null;
  const above = points.findIndex((p) => p.temperature_C >= temperature_C);
  if (above === 0) return points[0]!.percent! / best;
  if (above < 0) return points[points.length - 1]!.percent! / best;
  const a = points[above - 1]!;
  const b = points[above]!;
  const s = (temperature_C - a.temperature_C) / (b.temperature_C - a.temperature_C);
  return (a.percent! + s * (b.percent! - a.percent!)) / best;
}
