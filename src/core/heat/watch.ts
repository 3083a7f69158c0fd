import { advance, AIR, AROUND, BED, MEDIUM, networkOf, stepOf, type Network, type Step } from './network.ts';
import type { Sample } from './sample.ts';
import { modeAt } from './simulate.ts';
import type { ZoneSpec } from './zone.ts';
import { WORDS } from '../../words/en/heat/watch.ts';

export type FaultKind =
  | 'too-cold'
  | 'too-hot'
  | 'sensor-out'
  | 'sensor-stuck'
  | 'heater-dead'
  | 'relay-stuck'
  | 'power-lost'
  | 'lid-open'
  | 'lid-shut'
  | 'readings-stopped'
  | 'battery-low';

/** Something is wrong, with the figures that say so. */
export interface Finding {
  readonly kind: FaultKind;
  readonly since_s: number;
  readonly evidence: readonly {
    readonly name: string;
    readonly value: number;
    readonly unit: 'C' | 'K' | 'min' | '%' | 'W';
  }[];
}

interface Kept {
  readonly sample: Sample;
  readonly x: readonly [number, number, number];
}

export interface WatchState {
  /** Oldest first, half an hour of them. */
  readonly past: readonly Kept[];
  /** Bed, medium and air as the model follows the readings. */
  readonly x: readonly [number, number, number];
  readonly mediumSeen_s: number;
  /** Last change of the medium's figure, and how often it changes, times a minute. */
  readonly changed: {
    readonly at_s: number;
    readonly value: number;
    readonly x_C: number;
    readonly often_per_min: number;
  };
  /** Since when each condition has held, and whether it has been said. */
  readonly held: Readonly<
    Partial<Record<FaultKind, { readonly since_s: number; readonly last_s: number; readonly said: boolean }>>
  >;
  readonly lid: { readonly before: number; readonly shut_C: number } | null;
  readonly out: { readonly since_s: number; readonly back_s: number | null } | null;
}

/** A zone with its matrices worked out, to be watched. */
export interface Watched {
  readonly zone: ZoneSpec;
  readonly steps: readonly [day: Step, night: Step];
  readonly networks: readonly [day: Network, night: Network];
  readonly open: readonly [day: Network, night: Network];
  /** Above this the medium or the air hurts, and lowest the plants on it stand. */
  readonly hot_C: number;
  readonly harm_C: number;
}

export function watched(zone: ZoneSpec, limits: { readonly hot_C: number; readonly harm_C: number }): Watched {
  const both = <T>(of: (night: boolean) => T): [T, T] => [of(false), of(true)];
  const networks = both((night) => networkOf(zone, modeAt(zone, night)));
  return {
    zone,
    networks,
    steps: both((night) => stepOf(networks[night ? 1 : 0], 60)),
    open: both((night) => networkOf(zone, modeAt(zone, night, true))),
    ...limits,
  };
}

/** Common practice, no source: how long a condition must hold before it is said, and be gone before it is over, seconds. */
const WAIT_s: Readonly<Record<FaultKind, number>> = {
  'too-cold': 1800,
  'too-hot': 900,
  'sensor-out': 0,
  'sensor-stuck': 0,
  'heater-dead': 240,
  'relay-stuck': 240,
  'power-lost': 0,
  'lid-open': 600,
  'lid-shut': 300,
  'readings-stopped': 0,
  'battery-low': 0,
};
const OVER_s = 600;
const WINDOW_s = 1800;
const QUIET_s = 300;

export function watchStart(sample: Sample): WatchState {
  const medium = sample.medium_C ?? sample.set_C ?? sample.around_C;
  return {
    past: [],
    x: [sample.bed_C ?? medium, medium, sample.air_C ?? sample.around_C],
    mediumSeen_s: sample.at_s,
    changed: { at_s: sample.at_s, value: sample.medium_C ?? NaN, x_C: medium, often_per_min: 0 },
    held: {},
    lid: null,
    out: null,
  };
}

/** Whether the medium's reading may steer the heater. */
export function believed(state: WatchState): boolean {
  return state.out === null && !state.held['sensor-stuck']?.said && !state.held['readings-stopped']?.said;
}

