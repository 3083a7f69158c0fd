import type { MonthDay } from '../calendar/monthDay.ts';
import { requireRange } from '../numerics/guard.ts';
import type { MonthNormal } from '../plan/schedule/outsideClimate.ts';
import { monthDayOf } from './frost.ts';
import { springOddsFromNormals, type NightsKnown } from './normalFrost.ts';
import { WORDS } from '../../words/en/weather/roughClimate.ts';

/** Where a site lies: all that a first guess of its weather goes by. */
export interface RoughSite {
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  /** Above the sea, metres. */
  readonly height_m: number;
  /** Within some 50 km of open sea. */
  readonly byTheSea: boolean;
}

/**
 * How far a guessed month lies from the true one, K (standard deviation): what the fit below missed by at each of its 66 towns when
 * that town was left out.
 */
export const ROUGH_SPREAD_K = 2.9;
/** Nine of ten sites lie within so many K of the guess. */
export const ROUGH_BAND_K = 1.645 * ROUGH_SPREAD_K;

const radians = (deg: number) => (deg * Math.PI) / 180;
const logistic = (x: number) => 1 / (1 + Math.exp(-x));
/** 1 between two bounds, falling softly beyond them. */
const within = (x: number, low: number, high: number, soft: number) =>
  logistic((x - low) / soft) * logistic((high - x) / soft);

const MIDDLE_OF_MONTH = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349];
/** Warmest day of the north: later by the sea. */
const WARMEST_inland = 201;
const WARMEST_sea = 210;

/**
 * A rough guess of a site's usual days and nights by month, from where it lies: the mean falls with latitude and height, the swing
 * over the year grows with latitude, more inland and on the eastern sides of the northern continents, less on their western ones.
 * A stop-gap until days of the site are imported or its normals typed.
 * @returns twelve, January first, degrees Celsius
 * @throws RangeError beyond the poles, or outside -450 to 6000 m
 * @source least squares over the means of January and July of 66 towns, the towns' figures from memory; ROUGH_SPREAD_K says how far
 * it is off
 */
export function roughNormals({ latitude_deg, longitude_deg, height_m, byTheSea }: RoughSite): MonthNormal[] {
  requireRange(WORDS.latitudeDegrees, latitude_deg, -90, 90);
  requireRange(WORDS.longitudeDegrees, longitude_deg, -180, 180);
  requireRange('height, m', height_m, -450, 6000);
  const from_equator = Math.abs(latitude_deg);
  const north = latitude_deg >= 0 ? 1 : 0;
  const inland = byTheSea ? 0 : 1;
  const km = height_m / 1000;
  const sine = Math.sin(radians(from_equator));
  const far = Math.max(0, from_equator - 25);
  const landed = latitude_deg > 25;
  const west = landed ? within(longitude_deg, -30, 25, 8) + logistic(-(longitude_deg + 117) / 4) : 0;
  const east = landed ? within(longitude_deg, 95, 160, 8) + within(longitude_deg, -105, -50, 6) : 0;
  const mean_C =
    23.759 -
    9.508 * sine ** 2 -
    28.646 * sine ** 4 -
    2.968 * km -
    0.196 * inland +
    far * (0.066 * west - 0.306 * east + 0.09 * north);
  const swing_K =
    sine * (8.317 + 5.775 * inland) + far * north * (0.2313 - 0.1033 * inland - 0.2204 * west + 0.2091 * east);
  const daily_K = Math.max(
    4,
    8.263 + inland * (0.214 + 1.879 * km + 3.325 * within(from_equator, 22, 42, 4)) - (0.349 * from_equator) / 60,
  );
  const warmest = (byTheSea ? WARMEST_sea : WARMEST_inland) + (north ? 0 : 182.5);
  return MIDDLE_OF_MONTH.map((day) => {
    const month_C = mean_C + swing_K * Math.cos((2 * Math.PI * (day - warmest)) / 365);
    return { day_C: round(month_C + daily_K / 2), night_C: round(month_C - daily_K / 2) };
  });
}

const round = (value_C: number) => Math.round(value_C * 10) / 10;

/** Last frost of spring and first of autumn as half of the years have them. */
export interface MedianFrosts {
  readonly lastFrost: MonthDay;
  readonly firstFrost: MonthDay;
  /** Whether half of the years have a frost at all; without one the dates are midwinter's. */
  readonly frosty: boolean;
}

/**
 * The middle last and first frost by monthly normals alone.
 * @param known what is known of how far nights lie from them
 */
export function frostsByNormals(normals: readonly MonthNormal[], south: boolean, known: NightsKnown): MedianFrosts {
  const half = (year: readonly MonthNormal[]) =>
    springOddsFromNormals(year, 0, south, known).findIndex((odds) => odds <= 0.5);
  // The autumn is the spring of a year that runs backwards.
  const [spring, autumn] = [half(normals), half([...normals].reverse())];
  const startMonth = south ? 7 : 1;
  const last = spring < 0 ? MOST_DAYS : Math.max(0, spring - 1);
  const first = autumn < 0 ? MOST_DAYS : Math.max(0, autumn - 1);
  return {
    lastFrost: monthDayOf(last, startMonth),
    firstFrost: monthDayOf(YEAR_days - 1 - first, startMonth),
    frosty: spring > 0,
  };
}
const MOST_DAYS = 165;
const YEAR_days = 365;
