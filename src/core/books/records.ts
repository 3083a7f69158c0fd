import type { Crop, SeedLight } from './crop.ts';
import type { Place } from './place.ts';
import type { HotBedLine } from '../heat/hotBed.ts';
import type { Container } from './container.ts';
import type { VarietyFigures } from './varietyFigures.ts';

/** A line of a book: with its version, and the day it was retired (YYYY-MM-DD), null while it is in use. */
export type Versioned<T> = T & { readonly version: number; readonly retiredOn?: string | null };

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
  readonly retiredOn?: string | null;
  readonly cropId: number;
  readonly name: string;
  readonly note: string;
  /** What it has otherwise than its crop. */
  readonly figures: VarietyFigures;
}

export interface LotRecord {
  readonly id: number;
  readonly version: number;
  readonly retiredOn?: string | null;
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
