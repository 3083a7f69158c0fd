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

/** What must be said of a batch. */
const SAID = [
  'plantsWanted',
  'spare_frac',
  'transplantOn',
  'hardening_days',
  'places',
  'sowContainerId',
  'potContainerId',
] as const satisfies readonly (keyof BatchPlan)[];

type Said = (typeof SAID)[number];
type Unsaid = keyof typeof USUAL_PLAN;
/** A plan with everything said; what the house has learned is not of it. */
export type WholePlan = Pick<BatchPlan, Said> & {
  readonly [K in Unsaid]-?: NonNullable<BatchPlan[K]> | (null extends BatchPlan[K] ? null : never);
};

/** The same with its days written as YYYY-MM-DD, as it is sent and kept. */
export type WrittenPlan = Omit<WholePlan, 'transplantOn' | 'steps' | 'joins'> & {
  readonly transplantOn: string;
  readonly steps: Readonly<Partial<Record<WorkKey, string>>>;
  readonly joins: (Omit<JoinsAt, 'on'> & { readonly on: string }) | null;
};
type MaybeUndefined<T> = { readonly [K in keyof T]?: T[K] | undefined };
/** A plan as somebody writes it: what is not said is as usual. */
export type PlanToRead = Pick<WrittenPlan, Said> & MaybeUndefined<Omit<WrittenPlan, Said>>;

/** A plan as it is sent and kept. One mapping for calls, files and the database. */
export function writtenPlan(plan: BatchPlan): WrittenPlan {
  const { transplantOn, steps, joins, ...rest } = { ...picked(plan, SAID), ...usualWhereUnsaid(plan) } as WholePlan;
  return {
    ...rest,
    transplantOn: isoFromDay(transplantOn),
    steps: mapped(steps, isoFromDay),
    joins: joins && { ...joins, on: isoFromDay(joins.on) },
  };
}

/**
 * The plan that is written; what else stands beside it is left.
 * @param places where they are not written as one
 * @throws RangeError for a day that is none
 */
export function readPlan(
  written: Omit<PlanToRead, 'places'> & Partial<Pick<PlanToRead, 'places'>>,
  places = written.places,
): WholePlan {
  const { transplantOn, steps, joins, ...rest } = {
    ...picked(written, SAID),
    ...usualWhereUnsaid(written),
    places,
  } as WrittenPlan;
  return {
    ...rest,
    transplantOn: requireDay(transplantOn),
    steps: mapped(steps, requireDay),
    joins: joins && {
      stage: joins.stage,
      on: requireDay(joins.on),
      age_weeks: joins.age_weeks ?? null,
      leaves_count: joins.leaves_count ?? null,
    },
  };
}

const picked = (from: object, keys: readonly string[]): object =>
  Object.fromEntries(keys.map((key) => [key, (from as Record<string, unknown>)[key]]));

/** What of a plan need not be said, as it is said or as it usually is. */
export const usualWhereUnsaid = <T extends object>(
  plan: T,
): { [K in Unsaid]: K extends keyof T ? NonNullable<T[K]> | (typeof USUAL_PLAN)[K] : (typeof USUAL_PLAN)[K] } =>
  Object.fromEntries(
    Object.entries(USUAL_PLAN).map(([key, usual]) => [key, (plan as Record<string, unknown>)[key] ?? usual]),
  ) as never;

const mapped = <A, B>(days: Readonly<Record<string, A | undefined>>, of: (day: A) => B): Record<string, B> =>
  Object.fromEntries(Object.entries(days).flatMap(([key, day]) => (day === undefined ? [] : [[key, of(day)]])));
