import { isOver } from '../batch/event.ts';
import type { ChainState, Progress } from '../batch/progress.ts';
import { windowOf } from '../batch/tolerance.ts';
import { checksOf, stageOfPhase } from '../batch/progress.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import { mondayOf } from '../calendar/week.ts';
import { germinationRate } from '../germination/germinationRate.ts';
import { progressOverHours } from '../germination/progress.ts';
import { plugGrowth_degreeDays, stageNeeds } from '../growth/stageNeeds.ts';
import { degreeDaysOfHours, lightFactor, reference_degreeDays } from '../growth/growthRate.ts';
import { OVER_AGE_WEEKS, POTTING_CHECK_DAYS, ruleWeeks, stageSums } from '../growth/stageSums.ts';
import {
  placeOfStage,
  type BatchPlan,
  type Container,
  type Crop,
  type OffHeatRule,
  type Place,
  type Stage,
} from '../model.ts';
import { slotsFor, traysFor } from '../quantities/trays.ts';
import { milestoneOf, noonOf, type Chain } from '../schedule/chain.ts';
import { wetTray_K } from '../schedule/wetTray.ts';
import type { PlaceSky } from '../schedule/sky.ts';
import { heldAt, hoursOfDay, temperatureOn } from '../schedule/placeClimate.ts';
import { progressOffHeat } from '../schedule/offHeat.ts';
import { offHeatRuleOf, routeOf } from '../schedule/route.ts';
import { grownWhenPotted } from '../schedule/potted.ts';
import type { SeasonTables } from '../schedule/seasonTables.ts';
import { bandsOf, coldestNight_C, type StageBands } from '../growth/bands.ts';
import { suitsStage } from '../schedule/suits.ts';
import { totalAt } from '../schedule/thermalIntegral.ts';
import { daysToCome, readySpread_days } from '../batch/inTime.ts';
import { daysToEmerge } from '../germination/germinationRate.ts';
import { handsOf, shareOfSpread, type HousePace, type PlanningSettings } from './planning.ts';
import { STEP_OF } from './steps.ts';
import { stepMinutes } from './work.ts';
import { boltOf } from './boltOf.ts';
import { coolCap_C, levelsOf, type CoolSchool } from './coolCap.ts';
import { heatParts_kWh } from './energy.ts';
import type { DaySky, BatchSpec, FixedStay, Instance, LevelSpec, PlaceSpec, StageSpec, Weights } from './instance.ts';

/** A batch of the season to be planned. */
export interface SeasonBatchToPlan {
  readonly id: number;
  readonly name: string;
  readonly crop: Crop;
  readonly plan: BatchPlan;
  readonly state: ChainState;
  readonly pinned: boolean;
  readonly progress: Progress;
}

export interface SeasonToPlan {
  readonly today: DayNumber;
  readonly places: readonly Place[];
  readonly containers: ReadonlyMap<number, Container>;
  readonly offHeat: OffHeatRule;
  readonly coolSchool: CoolSchool;
  readonly coolMost_C: number;
  readonly weights: Weights;
  readonly tables: SeasonTables;
  readonly planning: PlanningSettings;
  readonly pace: HousePace;
  readonly batches: readonly SeasonBatchToPlan[];
}

/** An instance with what it takes to read its answer back. */
export interface SeasonInstance {
  readonly instance: Instance;
  /** Day 0 of the instance: the Monday of this week. */
  readonly from: DayNumber;
  readonly placeIds: readonly number[];
  /** Level of each place's usual set-point; 0 where it cannot be set. */
  readonly usualLevels: readonly number[];
  /** Of each batch of the instance: its number, the stages it goes through, and what keeps it. */
  readonly batches: readonly {
    readonly id: number;
    readonly stages: readonly Stage[];
    /** Days the weather keeps it after the day it is planned to go out. */
    readonly later_days: number;
  }[];
}

/** Days a tray may stay in a stage once it could go on. Common practice, no source. */
const WAIT_DAYS: Readonly<Record<Stage, number>> = { germinate: 1, grow: 7, pot: 6, space: 14, harden: 7 };
/** A stage of growth may take so much longer than at the crop's own temperatures before it only grows old. Common practice, no source. */
const FAIR_STRETCH_frac = 1.15;
/** The same of coming up, which is slower on a cool bench than in a chamber, and a day or two do no harm. Common practice, no source. */
const FAIR_GERMINATION_frac = 1.5;
const FAIR_GERMINATION_days = 3;
const SHORTEST_days = 60;
const LONGEST_days = 730;

