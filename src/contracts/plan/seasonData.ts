import type { Retirable } from '../../core/books/inUse.ts';
import type { VarietyFigures } from '../../core/books/varietyFigures.ts';
import type { FrostChoice } from '../../core/weather/frost.ts';
import type { CoolSchool } from '../../core/plan/placement/coolCap.ts';
import type { HousePace, PlanningSettings } from '../../core/plan/placement/planning.ts';
import type { Weights } from '../../core/plan/placement/instance.ts';
import type { HouseOfTables } from '../../core/plan/schedule/seasonTables.ts';
import type { ChainState, WeatherOut } from '../../core/batch/progress.ts';
import type { GrowthOf, GrowthSaid } from '../../core/growth/learnedGrowth.ts';
import type { BatchPlan } from '../../core/plan/batchPlan.ts';
import type { Container } from '../../core/books/container.ts';
import type { Crop } from '../../core/books/crop.ts';
import type { OffHeatRule } from '../../core/germination/offHeatRule.ts';
import type { Place } from '../../core/books/place.ts';
import type { TemperatureUnit } from '../../core/units/temperature.ts';

/** What the drawing of the season and the batch form work from, in the browser. */
export interface HouseData extends HouseOfTables {
  readonly today: number;
  /** Name of the growing season today falls in, such as 2027 or 2027/28. */
  readonly seasonLabel: string;
  readonly unit: TemperatureUnit;
  readonly lastFrost: string;
  readonly firstFrost: string;
  readonly frost: FrostChoice | null;
  readonly spare_frac: number;
  readonly offHeat: OffHeatRule;
  readonly coolSchool: CoolSchool;
  readonly coolMost_C: number;
  readonly weights: Weights;
  readonly planning: PlanningSettings;
  readonly pace: HousePace;
  readonly crops: readonly Crop[];
  readonly varieties: readonly {
    readonly id: number;
    readonly cropId: number;
    readonly name: string;
    /** Figures it has otherwise than its crop. */
    readonly figures: VarietyFigures;
    /** Times as long as its crop to come up, as the house has learned. */
    readonly emergence_factor: number;
    readonly retiredOn?: string | null;
  }[];
  readonly lots: readonly {
    readonly id: number;
    readonly varietyId: number;
    readonly code: string;
    readonly emergence_factor: number;
    readonly retiredOn?: string | null;
  }[];
  /** What batches showed of growth, by crop: what a new batch's growth is learned from. Empty where the house does not learn. */
  readonly grown: readonly (GrowthSaid & GrowthOf & { readonly cropId: number })[];
  /** Open seasons, the first to begin first. */
  readonly seasons: readonly { readonly id: number; readonly name: string }[];
  readonly places: readonly HousePlace[];
  readonly containers: readonly Container[];
  /** Covers plants go out under, and programmes of hardening. */
  readonly covers: readonly Choice[];
  readonly programmes: readonly Choice[];
  /** Behind the season's drawing; null: nothing known of the site. */
  readonly siteDays: SiteDays | null;
}

/** A line of the books to choose from. */
export interface Choice extends Retirable {
  readonly name: string;
}

/** Frost odds and soil by day from `from`; frost: chance that a night at the threshold still comes in that spring. */
export interface SiteDays {
  readonly from: number;
  readonly frost_frac: readonly (number | null)[];
  readonly soil_C: readonly (number | null)[];
}

/** A place with the version it was read at. */
export type HousePlace = Place & { readonly version: number };

/** A batch as the season's drawing needs it. */
export interface SeasonBatch {
  readonly id: number;
  readonly version: number;
  readonly code: string;
  readonly name: string;
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly plan: BatchPlan;
  readonly pinned: boolean;
  readonly seasonId: number;
  readonly familyId: number | null;
  readonly state: ChainState;
  /** Chance that a seed not yet seen still comes up. */
  readonly coming_frac: number;
  /** What ladder and gates let; null: too far ahead to say. */
  readonly weather: WeatherOut | null;
}
