import { windowOf } from '../../batch/tolerance.ts';
import { checksOf, stageOfPhase } from '../../batch/progress.ts';
import type { DayNumber } from '../../calendar/dayNumber.ts';
import { stageNeeds } from '../../growth/stageNeeds.ts';
import { POTTING_CHECK_DAYS, ruleWeeks } from '../../growth/stageSums.ts';
import { placeOfStage, type Stage } from '../stage.ts';
import { slotsFor, traysFor } from '../../batch/trays.ts';
import { milestoneOf, noonOf, type Chain } from '../schedule/chain.ts';
import { temperatureOn } from '../schedule/placeClimate.ts';
import { progressOffHeat } from '../schedule/offHeat.ts';
import { offHeatRuleOf, routeOf } from '../schedule/route.ts';
import { grownWhenPotted } from '../schedule/potted.ts';
import { bandsOf, coldestNight_C } from '../../growth/bands.ts';
import { totalAt } from '../schedule/thermalIntegral.ts';
import { daysToCome, readySpread_days } from '../../batch/inTime.ts';
import { shareOfSpread } from './planning.ts';
import { STEP_OF } from './steps.ts';
import { stepMinutes } from './work.ts';
import type { BatchSpec, FixedStay } from './instance.ts';
import type { SeasonBatchToPlan, SeasonToPlan } from './fromSeason.ts';
import { behindOf, laterByWeather } from './seasonStages.ts';

export function batchSpec(
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
  return { ...spec, inProgress: { at, place, day, need: need * pace, ...(then_days > 0 ? { then_days } : {}) } };
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

/** Whether a batch has, where it stands, a night under the line that checks it before its stage is over. */
export function standsCold({ crop, state, progress }: SeasonBatchToPlan, { tables, today }: SeasonToPlan): boolean {
  const stage = stageOfPhase(state);
  const here = progress.stands.find((s) => s.stage === stage && s.from <= today && s.to >= today);
  if (stage === null || !here || !tables.places.has(here.placeId)) return false;
  const low_C = coldestNight_C(bandsOf(crop, stage));
  const climate = tables.climateOf(here.placeId);
  for (let day = today; day <= here.to; day++) if (temperatureOn(climate, day).night_C < low_C) return true;
  return false;
}