/**
 * Takes one more look at a zone and says what is wrong. Pure: the same looks give the same findings. The model runs along
 * with the reported duty and is pulled to what is believed; faults show in energy that does not add up.
 * @param sample later than the last; one that is not is left out
 */
export function watch(w: Watched, state: WatchState, sample: Sample): { state: WatchState; findings: Finding[] } {
  const last = state.past.at(-1)?.sample;
  if (last && sample.at_s <= last.at_s) return { state, findings: findingsOf(state, []) };
  const dt_s = last ? sample.at_s - last.at_s : 60;
  // After a long silence the model knows no more than the readings do.
  const fresh =
    dt_s > 6 * 3600
      ? { ...watchStart(sample), mediumSeen_s: sample.medium_C === null ? state.mediumSeen_s : sample.at_s }
      : state;
  const night = sample.night ? 1 : 0;
  let x = fresh.x;
  const inputs = [sample.mains === false ? 0 : sample.duty * w.zone.heater.power_W, 0, sample.around_C, sample.floor_C];
  for (let m = 0; m < Math.round(Math.min(dt_s, 6 * 3600) / 60); m++)
    x = advance(w.steps[night], x, inputs) as unknown as typeof x;
  const out = outState(w, fresh, sample, x);
  const seen = sample.medium_C !== null;
  const changed = changeOf(fresh, sample, x[MEDIUM]);
  const stuck = seen && isStuck(changed, sample, x[MEDIUM]);
  const trust = seen && out === null && !stuck;
  const pull = (i: 0 | 1 | 2, read: number | null | undefined, gain: number) =>
    read === null || read === undefined ? x[i] : x[i] + (read - x[i]) * (1 - (1 - gain) ** (dt_s / 60));
  const corrected: [number, number, number] = [
    pull(BED, sample.bed_C, 0.3),
    trust ? pull(MEDIUM, sample.medium_C, 0.3) : x[MEDIUM],
    pull(AIR, sample.air_C, 0.5),
  ];
  const past = [...fresh.past.filter((k) => k.sample.at_s > sample.at_s - WINDOW_s), { sample, x: corrected }];
  const mediumSeen_s = seen ? sample.at_s : fresh.mediumSeen_s;
  const lid = lidOf(w, { ...fresh, x: corrected }, sample);
  const next: WatchState = { ...fresh, x: corrected, past, out, lid, changed, mediumSeen_s };
  const conditions = conditionsOf(w, next, sample, stuck, trust);
  const held = { ...fresh.held };
  for (const kind of Object.keys(WAIT_s) as FaultKind[]) {
    const before = held[kind];
    if (conditions.has(kind)) {
      const since_s = before?.since_s ?? sample.at_s;
      held[kind] = { since_s, last_s: sample.at_s, said: before?.said || sample.at_s - since_s >= WAIT_s[kind] };
    } else if (before && (!before.said || sample.at_s - before.last_s >= OVER_s)) delete held[kind];
  }
  const done = { ...next, held };
  return { state: done, findings: findingsOf(done, [...conditions]) };
}

function findingsOf(state: WatchState, now: readonly (readonly [FaultKind, Finding['evidence']])[]): Finding[] {
  const evidence = new Map(now);
  return (Object.entries(state.held) as [FaultKind, { since_s: number; said: boolean }][])
    .filter(([, { said }]) => said)
    .map(([kind, { since_s }]) => ({ kind, since_s, evidence: evidence.get(kind) ?? [] }));
}

type Evidence = Finding['evidence'];