/** The season as a placement to be solved. Batches planted out or ended are left out. */
export function seasonInstance(season: SeasonToPlan): SeasonInstance {
  const from = mondayOf(season.today);
  const live = season.batches.filter(({ state }) => !isOver(state.phase));
  const lastOut = Math.max(
    season.today,
    ...live.map(({ plan, progress }) =>
      Math.max(plan.transplantOn + windowOf(plan).after_days, progress.out?.on ?? -Infinity),
    ),
  );
  const days = Math.min(LONGEST_days, Math.max(SHORTEST_days, lastOut - from + season.weights.mostLate_days + 10));
  const stages: StageSpec[] = [];
  const known = new Map<string, number>();
  const places = season.places.map((place) => placeSpec(place, season, from, days));
  const batches = live.map((batch) => {
    const ways = stagesOf(batch.plan);
    const behind_degreeDays = behindOf(batch, season);
    const indexes = ways.map((stage) => {
      const key = `${batch.crop.id}/${stage}/${batch.plan.potContainerId !== null}/${batch.plan.age_frac ?? 1}/${batch.plan.growth_factor ?? 1}/${stage === 'harden' ? batch.plan.hardening_days + laterByWeather(batch) : ''}/${stage === 'germinate' ? JSON.stringify(batch.plan.offHeat ?? '') : ''}/${behind_degreeDays}`;
      // What stands under its line already was put there: the plan cannot make it not have been.
      const bands = bandsOf(batch.crop, stage);
      const low_C =
        stage === stageOfPhase(batch.state) && standsCold(batch, season) ? bands.bearsLow_C : coldestNight_C(bands);
      const whole = `${key}/${low_C}`;
      let at = known.get(whole);
      if (at === undefined)
        known.set(whole, (at = stages.push(stageSpec(stage, batch, season, behind_degreeDays, low_C)) - 1));
      return at;
    });
    const spec = batchSpec(batch, ways, indexes, season, from, days);
    return { spec, id: batch.id, stages: ways, later_days: laterByWeather(batch) };
  });
  return {
    from,
    placeIds: season.places.map((place) => place.id),
    usualLevels: season.places.map(({ temperature }) =>
      temperature?.kind === 'set-point' ? nearest(levelsOf(temperature), temperature.usual_C) : 0,
    ),
    batches: batches.map(({ id, stages: ways, later_days }) => ({ id, stages: ways, later_days })),
    instance: {
      days,
      blockDays: 7,
      blockOffset: 0,
      frozenBlocks: 1,
      today: season.today - from,
      places,
      stages,
      batches: batches.map(({ spec }) => spec),
      weights: season.weights,
      ...handsIn(season, from, days),
    },
  };
}

/** Minutes of work there are hands for in each week, where the house has said so. */
function handsIn({ planning }: SeasonToPlan, from: DayNumber, days: number): Pick<Instance, 'hands_min'> {
  const hours = Array.from({ length: Math.floor(days / 7) + 1 }, (_, b) => handsOf(planning, from + 7 * b));
  if (hours.every((h) => h === null)) return {};
  return { hands_min: hours.map((h) => (h === null ? MANY_HANDS_min : 60 * h)) };
}

/** More minutes than any week has work for. */
const MANY_HANDS_min = 1e7;

/** Whether a batch has, where it stands, a night under the line that checks it before its stage is over. */
function standsCold({ crop, state, progress }: SeasonBatchToPlan, { tables, today }: SeasonToPlan): boolean {
  const stage = stageOfPhase(state);
  const here = progress.stands.find((s) => s.stage === stage && s.from <= today && s.to >= today);
  if (stage === null || !here || !tables.places.has(here.placeId)) return false;
  const low_C = coldestNight_C(bandsOf(crop, stage));
  const climate = tables.climateOf(here.placeId);
  for (let day = today; day <= here.to; day++) if (temperatureOn(climate, day).night_C < low_C) return true;
  return false;
}

/** The stages a plan goes through, in order. */
export function stagesOf(plan: BatchPlan): Stage[] {
  const potted = plan.potContainerId !== null;
  const all: Stage[] = potted ? ['germinate', 'grow', 'pot', 'space', 'harden'] : ['germinate', 'grow', 'harden'];
  return plan.joins ? all.slice(1) : all;
}

