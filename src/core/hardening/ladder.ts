import { tooWindy } from '../weather/wind.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import { heatCeiling_C, newStresses, RUNG_COVER_K, type Rung, type Stress } from './programme.ts';

/** A day as the ladder meets it. null: not known. */
export interface LadderDay {
  readonly day: DayNumber;
  readonly most_C: number | null;
  /** Lowest of the night after it. */
  readonly night_C: number | null;
  /** Lowest of the morning before it. */
  readonly morning_C: number | null;
  readonly gust_m_s: number | null;
  /** How far the low may be off, one standard deviation; 0 for a reading. */
  readonly spread_K: number;
}

/** Where a batch stands on its ladder. */
export interface LadderAt {
  /** Rung it is on, 1 up; 0 = not begun. */
  readonly rung: number;
  /** Days of that rung that count so far. */
  readonly served: number;
}

/** What decided. */
export interface Limit {
  readonly stress: Stress | 'heat' | 'rest' | 'hand' | 'unknown' | 'calm?' | 'two';
  /** Rung whose limit it is. */
  readonly rung: number;
  /** What the day brings, by the stress: degrees or m/s. */
  readonly figure: number | null;
  /** What the rung bears. */
  readonly limit: number | null;
  /** The stress the rung itself raises, where two would meet. */
  readonly raises?: Stress;
}

export type HardeningAction = 'go' | 'hold' | 'back';

/** What to do on a day. */
export interface Decision {
  readonly say: HardeningAction;
  /** Rung of that day; 0 = in shelter. */
  readonly rung: number;
  /** Whether the rung is a new one. */
  readonly climbs: boolean;
  /** Days of the rung when this one has counted, and how many it wants. */
  readonly served: number;
  readonly of: number;
  readonly limit: Limit | null;
  /** The last rung has been served: hardened. */
  readonly done: boolean;
}

export interface LadderRules {
  readonly rungs: readonly Rung[];
  /** Degrees the place of a rung is worth on the night, lid and all. */
  readonly shelter_K: readonly number[];
  /** Standard deviations kept between a forecast low and a floor. */
  readonly caution: number;
}

/** Half a standard deviation: the low comes out below in three nights of ten. Common practice, no source. */
export const CAUTION = 0.5;
/** Share of a rung's gust that is a stress of its own, and degrees above its floor that are. Common practice, no source. */
export const NEARLY = { gust_frac: 0.9, cold_K: 1 } as const;

/** Degrees a rung's place and cover add to the night, by the degrees its shelter is worth with the lid shut. */
export function shelterOf(rung: Rung, shut_K: number): number {
  const lid = rung.lid_frac === null ? (rung.placeId === null ? 0 : shut_K) : shut_K * (1 - rung.lid_frac);
  return lid + RUNG_COVER_K[rung.cover];
}

/** Lowest in the best run of so many hours about the middle of the afternoon. @source common practice: the sine of the day, falling away from its top */
export function windowLow_C(most_C: number, morning_C: number, hours_h: number): number {
  return most_C - Math.max(0, most_C - morning_C) * windowShare(hours_h);
}

/** How far such a run reaches from the top of the day towards its morning, 0 to 1. */
export function windowShare(hours_h: number): number {
  return Math.min(1, (hours_h / 13) ** 1.5);
}

/** What plants on a rung would meet on a day: the lowest, degrees C, caution taken off; null when not known. */
export function lowOn(rules: LadderRules, k: number, day: LadderDay): number | null {
  const rung = rules.rungs[k - 1]!;
  const off = rules.caution * day.spread_K;
  if (rung.hours_h >= 24) return day.night_C === null ? null : day.night_C - off + rules.shelter_K[k - 1]!;
  if (day.most_C === null) return null;
  return windowLow_C(day.most_C, day.morning_C ?? day.night_C ?? day.most_C - 8, rung.hours_h) - off;
}

/** Why a rung cannot be done on a day; null when it can. */
export function limitOn(rules: LadderRules, k: number, day: LadderDay): Limit | null {
  const rung = rules.rungs[k - 1]!;
  const low = lowOn(rules, k, day);
  if (low === null) return { stress: 'unknown', rung: k, figure: null, limit: null };
  if (low < rung.floor_C) return { stress: 'cold', rung: k, figure: low, limit: rung.floor_C };
  if (day.most_C !== null && day.most_C > heatCeiling_C(rung))
    return { stress: 'heat', rung: k, figure: day.most_C, limit: heatCeiling_C(rung) };
  if (day.gust_m_s === null) return { stress: 'calm?', rung: k, figure: null, limit: rung.gust_m_s };
  if (tooWindy(day.gust_m_s, rung.gust_m_s))
    return { stress: 'wind', rung: k, figure: day.gust_m_s, limit: rung.gust_m_s };
  return null;
}

/** Whether a limit is only that something of the day is not told: it holds, and sets nothing back. */
export const notTold = (limit: Limit): boolean => limit.stress === 'unknown' || limit.stress === 'calm?';

/**
 * The decision of a day: go on (climb, or serve another day of the rung), hold, or back down to what the day allows. Never two
 * new stresses in a day: not when the rung raises one and the day itself comes near another's limit.
 * @param resting plants rest after potting
 * @param heldByHand the grower holds the batch that day
 */
