import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import { surfaceMean_C, surfaceMeansFrom } from './soilSurface.ts';

describe('days in a row asked for again and again', () => {
  it('say what each day says alone, over a new year and a leap day, on both hemispheres', () => {
    for (const latitude_deg of [52, -43]) {
      const from = requireDay('2027-12-20');
      const means = surfaceMeansFrom(from, 120, latitude_deg);
      for (let i = 0; i < 120; i++)
        expect(means(i, 14 + i / 10, 4)).toBeCloseTo(surfaceMean_C(from + i, 14 + i / 10, 4, latitude_deg), 12);
    }
  });
});
