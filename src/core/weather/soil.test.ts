import { describe, expect, it } from 'vitest';
import { requireDay } from '../calendar/dayNumber.ts';
import type { OutsideClimate } from '../plan/schedule/outsideClimate.ts';
import { dampingDepth_m, usualSoil_C, yearlyWave } from './soil.ts';
import { coverSoil_K, surfaceExcess_K } from './soilSurface.ts';

const FROM = requireDay('2027-01-01');
/** A year of cosine days and nights, warmest on a day of the year. */
function climate(mean: number, swing: number, range: number, warmest = 200): OutsideClimate {
  const at = (i: number, off: number) => mean + off + swing * Math.cos((2 * Math.PI * (i - warmest)) / 365.2425);
  return {
    from: FROM,
    day_C: Float64Array.from({ length: 365 }, (_, i) => at(i, range / 2)),
    night_C: Float64Array.from({ length: 365 }, (_, i) => at(i, -range / 2)),
  };
}

describe('the heat wave into the ground', () => {
  it('is the analytical one: e times smaller and a radian late at the damping depth (van Wijk & de Vries 1963)', () => {
    const surface = Float64Array.from(
      { length: 365 },
      (_, i) => 10 + 8 * Math.cos((2 * Math.PI * (i - 200)) / 365.2425),
    );
    const D = dampingDepth_m();
    for (const depth of [0, 0.1, 0.5, D, 2]) {
      const wave = yearlyWave(FROM, surface, depth);
      for (let i = 0; i < 365; i += 7) {
        const expected = 10 + 8 * Math.exp(-depth / D) * Math.cos((2 * Math.PI * (i - 200)) / 365.2425 - depth / D);
        expect(wave(FROM + i)).toBeCloseTo(expected, 1);
      }
    }
    // Moist loam, from memory of their tables: about 2.2 m.
    expect(D).toBeGreaterThan(1.9);
    expect(D).toBeLessThan(2.5);
  });
});

describe('soil in the sun', () => {
  it('runs 2-4 K above the air in spring and summer, little in winter (common practice, no source)', () => {
    for (const latitude_deg of [42, 50, 54, -42]) {
      const summer = latitude_deg > 0 ? [120, 150, 172, 200] : [305, 335, 355, 15];
      for (const dayOfYear of summer) {
        const excess = surfaceExcess_K({ day_C: 21, night_C: 10, latitude_deg, dayOfYear });
        expect(excess, `${latitude_deg} ${dayOfYear}`).toBeGreaterThan(1.9);
        expect(excess, `${latitude_deg} ${dayOfYear}`).toBeLessThan(4.1);
      }
      const winter = surfaceExcess_K({ day_C: 6, night_C: 0, latitude_deg, dayOfYear: latitude_deg > 0 ? 355 : 172 });
      expect(winter).toBeLessThan(0.7);
      expect(winter).toBeGreaterThan(-2.5);
    }
    // More wind, less of it.
    const at = (wind_m_s: number) =>
      surfaceExcess_K({ day_C: 22, night_C: 11, latitude_deg: 50, dayOfYear: 140, wind_m_s });
    expect(at(6)).toBeLessThan(at(2) * 0.6);
  });

  it('mid May with days of 24 and nights of 11: 13-16 at 10 cm when it is read in the morning (common practice, no source)', () => {
    // Thirteen kelvin of air a day at the surface, and the sun's own; by 10 cm the daily wave is 0.43 of that (depth 0.117 m).
    const mean = 17.5 + surfaceExcess_K({ day_C: 24, night_C: 11, latitude_deg: 50, dayOfYear: 135 });
    const dailyDepth_m = dampingDepth_m() / Math.sqrt(365.2425);
    const surfaceSwing = 6.5 + 4;
    const morning = mean - surfaceSwing * Math.exp(-0.1 / dailyDepth_m);
    expect(morning).toBeGreaterThan(13);
    expect(morning).toBeLessThan(16.5);
  });

  it('pumpkins go out where May days are 20 and nights 9, as they do: 16 at 10 cm before midsummer', () => {
    const soil = usualSoil_C(climate(10, 8, 11), 0.1, 50);
    const first = Array.from({ length: 365 }, (_, i) => i).find((i) => soil(FROM + i) >= 16)!;
    expect(first).toBeGreaterThan(110);
    expect(first).toBeLessThan(165);
  });

  it('under cover more, by the sun there is', () => {
    expect(coverSoil_K(2, 3)).toBeGreaterThan(coverSoil_K(1, 3));
    expect(coverSoil_K(1, 3)).toBeGreaterThan(1.5);
    expect(coverSoil_K(1, -1)).toBe(0);
  });
});