function conditionsOf(
  w: Watched,
  state: WatchState,
  s: Sample,
  stuck: boolean,
  trust: boolean,
): Map<FaultKind, Evidence> {
  const found = new Map<FaultKind, Evidence>();
  const medium = state.x[MEDIUM];
  const air = state.x[AIR];
  if (s.mains === false) found.set('power-lost', [{ name: WORDS.mediumNow, value: medium, unit: 'C' }]);
  else if (s.gone)
    found.set('power-lost', [
      { name: WORDS.controllerSilentSinceItsLast, value: (s.at_s - state.mediumSeen_s) / 60, unit: 'min' },
    ]);
  const silent_s = s.at_s - state.mediumSeen_s;
  if (silent_s >= QUIET_s && !s.gone)
    found.set('readings-stopped', [{ name: WORDS.nothingBelievableFor, value: silent_s / 60, unit: 'min' }]);
  if (s.battery_frac != null && s.battery_frac < 0.2)
    found.set('battery-low', [{ name: 'battery', value: 100 * s.battery_frac, unit: '%' }]);
  if (stuck)
    found.set('sensor-stuck', [
      { name: WORDS.theSameFigureFor, value: (s.at_s - state.changed.at_s) / 60, unit: 'min' },
      { name: 'reads', value: s.medium_C!, unit: 'C' },
      { name: WORDS.shouldHaveMovedBy, value: medium - state.changed.x_C, unit: 'K' },
    ]);
  if (state.out)
    found.set('sensor-out', [
      { name: 'reads', value: s.medium_C ?? NaN, unit: 'C' },
      { name: WORDS.mediumByTheModel, value: medium, unit: 'C' },
      { name: 'air', value: air, unit: 'C' },
    ]);
  const heater = heaterShare(w, state);
  if (heater && s.mains !== false && !s.gone) {
    const evidence: Evidence = [
      { name: WORDS.askedToBeOn, value: 100 * heater.duty, unit: '%' },
      { name: WORDS.heatThatArrives, value: 100 * Math.max(0, heater.share), unit: '%' },
    ];
    if (heater.duty > 0.6 && heater.share < 0.35 * heater.duty) found.set('heater-dead', evidence);
    if (heater.share - heater.duty > 0.45) found.set('relay-stuck', evidence);
  }
  if (state.lid && s.air_C != null)
    found.set('lid-open', [
      { name: WORDS.airUnderTheCover, value: s.air_C, unit: 'C' },
      { name: WORDS.shutItWouldBeAbout, value: state.lid.shut_C, unit: 'C' },
    ]);
  if (!s.night && s.air_C != null && s.air_C >= w.hot_C && s.duty < 0.2 && s.air_C > medium)
    found.set('lid-shut', [
      { name: WORDS.airUnderTheCover, value: s.air_C, unit: 'C' },
      { name: WORDS.outsideTheZone, value: s.around_C, unit: 'C' },
    ]);
  if (s.set_C !== null && medium < s.set_C - 3 && !warming(state)) {
    found.set('too-cold', [
      { name: trust ? 'medium' : WORDS.mediumByTheModel, value: medium, unit: 'C' },
      { name: 'set', value: s.set_C, unit: 'C' },
    ]);
  } else if (medium < w.harm_C + 1)
    found.set('too-cold', [
      { name: 'medium', value: medium, unit: 'C' },
      { name: WORDS.plantsAreHurtBelow, value: w.harm_C, unit: 'C' },
    ]);
  const read = s.medium_C !== null && !stuck ? Math.max(medium, trust ? s.medium_C : -Infinity) : medium;
  const heated = state.past.some((k) => k.sample.duty > 0.05);
  if (read > w.hot_C || (s.set_C !== null && heated && read > s.set_C + 5))
    found.set('too-hot', [
      { name: 'medium', value: read, unit: 'C' },
      ...(s.set_C === null ? [] : [{ name: 'set', value: s.set_C, unit: 'C' } as const]),
    ]);
  return found;
}

/** On its way up by the look of the last half hour: the medium, or the bed under it, which is warm long before. */
function warming(state: WatchState): boolean {
  const first = state.past[0];
  const last = state.past.at(-1)!;
  if (first === undefined || last.sample.at_s - first.sample.at_s < 600) return false;
  return [MEDIUM, BED].some((node) => last.x[node]! - first.x[node]! > 0.15);
}

