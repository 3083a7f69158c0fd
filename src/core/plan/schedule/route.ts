import { stageSums, type StageSums } from '../../growth/stageSums.ts';
import { placeOfStage, type Stage, type StagePlaces } from '../stage.ts';
import { type BatchPlan } from '../batchPlan.ts';
import { type Crop } from '../../books/crop.ts';
import { type OffHeatRule } from '../../germination/offHeatRule.ts';
import type { Unreachable } from './chain.ts';
import { progressOffHeat } from './offHeat.ts';
import type { SeasonTables } from './seasonTables.ts';
import { timeAfter, type ThermalIntegral } from './thermalIntegral.ts';
import { WORDS } from '../../../words/en/plan/route.ts';

/** What a chain is worked out from. */
export interface RouteInput {
  readonly crop: Crop;
  readonly plan: BatchPlan;
  readonly offHeat: OffHeatRule;
  readonly tables: SeasonTables;
}

/** A batch's places resolved to running totals, with its stage sums. */
export interface Route {
  readonly sums: StageSums;
  readonly places: StagePlaces;
  readonly germination: ThermalIntegral;
  /** Growth in the germination place (between half up and off the heat), the growing place, in the pot and spaced out. */
  readonly inHeat: ThermalIntegral;
  readonly inGrow: ThermalIntegral;
  readonly inPot: ThermalIntegral;
  readonly inSpace: ThermalIntegral;
}

/** The route of a batch, or what is missing for it. */
export function routeOf({ crop, plan, tables }: RouteInput): Route | Unreachable {
  const potted = plan.potContainerId !== null;
  const missing = (['germinate', 'grow', ...(potted ? (['pot'] as const) : [])] as const).find(
    (stage) => plan.places[stage] === null,
  );
  if (missing) return unreachable(missing, null, WORDS.noPlaceIsChosenFor);
  const germinate = plan.places.germinate!;
  const grow = plan.places.grow!;
  return {
    sums: stageSums(crop, potted, plan.age_frac ?? 1, plan.growth_factor ?? 1),
    places: plan.places,
    germination: tables.germinationOf(crop, germinate, plan.emergence_factor ?? 1),
    inHeat: tables.growthOf(crop, germinate),
    inGrow: tables.growthOf(crop, grow),
    inPot: tables.growthOf(crop, potted ? plan.places.pot! : grow),
    inSpace: tables.growthOf(crop, potted ? placeOfStage(plan.places, 'space')! : grow),
  };
}

/** The rule that holds: the batch's own, its crop group's, else the house's. */
export function offHeatRuleOf({ plan, crop, offHeat }: Pick<RouteInput, 'plan' | 'crop' | 'offHeat'>): OffHeatRule {
  return plan.offHeat ?? crop.offHeat ?? offHeat;
}

/**
 * When a tray comes off the heat by the house's rule, given when it was half up. null when it never gets there.
 * The time from half up to a larger share is the further thermal progress from 1.
 */
export function offHeatAfter(route: Route, rule: OffHeatRule, halfUp_t: number): number | null {
  if (rule.kind === 'days-after') return halfUp_t + rule.days;
  const rest = progressOffHeat(rule) - 1;
  return rest > 0 ? timeAfter(route.germination, halfUp_t, rest) : halfUp_t;
}

export function unreachable(stage: Stage, placeId: number | null, reason: string): Unreachable {
  return { kind: 'unreachable', stage, placeId, reason };
}
