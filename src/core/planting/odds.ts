import type { DayNumber } from '../calendar/dayNumber.ts';
import type { LadderAt, LadderRules } from '../hardening/ladder.ts';
import { ladderWalk } from '../hardening/walk.ts';
import type { Springs } from '../plan/springs/springs.ts';
import type { GateModes, GateRules } from './gates.ts';

/** A batch whose going out is reckoned over many springs. */
export interface OddsTask {
  readonly batchId: number;
  readonly ladder: LadderRules;
  readonly at: LadderAt;
  /** First day hardening may go on: plants are ready, rested and not held. */
  readonly hardenFrom: DayNumber;
  readonly modes: GateModes;
  readonly rules: GateRules;
  readonly outFrom: DayNumber | null;
  readonly soilMin_C: number;
  readonly nightMin_C: number;
  readonly harm_C: number;
  /** What its cover is safely worth on a night that harms, and as a mean on the run of nights. */
  readonly cover_K: number;
  readonly warm_K: number;
  /** Nights in a row so far that were warm enough, and days of warm soil, today the last of each. */
  readonly nightsSoFar: number;
  readonly warmSoFar: number;
  /** Transplant date asked for, and the last day that is as good. */
  readonly transplantOn: DayNumber;
  readonly lastGoodOn: DayNumber;
}

/** Odds of a batch. Quantiles are days; null: beyond the days looked at. */
export interface BatchOdds {
  readonly batchId: number;
  readonly hardened: Quantiles;
  readonly out: Quantiles;
  /** Share of springs in which every required gate has passed by the last day that is as good. */
  readonly inTime_frac: number;
  /** Share of springs with a harmful night, cover counted, within a month of the transplant date. */
  readonly frost_frac: number;
  /** Share of springs by which each gate that hangs on weather has passed on the transplant date. */
  readonly soil_frac: number;
  readonly nights_frac: number;
  /** First day on which each of them passes. */
  readonly first: Readonly<Record<WeatherGate, Quantiles>>;
}

/** Gates that hang on weather still to come. */
export const WEATHER_GATES = ['soil', 'nights', 'forecast', 'storm'] as const;
export type WeatherGate = (typeof WEATHER_GATES)[number];
/** Days by which a tenth, half and nine tenths of the springs have come; null: beyond the days looked at. */
export interface Quantiles {
  readonly p10: DayNumber | null;
  readonly p50: DayNumber | null;
  readonly p90: DayNumber | null;
}

/** Nights after planting that can still harm. */
const AFTER_days = 30;
/** Harmful nights a forecast would have shown in time, days. */
const SEEN_days = 4;

/**
 * How likely a batch is hardened and may go out by when: its ladder and its gates walked through every spring. In a spring the
 * weather of the coming four days stands for the forecast of that day.
 */
