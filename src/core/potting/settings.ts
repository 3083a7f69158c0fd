/** How a house pots. */
export interface PottingSettings {
  /** Setting out pots, mix and labels before the first plant, minutes. */
  readonly setUp_min: number;
  /** Trays of one trip with the trolley, and minutes per trip there and back. */
  readonly trolley_trays: number;
  readonly trip_min: number;
  readonly settle_frac: number;
  readonly waste_frac: number;
  /** Days after potting without a hardening step, full sun or feed. */
  readonly rest_days: number;
  /** Share lost after potting, and the chance with which those wanted must be left. */
  readonly loss_frac: number;
  readonly confidence: number;
  /** True leaves at which plants are ready: for a pot, and to be pricked out. */
  readonly potLeaves: number;
  readonly prickLeaves: number;
  /** Mixes used unless another is chosen; null = none chosen yet. */
  readonly mixId: number | null;
  readonly baseMixId: number | null;
  readonly base_mm: number;
  readonly sowMixId: number | null;
  /** Feed that goes with the water, and at what share of its label rate; null = none chosen yet. */
  readonly feedId: number | null;
  readonly feed_frac: number;
  /** Weeks the list of what is needed looks ahead. */
  readonly ahead_weeks: number;
}

/** Common practice, no source, but for the pace, which is learned. */
export const USUAL_POTTING: PottingSettings = {
  setUp_min: 15,
  trolley_trays: 8,
  trip_min: 3,
  settle_frac: 0.1,
  waste_frac: 0.05,
  rest_days: 3,
  loss_frac: 0.04,
  confidence: 0.9,
  potLeaves: 4,
  prickLeaves: 1,
  mixId: null,
  baseMixId: null,
  base_mm: 0,
  sowMixId: null,
  feedId: null,
  feed_frac: 0.5,
  ahead_weeks: 4,
};
