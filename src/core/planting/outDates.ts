import { coverSoil_K } from '../weather/soilSurface.ts';
import { dateAtRisk, frostDates, frostSeasons, type DayLow } from '../weather/frost.ts';
import type { Crop, Hardiness } from '../books/crop.ts';

/** A night at or below this kills or checks a hardened plant in the open. Common practice, no source. */
export const OUT_HARM_C: Readonly<Record<Hardiness, number>> = {
  hardy: -5,
  'half-hardy': -2.2,
  tender: 0,
  tropical: 3,
};

/** Usual conditions of a site by days into its season. */
export interface SiteUsual {
  readonly soil_C: (offset: number) => number;
  readonly night_C: (offset: number) => number;
  /** How much warmer than the air sunlit soil is, K. */
  readonly sun_K?: (offset: number) => number;
}

export interface OutDate {
  /** Days into the season; null: never in its spring half. */
  readonly offset: number | null;
  /** What decides it. */
  readonly by: 'frost' | 'soil' | 'nights';
}

/** Spring half of a season, days. */
const HALF_days = 196;

/**
 * Days into the season after which (in autumn: before which) a night at or below a threshold comes in no more than a share of
 * years, by threshold.
 */
export function riskOffsets(
  lows: readonly DayLow[],
  risk_frac: number,
  south: boolean,
  side: 'spring' | 'autumn' = 'spring',
): (threshold_C: number) => number | null {
  const known = new Map<number, number | null>();
  return (threshold_C) => {
    const key = Math.round(threshold_C * 100);
    if (!known.has(key)) {
      const dates = frostDates(frostSeasons(lows, threshold_C, south), side, south);
      known.set(key, dateAtRisk(dates, risk_frac)?.offset ?? null);
    }
    return known.get(key)!;
  };
}

/**
 * The first day a crop may stand out at a risk: its own harmful night is rare enough from then on, the soil is warm enough for
 * it, and usual nights are. A cover lifts the night by its degrees, and the soil by its own.
 * @param riskOffset as of `riskOffsets`
 * @param cover_K what the covers are worth on the night, 0 or more
 * @param soil_K and on the soil at 10 cm, as written down for it
 * @param layers of it: where nothing more is written down the sun under them counts
 */
export function earliestOut(
  crop: Pick<Crop, 'hardiness' | 'plantSoilMin_C' | 'plantNightMin_C'>,
  riskOffset: (threshold_C: number) => number | null,
  usual: SiteUsual | null,
  cover_K: number,
  soil_K = 0,
  layers = 0,
): OutDate {
  const frost = riskOffset(OUT_HARM_C[crop.hardiness] - cover_K);
  if (frost === null) return { offset: null, by: 'frost' };
  let [offset, by]: [number, OutDate['by']] = [Math.max(0, frost === -Infinity ? 0 : Math.ceil(frost + 1)), 'frost'];
  // The day after the last that is too cold: a mild midwinter that is warm enough before the cold comes is no first day out.
  const from = (warm: (day: number) => boolean): number | null => {
    let last = -1;
    for (let day = 0; day < HALF_days; day++) if (!warm(day)) last = day;
    return last < HALF_days - 1 ? last + 1 : null;
  };
  if (usual) {
    const under = (day: number) => Math.max(soil_K, coverSoil_K(layers, usual.sun_K?.(day) ?? 0));
    const soil = from((day) => usual.soil_C(day) + under(day) >= crop.plantSoilMin_C);
    const nights = from((day) => usual.night_C(day) + cover_K >= crop.plantNightMin_C);
    if (soil === null) return { offset: null, by: 'soil' };
    if (nights === null) return { offset: null, by: 'nights' };
    if (soil > offset) [offset, by] = [soil, 'soil'];
    if (nights > offset) [offset, by] = [nights, 'nights'];
  }
  return { offset: offset < HALF_days ? offset : null, by };
}

/** Degrees a layer is worth on the night: fleece on a still night, with caution. Common practice, no source. */
export const LAYER_K = 2;
