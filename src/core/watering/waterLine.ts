import type { Look } from './belief.ts';

/** How water is given. */
export const WATER_WAYS = ['below', 'mist', 'rose', 'flood', 'line'] as const;
export type WaterWay = (typeof WATER_WAYS)[number];

/** What is written of water and air: given, looked at, weighed; air or water read at a place; or a line taken back. */
export const WATER_LINE_KINDS = ['watered', 'looked', 'weighed', 'air', 'withdrawn'] as const;
export type WaterLineKind = (typeof WATER_LINE_KINDS)[number];

/** A line of the water log. What is not said is null. */
export interface WaterLine {
  readonly id: number;
  readonly kind: WaterLineKind;
  /** Batch it is of; null: of a place. */
  readonly batchId: number | null;
  readonly placeId: number | null;
  /** When it was done, by the device's reckoning where it waited. */
  readonly at_ms: number;
  readonly look: Look | null;
  /** Weight of one tray with what is in it, grams. */
  readonly weight_g: number | null;
  readonly way: WaterWay | null;
  readonly litres: number | null;
  /** Feed went with the water. */
  readonly fed: boolean;
  readonly water_C: number | null;
  readonly air_C: number | null;
  /** Relative humidity, 0 to 1. */
  readonly humidity_frac: number | null;
  /** It was seen on the lid: drops run, mist or clear. */
  readonly onLid: boolean;
  /** Scale that wrote it; null: a hand. */
  readonly scaleId: number | null;
  readonly note: string;
  readonly correctsId: number | null;
  readonly authorId: number | null;
}

/** Watered again within this it is the same watering: tapped twice, or felt by a scale as well. */
export const SAME_WATERING_ms = 10 * 60_000;

/** Lines that stand, the oldest first: none that was taken back, and none that takes back. */
export function standingLines(all: readonly WaterLine[]): WaterLine[] {
  const gone = new Set(all.flatMap(({ kind, correctsId }) => (kind === 'withdrawn' ? [correctsId] : [])));
  return all.filter(({ id, kind }) => kind !== 'withdrawn' && !gone.has(id)).sort((a, b) => a.at_ms - b.at_ms);
}
