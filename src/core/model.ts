import type { DayNumber } from './calendar/dayNumber.ts';
import type { MonthDay } from './calendar/monthDay.ts';
import type { OwnBands } from './growth/bands.ts';
import type { HotBedLine, HotBedSpec } from './heat/hotBed.ts';
import type { MatSpec } from './heat/mat.ts';
import type { GateKey, GateMode } from './planting/gates.ts';

export type Stage = 'germinate' | 'grow' | 'pot' | 'space' | 'harden';
/** Stages a place is always chosen for. Spaced out, plants stay where they were potted unless another place is named. */
export type MainStage = Exclude<Stage, 'space'>;
export const STAGES: readonly MainStage[] = ['germinate', 'grow', 'pot', 'harden'];
export const ALL_STAGES: readonly Stage[] = ['germinate', 'grow', 'pot', 'space', 'harden'];
export type StagePlaces = Readonly<Record<MainStage, number | null>> & { readonly space?: number | null };

/** The place of a stage. */
export function placeOfStage(places: StagePlaces, stage: Stage): number | null {
  return stage === 'space' ? (places.space ?? places.pot) : places[stage];
}

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

export type PlaceKind = 'dark-chamber' | 'lit-chamber' | 'bench' | 'house' | 'frame' | 'ground';

/** From this day of the year until the next period begins. */
export interface PlacePeriod {
  readonly from: MonthDay;
  readonly day_C: number;
  readonly night_C: number;
}

/** How a place comes by its temperature. */
export type PlaceTemperature =
  /** As measured and written down, by periods of the year. */
  | { readonly kind: 'written' }
  /** Held at a set-point, which is one of `levels_C` for a week at a time; never colder than outside and `unheatedPlus_K`. */
  | {
      readonly kind: 'set-point';
      readonly levels_C: readonly number[];
      /** Set-point of weeks for which none is chosen; null = off. */
      readonly usual_C: number | null;
      readonly nightDrop_K: number;
      readonly unheatedPlus_K: number;
      /** Heat lost for each kelvin above unheated, W/K. */
      readonly loss_W_per_K: number;
    }
  /** Outside and so many kelvin more. */
  | { readonly kind: 'outside'; readonly plusDay_K: number; readonly plusNight_K: number }
  /** On a mat without a thermostat: the room and what the mat adds. */
  | { readonly kind: 'mat'; readonly mat: MatSpec }
  /** On a heap that heats by itself. */
  | { readonly kind: 'hot-bed'; readonly bed: HotBedSpec };

/** The set-point of one week; null = off. */
export interface WeekSetPoint {
  /** Its Monday. */
  readonly week: DayNumber;
  readonly setPoint_C: number | null;
}

/** Where a place lies on the plan of the house, metres, and how many layers of trays it holds. */
export interface PlaceSize {
  readonly x_m: number;
  readonly y_m: number;
  readonly width_m: number;
  readonly depth_m: number;
  readonly shelves: number;
}

/** What light reaches the plants of a place. */
export interface PlaceLight {
  /** Share of daylight through its glazing, 0 in a chamber, 1 in the open. */
  readonly through_frac: number;
  /** A second film over the first. */
  readonly secondFilm: boolean;
  /** Share kept out by shade. */
  readonly shade_frac: number;
  /** Lamps over the trays: micromol per square metre and second, and hours a day. */
  readonly lamps_umol_m2_s: number;
  readonly lamps_h: number;
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
  /** As written in `periods` when not given. */
  readonly temperature?: PlaceTemperature;
  readonly setPoints?: readonly WeekSetPoint[];
  /** Days on which nothing stands there, both included. */
  readonly closed?: readonly { readonly from: DayNumber; readonly to: DayNumber }[];
  readonly size?: PlaceSize | null;
  /** null or not given: the usual of its kind. */
  readonly light?: PlaceLight | null;
  /** Degrees a wet tray is cooler there than the air; null or not given: the usual. */
  readonly wet_K?: number | null;
  /** What was done to its hot bed and read of it. */
  readonly bedLog?: readonly HotBedLine[];
}

export const CONTAINER_KINDS = ['seed-tray', 'cell-tray', 'block', 'pot'] as const;
export type ContainerKind = (typeof CONTAINER_KINDS)[number];

/** A pot or cell that narrows evenly from its top to its base, inside measures. */
export interface PotShape {
  readonly section: 'round' | 'square';
  /** Across the top at the filling line, and across the base. */
  readonly top_mm: number;
  readonly base_mm: number;
  /** From the base to the filling line. */
  readonly height_mm: number;
}

export interface Container {
  readonly id: number;
  readonly name: string;
  /** A tray of soil blocks counts its blocks as cells. */
  readonly kind: ContainerKind;
  /** Cells of a tray, or plants of one seed tray. 1 for a pot. */
  readonly cells: number;
  /** Pots carried by one carrying tray; 1 for trays. */
  readonly perCarryingTray: number;
  /** Tray slots one tray (or one full carrying tray) takes. */
  readonly footprint_slots: number;
  readonly volume_L: number;
  /** Inside measures of one pot, cell or block, for filling in layers; null = not measured. */
  readonly shape?: PotShape | null;
}

/** When a tray leaves the germination heat. */
export type OffHeatRule =
  | { readonly kind: 'half-up' }
  | { readonly kind: 'all-up' }
  /** A share, half or more, of the seeds thought to come up. */
  | { readonly kind: 'share'; readonly share_frac: number }
  | { readonly kind: 'days-after'; readonly days: number };

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

export type WorkKey = 'sow' | 'off-heat' | 'pot' | 'space' | 'harden' | 'plant';
export const WORK_KEYS: readonly WorkKey[] = ['sow', 'off-heat', 'pot', 'space', 'harden', 'plant'];
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
