import {
  built,
  structureHour,
  type Built,
  type NightCover,
  type OutHour,
  type StructureSpec,
  type StructureState,
} from './structure.ts';

/** An hour of weather over a structure, in order. `hour` by the wall clock. */
export interface StructureHour extends OutHour {
  readonly day: number;
  readonly hour: number;
}

/** What the plants in it want. */
export interface Range {
  readonly least_C: number;
  readonly most_C: number;
}

export const LID_SCHOOLS = ['model', 'outdoor', 'indoor'] as const;
/** How lid or door are opened: by the model, at an outdoor threshold, or when the inside has come to a temperature. */
export type LidSchool =
  | { readonly kind: 'model' }
  | { readonly kind: 'outdoor'; readonly at_C: number }
  | { readonly kind: 'indoor'; readonly at_C: number };

export interface LidHome {
  readonly from_h: number;
  readonly to_h: number;
}

/** A change of the lid. */
export interface LidMove {
  readonly hour: number;
  /** Index of the step. */
  readonly step: number;
}

/** A day of a structure. Hours from 0 at the day's first hour; temperatures at the end of each hour. */
export interface LidDay {
  readonly day: number;
  readonly hours: readonly number[];
  /** With the lid shut, at its first step, and at its widest, all day. */
  readonly shut_C: readonly number[];
  readonly ajar_C: readonly number[];
  readonly open_C: readonly number[];
  /** With the lid as advised. */
  readonly advised_C: readonly number[];
  readonly moves: readonly LidMove[];
  /** Highest with the lid shut, and the hour it comes; first hour it passes what the plants want. */
  readonly shutMost_C: number;
  readonly shutMostAt: number;
  readonly tooHotFrom: number | null;
  /** Lowest as advised, and of the night that follows by what is put over. */
  readonly least_C: number;
  readonly most_C: number;
  readonly night: readonly NightOption[];
}

export const NIGHT_ACTS = ['nothing', 'water', 'fleece', 'blanket', 'heater'] as const;
export type NightAct = (typeof NIGHT_ACTS)[number];
export interface NightOption {
  readonly act: NightAct;
  readonly least_C: number;
  readonly kWh: number;
  readonly enough: boolean;
}

/** Degrees inside kept from the ends of the range. Common practice, no source. */
const MARGIN_K = 2;
/** The night looked at: from evening to morning. */
const NIGHT_FROM_h = 17;
const NIGHT_TO_h = 9;

interface Run {
  readonly b: Built;
  readonly hours: readonly StructureHour[];
  readonly ground_C: number;
}

function hourOf(
  run: Run,
  state: StructureState,
  i: number,
  step: number,
  night: NightCover,
  each?: (t: number) => void,
  act?: NightAct,
  used?: { kWh: number },
): StructureState {
  const { steps } = run.b.spec;
  const cover: NightCover = act === 'fleece' || act === 'blanket' ? act : night;
  const mode = {
    open_frac: steps[step]!.open_frac,
    night: cover,
    heater: act === undefined || act === 'heater',
    watered: act === 'water',
  };
  return structureHour(run.b, state, run.hours[i]!, mode, run.ground_C, each, used);
}

const isNight = (h: number): boolean => h >= NIGHT_FROM_h || h < NIGHT_TO_h;

/**
 * Ten days (or what there is) of a structure hour by hour: what it would come to shut, ajar and open, and when to open and shut so
 * that plants stay in their range, with somebody there only in home hours: what happens between is foreseen at the last visit.
 * @param hours in order, from the first hour of the first day
 * @param start state at the first hour
 * @param ground_C below the floor
 */
