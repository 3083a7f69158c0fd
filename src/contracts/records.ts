import type { VarietyFigures } from '../core/books/varietyFigures.ts';
import type { MilestoneKey } from '../core/plan/schedule/chain.ts';
import type { EventKind, PlantingDetails, PottingDetails, SplitSnapshot } from '../core/batch/event.ts';
import type { BatchPlan, Container, Crop, OffHeatRule, Place, SeedLight } from '../core/model.ts';
import type { HotBedLine } from '../core/heat/hotBed.ts';
import type { Exposure } from '../core/weather/siteWind.ts';
import type { CoolSchool } from '../core/plan/placement/coolCap.ts';
import type { PlanningSettings } from '../core/plan/placement/planning.ts';
import type { Weights } from '../core/plan/placement/instance.ts';
import type { FrostChoice } from './weather/weather.ts';
import type { PlantingSettings } from '../core/planting/settings.ts';
import type { PottingSettings } from '../core/potting/settings.ts';
import type { MonthNormal } from '../core/plan/schedule/outsideClimate.ts';
import type { LengthUnit } from '../core/units/length.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';

/** Plain records as the repositories return them and the screens read them. Days are day numbers, instants epoch ms. */
export interface NurseryRecord {
  readonly version: number;
  readonly name: string;
  readonly placeName: string;
  readonly latitude_deg: number;
  readonly longitude_deg: number;
  readonly timeZone: string;
  readonly temperatureUnit: TemperatureUnit;
  readonly lengthUnit: LengthUnit;
  /** Three letters, ISO 4217. */
  readonly currency: string;
  readonly firstWeekday: number;
  readonly lastFrost: string;
  readonly firstFrost: string;
  readonly spare_frac: number;
  readonly offHeat: OffHeatRule;
  /** Where the usual days and nights come from: typed, or the means of the years imported. */
  readonly outsideBy?: 'typed' | 'years';
  /** Usual day and night outside, January first; null until written down. */
  readonly outside: readonly MonthNormal[] | null;
  /** Heat for cool crops: none, gentle (up to coolMost_C), or the same as for warm ones. */
  readonly coolSchool: CoolSchool;
  readonly coolMost_C: number;
  readonly weights: Weights;
  /** How the house wants its seasons planned. */
  readonly planning: PlanningSettings;
  /** Whether plans go by the house's own times to come up. */
  readonly learning: boolean;
  /** How the nursery lies in the wind; null: not said. */
  readonly exposure?: Exposure | null;
  /** Coldest night of a usual year; null: not said. */
  readonly coldest_C?: number | null;
  /** Go by so many of the last years; null: by all. */
  readonly climateYears?: number | null;
  /** Rule off the heat for cool crops, where it is another than the house's. */
  readonly offHeatCool: OffHeatRule | null;
  readonly potting: PottingSettings;
  readonly planting: PlantingSettings;
  /** How the frost dates were taken from the site's own years; null: typed. */
  readonly frost: FrostChoice | null;
  /** null: the machine's clock. */
  readonly demoClock: DemoClock | null;
}

export interface DemoClock {
  /** The demo's instant when it was last set or paused, epoch ms. */
  readonly at_ms: number;
  /** The machine's instant at that moment, epoch ms. */
  readonly anchor_ms: number;
  readonly running: boolean;
  readonly rate: number;
}

export type Versioned<T> = T & { readonly version: number };
export type CropRecord = Versioned<Crop>;
export type PlaceRecord = Versioned<Place>;

/** A line of a hot bed's log with its place. */
export interface HotBedRecord extends HotBedLine {
  readonly placeId: number;
}

export type ContainerRecord = Versioned<Container>;

export interface VarietyRecord {
  readonly id: number;
  readonly version: number;
  readonly cropId: number;
  readonly name: string;
  readonly note: string;
  /** What it has otherwise than its crop. */
  readonly figures: VarietyFigures;
}

export interface LotRecord {
  readonly id: number;
  readonly version: number;
  readonly varietyId: number;
  readonly code: string;
  readonly receivedOn: number | null;
  readonly germination_percent: number | null;
  readonly testedOn: number | null;
  readonly seeds_count: number | null;
  readonly thousandSeed_g: number | null;
  readonly weight_g: number | null;
  readonly packet_seeds: number | null;
  readonly packet_price: number | null;
  /** Where the lot wants other light or depth than its crop. */
  readonly light: SeedLight | null;
  readonly depth_mm: number | null;
  readonly treatment: SeedTreatment;
  readonly storage_C: number | null;
  readonly moisture_percent: number | null;
  /** Germination tests, the oldest first. */
  readonly tests: readonly LotTest<number>[];
  readonly note: string;
}

export const TREATMENTS = ['none', 'primed', 'pelleted', 'coated', 'dressed'] as const;
export type SeedTreatment = (typeof TREATMENTS)[number];

/** A germination test: so many seeds laid out, so many up on the last of the days counted. */
export interface LotTest<Day> {
  readonly on: Day;
  readonly method: string;
  readonly seeds: number;
  readonly counts: readonly { readonly day: number; readonly up: number }[];
}

export interface BatchRecord {
  readonly id: number;
  readonly version: number;
  readonly code: string;
  /** Letter of the batch among those of its crop and variety. */
  readonly letter: string;
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly plan: BatchPlan;
  readonly note: string;
  readonly splitFromId: number | null;
  /** Kept where and when it is by the planner. */
  readonly pinned: boolean;
  /** Batches made in one step (a succession, an insurance pair) carry the same number. */
  readonly familyId: number | null;
  /** The batch it was sown again for. */
  readonly resownFromId: number | null;
  /** Dates planned for it as they stood when it was sown or came; null: not yet, or from before they were kept. */
  readonly planned: Readonly<Partial<Record<MilestoneKey, number>>> | null;
}

export interface EventRecord {
  readonly id: number;
  readonly batchId: number;
  readonly kind: EventKind;
  readonly day: number;
  readonly count: number | null;
  readonly placeId: number | null;
  readonly note: string;
  readonly cause: string;
  readonly correctsId: number | null;
  readonly snapshot: SplitSnapshot | null;
  /** Tray counted by itself, 1 up; null = the whole batch. */
  readonly tray: number | null;
  readonly details: PottingDetails | null;
  readonly planting: PlantingDetails | null;
  readonly recordedAt_ms: number;
}