/** A sensor pulled from its cell goes to the air faster than any medium could. */
function outState(
  w: Watched,
  state: WatchState,
  s: Sample,
  model: readonly [number, number, number],
): WatchState['out'] {
  if (s.medium_C === null) return state.out;
  const air = s.air_C ?? model[AIR];
  if (state.out) {
    const home = Math.abs(s.medium_C - model[MEDIUM]) < 1 && Math.abs(model[MEDIUM] - air) > 1.5;
    if (!home) return { ...state.out, back_s: null };
    const back_s = state.out.back_s ?? s.at_s;
    return s.at_s - back_s >= 900 ? null : { ...state.out, back_s };
  }
  const start = state.past.find((k) => k.sample.at_s >= s.at_s - 600 && k.sample.medium_C !== null);
  if (!start || s.at_s - start.sample.at_s < 60) return null;
  const network = w.networks[s.night ? 1 : 0];
  const from = start.sample.medium_C!;
  const gap = (start.sample.air_C ?? start.x[AIR]) - from;
  // What the medium could have done by itself, were it twice as quick as built.
  const [toBed, toAir] = network.links.map((l) => l.conductance_W_K) as [number, number];
  const rate_W = toBed * (start.x[BED] - from) + toAir * gap;
  const could_K = (2 * rate_W * (s.at_s - start.sample.at_s)) / network.capacity_J_K[MEDIUM]!;
  const moved_K = s.medium_C - from;
  const beyond_K = moved_K - (Math.sign(could_K) === Math.sign(moved_K) ? could_K : 0);
  // To the air, or past it: into the can, or into the ice it is checked in.
  const past = Math.sign(s.medium_C - air) !== Math.sign(from - air);
  const toTheAir =
    Math.sign(beyond_K) === Math.sign(gap) && (past || Math.abs(s.medium_C - air) < 0.6 * Math.abs(from - air));
  return toTheAir && Math.abs(beyond_K) > 1.2 ? { since_s: s.at_s, back_s: null } : null;
}

function changeOf(state: WatchState, s: Sample, model_C: number): WatchState['changed'] {
  const { changed } = state;
  if (s.medium_C === null || Math.abs(s.medium_C - changed.value) < 1e-6) return changed;
  // How often a figure changes is smoothed over some twenty changes.
  const gap_min = Math.max(1 / 60, (s.at_s - changed.at_s) / 60);
  const often_per_min =
    1 / ((changed.often_per_min > 0 ? 0.95 / changed.often_per_min : 0.95 * gap_min) + 0.05 * gap_min);
  return { at_s: s.at_s, value: s.medium_C, x_C: model_C, often_per_min };
}

/** Changes that ought to have come before a still figure is taken for a dead one. */
const MISSED_CHANGES = 16;

/** Not a hair's change for so long that noise alone would have shown, or while the model moved. */
function isStuck(changed: WatchState['changed'], s: Sample, model_C: number): boolean {
  const still_min = (s.at_s - changed.at_s) / 60;
  if (still_min < 25) return false;
  return still_min * changed.often_per_min > MISSED_CHANGES || Math.abs(model_C - changed.x_C) > 1 || still_min > 180;
}

/** What the heater would warm the bed by in the time looked at: some ten times the noise of two means of three. */
const CLEAR_K = 0.8;

/**
 * Heat that arrived in the bed over the last minutes as a share of what the heater gives when it is on: what the bed gained
 * and gave away, over power x time. null when there is not enough to tell by.
 */
