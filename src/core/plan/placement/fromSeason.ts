import { isOver } from '../../batch/event.ts';
import type { ChainState, Progress } from '../../batch/progress.ts';
import { windowOf } from '../../batch/tolerance.ts';
import { stageOfPhase } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { mondayOf } from '../../calendar/week.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Container } from '../../books/container.ts';
import type { Crop } from '../../books/crop.ts';
import type { OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Place } from '../../books/place.ts';
import type { Stage } from '../stage.ts';
import type { SeasonTables } from '../schedule/seasonTables.ts';
import { bandsOf, coldestNight_C } from '../../growth/bands.ts';
import { handsOf, type HousePace, type PlanningSettings } from './planning.ts';
import { levelsOf, type CoolSchool } from './coolCap.ts';
import type { Instance, StageSpec, Weights } from './instance.ts';
import { placeSpec, nearest } from './seasonPlaces.ts';
import { behindOf, stageSpec, laterByWeather } from './seasonStages.ts';
import { batchSpec, standsCold } from './seasonBatches.ts';

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

/** The stages a plan goes through, in order. */
export function stagesOf(plan: BatchPlan): Stage[] {
  const potted = plan.potContainerId !== null;
  const all: Stage[] = potted ? ['germinate', 'grow', 'pot', 'space', 'harden'] : ['germinate', 'grow', 'harden'];
  return plan.joins ? all.slice(1) : all;
}
