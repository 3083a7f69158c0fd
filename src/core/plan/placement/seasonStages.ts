import { germinationRate } from '../../germination/germinationRate.ts';
import { progressOverHours } from '../../germination/progress.ts';
import { plugGrowth_degreeDays, stageNeeds } from '../../growth/stageNeeds.ts';
import { degreeDaysOfHours, lightFactor, reference_degreeDays } from '../../growth/growthRate.ts';
import { OVER_AGE_WEEKS, POTTING_CHECK_DAYS, ruleWeeks, stageSums } from '../../growth/stageSums.ts';
import type { BatchPlan } from '../batchPlan.ts';
import type { Crop } from '../../books/crop.ts';
import type { Place } from '../../books/place.ts';
import type { Stage } from '../stage.ts';
import { milestoneOf } from '../schedule/chain.ts';
import { hoursOfDay } from '../schedule/placeClimate.ts';
import { progressOffHeat } from '../schedule/offHeat.ts';
import { offHeatRuleOf, routeOf } from '../schedule/route.ts';
import { bandsOf, type StageBands } from '../../growth/bands.ts';
import { suitsStage } from '../schedule/suits.ts';
import { totalAt } from '../schedule/thermalIntegral.ts';
import { daysToEmerge } from '../../germination/germinationRate.ts';
import { boltOf } from './boltOf.ts';
import { coolCap_C } from './coolCap.ts';
import type { DaySky, StageSpec } from './instance.ts';
import type { SeasonBatchToPlan, SeasonToPlan } from './fromSeason.ts';
import { WORDS } from '../../../words/en/plan/seasonStages.ts';

/** Days a tray may stay in a stage once it could go on. Common practice, no source. */
const WAIT_DAYS: Readonly<Record<Stage, number>> = { germinate: 1, grow: 7, pot: 6, space: 14, harden: 7 };
/** A stage of growth may take so much longer than at the crop's own temperatures before it only grows old. Common practice, no source. */
const FAIR_STRETCH_frac = 1.15;
/** The same of coming up, which is slower on a cool bench than in a chamber, and a day or two do no harm. Common practice, no source. */
const FAIR_GERMINATION_frac = 1.5;
const FAIR_GERMINATION_days = 3;

/**
 * Degree-days a batch has grown before its growing place, as its own forecast has it: on the heat after half up, or before
 * its plugs were bought. Rounded to a degree-day, so that batches alike share their stages.
 */
export function behindOf({ crop, plan, progress }: SeasonBatchToPlan, season: SeasonToPlan): number {
  if (plan.joins) return plugGrowth_degreeDays(crop, sumsOf(crop, plan), plan.joins);
  const { forecast } = progress;
  const route = routeOf({ crop, plan, offHeat: season.offHeat, tables: season.tables });
  if (forecast.kind !== 'chain' || 'kind' in route) return 0;
  const half = milestoneOf(forecast, 'half-up');
  const off = milestoneOf(forecast, 'off-heat');
  return half && off ? Math.round(Math.max(0, totalAt(route.inHeat, off.t) - totalAt(route.inHeat, half.t))) : 0;
}

export const sumsOf = (crop: Crop, plan: BatchPlan) =>
  stageSums(crop, plan.potContainerId !== null, plan.age_frac ?? 1, plan.growth_factor ?? 1);

export function stageSpec(
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
  germinate: WORDS.toGerminate,
  grow: WORDS.toGrowOn,
  pot: WORDS.inThePot,
  space: WORDS.spacedOut,
  harden: WORDS.toHardenOff,
};

/** Hours of the medium of a wet tray. */
function mediumOf(sky: DaySky | undefined): ArrayLike<number> | undefined {
  const { wet_K = 0, hours_C } = sky ?? {};
  return hours_C && wet_K > 0 ? Array.from(hours_C, (t) => t - wet_K) : hours_C;
}

/**
 * Days that ladder and gates keep it after its date. It is hardened from the day it would be without them, and stands on
 * where it hardens: were it hardened later instead, the weather would let it out later still.
 */
export function laterByWeather({ plan, progress: { out } }: Pick<SeasonBatchToPlan, 'plan' | 'progress'>): number {
  return out?.by === 'weather' && out.on !== null ? Math.max(0, out.on - plan.transplantOn) : 0;
}
