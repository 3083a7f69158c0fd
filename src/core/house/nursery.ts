import type { TemperatureUnit } from '../units/temperature.ts';
import type { LengthUnit } from '../units/length.ts';
import type { OffHeatRule } from '../germination/offHeatRule.ts';
import type { MonthNormal } from '../plan/schedule/outsideClimate.ts';
import type { CoolSchool } from '../plan/placement/coolCap.ts';
import type { Weights } from '../plan/placement/instance.ts';
import type { PlanningSettings } from '../plan/placement/planning.ts';
import type { Exposure } from '../weather/siteWind.ts';
import type { PottingSettings } from '../potting/settings.ts';
import type { PlantingSettings } from '../planting/settings.ts';
import type { PersonOfHouse } from './people.ts';
import type { FrostChoice } from '../weather/frost.ts';

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
  /** Where the usual days and nights come from: typed, a rough guess by where the site lies, or the means of the years imported. */
  readonly outsideBy?: 'typed' | 'guess' | 'years';
  /** Above the sea, metres, and whether within some 50 km of it; null: not said. */
  readonly height_m?: number | null;
  readonly byTheSea?: boolean | null;
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

/** Somebody of the house; gone from choices from a day on (YYYY-MM-DD), null: still here. */
export type PersonRecord = PersonOfHouse & { readonly version: number; readonly retiredOn: string | null };
