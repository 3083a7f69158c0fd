import type { StagePlaces, WorkKey } from './stage.ts';
import type { OffHeatRule } from '../germination/offHeatRule.ts';
import type { GateKey, GateMode } from '../planting/gates.ts';
import { isoFromDay, requireDay, type DayNumber } from '../calendar/dayNumber.ts';

/** What the grower asked of a batch; the rest is computed. */
export interface BatchPlan {
  readonly plantsWanted: number;
  readonly spare_frac: number;
  readonly transplantOn: number;
  readonly hardening_days: number;
  readonly places: StagePlaces;
  readonly sowContainerId: number;
  /** null: stays in its sowing tray until it is planted. */
  readonly potContainerId: number | null;
  /** Days a planner or the grower chose for the work; what is ready sooner waits for its day. */
  readonly steps?: PlannedSteps;
  /** Days before and after the transplant date that are as good. */
  readonly before_days?: number;
  readonly after_days?: number;
  /** How much it matters; 1 is usual. */
  readonly weight?: number;
  /** Plugs bought in: they come on a day, ready to grow on or ready for the pot, and are not sown here. */
  readonly joins?: JoinsAt | null;
  /** How sure it is to be ready in its days, 0.5 to 0.9; null or absent: as the house has it. */
  readonly sure_frac?: number | null;
  /** Growth at which it is to go out, as a share of the usual: below 1 young, above 1 large. */
  readonly age_frac?: number;
  /** Rule off the heat of this batch alone. */
  readonly offHeat?: OffHeatRule | null;
  /** How many times as long as its crop this batch's own variety and lot take to come up, as the house has learned. */
  readonly emergence_factor?: number;
  /** Times the book's growth its crop, variety and growing place need here, as the house has learned. */
  readonly growth_factor?: number;
  /** Programme it is hardened by; null: the usual one of its crop. */
  readonly programmeId?: number | null;
  /** Cover it goes out under; null: none. */
  readonly coverId?: number | null;
  /** Gates of planting out that stand otherwise than the house's. */
  readonly gates?: Readonly<Partial<Record<GateKey, GateMode>>>;
}

export type PlannedSteps = Readonly<Partial<Record<WorkKey, DayNumber>>>;

export interface JoinsAt {
  readonly stage: 'grow' | 'pot';
  readonly on: DayNumber;
  /** Age of the plugs when they come, weeks from their sowing; null or absent: the usual of the crop. */
  readonly age_weeks?: number | null;
  /** True leaves they have when they come, said instead of an age. */
  readonly leaves_count?: number | null;
}

/** Days before and after the transplant date that are as good, when nothing is said. Common practice, no source. */
export const USUAL_WINDOW = { before_days: 3, after_days: 7 } as const;

/** What of a plan need not be said, and what it then is. */
export const USUAL_PLAN = {
  steps: {},
  ...USUAL_WINDOW,
  weight: 1,
  age_frac: 1,
  sure_frac: null,
  joins: null,
  offHeat: null,
  programmeId: null,
  coverId: null,
  gates: {},
} as const satisfies Partial<BatchPlan>;

type Unsaid = keyof typeof USUAL_PLAN;
/** A plan with everything said; what the house has learned is not of it. */
export type WholePlan = Omit<BatchPlan, Unsaid | 'emergence_factor' | 'growth_factor'> &
  Required<Pick<BatchPlan, Unsaid>>;

/** The same with its days written as YYYY-MM-DD, as it is sent and kept. */
export type WrittenPlan = Omit<WholePlan, keyof WrittenDays> & WrittenDays;
interface WrittenDays {
  readonly transplantOn: string;
  readonly steps: Readonly<Partial<Record<WorkKey, string>>>;
  readonly joins: (Omit<JoinsAt, 'on'> & { readonly on: string }) | null;
}

type MaybeUndefined<T> = { readonly [K in keyof T]?: T[K] | undefined };
type Undated = Exclude<Unsaid, keyof WrittenDays>;
/** A plan as somebody writes it: what is not said is as usual. */
export type PlanToRead = Omit<WrittenPlan, Unsaid> & MaybeUndefined<Pick<WrittenPlan, Unsaid>>;

/** A plan as it is sent and kept. One mapping for calls, forms and the database. */
export function writtenPlan(plan: BatchPlan): WrittenPlan {
  const { joins } = plan;
  return {
    ...alwaysSaid(plan),
    places: plan.places,
    ...usualWhereUnsaid(plan),
    transplantOn: isoFromDay(plan.transplantOn),
    steps: mapped(plan.steps ?? USUAL_PLAN.steps, isoFromDay),
    joins: joins ? { ...joins, on: isoFromDay(joins.on) } : null,
  };
}

/**
 * The plan that is written; what else stands beside it is left.
 * @throws RangeError for a day that is none
 */
export function readPlan(written: Omit<PlanToRead, 'places'>, places: StagePlaces): WholePlan {
  const { joins } = written;
  return {
    ...alwaysSaid(written),
    places,
    ...usualWhereUnsaid(written),
    transplantOn: requireDay(written.transplantOn),
    steps: mapped(written.steps ?? USUAL_PLAN.steps, requireDay),
    joins: joins
      ? {
          stage: joins.stage,
          on: requireDay(joins.on),
          age_weeks: joins.age_weeks ?? null,
          leaves_count: joins.leaves_count ?? null,
        }
      : null,
  };
}

type Said = Pick<BatchPlan, 'plantsWanted' | 'spare_frac' | 'hardening_days' | 'sowContainerId' | 'potContainerId'>;
// By name, because a row of the database gives its columns by getters, which are not spread.
const alwaysSaid = ({ plantsWanted, spare_frac, hardening_days, sowContainerId, potContainerId }: Said): Said => ({
  plantsWanted,
  spare_frac,
  hardening_days,
  sowContainerId,
  potContainerId,
});

/** What of a plan need not be said, its days apart, as it is said or as it usually is. */
export const usualWhereUnsaid = (plan: MaybeUndefined<Pick<BatchPlan, Undated>>): Pick<WholePlan, Undated> => ({
  before_days: plan.before_days ?? USUAL_PLAN.before_days,
  after_days: plan.after_days ?? USUAL_PLAN.after_days,
  weight: plan.weight ?? USUAL_PLAN.weight,
  age_frac: plan.age_frac ?? USUAL_PLAN.age_frac,
  sure_frac: plan.sure_frac ?? USUAL_PLAN.sure_frac,
  offHeat: plan.offHeat ?? USUAL_PLAN.offHeat,
  programmeId: plan.programmeId ?? USUAL_PLAN.programmeId,
  coverId: plan.coverId ?? USUAL_PLAN.coverId,
  gates: plan.gates ?? USUAL_PLAN.gates,
});

const mapped = <A, B>(days: Readonly<Record<string, A | undefined>>, of: (day: A) => B): Record<string, B> =>
  Object.fromEntries(Object.entries(days).flatMap(([key, day]) => (day === undefined ? [] : [[key, of(day)]])));
