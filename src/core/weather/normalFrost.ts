import { normalCdf } from '../numerics/normal.ts';
import { dayFromCivil } from '../calendar/dayNumber.ts';
import { outsideClimate, type MonthNormal } from '../plan/schedule/outsideClimate.ts';
import { Derived } from '../numerics/remembered.ts';

/** How far nights lie from their normal. */
export interface NightSpread {
  /** Standard deviation, K. */
  readonly sd_K: number;
  /** How far that figure itself may be off, a share of it. */
  readonly off_frac: number;
}

/** Spread of a night about its normal where nothing is said, and how sites differ. Common practice, no source (3-4 K in temperate springs). */
const UNSAID: NightSpread = { sd_K: 3.5, off_frac: 0.25 };
/** The grower's coldest night says it better, but is itself one figure. Common practice, no source. */
const SAID_off_frac = 0.12;
/** How much of a night's departure the next one keeps. Common practice, no source. */
const KEPT = 0.7;
const SPRING_days = 197;
const LEAST_K = 0.8;
const MOST_K = 10;

/** Grid of a night's departure in standard deviations, and the step from one night to the next. */
const NODES = 61;
const WIDE = 4.5;
const STEP = (2 * WIDE) / (NODES - 1);
const node = (j: number) => -WIDE + STEP * j;
const share = (from: number, to: number, mean: number, sd: number) =>
  normalCdf((to - mean) / sd) - normalCdf((from - mean) / sd);
const transitions = (() => {
  let made: Float64Array | null = null;
  return () => {
    if (made) return made;
    made = new Float64Array(NODES * NODES);
    const sd = Math.sqrt(1 - KEPT ** 2);
    for (let j = 0; j < NODES; j++)
      for (let k = 0; k < NODES; k++)
        made[j * NODES + k] = share(node(k) - STEP / 2, node(k) + STEP / 2, KEPT * node(j), sd);
    return made;
  };
})();

/**
 * Chance that any night from a day on is at or below a threshold: departures normal, each keeping a part of the one before it,
 * added up exactly over a grid of departures from the last night back.
 * @param mean_C usual night of each day
 * @returns chance by day, falling
 */
function anyFrom(mean_C: ArrayLike<number>, threshold_C: number, sd_K: number): Float64Array {
  const n = mean_C.length;
  const odds = new Float64Array(n);
  const step = transitions();
  let free = new Float64Array(NODES).fill(1);
  for (let i = n - 1; i >= 0; i--) {
    const cut = (threshold_C - mean_C[i]!) / sd_K;
    const next = new Float64Array(NODES);
    // Of each cell only what lies above the threshold stays free.
    for (let k = 0; k < NODES; k++) {
      const above = Math.min(1, Math.max(0, (node(k) + STEP / 2 - cut) / STEP));
      free[k]! *= above;
    }
    for (let j = 0; j < NODES; j++) {
      let sum = 0;
      for (let k = 0; k < NODES; k++) sum += step[j * NODES + k]! * free[k]!;
      next[j] = sum;
    }
    let all = 0;
    for (let j = 0; j < NODES; j++) all += share(node(j) - STEP / 2, node(j) + STEP / 2, 0, 1) * next[j]!;
    odds[i] = 1 - all;
    free = next;
  }
  return odds;
}

const spreads = new Derived<readonly MonthNormal[], NightSpread>();

/**
 * How far nights lie from their normals: as usual, or so that half of years have a night as cold as the grower's coldest.
 * @param coldest_C coldest night of a usual year; null: not said
 */
export function nightSpread(normals: readonly MonthNormal[], coldest_C: number | null): NightSpread {
  if (coldest_C === null) return UNSAID;
  return spreads.get(normals, () => spreadBy(normals, coldest_C), [coldest_C]);
}

/** The spread at which half of years have a night as cold as that. */
function spreadBy(normals: readonly MonthNormal[], coldest_C: number): NightSpread {
  const { night_C } = outsideClimate(normals, dayFromCivil(2001, 7, 1), 365);
  let [low, high] = [LEAST_K, MOST_K];
  for (let tries = 0; tries < 12; tries++) {
    const sd_K = (low + high) / 2;
    if (anyFrom(night_C, coldest_C, sd_K)[0]! < 0.5) low = sd_K;
    else high = sd_K;
  }
  return { sd_K: (low + high) / 2, off_frac: SAID_off_frac };
}

/** Three figures that stand for all a spread may be, with their weights. @source Gauss-Hermite quadrature of three nodes */
const SPREADS = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
] as const;

/** What is known of how a site's nights lie about their normals. */
export interface NightsKnown {
  /** Coldest night of a usual year; null: not said. */
  readonly coldest_C: number | null;
  /** How far the normals themselves may be off, K (standard deviation): 0 where they are the site's own. */
  readonly site_sd_K: number;
}
const OWN_NORMALS: NightsKnown = { coldest_C: null, site_sd_K: 0 };

const springNights = (normals: readonly MonthNormal[], south: boolean) =>
  outsideClimate(normals, dayFromCivil(2001, south ? 7 : 1, 1), SPRING_days).night_C;

/** Shifts of the nights that stand for all that normals may be off, with their weights. */
const shiftsOf = ({ site_sd_K }: NightsKnown) =>
  site_sd_K === 0 ? ([[0, 1]] as const) : SPREADS.map(([z, weight]) => [z * site_sd_K, weight] as const);

/**
 * Chance that any night from a day on, up to midsummer, is at or below a threshold, from monthly normals alone. How far nights
 * lie from them is not known well, and counts: all it may be is added up, as is all that guessed normals may be off.
 * @returns chance by day from the first of the season (1 January, or 1 July in the south), rising frost-free; length 197
 */
export function springOddsFromNormals(
  normals: readonly MonthNormal[],
  threshold_C: number,
  south: boolean,
  known: NightsKnown = OWN_NORMALS,
): Float64Array {
  const { sd_K, off_frac } = nightSpread(normals, known.coldest_C);
  const nights = springNights(normals, south);
  const odds = new Float64Array(SPRING_days);
  for (const [shift_K, share_] of shiftsOf(known))
    for (const [z, weight] of SPREADS)
      anyFrom(nights, threshold_C + shift_K, sd_K * Math.exp(off_frac * z)).forEach(
        (chance, i) => (odds[i]! += share_ * weight * chance),
      );
  return odds;
}

/** Nine of ten sites have their spread within so many standard deviations. */
const NINE_TENTHS_Z = 1.645;

/**
 * The first day from which frost is as rare as asked, if nights lie as little, or as much, apart as they may, and guessed normals
 * are as far off as they may be.
 * @returns offsets into the season; 196 when it never is
 */
export function springBandFromNormals(
  normals: readonly MonthNormal[],
  threshold_C: number,
  south: boolean,
  risk_frac: number,
  known: NightsKnown = OWN_NORMALS,
): { readonly from: number; readonly to: number } {
  const { sd_K, off_frac } = nightSpread(normals, known.coldest_C);
  const nights = springNights(normals, south);
  const at = (z: number) => {
    const odds = anyFrom(nights, threshold_C + z * known.site_sd_K, sd_K * Math.exp(off_frac * z));
    const first = odds.findIndex((o) => o <= risk_frac);
    return first < 0 ? SPRING_days - 1 : first;
  };
  return { from: at(-NINE_TENTHS_Z), to: at(NINE_TENTHS_Z) };
}
