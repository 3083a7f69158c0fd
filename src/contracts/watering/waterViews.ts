import type { PlaceWater } from './water.ts';
import type { WaterLineKind } from '../../core/watering/waterLine.ts';
import type { Look } from '../../core/watering/belief.ts';
import type { Person } from '../../core/house/people.ts';

/** What is fed with today's water. */
export interface FeedToday {
  /** The house's usual feed; null: none is chosen. */
  readonly feedId: number | null;
  readonly fraction: number;
  readonly litres: number;
  readonly batches: readonly { readonly id: number; readonly name: string; readonly litres: number }[];
}

/** How dry air is for seedlings. */
export type AirFor = 'damp' | 'right' | 'dry';

/** Air of a place by day and by night. */
export interface AirDay {
  readonly day: number;
  readonly byDay_kPa: number;
  readonly byNight_kPa: number;
  readonly byDay: AirFor;
  readonly byNight: AirFor;
  /** What it asks of a wet surface in the day and the night that follows. */
  readonly demand_mm: number;
}

/** Water and air of a place, for its own page. */
export interface PlaceWaterView {
  readonly place: { readonly id: number; readonly name: string };
  readonly places: readonly { readonly id: number; readonly name: string; readonly now: number }[];
  readonly today: number;
  readonly minute: number;
  /** null: nothing stands there in trays. */
  readonly water: PlaceWater | null;
  readonly days: readonly AirDay[];
  /** The coming two days by the hour. */
  readonly hours: readonly {
    /** Hours from now. */
    readonly at: number;
    readonly day: number;
    readonly hour: number;
    readonly temp_C: number;
    readonly deficit_kPa: number;
    readonly demand_mm: number;
  }[];
  /** Last readings of air and water there, the latest first. */
  readonly read: readonly {
    readonly id: number;
    readonly day: number;
    readonly minute: number;
    readonly air_C: number | null;
    readonly humidity_frac: number | null;
    readonly water_C: number | null;
  }[];
  /** Last lines of its batches, the latest first. */
  readonly lines: readonly {
    readonly id: number;
    readonly kind: WaterLineKind;
    readonly batchId: number;
    readonly name: string;
    readonly day: number;
    readonly minute: number;
    readonly look: Look | null;
    readonly weight_g: number | null;
    readonly by: number | null;
  }[];
  readonly people: readonly Person[];
  readonly chamber: boolean;
}

/** A batch while nobody is there. */
export interface AwayLine {
  readonly batchId: number;
  readonly code: string;
  readonly name: string;
  readonly placeId: number;
  readonly place: string;
  readonly trays: number;
  /** When it is as likely dry as not, watered well before leaving; null: it lasts as far as the weather is known. */
  readonly dry: { readonly day: number; readonly minute: number } | null;
  readonly lasts: boolean;
  readonly waterings: number;
  readonly litres: number;
  /** Of all its waterings. */
  readonly minutes: number;
}

export interface WaterPlanView {
  readonly today: number;
  readonly away_days: number;
  readonly away: readonly AwayLine[];
  readonly people: readonly Person[];
  readonly weeks: readonly {
    readonly week: number;
    readonly litresADay: number;
    readonly traysADay: number;
    readonly minutesADay: number;
  }[];
}