function placeSpec(place: Place, season: SeasonToPlan, from: DayNumber, days: number): PlaceSpec {
  const { temperature } = place;
  const closed = (place.closed ?? []).map((run) => [run.from - from, run.to + 1 - from] as const);
  const base = { id: place.id, name: place.name, room_slots: place.room_trays, closed };
  const blocks = Math.ceil(days / 7) + 1;
  if (temperature?.kind !== 'set-point') {
    const climate = season.tables.climateOf(place.id);
    const cut = (row: Float64Array) =>
      Float64Array.from({ length: days }, (_, i) => row[clampTo(from + i - climate.from, row.length)]!);
    const sky = season.tables.skyOf(place.id);
    const level: LevelSpec = {
      setPoint_C: null,
      day_C: cut(climate.day_C),
      night_C: cut(climate.night_C),
      heat_kWh: new Float64Array(days),
      ...(sky ? { sky: { ...cutSky(sky, from - climate.from, days), wet_K: wetTray_K(place) } } : {}),
    };
    return { ...base, levels: [level], row: new Array<number>(blocks).fill(0) };
  }
  const choices = levelsOf(temperature);
  const outside = season.tables.outside!;
  const levels = choices.map((setPoint_C): LevelSpec => {
    const day_C = new Float64Array(days);
    const night_C = new Float64Array(days);
    const heat_kWh = new Float64Array(days);
    const heatNight_kWh = new Float64Array(days);
    for (let i = 0; i < days; i++) {
      const out = temperatureOn(outside, from + i);
      const held = heldAt(temperature, setPoint_C, out.day_C, out.night_C);
      const free = heldAt(temperature, null, out.day_C, out.night_C);
      day_C[i] = held.day_C;
      night_C[i] = held.night_C;
      const parts = heatParts_kWh({
        loss_W_per_K: temperature.loss_W_per_K,
        setDay_C: held.day_C,
        setNight_C: held.night_C,
        freeDay_C: free.day_C,
        freeNight_C: free.night_C,
      });
      heat_kWh[i] = parts.day_kWh + parts.night_kWh;
      heatNight_kWh[i] = parts.night_kWh;
    }
    const sky = season.tables.skyAt(place.id, setPoint_C);
    return {
      setPoint_C,
      day_C,
      night_C,
      heat_kWh,
      heatNight_kWh,
      ...(sky ? { sky: { ...cutSky(sky, from - season.tables.from, days), wet_K: wetTray_K(place) } } : {}),
    };
  });
  const chosen = new Map((place.setPoints ?? []).map((s) => [s.week, s.setPoint_C]));
  const row = Array.from({ length: blocks }, (_, b) => {
    const week = from + 7 * b;
    return nearest(choices, chosen.has(week) ? chosen.get(week)! : temperature.usual_C);
  });
  return { ...base, levels, row };
}

/** Hours and light from a day of the tables on; the last day stands for those beyond them. */
/** Hours of the medium of a wet tray. */
function mediumOf(sky: DaySky | undefined): ArrayLike<number> | undefined {
  const { wet_K = 0, hours_C } = sky ?? {};
  return hours_C && wet_K > 0 ? Array.from(hours_C, (t) => t - wet_K) : hours_C;
}

function cutSky(sky: PlaceSky, start: number, days: number): PlaceSky {
  const last = sky.light_mol_m2.length - 1;
  const at = (i: number) => clampTo(start + i, last + 1);
  return {
    hours_C: Float64Array.from({ length: 24 * days }, (_, k) => sky.hours_C[24 * at(Math.floor(k / 24)) + (k % 24)]!),
    light_mol_m2: Float64Array.from({ length: days }, (_, i) => sky.light_mol_m2[at(i)]!),
  };
}

/** Index of a set-point among the choices, or of the nearest to it; 0 is off. */
function nearest(choices: readonly (number | null)[], setPoint_C: number | null): number {
  if (setPoint_C === null) return 0;
  let best = 1;
  choices.forEach((choice, i) => {
    if (choice !== null && Math.abs(choice - setPoint_C) < Math.abs(choices[best]! - setPoint_C)) best = i;
  });
  return Math.min(best, choices.length - 1);
}

/**
 * Degree-days a batch has grown before its growing place, as its own forecast has it: on the heat after half up, or before
 * its plugs were bought. Rounded to a degree-day, so that batches alike share their stages.
 */
