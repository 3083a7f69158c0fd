import type { DayNumber } from '../../calendar/dayNumber.ts';
import { civilFromDay, dayFromCivil } from '../../calendar/dayNumber.ts';
import { normalDraw } from '../../numerics/normal.ts';
import { below, seededRandom } from '../../numerics/random.ts';
import { GUST, windDraw, type SiteWind } from '../../weather/siteWind.ts';
import { ERRORS_ALIKE } from '../../weather/score.ts';
import { surfaceMeansFrom } from '../../weather/soilSurface.ts';
import { SOIL_LAG_frac } from '../../weather/soilNow.ts';
import { WORDS } from '../../../words/en/plan/springs/springs.ts';

/** A day of the site's history. */
export interface PastDay {
  readonly day: DayNumber;
  readonly least_C: number | null;
  readonly most_C: number | null;
  readonly gust_m_s?: number | null;
}

/** What is known of the coming days. */
export interface NearDay {
  readonly least_C: number | null;
  readonly most_C: number | null;
  readonly gust_m_s: number | null;
  /** One standard deviation of the low. */
  readonly spread_K: number;
  readonly bias_K: number;
}

export interface SpringInput {
  readonly from: DayNumber;
  readonly days: number;
  readonly runs: number;
  readonly seed: number;
  /** In any order. */
  readonly history: readonly PastDay[];
  /** Usual days and nights by day from `from`, where history is short; null: none. */
  readonly usual: { readonly day_C: ArrayLike<number>; readonly night_C: ArrayLike<number> } | null;
  /** The forecast's days, `from` first. */
  readonly near: readonly NearDay[];
  /** Soil at 10 cm on `from`; null: taken as its surface. */
  readonly soil_C: number | null;
  /** What is known of the site's wind. */
  readonly wind: SiteWind;
  /** For the sun on the soil. */
  readonly latitude_deg: number;
}

/** Springs that could come: row s, day i at s * days + i. */
export interface Springs {
  readonly from: DayNumber;
  readonly days: number;
  readonly runs: number;
  readonly least_C: Float32Array;
  readonly most_C: Float32Array;
  readonly gust_m_s: Float32Array;
  readonly soil_C: Float32Array;
  /** Years drawn from; 0: normals alone. */
  readonly years: number;
}

/** Years wanted before springs are drawn from them. */
export const LEAST_YEARS = 5;
/** Days of a year taken together, so that spells stay whole. */
const BLOCK_days = 12;
/** How one day takes after the one before about normals, and how far days lie from them. Common practice, no source. */
const ALIKE = 0.7;
const SPREAD_K = 2.9;
/** How far whole seasons lie from their normals, where no years tell. Common practice, no source. */
const SEASON_K = 1.2;

/**
 * Springs that could come from a day on: the forecast with errors as large as it makes, then whole spells of twelve days drawn
 * from the site's own years at the same time of the year. With fewer than five years: usual temperatures with spells about them.
 * @returns the same for the same seed
 * @throws RangeError when there is neither history nor normals
 * @source moving-block bootstrap: Künsch 1989, Ann. Statist. 17, 1217 (idea; from memory)
 */
