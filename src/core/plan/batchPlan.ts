import type { StagePlaces, WorkKey } from './stage.ts';
import type { OffHeatRule } from '../germination/offHeatRule.ts';
import type { GateKey, GateMode } from '../planting/gates.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';

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
