import type { MonthDay } from '../calendar/monthDay.ts';
import type { MatSpec } from '../heat/mat.ts';
import type { HotBedSpec, HotBedLine } from '../heat/hotBed.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';

/** What waters a place: a hand, a capillary mat under the trays, a bench that is flooded, or drip lines. */
export const WATER_BY = ['hand', 'mat', 'flood', 'line'] as const;
export type WaterBy = (typeof WATER_BY)[number];

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
  /** Door one goes in by, empty or not given: none of its own; and storey or row of shelves, 0 or not given: the ground. */
  readonly door?: string;
  readonly level?: number;
  readonly periods: readonly PlacePeriod[];
  /** As written in `periods` when not given. */
  readonly temperature?: PlaceTemperature;
  readonly setPoints?: readonly WeekSetPoint[];
  /** Days on which nothing stands there, both included. */
  readonly closed?: readonly { readonly from: DayNumber; readonly to: DayNumber }[];
  /** Day from which it is no longer chosen, as YYYY-MM-DD; null or not given: in use. */
  readonly retiredOn?: string | null;
  readonly size?: PlaceSize | null;
  /** null or not given: the usual of its kind. */
  readonly light?: PlaceLight | null;
  /** Degrees a wet tray is cooler there than the air; null or not given: the usual. */
  readonly wet_K?: number | null;
  /** Not given: a hand. */
  readonly waterBy?: WaterBy;
  /** What was done to its hot bed and read of it. */
  readonly bedLog?: readonly HotBedLine[];
}