export function lidDays(
  spec: StructureSpec,
  hours: readonly StructureHour[],
  range: Range,
  home: LidHome,
  school: LidSchool,
  start: StructureState,
  ground_C: number,
): LidDay[] {
  const run: Run = { b: built(spec), hours, ground_C };
  const days: LidDay[] = [];
  let state = start;
  for (let from = 0; from < hours.length;) {
    let to = from + 1;
    while (to < hours.length && hours[to]!.day === hours[from]!.day) to++;
    const fixed = (step: number) => {
      let s = state;
      const line: number[] = [];
      for (let i = from; i < to; i++) {
        const { hour } = hours[i]!;
        const there = hour >= home.from_h && hour < home.to_h;
        s = hourOf(run, s, i, there ? step : 0, isNight(hour) && !there ? spec.night : 'none');
        line.push(s[0]);
      }
      return line;
    };
    const [shut, ajar, open] = [fixed(0), fixed(Math.min(1, spec.steps.length - 1)), fixed(spec.steps.length - 1)];
    const advised = followed(run, state, from, to, range, home, school);
    const peak = shut.indexOf(Math.max(...shut));
    const hot = shut.findIndex((t) => t > range.most_C);
    const evening = advised.states.at(
      Math.max(
        0,
        hours.slice(from, to).findIndex((h) => h.hour === NIGHT_FROM_h),
      ),
    )!;
    days.push({
      day: hours[from]!.day,
      hours: hours.slice(from, to).map((h) => h.hour),
      shut_C: shut,
      ajar_C: ajar,
      open_C: open,
      advised_C: advised.line,
      moves: advised.moves,
      shutMost_C: shut[peak]!,
      shutMostAt: hours[from + peak]!.hour,
      tooHotFrom: hot < 0 ? null : hours[from + hot]!.hour,
      least_C: advised.least,
      most_C: advised.most,
      night: nightOptions(run, evening, from, to, range),
    });
    state = advised.states.at(-1)!;
    from = to;
  }
  return days;
}

interface Followed {
  readonly line: number[];
  readonly states: StructureState[];
  readonly moves: LidMove[];
  readonly least: number;
  readonly most: number;
}

/** A day with the lid moved by the school, on the hours somebody is there. */
function followed(
  run: Run,
  start: StructureState,
  from: number,
  to: number,
  range: Range,
  home: LidHome,
  school: LidSchool,
): Followed {
  const { hours } = run;
  const { spec } = run.b;
  let state = start;
  let step = 0;
  const line: number[] = [];
  const states: StructureState[] = [];
  const moves: LidMove[] = [];
  let [least, most] = [Infinity, -Infinity];
  for (let i = from; i < to; i++) {
    const { hour } = hours[i]!;
    if (hour >= home.from_h && hour <= home.to_h) {
      const wanted = wantedStep(run, state, i, to, step, range, home, school);
      if (wanted !== step) moves.push({ hour, step: wanted });
      step = wanted;
    }
    const night = isNight(hour) && step === 0 ? spec.night : 'none';
    state = hourOf(run, state, i, step, night, (t) => {
      if (t < least) least = t;
      if (t > most) most = t;
    });
    line.push(state[0]);
    states.push(state);
  }
  return { line, states, moves, least, most };
}

function wantedStep(
  run: Run,
  state: StructureState,
  i: number,
  to: number,
  now: number,
  range: Range,
  home: LidHome,
  school: LidSchool,
): number {
  const { hours } = run;
  const widest = run.b.spec.steps.length - 1;
  const evening = hours[i]!.hour >= home.to_h;
  if (school.kind === 'outdoor') return !evening && hours[i]!.temp_C >= school.at_C ? widest : 0;
  if (school.kind === 'indoor') {
    if (evening) return 0;
    if (state[0] >= school.at_C) return Math.min(widest, now + 1);
    return state[0] < school.at_C - 4 ? Math.max(0, now - 1) : now;
  }
  // The model: the narrowest step that keeps the air under the range's top until somebody is there again.
  let until = i + 1;
  while (until < to && !(hours[until]!.hour >= home.from_h && hours[until]!.hour <= home.to_h)) until++;
  for (let step = 0; step <= widest; step++) {
    let s = state;
    let top = -Infinity;
    for (let j = i; j < until; j++) s = hourOf(run, s, j, step, 'none', (t) => (top = Math.max(top, t)));
    if (top <= range.most_C - MARGIN_K || step === widest) return step;
  }
  return widest;
}

/** The night after a day by what is put over it: lowest, heater's kWh, and whether it is enough. */
function nightOptions(run: Run, evening: StructureState, from: number, to: number, range: Range): NightOption[] {
  const { hours } = run;
  const { spec } = run.b;
  const begin = from + hours.slice(from, to).findIndex((h) => h.hour === NIGHT_FROM_h);
  let end = begin;
  while (end < hours.length && end < begin + 16 && (hours[end]!.hour >= NIGHT_FROM_h || hours[end]!.hour < NIGHT_TO_h))
    end++;
  if (begin < from || end - begin < 6) return [];
  const acts = NIGHT_ACTS.filter((act) => act !== 'heater' || spec.heater !== null);
  return acts.map((act) => {
    let s = evening;
    let least = Infinity;
    const used = { kWh: 0 };
    for (let i = begin; i < end; i++)
      s = hourOf(run, s, i, 0, act === 'heater' ? spec.night : 'none', (t) => (least = Math.min(least, t)), act, used);
    return { act, least_C: least, kWh: used.kWh, enough: least >= range.least_C };
  });
}
