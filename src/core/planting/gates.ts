import type { DayNumber } from '../calendar/dayNumber.ts';
import type { LeadScore } from '../weather/score.ts';
import { oddsAtOrBelow, oddsOfAny, scoreAt } from '../weather/score.ts';
import { tooWindy } from '../weather/wind.ts';
import type { DayWeather } from '../weather/forecast.ts';
import { HEAT_days, tooHot, type HeatLines } from './heat.ts';
import { WORDS } from '../../words/en/planting/gates.ts';

export const GATE_KEYS = ['calendar', 'soil', 'nights', 'forecast', 'storm', 'heat', 'hardened', 'covers'] as const;
export type GateKey = (typeof GATE_KEYS)[number];
export const GATE_WORDS: Readonly<Record<GateKey, string>> = {
  calendar: WORDS.calendar,
  soil: WORDS.soil,
  nights: WORDS.nights,
  forecast: WORDS.forecast,
  storm: WORDS.storm,
  heat: WORDS.heat,
  hardened: WORDS.hardened,
  covers: WORDS.covers,
};
export const GATE_MODES = ['required', 'advisory', 'off'] as const;
export type GateMode = (typeof GATE_MODES)[number];
export type GateModes = Readonly<Record<GateKey, GateMode>>;

/** How gates stand when nobody has said otherwise. Common practice, no source. */
export const USUAL_MODES: GateModes = {
  calendar: 'advisory',
  soil: 'required',
  nights: 'required',
  forecast: 'required',
  storm: 'required',
  heat: 'advisory',
  hardened: 'required',
  covers: 'advisory',
};

export interface GateRules {
  /** Nights in a row at or above the crop's least. */
  readonly nights: number;
  /** Days in a row the soil is warm enough. */
  readonly soil_days: number;
  /** Odds of a harmful night in the forecast that are borne. */
  readonly frost_frac: number;
  /** Days of the forecast looked at for frost, and for storms. */
  readonly ahead_days: number;
  readonly storm_days: number;
  /** Strongest gust freshly set plants bear. */
  readonly storm_m_s: number;
}
/** Common practice, no source. */
export const USUAL_RULES: GateRules = {
  nights: 5,
  soil_days: 3,
  frost_frac: 0.1,
  ahead_days: 10,
  storm_days: 3,
  storm_m_s: 17,
};

export type GateState = 'pass' | 'wait' | 'fail' | 'unknown';

/** A gate with its figure. The unit goes by the gate: days, degrees C, nights, share, m/s, rungs, m2. */
export interface Gate {
  readonly key: GateKey;
  readonly mode: GateMode;
  readonly state: GateState;
  readonly figure: number | null;
  readonly wants: number | null;
  /** Day the figure is about, where it is one of the coming days. */
  readonly day: DayNumber | null;
}

/** What the gates of a batch go by. null: not known. */
export interface GateInput {
  readonly today: DayNumber;
  /** First day the crop may stand out at the grower's risk; null: not in this season. */
  readonly outFrom: DayNumber | null;
  /** Soil at 10 cm of the last days, today last. */
  readonly soil_C: readonly (number | null)[];
  readonly soilMin_C: number;
  /** Heat it bears when it is set out. */
  readonly heat: HeatLines;
  /** Lows of past nights, last night last. */
  readonly nights_C: readonly (number | null)[];
  readonly nightMin_C: number;
  /** Coming days, today first. */
  readonly forecast: readonly DayWeather[];
  readonly scores: readonly LeadScore[];
  /** A night at or below this harms it in the open. */
  readonly harm_C: number;
  /** What its cover is safely worth on the night, and the ground it will cover. */
  readonly cover_K: number;
  /** What it is worth as a mean, on the run of nights. */
  readonly warm_K: number;
  readonly cover: { readonly needs_m2: number; readonly toHand_m2: number } | null;
  readonly rung: number;
  readonly rungs: number;
  readonly hardened: boolean;
}

/**
 * The gates of a batch today: pass, wait (not yet, of its own accord it will), fail (today speaks against it), unknown.
 * Frost: the odds of a harmful night on any of the coming ones, by the forecast's own score at each lead. What is not told of the
 * days a gate looks at keeps it waiting: what is told may already speak against it, but never for it.
 */
export function gatesOf(input: GateInput, modes: GateModes, rules: GateRules): Gate[] {
  return GATE_KEYS.map((key) => ({ key, mode: modes[key], ...GATE[key](input, rules) }));
}

type Told = Omit<Gate, 'key' | 'mode'>;
const gateResult = (
  state: GateState,
  figure: number | null,
  wants: number | null,
  day: DayNumber | null = null,
): Told => ({
  state,
  figure,
  wants,
  day,
});