export function decideDay(
  rules: LadderRules,
  at: LadderAt,
  day: LadderDay,
  resting = false,
  heldByHand = false,
): Decision {
  const { rungs } = rules;
  const of = at.rung === 0 ? 1 : rungs[at.rung - 1]!.days;
  const stay = (say: HardeningAction, rung: number, limit: Limit | null, served = at.served): Decision => ({
    say,
    rung,
    climbs: false,
    served,
    of,
    limit,
    done: false,
  });
  const served = at.rung === 0 || at.served >= of;
  if (at.rung > 0) {
    const now = limitOn(rules, at.rung, day);
    if (now && !notTold(now)) {
      let k = at.rung - 1;
      while (k > 0 && limitOn(rules, k, day) !== null) k--;
      return stay('back', k, now);
    }
    if (now) return stay('hold', at.rung, now);
  }
  const none = { rung: Math.max(1, at.rung), figure: null, limit: null };
  if (resting) return stay('hold', at.rung, { stress: 'rest', ...none });
  if (heldByHand) return stay('hold', at.rung, { stress: 'hand', ...none });
  if (!served) return stay('go', at.rung, null, at.served + 1);
  if (at.rung === rungs.length) return { ...stay('go', at.rung, null, at.served + 1), done: true };
  const k = at.rung + 1;
  const limit = limitOn(rules, k, day) ?? meeting(rules, k, day);
  if (limit) return stay('hold', at.rung, limit, at.rung === 0 ? 0 : at.served + 1);
  const next = rungs[k - 1]!;
  return { say: 'go', rung: k, climbs: true, served: 1, of: next.days, limit: null, done: false };
}

/** A rung that raises one stress on a day that comes near the limit of another. */
function meeting(rules: LadderRules, k: number, day: LadderDay): Limit | null {
  const rung = rules.rungs[k - 1]!;
  const [raises] = newStresses(rules.rungs[k - 2] ?? null, rung);
  if (raises === undefined) return null;
  const gust = day.gust_m_s;
  if (raises !== 'wind' && gust !== null && gust > NEARLY.gust_frac * rung.gust_m_s)
    return { stress: 'two', rung: k, figure: gust, limit: rung.gust_m_s, raises };
  const low = lowOn(rules, k, day)!;
  if (raises !== 'cold' && low < rung.floor_C + NEARLY.cold_K)
    return { stress: 'two', rung: k, figure: low, limit: rung.floor_C, raises };
  return null;
}

/** Where a batch stands after a day's decision has been followed. */
export function after(at: LadderAt, decision: Decision): LadderAt {
  if (decision.say === 'back') return at;
  return { rung: decision.rung, served: decision.served };
}

/** The ladder over coming days, each decision followed. */
export function ladderAhead(
  rules: LadderRules,
  at: LadderAt,
  days: readonly LadderDay[],
  restsUntil: DayNumber,
  heldUntil: DayNumber,
): Decision[] {
  const decisions: Decision[] = [];
  let now = at;
  for (const day of days) {
    const decision = decideDay(rules, now, day, day.day < restsUntil, day.day < heldUntil);
    decisions.push(decision);
    now = after(now, decision);
  }
  return decisions;
}

/** Below the floor of a rung by so much, or above its gust by such a share, plants are set back. Common practice, no source. */
export const HARM = { below_K: 3, gust_frac: 1.3 } as const;

/**
 * What a log and the weather since make of a batch's rung: days that count, and whether a frost or a gale has set it back a rung.
 * @param logged the rung as logged and since when; days held are days that do not count
 * @param known weather of days past, by readings before forecasts; days nothing is known of count
 */
export function ladderNow(
  rules: LadderRules,
  logged: { readonly rung: number; readonly since: DayNumber | null; readonly held: readonly DayNumber[] },
  known: ReadonlyMap<DayNumber, LadderDay>,
  today: DayNumber,
): { readonly at: LadderAt; readonly harmed: Limit | null; readonly harmedOn: DayNumber | null } {
  const rung = Math.min(logged.rung, rules.rungs.length);
  if (rung < 1 || logged.since === null) return { at: { rung: 0, served: 0 }, harmed: null, harmedOn: null };
  let served = 0;
  let harmed: Limit | null = null;
  let harmedOn: DayNumber | null = null;
  for (let d = logged.since; d < today; d++) {
    const held = logged.held.includes(d);
    const weather = known.get(d);
    const limit = weather ? limitOn({ ...rules, caution: 0 }, rung, weather) : null;
    if (!held && (limit === null || notTold(limit))) served++;
    if (held || !limit || limit.figure === null || weather!.spread_K > 0) continue;
    const cold = limit.stress === 'cold' && limit.figure < limit.limit! - HARM.below_K;
    const gale = limit.stress === 'wind' && limit.figure > limit.limit! * HARM.gust_frac;
    if (cold || gale) [harmed, harmedOn] = [limit, d];
  }
  const lost = softened(logged.held, today);
  const now = Math.max(1, rung - lost);
  return { at: { rung: now, served: lost > 0 ? 0 : served }, harmed, harmedOn };
}

/** Plants kept in go soft: a rung for each so many days in a row. Common practice, no source. */
const SOFTENED_days = 5;

/** Rungs lost by days kept in, the last of them yesterday or today. */
function softened(held: readonly DayNumber[], today: DayNumber): number {
  const kept = new Set(held);
  let run = 0;
  for (let day = kept.has(today) ? today : today - 1; kept.has(day); day--) run++;
  return Math.floor(run / SOFTENED_days);
}
