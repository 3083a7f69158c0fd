import type { MonthDay } from './calendar/monthDay.ts';

export type Stage = 'germinate' | 'grow' | 'pot' | 'harden';
export const STAGES: readonly Stage[] = ['germinate', 'grow', 'pot', 'harden'];

export type Hardiness = 'hardy' | 'half-hardy' | 'tender' | 'tropical';
export type SeedLight = 'light' | 'dark' | 'neutral';

/** One column of an emergence table. days 'none' = tested, did not germinate; null = not tested. */
export interface EmergencePoint {
  readonly temperature_C: number;
  readonly days: number | 'none' | null;
  readonly percent: number | null;
}

/** What the library knows of a crop. Temperatures in degrees Celsius. */
export interface Crop {
  readonly id: number;
  readonly name: string;
  readonly group: 'warm' | 'cool';
  readonly light: SeedLight;
  readonly depth_mm: number;
  /** Range in which a grower would sow; outside it the plan warns. */
  readonly germMin_C: number;
  readonly germBest_C: number;
  readonly germMax_C: number;
  /** Cardinal base and ceiling: germination stops at and beyond them. Used where no table is given. */
  readonly germBase_C: number;
  readonly germCeiling_C: number;
  /** Days to the median at germBest_C, used where no table is given. */
  readonly germBest_days: number;
  readonly emergence: readonly EmergencePoint[];
  readonly growDay_C: number;
  readonly growNight_C: number;
  readonly base_C: number;
  /** Above this mean temperature a day adds no more growth. */
  readonly growOptimum_C: number;
  readonly weeksLow: number;
  readonly weeksHigh: number;
  /** Share of the growth from half up to hardening at which the plant is ready for its pot, 0-1. */
  readonly potAt_frac: number;
  /** Whether this crop is usually potted up. */
  readonly potted: boolean;
  readonly hardening_days: number;
  readonly hardiness: Hardiness;
  readonly plantSoilMin_C: number;
  readonly plantNightMin_C: number;
  readonly weeksFromLastFrost: number;
  readonly source: string;
}

export type PlaceKind = 'dark-chamber' | 'lit-chamber' | 'bench' | 'house' | 'frame' | 'ground';

/** From this day of the year until the next period begins. */
export interface PlacePeriod {
  readonly from: MonthDay;
  readonly day_C: number;
  readonly night_C: number;
}

export interface Place {
  readonly id: number;
  readonly name: string;
  readonly kind: PlaceKind;
  readonly lit: boolean;
  /** Room in standard tray slots. */
  readonly room_trays: number;
  readonly walkOrder: number;
  readonly periods: readonly PlacePeriod[];
}

export interface Container {
  readonly id: number;
  readonly name: string;
  readonly kind: 'seed-tray' | 'cell-tray' | 'pot';
  /** Cells of a tray, or plants of one seed tray. 1 for a pot. */
  readonly cells: number;
  /** Pots carried by one carrying tray; 1 for trays. */
  readonly perCarryingTray: number;
  /** Tray slots one tray (or one full carrying tray) takes. */
  readonly footprint_slots: number;
  readonly volume_L: number;
}

/** When a tray leaves the germination heat. */
export type OffHeatRule =
  { readonly kind: 'half-up' } | { readonly kind: 'all-up' } | { readonly kind: 'days-after'; readonly days: number };

/** What the grower asked of a batch; the rest is computed. */
export interface BatchPlan {
  readonly plantsWanted: number;
  readonly spare_frac: number;
  readonly transplantOn: number;
  readonly hardening_days: number;
  readonly places: Readonly<Record<Stage, number | null>>;
  readonly sowContainerId: number;
  /** null: stays in its sowing tray until it is planted. */
  readonly potContainerId: number | null;
}
