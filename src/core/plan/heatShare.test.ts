import { describe, expect, it } from 'vitest';
import type { Place } from '../books/place.ts';
import { heatShare_kWh } from './heatShare.ts';
import type { PlaceClimate } from './schedule/placeClimate.ts';

const DAYS = 10;
const place = {
  id: 1,
  temperature: { kind: 'set-point', levels_C: [20], usual_C: 20, nightDrop_K: 2, unheatedPlus_K: 0, loss_W_per_K: 50 },
} as unknown as Place;
const row = (value: number) => new Float64Array(DAYS).fill(value);
// Off on the last two days.
const climate: PlaceClimate = {
  placeId: 1,
  from: 100,
  day_C: row(20),
  night_C: row(18),
  free: { day_C: row(12), night_C: row(6) },
  set_C: row(20).fill(NaN, 8),
};
const share = (from: number, to: number, slots: number, used: number, placeId = 1) =>
  heatShare_kWh(
    [{ placeId, from, to, slots }],
    new Map([[1, place]]),
    () => climate,
    () => used,
  );

describe('the heat of a batch', () => {
  // Twelve hours 8 K and twelve hours 12 K over unheated at 50 W/K: 50 x 12 x (8 + 12) / 1000 kWh a day.
  const day_kWh = 12;

  it('is the heat of the days it stood there, by the part of the tray spaces that were its own', () => {
    expect(share(100, 103, 4, 4)).toBeCloseTo(3 * day_kWh, 12);
    expect(share(100, 103, 4, 16)).toBeCloseTo((3 * day_kWh) / 4, 12);
    // A place with more on it than was counted still gives nobody more than all of its heat.
    expect(share(100, 103, 4, 0)).toBeCloseTo(3 * day_kWh, 12);
  });

  it('is nothing on days it was off, or outside the days that are known', () => {
    expect(share(106, 110, 4, 4)).toBeCloseTo(2 * day_kWh, 12);
    expect(share(90, 101, 4, 4)).toBeCloseTo(day_kWh, 12);
    expect(share(109, 140, 4, 4)).toBe(0);
  });

  it('is not known of a place that is not held at a set-point', () => {
    expect(share(100, 103, 4, 4, 2)).toBeNull();
  });
});
