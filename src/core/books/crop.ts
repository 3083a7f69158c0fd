import type { OwnBands } from '../growth/bands.ts';
import type { Stage } from '../plan/stage.ts';
import type { OffHeatRule } from '../germination/offHeatRule.ts';

export type Hardiness = 'hardy' | 'half-hardy' | 'tender' | 'tropical';

export type SeedLight = 'light' | 'dark' | 'neutral';

/** One column of an emergence table. days 'none' = tested, did not germinate; null = not tested. */
export interface EmergencePoint {
  readonly temperature_C: number;
  readonly days: number | 'none' | null;
  readonly percent: number | null;
}

export const CROP_KINDS = ['vegetable', 'herb', 'flower', 'shrub'] as const;

export const PRETREATMENTS = ['none', 'soak', 'scarify', 'chill'] as const;

export const SOWN_IN = ['cells', 'pan', 'block', 'pot'] as const;

/** What the library knows of a crop. Temperatures in degrees Celsius. */
export interface Crop {
  readonly id: number;
  readonly name: string;
  /** Other names, with semicolons between. */
  readonly synonyms: string;
  readonly botanical: string;
  readonly family: string;
  readonly kind: (typeof CROP_KINDS)[number];
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
  /** Usual germination of fair bought seed, 0 to 1 (of sound clusters where several seeds are one). */
  readonly germUsual_frac: number;
  /** Weight of a thousand seeds, grams; null: not known. */
  readonly thousandSeed_g: number | null;
  /** Usual useful life in a cool dry store, years. */
  readonly storage_years: number;
  readonly pretreat: (typeof PRETREATMENTS)[number];
  /** Weeks moist and cold before sowing; 0 unless it is chilled. */
  readonly chill_weeks: number;
  readonly sowIn: (typeof SOWN_IN)[number];
  /** Cells, blocks or pots to a full tray of about 33 by 53 cm. */
  readonly cellsUsual_count: number;
  readonly potUsual_cm: number | null;
  readonly growDay_C: number;
  readonly growNight_C: number;
  readonly base_C: number;
  /** Temperature of fastest growth; above it growth falls, to nothing at the ceiling. */
  readonly growOptimum_C: number;
  readonly growCeiling_C: number;
  /** Night under which the young plant is checked (stands still, or may bolt) before hardening; null where there is none. */
  readonly checkNight_C: number | null;
  /** So many days with a mean below make the young plant flower, past its youth; null where cold does not. */
  readonly boltCold_C: number | null;
  readonly boltCold_days: number | null;
  /** So many days with a highest above do; null where warmth does not. */
  readonly boltWarm_C: number | null;
  readonly boltWarm_days: number | null;
  /** Days longer than this do once it stands out, hours; null where they do not. */
  readonly boltDay_h: number | null;
  /** Air without harm or poor habit: lowest by night and highest by day. */
  readonly comfortNight_C: number;
  readonly comfortDay_C: number;
  /** Daily light, mol per m2: below the least leggy and held back; at the good the weeks hold. */
  readonly dliLeast: number;
  readonly dliGood: number;
  readonly weeksLow: number;
  readonly weeksHigh: number;
  /** Share of the growth from half up to hardening at which the plant is ready for its pot, 0-1. */
  readonly potAt_frac: number;
  /** Whether this crop is usually potted up. */
  readonly potted: boolean;
  readonly hardening_days: number;
  readonly hardiness: Hardiness;
  /** What harms the hardened young plant. */
  readonly hardyTo_C: number;
  readonly plantSoilMin_C: number;
  readonly plantNightMin_C: number;
  readonly weeksFromLastFrost: number;
  readonly inRow_cm: number;
  readonly rows_cm: number;
  /** Handling warning where it is usual to give one. */
  readonly caution: string;
  readonly source: string;
  /** Sown as balls of several seeds: a test may be over 100%. */
  readonly seedBalls?: boolean;
  /** Bands of its stages that the grower has set otherwise than they follow from the rest. */
  readonly bands?: OwnBands;
  /** First stage in which it may stand in a frame or on standing ground; null or absent: by its hardiness. */
  readonly openAirFrom?: Stage | null;
  /** Rule off the heat for the crop's group, where it is another than the house's. */
  readonly offHeat?: OffHeatRule | null;
}
