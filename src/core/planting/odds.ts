import type { DayNumber } from '../calendar/dayNumber.ts';
import type { LadderAt, LadderRules } from '../hardening/ladder.ts';
import { Remembered, Derived } from '../numerics/remembered.ts';
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
  const { runs, days, from } = springs;
  const { modes } = task;
  const gates = gateDays(springs, gateLimits(task));
  const hardened = hardenedDays(springs, task);
  const out = new Int32Array(runs);
  let frost = 0;
  let soilSprings = 0;
  let nightSprings = 0;
  const plantAt = Math.min(days - 1, Math.max(0, task.transplantOn - from));
  const calendar = modes.calendar !== 'required' ? -Infinity : task.outFrom === null ? Infinity : task.outFrom - from;
  for (let s = 0; s < runs; s++) {
    const row = s * days;
    const from_i = Math.max(0, modes.hardened === 'required' ? hardened.offsets[s]! : 0, calendar);
    out[s] = from_i < days ? gates.next[row + from_i]! : days;
    if (gates.soilOk[row + plantAt] === 1) soilSprings++;
    if (gates.nightsOk[row + plantAt] === 1) nightSprings++;
    if (gates.nextHarm[row + plantAt]! <= plantAt + AFTER_days) frost++;
  }
  const inTime = task.lastGoodOn - from;
  let late = 0;
  for (let s = 0; s < runs; s++) if (out[s]! > inTime) late++;
  return {
    batchId: task.batchId,
    hardened: hardened.quantiles,
    out: quantilesOf(out, from, days),
    inTime_frac: 1 - late / runs,
    frost_frac: frost / runs,
    soil_frac: soilSprings / runs,
    nights_frac: nightSprings / runs,
    first: gates.first,
  };
}

interface Hardened {
  /** Day offset on which a ladder is done, by spring; `days` where it is not within them. */
  readonly offsets: Int32Array;
  readonly quantiles: Quantiles;
}

const laddersHeld = new Derived<Springs, Remembered<Hardened>>();
/** Programmes, shelters and days to begin of a season's batches; each takes two kilobytes. */
const MOST_ladders = 500;

/** Walked once for each ladder and day. */
function hardenedDays(springs: Springs, { ladder, at, hardenFrom }: OddsTask): Hardened {
  const { runs, days, from, least_C, most_C, gust_m_s } = springs;
  const { rungs, shelter_K } = ladder;
  const held = laddersHeld.get(springs, () => new Remembered<Hardened>(MOST_ladders));
  return held.get(JSON.stringify([rungs, shelter_K, at.rung, at.served, hardenFrom]), () => {
    const walk = ladderWalk({ rungs, shelter_K });
    const offsets = Int32Array.from({ length: runs }, (_, s) => {
      const done = walk(at, { least_C, most_C, gust_m_s, row: s * days, days }, Math.max(0, hardenFrom - from));
      return done < 0 ? days : done;
    });
    return { offsets, quantiles: quantilesOf(offsets, from, days) };
  });
}

/** All that the gates that hang on weather go by. Batches of one crop under one cover share it. */
interface GateLimits {
  readonly soilMin_C: number;
  readonly warmSoFar: number;
  readonly soil_days: number;
  /** Night without the cover that is warm enough with it. */
  readonly nightAt_C: number;
  readonly nightsSoFar: number;
  readonly nights: number;
  /** Night without the cover that harms under it. */
  readonly harmAt_C: number;
  readonly storm_m_s: number;
  readonly storm_days: number;
  readonly need: Readonly<Record<WeatherGate, boolean>>;
}

function gateLimits(task: OddsTask): GateLimits {
  const { modes, rules } = task;
  return {
    soilMin_C: task.soilMin_C,
    warmSoFar: task.warmSoFar,
    soil_days: rules.soil_days,
    nightAt_C: task.nightMin_C - task.warm_K,
    nightsSoFar: task.nightsSoFar,
    nights: rules.nights,
    harmAt_C: task.harm_C - task.cover_K,
    storm_m_s: rules.storm_m_s,
    storm_days: rules.storm_days,
    need: {
      soil: modes.soil === 'required',
      nights: modes.nights === 'required',
      forecast: modes.forecast === 'required',
      storm: modes.storm === 'required',
    },
  };
}