export function oddsOf(task: OddsTask, springs: Springs): BatchOdds {
  const { runs, days, from, least_C, most_C, gust_m_s, soil_C } = springs;
  const hardened = new Int32Array(runs);
  const out = new Int32Array(runs);
  const first = Object.fromEntries(WEATHER_GATES.map((key) => [key, new Int32Array(runs).fill(days)])) as Record<
    WeatherGate,
    Int32Array
  >;
  let frost = 0;
  let soilSprings = 0;
  let nightSprings = 0;
  const plantAt = Math.min(days - 1, Math.max(0, task.transplantOn - from));
  const { modes, rules } = task;
  const need = Object.fromEntries(Object.entries(modes).map(([key, mode]) => [key, mode === 'required'])) as Record<
    keyof GateModes,
    boolean
  >;
  const walk = ladderWalk(task.ladder);
  const [needSoil, needNights, needForecast, needStorm, needHardened] = [
    need.soil,
    need.nights,
    need.forecast,
    need.storm,
    need.hardened,
  ];
  const { soil: firstSoil, nights: firstNights, forecast: firstForecast, storm: firstStorm } = first;
  const { soilMin_C, nightMin_C } = task;
  const { soil_days, nights: nights_days, storm_days, storm_m_s } = rules;
  const harmAt_C = task.harm_C - task.cover_K;
  const nightAt_C = nightMin_C - task.warm_K;
  const nextHarm = nextHarms(springs, harmAt_C);
  const nextGale = nextGales(springs, storm_m_s);
  const calendar = !need.calendar ? -Infinity : task.outFrom === null ? Infinity : task.outFrom - from;
  for (let s = 0; s < runs; s++) {
    const row = s * days;
    const done = walk(task.at, { least_C, most_C, gust_m_s, row, days }, Math.max(0, task.hardenFrom - from));
    hardened[s] = done < 0 ? days : done;
    let nights = task.nightsSoFar;
    let warm = task.warmSoFar;
    let went = days;
    let found = 0;
    const from_i = Math.max(needHardened ? hardened[s]! : 0, calendar);
    for (let i = 0; i < days; i++) {
      if (soil_C[row + i]! < soilMin_C) warm = 0;
      else if (i > 0 || warm === 0) warm++;
      if (i > 0) nights = least_C[row + i]! >= nightAt_C ? nights + 1 : 0;
      const soilOk = warm >= soil_days;
      const nightsOk = nights >= nights_days;
      const forecastOk = nextHarm[row + i]! > i + SEEN_days;
      const stormOk = nextGale[row + i]! >= i + storm_days;
      if (soilOk && firstSoil[s] === days) found += seen(firstSoil, s, i);
      if (nightsOk && firstNights[s] === days) found += seen(firstNights, s, i);
      if (forecastOk && firstForecast[s] === days) found += seen(firstForecast, s, i);
      if (stormOk && firstStorm[s] === days) found += seen(firstStorm, s, i);
      if (i === plantAt) {
        if (soilOk) soilSprings++;
        if (nightsOk) nightSprings++;
        if (nextHarm[row + i]! <= i + AFTER_days) frost++;
      }
      if (went < days) {
        if (i >= plantAt && found === WEATHER_GATES.length) break;
        continue;
      }
      if (i < from_i || (needSoil && !soilOk) || (needNights && !nightsOk)) continue;
      if ((needForecast && !forecastOk) || (needStorm && !stormOk)) continue;
      went = i;
    }
    out[s] = went;
  }
  const inTime = task.lastGoodOn - from;
  let late = 0;
  for (let s = 0; s < runs; s++) if (out[s]! > inTime) late++;
  return {
    batchId: task.batchId,
    hardened: quantilesOf(hardened, from, days),
    out: quantilesOf(out, from, days),
    inTime_frac: 1 - late / runs,
    frost_frac: frost / runs,
    soil_frac: soilSprings / runs,
    nights_frac: nightSprings / runs,
    first: Object.fromEntries(
      WEATHER_GATES.map((key) => [key, quantilesOf(first[key], from, days)]),
    ) as BatchOdds['first'],
  };
}

/** A day offset beyond all that are looked at. */
const NEVER_days = 999;
const harmsOf = new WeakMap<Springs, Map<number, Int32Array>>();
const galesOf = new WeakMap<Springs, Map<number, Int32Array>>();

/** For each day of each spring the next night after it that is as cold as this or colder: worked out once for a limit. */
const nextHarms = (springs: Springs, harmAt_C: number): Int32Array =>
  held(harmsOf, springs, harmAt_C, ({ runs, days, least_C }) => {
    const next = new Int32Array(runs * days);
    for (let s = 0; s < runs; s++) {
      let harm = days + NEVER_days;
      for (let k = (s + 1) * days - 1; k >= s * days; k--) {
        next[k] = harm;
        if (least_C[k]! <= harmAt_C) harm = k - s * days;
      }
    }
    return next;
  });

/** For each day of each spring the next day from it on with gusts above this: worked out once for a limit. */
const nextGales = (springs: Springs, storm_m_s: number): Int32Array =>
  held(galesOf, springs, storm_m_s, ({ runs, days, gust_m_s }) => {
    const next = new Int32Array(runs * days);
    for (let s = 0; s < runs; s++) {
      let gale = days + NEVER_days;
      for (let k = (s + 1) * days - 1; k >= s * days; k--) {
        if (gust_m_s[k]! > storm_m_s) gale = k - s * days;
        next[k] = gale;
      }
    }
    return next;
  });

function held(
  store: WeakMap<Springs, Map<number, Int32Array>>,
  springs: Springs,
  limit: number,
  work: (springs: Springs) => Int32Array,
): Int32Array {
  let byLimit = store.get(springs);
  if (!byLimit) store.set(springs, (byLimit = new Map()));
  let found = byLimit.get(limit);
  if (!found) byLimit.set(limit, (found = work(springs)));
  return found;
}

function seen(days: Int32Array, s: number, i: number): 1 {
  days[s] = i;
  return 1;
}

/** P10, P50, P90 of day offsets: the least day by which that share has come. */
function quantilesOf(offsets: Int32Array, from: DayNumber, days: number): Quantiles {
  const sorted = Int32Array.from(offsets).sort();
  const at = (p: number): DayNumber | null => {
    const i = sorted[Math.max(0, Math.ceil(p * sorted.length) - 1)]!;
    return i >= days ? null : from + i;
  };
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}