function behindOf({ crop, plan, progress }: SeasonBatchToPlan, season: SeasonToPlan): number {
  if (plan.joins) return plugGrowth_degreeDays(crop, sumsOf(crop, plan), plan.joins);
  const { forecast } = progress;
  const route = routeOf({ crop, plan, offHeat: season.offHeat, tables: season.tables });
  if (forecast.kind !== 'chain' || 'kind' in route) return 0;
  const half = milestoneOf(forecast, 'half-up');
  const off = milestoneOf(forecast, 'off-heat');
  return half && off ? Math.round(Math.max(0, totalAt(route.inHeat, off.t) - totalAt(route.inHeat, half.t))) : 0;
}

const sumsOf = (crop: Crop, plan: BatchPlan) =>
  stageSums(crop, plan.potContainerId !== null, plan.age_frac ?? 1, plan.growth_factor ?? 1);

function stageSpec(
  stage: Stage,
  batch: SeasonBatchToPlan,
  season: SeasonToPlan,
  behind_degreeDays: number,
  low_C: number,
): StageSpec {
  const { crop, plan } = batch;
  const needs = stageNeeds(sumsOf(crop, plan), behind_degreeDays, plan.joins ? behind_degreeDays : 0);
  const bands = bandsOf(crop, stage);
  const rate = germinationRate(crop);
  const rule = offHeatRuleOf({ plan, crop, offHeat: season.offHeat });
  const growth: StageSpec['gain'] = (day_C, night_C, sky) => {
    const warmth = degreeDaysOfHours(crop, sky?.hours_C ?? hoursOfDay(day_C, night_C));
    return sky ? warmth * lightFactor(sky.light_mol_m2, crop.dliGood) : warmth;
  };
  const common = {
    name: `${crop.name}: ${STAGE_NAMES[stage]}`,
    standstill_days: 0,
    least_days: 1,
    mostWait_days: WAIT_DAYS[stage],
    low_C,
    high_C: bands.bearsHigh_C,
    comfort: comfortIn(bands),
    mostSetPoint_C: stage === 'harden' ? null : coolCap_C(crop, season.coolSchool, season.coolMost_C),
    places: placesFor(stage, crop, season.places),
    ...boltOf(stage, crop, plan),
  };
  const overAge_days = Math.round(((crop.weeksHigh - crop.weeksLow) / 2 + OVER_AGE_WEEKS) * 7);
  const perDay = reference_degreeDays(crop);
  const stretch = Math.max(FAIR_STRETCH_frac, crop.weeksHigh / ruleWeeks(crop));
  const fair = (need: number, still_days = 0) => ({ fair_days: (need / perDay) * stretch + still_days + 1 });
  switch (stage) {
    case 'germinate':
      return {
        ...common,
        fair_days:
          (daysToEmerge(rate, crop.germBest_C) ?? crop.germBest_days) *
            progressOffHeat(rule) *
            (plan.emergence_factor ?? 1) *
            FAIR_GERMINATION_frac +
          FAIR_GERMINATION_days,
        gain: (day_C, night_C, sky) => progressOverHours(rate, mediumOf(sky) ?? hoursOfDay(day_C, night_C)),
        need: progressOffHeat(rule) * (plan.emergence_factor ?? 1),
        standstill_days: rule.kind === 'days-after' ? rule.days : 0,
      };
    case 'grow': {
      const need = needs.grow;
      const last = plan.potContainerId === null;
      return {
        ...common,
        gain: growth,
        need,
        least_days: need > 0 ? 1 : 0,
        ...fair(need),
        ...(last ? { mostWait_days: overAge_days } : {}),
      };
    }
    case 'pot':
      return {
        ...common,
        gain: growth,
        need: needs.pot,
        ...fair(needs.pot, POTTING_CHECK_DAYS),
        standstill_days: POTTING_CHECK_DAYS,
      };
    case 'space':
      return {
        ...common,
        gain: growth,
        need: needs.space,
        ...fair(needs.space),
        mostWait_days: overAge_days,
      };
    case 'harden':
      return { ...common, gain: () => 1, need: plan.hardening_days + laterByWeather(batch), least_days: 0 };
  }
}

const comfortIn = ({ comfortLow_C, comfortHigh_C }: StageBands) => ({ low_C: comfortLow_C, high_C: comfortHigh_C });

/** Places that will do for a stage. Hardening goes outside or into a frame where there is one; a house is a last resort. */
function placesFor(stage: Stage, crop: Crop, places: readonly Place[]): number[] {
  const fit = places.flatMap((place, p) => (suitsStage(place, stage, crop) ? [p] : []));
  if (stage !== 'harden') return fit;
  const airy = fit.filter((p) => places[p]!.kind !== 'house');
  return airy.length > 0 ? airy : fit;
}

