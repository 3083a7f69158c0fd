import type { DayNumber } from '../calendar/dayNumber.ts';
import { oddsAtOrBelow, scoreAt, type LeadScore } from '../weather/score.ts';
import type { DayWeather } from '../weather/forecast.ts';
import type { HeatLines } from './heat.ts';

/** A batch that stands out, and what lies over it. Temperatures in degrees Celsius. */
export interface StandsOut {
  readonly today: DayNumber;
  readonly plantedOn: DayNumber;
  /** Layers over it and what all of them are safely worth on the night, K; 0: nothing. */
  readonly layers: number;
  readonly cover_K: number;
  /** A night at or below this harms it in the open; nights under the second check it. */
  readonly harm_C: number;
  readonly nightMin_C: number;
  readonly lines: HeatLines;
  /** Coming days, today first. */
  readonly forecast: readonly DayWeather[];
  readonly scores: readonly LeadScore[];
  /** Odds of a harmful night that are borne. */
  readonly frost_frac: number;
}

/** What to do for plants that stand out today. */
export type Care =
  /** Frost tonight: layers wanted over what lies there. */
  | { readonly kind: 'cover'; readonly layers: number; readonly low_C: number }
  /** It gets too hot under the cover: open it from an hour to another. */
  | { readonly kind: 'vent'; readonly from_h: number; readonly to_h: number; readonly under_C: number }
  /** So many layers are no longer wanted for nights; 0 left: it comes off. */
  | { readonly kind: 'take-off'; readonly left: number; readonly nights: number }
  /** Gusts would lift it, or whip plants without one. */
  | { readonly kind: 'hold-down'; readonly gust_m_s: number; readonly day: DayNumber }
  /** Heat or no rain in the weeks in which roots are few. */
  | { readonly kind: 'water'; readonly hot_C: number | null };

/** Sun warms the air under each layer by so much at most, K, and dull light by a part. Common practice, no source. */
const SUN_UNDER_K = 8;
const DULL_UNDER_K = 2;
/** Gusts that lift a cover that is not held down. Common practice, no source. */
const LIFTS_m_s = 12;
/** Nights in a row that are to be safe before a layer comes off for good. Common practice, no source. */
const SAFE_nights = 3;
/** Hours a cover stands open on a hot day. Common practice, no source. */
const OPEN_h = { from: 9, to: 17 } as const;
/** Days in which roots are few. Common practice, no source. */
export const ROOTING_days = 14;
const WET_mm = 4;

/** Air under a cover at the hottest hour of a day. */
export function hottestUnder_C(layers: number, most_C: number, sun_frac: number | null): number {
  return most_C + layers * (DULL_UNDER_K + (SUN_UNDER_K - DULL_UNDER_K) * (sun_frac ?? 0.5));
}

/**
 * Today's care of a batch that stands out, what matters most first: frost tonight, heat under the cover, gusts, layers no longer
 * wanted, water. What the forecast does not tell is not spoken of.
 */
export function careOf(at: StandsOut): Care[] {
  const { forecast, layers, scores, lines } = at;
  const care: Care[] = [];
  const perLayer_K = layers > 0 ? at.cover_K / layers : SPARE_LAYER_K;
  const harmful = (day: DayWeather, over_K: number): boolean =>
    day.night_C !== null && oddsAtOrBelow(day.night_C, at.harm_C - over_K, scoreAt(scores, day.lead)) > at.frost_frac;
  const [today] = forecast;
  if (today?.night_C != null && harmful(today, at.cover_K)) {
    let more = 1;
    while (more < MOST_MORE && harmful(today, at.cover_K + more * perLayer_K)) more++;
    care.push({ kind: 'cover', layers: more, low_C: today.night_C });
  }
  const left = layersWanted(at, harmful, perLayer_K);
  if (layers > 0 && left > 0 && today?.most_C != null) {
    const under_C = hottestUnder_C(layers, today.most_C, today.sun_frac);
    if (under_C > lines.air_C) care.push({ kind: 'vent', from_h: OPEN_h.from, to_h: OPEN_h.to, under_C });
  }
  const gusty = forecast.slice(0, 2).find((d) => (d.gust_m_s ?? 0) > LIFTS_m_s);
  if (gusty) care.push({ kind: 'hold-down', gust_m_s: gusty.gust_m_s!, day: gusty.day });
  if (left < layers) care.push({ kind: 'take-off', left, nights: forecast.filter((d) => d.night_C !== null).length });
  const rooting = at.today - at.plantedOn < ROOTING_days;
  if (rooting && today?.most_C != null) {
    const rain = forecast.slice(0, 2).reduce((sum, d) => sum + (d.rain_mm ?? 0), 0);
    const hot = today.most_C > lines.air_C;
    if (rain < WET_mm && (hot || at.today - at.plantedOn < FIRST_days))
      care.push({ kind: 'water', hot_C: hot ? today.most_C : null });
  }
  return care;
}

/** Layers the coming nights still want; all of them where too few nights are told. */
function layersWanted(
  { forecast, layers, nightMin_C }: StandsOut,
  harmful: (day: DayWeather, over_K: number) => boolean,
  perLayer_K: number,
): number {
  const nights = forecast.filter((d) => d.night_C !== null);
  const safe = (left: number) =>
    nights.length >= SAFE_nights &&
    nights.every((d) => !harmful(d, left * perLayer_K) && d.night_C! + left * perLayer_K >= nightMin_C);
  let left = layers;
  while (left > 0 && safe(left - 1)) left--;
  return left;
}

/** What a spare layer of fleece is safely worth where nothing lies over them yet, K. Common practice, no source. */
const SPARE_LAYER_K = 1.5;
const MOST_MORE = 3;
/** The first days they are watered whether it is hot or not. Common practice, no source. */
const FIRST_days = 3;
