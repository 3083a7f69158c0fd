import type { Leggy } from '../../core/growth/leggy.ts';
import type { Indices } from '../../core/germination/indices.ts';
import type { HillOutcome } from '../../core/germination/hillFit.ts';
import type { Band, Verdict } from '../../core/germination/verdict.ts';

/** A day of a tray's coming up: what was thought before, what is thought now, what was counted. */
export interface EmergenceDay {
  /** Days after sowing. */
  readonly day: number;
  readonly expected: Band;
  /** After the counts; null on days before the last look. */
  readonly now: Band | null;
  readonly up: number | null;
  readonly wilson: { readonly low: number; readonly high: number } | null;
  /** By the fitted curve. */
  readonly hill: number | null;
}

/** A batch, or one tray of it, that teaches the house nothing. */
export interface LeftOut {
  readonly eventId: number;
  /** null: the whole batch. */
  readonly tray: number | null;
  readonly reason: string;
}

export interface EmergenceData {
  readonly batchId: number;
  readonly name: string;
  readonly code: string;
  readonly lotCode: string | null;
  readonly cropName: string;
  readonly sownOn: number;
  readonly sown: number;
  readonly needed: number;
  readonly temperature_C: number | null;
  /** Days of it that the medium's own readings stand for; the rest goes by the plan. */
  readonly logged_days: number;
  readonly days: readonly EmergenceDay[];
  readonly verdict: Verdict;
  /** What it came to, once plants were potted, hardened or gone: counting is over. null: still to be counted. */
  readonly settled: { readonly cameUp_count: number; readonly sown_count: number; readonly by: string } | null;
  /** Too long on the heat for its light; null when that is not so. */
  readonly leggy: Leggy | null;
  readonly indices: Indices;
  readonly hill: HillOutcome;
  readonly trays_count: number;
  readonly lotTrays_count: number;
  readonly time_factor: number;
  readonly share_frac: number;
  readonly sigma: number;
  /** Trays that were more likely wrong than right, and so hardly count. */
  readonly doubted_count: number;
  /** Growth of its crop, variety and place as the house's batches showed it. */
  readonly growth: { readonly factor: number; readonly batches_count: number; readonly doubted_count: number };
  /** What of it is not used for estimates. */
  readonly leftOut: readonly LeftOut[];
  /** Trays counted one by one. */
  readonly trays: readonly number[];
  /** Whether the plan goes by the house's own times. */
  readonly learning: boolean;
}
