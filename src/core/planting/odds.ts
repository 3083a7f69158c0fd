import type { DayNumber } from '../calendar/dayNumber.ts';
import { decideDay, after, type LadderAt, type LadderDay, type LadderRules } from '../hardening/ladder.ts';
import type { Springs } from '../season/springs.ts';
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
  const first = Object.fromEntries(WEATHER_GATES.map((key) => [key, new Int32Array(runs).fill(days)])) as Record<WeatherGate, Int32Array>; // prettier-ignore
  let frost = 0;
  let soilOk = 0;
  let nightsOk = 0;
  const plantAt = Math.min(days - 1, Math.max(0, task.transplantOn - from));
  const { modes, rules } = task;
  const need = (key: keyof GateModes) => modes[key] === 'required';
  const day: { -readonly [K in keyof LadderDay]: LadderDay[K] } = { day: 0, most_C: 0, night_C: 0, morning_C: 0, gust_m_s: 0, spread_K: 0 }; // prettier-ignore
  const calendar = !need('calendar') ? -Infinity : task.outFrom === null ? Infinity : task.outFrom - from;
  for (let s = 0; s < runs; s++) {
    const row = s * days;
    let at = task.at;
    let done = -1;
    for (let i = Math.max(0, task.hardenFrom - from); i < days - 1; i++) {
      day.day = from + i;
      day.most_C = most_C[row + i]!;
      day.morning_C = least_C[row + i]!;
      day.night_C = least_C[row + i + 1]!;
      day.gust_m_s = gust_m_s[row + i]!;
      const decision = decideDay(task.ladder, at, day);
      if (decision.done) {
        done = i;
        break;
      }
      at = after(at, decision);
    }
    hardened[s] = done < 0 ? days : done;
    let nights = task.nightsSoFar;
    let warm = task.warmSoFar;
    let went = days;
    let found = 0;
    const from_i = need('hardened') ? hardened[s]! : 0;
    for (let i = 0; i < days; i++) {
      warm = soil_C[row + i]! >= task.soilMin_C ? warm + (i > 0 || warm === 0 ? 1 : 0) : 0;
      if (i > 0) nights = least_C[row + i]! + task.warm_K >= task.nightMin_C ? nights + 1 : 0;
      const ok = { soil: warm >= rules.soil_days, nights: nights >= rules.nights, forecast: !harmed(row, i, SEEN_days), storm: !windy(row, i) }; // prettier-ignore
      for (const key of WEATHER_GATES)
        if (ok[key] && first[key][s] === days) {
          first[key][s] = i;
          found++;
        }
      if (i === plantAt) {
        if (ok.soil) soilOk++;
        if (ok.nights) nightsOk++;
      }
      const open = WEATHER_GATES.every((key) => ok[key] || !need(key));
      if (went === days && i >= from_i && i >= calendar && open) went = i;
      if (went < days && i >= plantAt && found === WEATHER_GATES.length) break;
    }
    out[s] = went;
    if (harmed(row, plantAt, AFTER_days)) frost++;
  }
  const inTime = Math.max(0, task.lastGoodOn - from);
  let late = 0;
  for (let s = 0; s < runs; s++) if (out[s]! > inTime) late++;
  return {
    batchId: task.batchId,
    hardened: quantilesOf(hardened, from, days),
    out: quantilesOf(out, from, days),
    inTime_frac: 1 - late / runs,
    frost_frac: frost / runs,
    soil_frac: soilOk / runs,
    nights_frac: nightsOk / runs,
    first: Object.fromEntries(
      WEATHER_GATES.map((key) => [key, quantilesOf(first[key], from, days)]),
    ) as BatchOdds['first'],
  };

  function harmed(row: number, i: number, ahead: number): boolean {
    for (let j = i + 1; j < Math.min(days, i + 1 + ahead); j++)
      if (least_C[row + j]! + task.cover_K <= task.harm_C) return true;
    return false;
  }

  function windy(row: number, i: number): boolean {
    for (let j = i; j < Math.min(days, i + rules.storm_days); j++)
      if (gust_m_s[row + j]! > rules.storm_m_s) return true;
    return false;
  }
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