function heaterShare(w: Watched, state: WatchState): { share: number; duty: number } | null {
  const end = state.past.at(-1)!;
  if (end.sample.medium_C === null) return null;
  const bedRead = end.sample.bed_C != null;
  const network = w.networks[end.sample.night ? 1 : 0];
  const { power_W } = w.zone.heater;
  const capacity = bedRead ? network.capacity_J_K[BED]! : network.capacity_J_K[BED]! + network.capacity_J_K[MEDIUM]!;
  // No longer than it takes the heater to stand well out of the noise.
  const window_s = bedRead ? Math.min(1200, Math.max(600, (CLEAR_K * capacity) / power_W)) : WINDOW_s;
  const kept = state.past.filter((k) => k.sample.at_s >= end.sample.at_s - window_s);
  const start = kept[0]!;
  const span_s = end.sample.at_s - start.sample.at_s;
  if (span_s < window_s * 0.9) return null;
  let on_s = 0;
  let lost_J = 0;
  const [toMedium, toAir] = network.links.map((l) => l.conductance_W_K) as [number, number];
  const toFloor = network.boundaries[0]!.conductance_W_K;
  for (let i = 1; i < kept.length; i++) {
    const { sample, x } = kept[i]!;
    const dt_s = sample.at_s - kept[i - 1]!.sample.at_s;
    on_s += dt_s * sample.duty;
    if (bedRead) lost_J += dt_s * (toMedium * (x[BED] - x[MEDIUM]) + toFloor * (x[BED] - sample.floor_C));
    else lost_J += dt_s * (toAir * (x[MEDIUM] - x[AIR]) + toFloor * (x[MEDIUM] - sample.floor_C));
  }
  const mean = (from: number, to: number, read: (k: Kept) => number) => {
    const some = kept.slice(from, to);
    return some.reduce((sum, k) => sum + read(k), 0) / some.length;
  };
  const read = bedRead
    ? (k: Kept) => k.sample.bed_C ?? k.x[BED]
    : (k: Kept) => (state.out ? k.x[MEDIUM] : (k.sample.medium_C ?? k.x[MEDIUM]));
  // The mean of three at each end takes the noise down; the time between them is a little shorter than the whole.
  const gained_K = mean(-3, kept.length, read) - mean(0, 3, read);
  // Without a bed sensor only a long failure shows, and sun would be taken for heat.
  if (!bedRead && (!end.sample.night || state.out !== null)) return null;
  const gives_J = power_W * span_s;
  if (gives_J / capacity < 0.5) return null;
  const share = (capacity * gained_K * (span_s / (span_s - 120)) + lost_J) / gives_J;
  return { share, duty: on_s / span_s };
}

/** Where the air lies between what is round the zone (0) and the medium (1). null when they are too near to tell. */
function warmth(s: Sample, medium_C: number): number | null {
  if (!s.night || s.air_C == null || medium_C - s.around_C < 4) return null;
  return (s.air_C - s.around_C) / (medium_C - s.around_C);
}

const NO_COVER = 0.6;
/** What a clear sky takes from the air under a thin film besides. Common practice, no source. */
const SKY_K = 0.5;

/**
 * A lid thrown open by night lets the air fall at once to a share of what it was; one never shut leaves it where the model
 * has it with the lid open. The fall is measured against the same night's own half hour before, so that a clear sky or a
 * leaky cover, which also cool the air, are not taken for an open lid.
 */
function lidOf(w: Watched, state: WatchState, s: Sample): WatchState['lid'] {
  if (w.zone.cover.night === 'none') return null;
  const now = warmth(s, state.x[MEDIUM]);
  if (now === null) return s.night ? state.lid : null;
  if (state.lid) return now > 0.8 * state.lid.before ? null : state.lid;
  // The air takes a while to fall after the sun is gone and the cover is drawn: the night must be as old as the window.
  const dark =
    state.past.every((k) => k.sample.night) && s.at_s - (state.past[0]?.sample.at_s ?? s.at_s) > 0.8 * WINDOW_s;
  const earlier = dark
    ? state.past.filter((k) => k.sample.at_s <= s.at_s - 600).flatMap((k) => warmth(k.sample, k.x[MEDIUM]) ?? [])
    : [];
  const toAir = (network: Network) => network.links[1]!.conductance_W_K;
  const outward = (network: Network) => network.boundaries.find((b) => b.input === AROUND)!.conductance_W_K;
  const share = (network: Network) => toAir(network) / (toAir(network) + outward(network));
  const [shut, open] = [share(w.networks[1]), share(w.open[1])];
  if (earlier.length >= 5) {
    const before = earlier.sort((a, b) => a - b)[earlier.length >> 1]!;
    const fall = (before * (1 - open / shut)) / 2;
    if (before - now > Math.max(0.06, fall))
      return { before, shut_C: s.around_C + before * (state.x[MEDIUM] - s.around_C) };
  }
  // So near to what is round it that no cover can be there, whatever the sky, which pulls most at a zone that stands out.
  const sky_K = w.zone.around.plusNight_K > 0 ? 0 : SKY_K;
  if (now < NO_COVER * open - sky_K / (state.x[MEDIUM] - s.around_C))
    return { before: shut, shut_C: s.around_C + shut * (state.x[MEDIUM] - s.around_C) };
  return null;
}