const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  germinate: 'to germinate',
  grow: 'to grow on',
  pot: 'in the pot',
  space: 'spaced out',
  harden: 'to harden off',
};

function batchSpec(
  batch: SeasonBatchToPlan,
  ways: readonly Stage[],
  stages: readonly number[],
  season: SeasonToPlan,
  from: DayNumber,
  days: number,
): BatchSpec {
  const { plan, state } = batch;
  const sow = season.containers.get(plan.sowContainerId)!;
  const pot = plan.potContainerId === null ? null : season.containers.get(plan.potContainerId)!;
  const cells = Math.max(1, batch.progress.plants.sown_count);
  const plants = Math.max(1, batch.progress.plants.expected_count);
  const slots = ways.map((stage) => {
    if (stage === 'germinate' || stage === 'grow' || !pot) return slotsFor(cells, sow, false);
    return slotsFor(plants, pot, stage !== 'pot');
  });
  const { before_days, after_days } = windowOf(plan);
  const later = laterByWeather(batch);
  const placeIndex = (id: number | null) => season.places.findIndex((place) => place.id === id);
  const spec: BatchSpec = {
    id: batch.id,
    name: batch.name,
    stages,
    slots,
    trays: traysFor(cells, sow),
    target: plan.transplantOn + later - from,
    before_days,
    after_days,
    // Till the weather lets it out it stands where it hardens, and takes room there.
    ...(later > 0 ? { notBefore: plan.transplantOn + later - from } : {}),
    weight: plan.weight ?? 1,
    spread_days: spreadOf(batch, season),
    work_min: workOf(batch, ways, season),
  };
  if (batch.pinned) {
    const pinned = forecastStays(batch, ways, placeIndex, from, days);
    if (pinned.length > 0) return { ...spec, pinned };
  }
  const now = stageOfPhase(state);
  if (now === null) return plan.joins ? { ...spec, startsOn: Math.max(plan.joins.on, season.today) - from } : spec;
  const place = placeIndex(state.placeId ?? placeOfStage(plan.places, now));
  const at = ways.indexOf(now);
  if (place < 0 || at < 0 || batch.progress.forecast.kind !== 'chain') return spec;
  const { day, need, then_days = 0 } = whatIsLeft(batch, now, batch.progress.forecast, season, from);
  // The running total is by the batch's own pace, the search's gains by its crop's.
  const pace = now === 'germinate' ? (batch.plan.emergence_factor ?? 1) : 1;
  return { ...spec, under: { at, place, day, need: need * pace, ...(then_days > 0 ? { then_days } : {}) } };
}

/**
 * Days that ladder and gates keep it after its date. It is hardened from the day it would be without them, and stands on
 * where it hardens: were it hardened later instead, the weather would let it out later still.
 */
function laterByWeather({ plan, progress: { out } }: Pick<SeasonBatchToPlan, 'plan' | 'progress'>): number {
  return out?.by === 'weather' && out.on !== null ? Math.max(0, out.on - plan.transplantOn) : 0;
}

/** Spread of its date that its price is averaged over: what it still has to come up and grow, as sure as it is to be. */
function spreadOf({ crop, plan, state, progress }: SeasonBatchToPlan, { today, planning }: SeasonToPlan): number {
  const { forecast } = progress;
  const share = shareOfSpread(plan.sure_frac ?? planning.sure_frac);
  if (state.phase === 'hardening' || share === 0) return 0;
  const reference = {
    germinating_days: plan.joins ? 0 : crop.germBest_days,
    growing_days: Math.max(0, ruleWeeks(crop) * 7 - crop.germBest_days),
  };
  // What is not sown yet will be planned anew: by its crop's own pace, not by a plan that may be a poor one.
  const unsown = state.phase === 'planned';
  const { germinating_days, growing_days } =
    unsown || forecast.kind !== 'chain' ? reference : daysToCome(forecast, noonOf(today));
  return Math.round(100 * share * readySpread_days(germinating_days, growing_days)) / 100;
}

/** Minutes of work of each stage's first day, and last of planting out; none for what is done. */
function workOf({ plan, state, progress }: SeasonBatchToPlan, ways: readonly Stage[], season: SeasonToPlan): number[] {
  const minutes = stepMinutes(plan, progress.plants, season.containers, season.planning, season.pace);
  const now = stageOfPhase(state);
  const done = now === null ? -1 : ways.indexOf(now);
  return [...ways.map((stage, k) => (k <= done ? 0 : minutes[STEP_OF[stage]])), minutes.plant];
}