/** The gates day by day through every spring; a day of a spring stands at spring * days + day. */
interface GateDays {
  /** First day from each on by which all gates that are required stand open; `days` where none does. */
  readonly next: Int16Array;
  readonly soilOk: Uint8Array;
  readonly nightsOk: Uint8Array;
  /** Next harmful night after each day. */
  readonly nextHarm: Int16Array;
  /** First day each gate stands open. */
  readonly first: BatchOdds['first'];
}

const gatesHeld = new Derived<Springs, Remembered<GateDays>>();
/** Crops and covers of a season's batches; each takes half a megabyte. */
const MOST_held = 60;

/** Walked through once for each set of limits. */
function gateDays(springs: Springs, limits: GateLimits): GateDays {
  const held = gatesHeld.get(springs, () => new Remembered<GateDays>(MOST_held));
  return held.get(JSON.stringify(limits), () => walkedGates(springs, limits));
}

function walkedGates(springs: Springs, limits: GateLimits): GateDays {
  const { from, runs, days, least_C, gust_m_s, soil_C } = springs;
  const { need, harmAt_C, nightAt_C, soilMin_C, storm_m_s } = limits;
  const size = runs * days;
  const next = new Int16Array(size);
  const soilOk = new Uint8Array(size);
  const nightsOk = new Uint8Array(size);
  const nextHarm = new Int16Array(size);
  const first = Object.fromEntries(WEATHER_GATES.map((key) => [key, new Int32Array(runs).fill(days)])) as Record<
    WeatherGate,
    Int32Array
  >;
  for (let s = 0; s < runs; s++) {
    const row = s * days;
    let nights = limits.nightsSoFar;
    let warm = limits.warmSoFar;
    for (let i = 0; i < days; i++) {
      if (soil_C[row + i]! < soilMin_C) warm = 0;
      else if (i > 0 || warm === 0) warm++;
      if (i > 0) nights = least_C[row + i]! >= nightAt_C ? nights + 1 : 0;
      if (warm >= limits.soil_days) soilOk[row + i] = 1;
      if (nights >= limits.nights) nightsOk[row + i] = 1;
    }
    // Back through the spring: what is still to come after each day.
    let harm = days + NEVER_days;
    let gale = days + NEVER_days;
    let open = days;
    for (let i = days - 1; i >= 0; i--) {
      nextHarm[row + i] = harm;
      const forecastOk = harm > i + SEEN_days;
      if (least_C[row + i]! <= harmAt_C) harm = i;
      if (gust_m_s[row + i]! > storm_m_s) gale = i;
      const stormOk = gale >= i + limits.storm_days;
      const [soil, warmNights] = [soilOk[row + i] === 1, nightsOk[row + i] === 1];
      if (soil) first.soil[s] = i;
      if (warmNights) first.nights[s] = i;
      if (forecastOk) first.forecast[s] = i;
      if (stormOk) first.storm[s] = i;
      if (
        (soil || !need.soil) &&
        (warmNights || !need.nights) &&
        (forecastOk || !need.forecast) &&
        (stormOk || !need.storm)
      )
        open = i;
      next[row + i] = open;
    }
  }
  const quantiles = Object.fromEntries(WEATHER_GATES.map((key) => [key, quantilesOf(first[key], from, days)]));
  return { next, soilOk, nightsOk, nextHarm, first: quantiles as BatchOdds['first'] };
}

/** A day offset beyond all that are looked at. */
const NEVER_days = 999;

/** P10, P50, P90 of day offsets: the least day by which that share has come. */
function quantilesOf(offsets: Int32Array, from: DayNumber, days: number): Quantiles {
  const counts = new Int32Array(days + 1);
  for (const offset of offsets) counts[Math.min(days, offset)]!++;
  const at = (p: number): DayNumber | null => {
    const wanted = Math.max(1, Math.ceil(p * offsets.length));
    let come = 0;
    for (let i = 0; i < days; i++) if ((come += counts[i]!) >= wanted) return from + i;
    return null;
  };
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}