export function simulatedSprings(input: SpringInput): Springs {
  const { from, days, runs, near } = input;
  const n = days * runs;
  const springs = {
    from,
    days,
    runs,
    least_C: new Float32Array(n),
    most_C: new Float32Array(n),
    gust_m_s: new Float32Array(n),
    soil_C: new Float32Array(n),
  };
  const past = new Map<DayNumber, PastDay>();
  for (const day of input.history) if (day.least_C !== null && day.most_C !== null) past.set(day.day, day);
  const years = yearsOf(past, from, days);
  if (years.length < LEAST_YEARS && !input.usual) throw new RangeError(WORDS.yearsOfWeatherAndNo(years.length));
  const seasons = anomaliesOf(past, years, from, days);
  const random = seededRandom(input.seed);
  const z = () => normalDraw(random());
  const start = civilFromDay(from);
  const surfaceOn = surfaceMeansFrom(from, days, input.latitude_deg);
  for (let s = 0; s < runs; s++) {
    const row = s * days;
    const site = windDraw(input.wind, z);
    let gusty = z();
    for (let i = 0; i < days; i++) {
      if (i > 0) gusty = GUST.alike * gusty + Math.sqrt(1 - GUST.alike ** 2) * z();
      springs.gust_m_s[row + i] = site.median_m_s * Math.exp(site.sigma * gusty);
    }
    const draw = years.length >= LEAST_YEARS ? fromYears : fromUsual;
    draw(row);
    let error = z();
    for (let i = 0; i < days; i++) {
      const told = near[i];
      if (told?.least_C === undefined || told.least_C === null) continue;
      if (i > 0) error = ERRORS_ALIKE * error + Math.sqrt(1 - ERRORS_ALIKE ** 2) * z();
      springs.least_C[row + i] = told.least_C - told.bias_K + told.spread_K * error;
      const most = (told.most_C ?? told.least_C + 9) - told.bias_K + told.spread_K * error;
      springs.most_C[row + i] = Math.max(springs.least_C[row + i]! + 0.5, most);
      if (told.gust_m_s !== null) springs.gust_m_s[row + i] = told.gust_m_s * Math.exp(0.12 * Math.sqrt(1 + i) * z());
    }
    const surface = (i: number) => surfaceOn(i, springs.most_C[row + i]!, springs.least_C[row + i]!);
    let soil = input.soil_C ?? surface(0);
    for (let i = 0; i < days; i++) {
      if (i > 0) soil += SOIL_LAG_frac * (surface(i) - soil);
      springs.soil_C[row + i] = soil;
    }
  }
  return { ...springs, years: years.length >= LEAST_YEARS ? years.length : 0 };

  function fromYears(row: number): void {
    let base = 0;
    let shift = 0;
    let off_K = 0;
    // A season is warm or cold as a whole: its spells are moved to it from the seasons they come from.
    const season_K = seasons.spread_K * Math.sqrt(1 + 1 / years.length) * student(years.length - 1);
    for (let i = 0; i < days; i++) {
      if (i % BLOCK_days === 0) {
        const at = below(random, years.length);
        const year = years[at]!;
        off_K = season_K - seasons.off_K[at]! * seasons.kept_frac;
        base = dayFromCivil(year, start.month, start.month === 2 && start.day === 29 ? 28 : start.day);
        // A spell may have come some days sooner or later.
        shift = below(random, 7) - 3;
      }
      const day = past.get(base + i + shift) ?? past.get(base + i) ?? past.get(base + i - 1) ?? past.get(base + i + 1);
      springs.least_C[row + i] = day?.least_C == null ? (springs.least_C[row + i - 1] ?? 0) : day.least_C + off_K;
      springs.most_C[row + i] = day?.most_C == null ? (springs.most_C[row + i - 1] ?? 0) : day.most_C + off_K;
      // A spell brings its own wind where it was measured.
      if (day?.gust_m_s != null) springs.gust_m_s[row + i] = day.gust_m_s;
    }
  }

  function fromUsual(row: number): void {
    let spell = z();
    const season_K = SEASON_K * z();
    for (let i = 0; i < days; i++) {
      if (i > 0) spell = ALIKE * spell + Math.sqrt(1 - ALIKE ** 2) * z();
      const clear = 1.1 * z();
      const least = input.usual!.night_C[i]! + season_K + SPREAD_K * spell - clear;
      springs.least_C[row + i] = least;
      springs.most_C[row + i] = Math.max(least + 0.5, input.usual!.day_C[i]! + season_K + SPREAD_K * spell + clear);
    }
  }

  /** A draw of Student's distribution: a normal over the root of a chi-square by its degrees of freedom. */
  function student(freedom: number): number {
    let squares = 0;
    for (let k = 0; k < freedom; k++) squares += z() ** 2;
    return z() / Math.sqrt(Math.max(1e-6, squares / freedom));
  }
}

/** How each season lay from the mean of them, and how far seasons lie apart beyond what its own spells would make. */
function anomaliesOf(
  past: ReadonlyMap<DayNumber, PastDay>,
  years: readonly number[],
  from: DayNumber,
  days: number,
): { off_K: number[]; spread_K: number; kept_frac: number } {
  const { month, day } = civilFromDay(from);
  const means = years.map((year) => {
    const base = dayFromCivil(year, month, month === 2 && day === 29 ? 28 : day);
    // Spells of the season, each its mean: how they differ says what chance alone makes of a season's mean.
    const spells: number[] = [];
    for (let i = 0; i < days; i += BLOCK_days) {
      let [sum, n] = [0, 0];
      for (let k = i; k < Math.min(days, i + BLOCK_days); k++) {
        const d = past.get(base + k);
        if (d?.least_C == null || d.most_C == null) continue;
        sum += (d.least_C + d.most_C) / 2;
        n++;
      }
      spells.push(n > 0 ? sum / n : NaN);
    }
    return spells;
  });
  const blocks = means[0]?.length ?? 0;
  const usual = Array.from({ length: blocks }, (_, b) => meanOf(means.map((m) => m[b]!).filter(Number.isFinite)));
  const off = means.map((m) => m.map((v, b) => v - usual[b]!).filter(Number.isFinite));
  const off_K = off.map(meanOf);
  const n = years.length;
  if (n < 2) return { off_K, spread_K: 0, kept_frac: 0 };
  const between = off_K.reduce((sum, o) => sum + o * o, 0) / (n - 1);
  const within =
    off.reduce((sum, list, y) => sum + list.reduce((s, v) => s + (v - off_K[y]!) ** 2, 0), 0) /
    Math.max(
      1,
      off.reduce((sum, list) => sum + list.length - 1, 0),
    );
  // What is left of the spread of seasons when that of their own spells is taken off.
  const own = Math.max(0, between - within / Math.max(1, blocks));
  return { off_K, spread_K: Math.sqrt(own), kept_frac: between > 0 ? Math.sqrt(own / between) : 0 };
}

const meanOf = (list: readonly number[]): number =>
  list.length === 0 ? 0 : list.reduce((sum, v) => sum + v, 0) / list.length;

/** Years in which nearly all of the stretch is known. */
function yearsOf(past: ReadonlyMap<DayNumber, PastDay>, from: DayNumber, days: number): number[] {
  if (past.size === 0) return [];
  const { month, day, year: now } = civilFromDay(from);
  let first = Infinity;
  for (const d of past.keys()) if (d < first) first = d;
  const years: number[] = [];
  for (let year = civilFromDay(first).year - 1; year <= now; year++) {
    const base = dayFromCivil(year, month, month === 2 && day === 29 ? 28 : day);
    let known = 0;
    for (let i = 0; i < days; i++) if (past.has(base + i)) known++;
    if (known >= 0.9 * days) years.push(year);
  }
  return years;
}