/** The stays a batch has by its forecast, from this week on, one for each stage. */
export function forecastStays(
  { progress }: Pick<SeasonBatchToPlan, 'progress'>,
  ways: readonly Stage[],
  placeIndex: (id: number | null) => number,
  from: DayNumber,
  days: number,
): FixedStay[] {
  const stays: FixedStay[] = [];
  for (const stand of progress.stands) {
    const stage = ways.indexOf(stand.stage);
    const place = placeIndex(stand.placeId);
    const to = Math.min(days - 1, stand.to - from);
    // What ends today is still there in the morning: it is the stage the batch is in.
    if (stage < 0 || place < 0 || to < 0) continue;
    const last = stays.at(-1);
    const stay = { stage, place, from: Math.max(0, stand.from - from), to };
    if (last && last.stage === stage) {
      stays[stays.length - 1] = { ...last, place, to };
      continue;
    }
    // A stage it never stands in (it hardens before it need be spaced) is gone through in no time.
    for (let k = (last?.stage ?? stage) + 1; k < stage; k++)
      stays.push({ stage: k, place: last!.place, from: stay.from, to: stay.from });
    stays.push(stay);
  }
  return stays.every((stay, i) => i === 0 || stay.stage === stays[i - 1]!.stage + 1) ? stays : [];
}

/** Day (of the instance) from which the present stage counts, and what it has still to gain from noon of it. */
function whatIsLeft(
  batch: SeasonBatchToPlan,
  stage: Stage,
  chain: Chain,
  season: SeasonToPlan,
  from: DayNumber,
): { day: number; need: number; then_days?: number } {
  const { crop, plan, state } = batch;
  const here = state.placeId;
  const places = here === null ? plan.places : { ...plan.places, [stage]: here };
  const route = routeOf({ crop, plan: { ...plan, places }, offHeat: season.offHeat, tables: season.tables });
  const timeOf = (key: Parameters<typeof milestoneOf>[1]) => milestoneOf(chain, key)?.t ?? noonOf(season.today);
  const start_t = noonOf(from);
  const left = (entered_t: number, need: number, gained: (a: number, b: number) => number) => ({
    day: Math.max(0, Math.ceil(entered_t - 0.5) - from),
    need: Math.max(0, need - (entered_t < start_t ? gained(entered_t, start_t) : 0)),
  });
  if (stage === 'harden') return left(timeOf('harden'), plan.hardening_days + laterByWeather(batch), (a, b) => b - a);
  if ('kind' in route) return { day: 0, need: 0 };
  const over = (integral: typeof route.inGrow) => (a: number, b: number) => totalAt(integral, b) - totalAt(integral, a);
  const { sums } = route;
  const rule = offHeatRuleOf({ plan, crop, offHeat: season.offHeat });
  const checks = checksOf(state);
  const pottedOn_t = timeOf('pot') + POTTING_CHECK_DAYS * (1 + checks.after);
  const potted = () => grownWhenPotted(route, chain, crop, plan, checks.before);
  switch (stage) {
    case 'germinate': {
      const days = rule.kind === 'days-after' ? rule.days : 0;
      const half = state.facts['half-up'];
      if (half === undefined)
        return { ...left(timeOf('sow'), progressOffHeat(rule), over(route.germination)), then_days: days };
      const rest = left(noonOf(half), progressOffHeat(rule) - 1, over(route.germination));
      return { ...rest, then_days: Math.max(0, half + days - Math.max(half, from)) };
    }
    case 'grow': {
      const off_t = milestoneOf(chain, 'off-heat')?.t ?? timeOf('arrive');
      return left(off_t, stageNeeds(sums, behindOf(batch, season)).grow, over(route.inGrow));
    }
    case 'pot':
      return left(pottedOn_t, Math.max(0, sums.space_degreeDays! - potted()), over(route.inPot));
    case 'space': {
      const space_t = timeOf('space');
      const grown = Math.max(0, totalAt(route.inPot, space_t) - totalAt(route.inPot, pottedOn_t));
      return left(space_t, sums.ready_degreeDays - potted() - grown, over(route.inSpace));
    }
  }
}

const clampTo = (i: number, length: number): number => Math.max(0, Math.min(length - 1, i));
