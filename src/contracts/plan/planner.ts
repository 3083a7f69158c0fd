import type { DayNumber } from '../../core/calendar/dayNumber.ts';
import type { Offer } from '../../core/plan/placement/offers.ts';
import type { Proposal, ProposedBatch, ProposedSetPoints } from '../../core/plan/placement/proposal.ts';
import type { CostParts } from '../../core/plan/placement/solution.ts';
import type { ChangePrice } from '../../core/plan/placement/reckon.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Crop } from '../../core/books/crop.ts';
import type { Placed } from '../../core/plan/placement/placeNew.ts';
import type { TightSpot, TightWeek } from '../../core/plan/springs/knockOn.ts';
import type { OverRoom } from '../../core/plan/schedule/roomUse.ts';
import type { HouseData, SeasonBatch } from './seasonData.ts';

/** What goes to the planner's worker, and what comes back. */
export interface SeasonSent {
  readonly house: HouseData;
  readonly batches: readonly SeasonBatch[];
}

/** Weeks of a place that stay as they are: who stands there, and its set-points. Nothing else comes there. */
export interface KeptWeeks {
  readonly placeId: number;
  readonly from: DayNumber;
  readonly to: DayNumber;
}

export interface PlanRequest extends SeasonSent {
  readonly seed: number;
  /** 'usual' takes some seconds; 'harder' some times as long, and lets the exact solver choose where it can. */
  readonly look: 'usual' | 'harder';
  /** Only what stands in this place between these days may move; null = everything not pinned. */
  readonly only: { readonly placeId: number; readonly from: DayNumber; readonly to: DayNumber } | null;
  /** Weeks that stay as they are. */
  readonly keep?: readonly KeptWeeks[];
  /** Whether set-points may be changed. */
  readonly setPoints: boolean;
  /** How sure batches are to be ready in their days; null: as the house plans. */
  readonly sure_frac: number | null;
}

export interface PlanReport {
  readonly done_frac: number;
  readonly words: string;
}

/** What the exact solver said of the choice among the plans found. */
export interface ExactAnswer {
  readonly kind: 'proven' | 'best so far' | 'none' | 'too many';
  readonly plans_count: number;
  /** How much cheaper the choice can still be by the solver's bound, 0-1; null when it has none. */
  readonly gap_frac: number | null;
}

/** What is proved of a plan of the whole season: nothing that heats these weeks, and no others, is cheaper than the bound. */
export interface ProvedBound {
  /** Share by which the plan's cost lies above it. */
  readonly gap_frac: number;
  /** The same for any weeks heated, in a season small enough to prove it; else null. */
  readonly anyWeeksGap_frac: number | null;
  /** Batches the plan leaves out: their price is in its cost, so that the gap says little. */
  readonly leftOut_count: number;
}

export interface PlanAnswer {
  readonly proposal: Proposal;
  readonly cost: CostParts;
  readonly seed: number;
  readonly sure_frac: number;
  /** Mean day on which what is not sown yet is sown; null: all is. */
  readonly sown: number | null;
  readonly moves: number;
  readonly exact: ExactAnswer | null;
  /** Only when looked at harder, for the whole season. */
  readonly bound: ProvedBound | null;
  readonly offers: readonly { readonly batchId: number; readonly offers: readonly OfferShown[] }[];
}

export type PlanConflict =
  | { readonly kind: 'over'; readonly placeId: number; readonly from: DayNumber; readonly to: DayNumber }
  | { readonly kind: 'late'; readonly batchId: number }
  | { readonly kind: 'stuck'; readonly batchId: number };

export interface OffersRequest extends SeasonSent {
  readonly troubles: readonly PlanConflict[];
}

/** An offer in the season's own numbers and days. */
export interface OfferShown extends Pick<
  Offer,
  'kind' | 'cost' | 'heat_kWh' | 'later_days' | 'cleared_slotDays' | 'share_frac'
> {
  /** By the application's own forecasts, with it taken. */
  readonly price: ChangePrice;
  readonly batches: readonly ProposedBatch[];
  readonly setPoints: readonly ProposedSetPoints[];
  readonly lack: {
    readonly placeId: number;
    readonly slots: number;
    readonly from: DayNumber;
    readonly to: DayNumber;
  } | null;
}

/** Where a season may become tight for room when springs go otherwise than the middle one. */
export interface TightAnswer {
  readonly runs: number;
  readonly weeks: readonly TightWeek[];
  /** The weakest spots, each with the one change of a batch that eases it most, if any does. */
  readonly spots: readonly (TightSpot & {
    readonly ease: { readonly offer: OfferShown; readonly after_frac: number } | null;
  })[];
}

/** A batch that is not made yet, to be placed beside what stands there. */
export interface PlaceRequest extends SeasonSent {
  readonly crop: Crop;
  readonly plan: BatchPlan;
}

export interface PlaceAnswer {
  readonly placed: Placed;
  /** Where it would come over room if it were made with the places of its plan as they are; null: it cannot be reached so. */
  readonly over: readonly OverRoom[] | null;
}

/** One batch put where and when the grower wants it; the planner sees what must give way. */
export interface MakeRoomRequest extends SeasonSent {
  readonly batchId: number;
  readonly wanted: ProposedBatch;
}

export interface MakeRoomAnswer {
  readonly kind: 'clear' | 'made room' | 'over' | 'no way';
  readonly batches: readonly ProposedBatch[];
  readonly cost: number;
}