const GATE: Readonly<Record<GateKey, (input: GateInput, rules: GateRules) => Told>> = {
  calendar: ({ today, outFrom }) => {
    if (outFrom === null) return gateResult('fail', null, null);
    return gateResult(today >= outFrom ? 'pass' : 'wait', outFrom - today, 0, outFrom);
  },
  soil: ({ soil_C, soilMin_C }, { soil_days }) => {
    const last = soil_C.slice(-soil_days);
    const now = soil_C.at(-1) ?? null;
    if (now === null) return gateResult('unknown', null, soilMin_C);
    const warm = last.length === soil_days && last.every((t) => t !== null && t >= soilMin_C);
    return gateResult(warm ? 'pass' : 'wait', now, soilMin_C);
  },
  nights: ({ nights_C, nightMin_C, warm_K }, { nights }) => {
    let run = 0;
    for (let i = nights_C.length - 1; i >= 0; i--) {
      const low = nights_C[i];
      if (low === null || low === undefined || low + warm_K < nightMin_C) break;
      run++;
    }
    if (run >= nights) return gateResult('pass', nights, nights);
    // A run that ends at a night nothing is known of may be longer than is known.
    const before = nights_C[nights_C.length - 1 - run];
    const gap = before === null || before === undefined;
    return gateResult(gap ? 'unknown' : 'wait', run === 0 && gap ? null : run, nights);
  },
  forecast: ({ forecast, scores, harm_C, cover_K }, { ahead_days, frost_frac }) => {
    const nights = forecast
      .slice(0, ahead_days)
      .flatMap((d) => (d.night_C === null ? [] : [{ day: d.day, low_C: d.night_C, score: scoreAt(scores, d.lead) }]));
    if (nights.length === 0) return gateResult('unknown', null, frost_frac);
    let [worst, on] = [0, nights[0]!.day];
    for (const { day, low_C, score } of nights) {
      const odds = oddsAtOrBelow(low_C, harm_C - cover_K, score);
      if (odds > worst) [worst, on] = [odds, day];
    }
    const any = oddsOfAny(nights, harm_C - cover_K);
    if (any > frost_frac) return gateResult('fail', any, frost_frac, on);
    // The night after the last day belongs to a day that is not told any more.
    return gateResult(nights.length >= ahead_days - 1 ? 'pass' : 'unknown', any, frost_frac, on);
  },
  storm: ({ forecast }, { storm_days, storm_m_s }) => {
    const days = forecast.slice(0, storm_days).filter((d) => d.gust_m_s !== null);
    if (days.length === 0) return gateResult('unknown', null, storm_m_s);
    let [worst, on] = [0, days[0]!.day];
    for (const day of days) {
      const gust = day.gust_m_s!;
      if (gust > worst) [worst, on] = [gust, day.day];
    }
    if (tooWindy(worst, storm_m_s)) return gateResult('fail', worst, storm_m_s, on);
    return gateResult(days.length >= storm_days ? 'pass' : 'unknown', worst, storm_m_s, on);
  },
  heat: ({ forecast, soil_C, heat }) => {
    const days = forecast.slice(0, HEAT_days).flatMap((d) => (d.most_C === null ? [] : [d.most_C]));
    const hot = tooHot(forecast, soil_C.at(-1) ?? null, heat);
    if (hot) return gateResult('fail', hot.figure, hot.wants, hot.day);
    if (days.length === 0) return gateResult('unknown', null, heat.air_C);
    return gateResult(days.length >= HEAT_days ? 'pass' : 'unknown', Math.max(...days), heat.air_C);
  },
  hardened: ({ rung, rungs, hardened }) => gateResult(hardened ? 'pass' : 'wait', rung, rungs),
  covers: ({ cover }) =>
    cover === null
      ? gateResult('pass', 0, 0)
      : gateResult(cover.toHand_m2 >= cover.needs_m2 ? 'pass' : 'fail', cover.toHand_m2, cover.needs_m2),
};

export type Verdict = 'plant' | 'wait' | 'not';

/** What the gates say together: plant when every required one passes; not, when one fails; else wait. Unknown waits. */
export function verdictOf(gates: readonly Gate[]): { readonly verdict: Verdict; readonly by: Gate | null } {
  const required = gates.filter((g) => g.mode === 'required' && g.state !== 'pass');
  const fail = required.find((g) => g.state === 'fail');
  if (fail) return { verdict: 'not', by: fail };
  if (required[0]) return { verdict: 'wait', by: required[0] };
  return { verdict: 'plant', by: gates.find((g) => g.mode === 'advisory' && g.state !== 'pass') ?? null };
}
