import { describe, expect, it } from 'vitest';
import { outByNormals } from '../../src/core/planting/outByNormals.ts';
import { nightsKnown } from '../../src/core/weather/nightsKnown.ts';
import { springBandFromNormals, springOddsFromNormals } from '../../src/core/weather/normalFrost.ts';
import { frostsByNormals, roughNormals, ROUGH_BAND_K, ROUGH_SPREAD_K } from '../../src/core/weather/roughClimate.ts';

/**
 * Mean daily highs and lows of January and July, degrees C, of towns that the guess was not fitted to. From memory of published
 * normals (national weather services, about 1981-2010), rounded to a degree.
 * Latitude, longitude, height in m, by the sea, January high and low, July high and low.
 */
const TOWNS: Readonly<Record<string, readonly [number, number, number, boolean, number, number, number, number]>> = {
  Manchester: [53.5, -2.2, 40, true, 7, 2, 20, 12],
  Lyon: [45.7, 4.8, 200, false, 7, 1, 28, 17],
  Zurich: [47.4, 8.5, 400, false, 3, -2, 25, 14],
  Copenhagen: [55.7, 12.6, 10, true, 3, -1, 21, 13],
  Prague: [50.1, 14.4, 250, false, 1, -4, 25, 13],
  Budapest: [47.5, 19, 100, false, 2, -3, 28, 16],
  'Kansas City': [39.1, -94.6, 270, false, 4, -6, 32, 21],
  Philadelphia: [39.95, -75.2, 10, true, 5, -3, 31, 21],
  'Portland, Oregon': [45.5, -122.7, 20, false, 8, 2, 27, 14],
  Montreal: [45.5, -73.6, 40, false, -5, -13, 26, 16],
  'Salt Lake City': [40.8, -112, 1290, false, 3, -5, 34, 19],
  Osaka: [34.7, 135.5, 20, true, 10, 3, 32, 24],
  Wellington: [-41.3, 174.8, 30, true, 21, 14, 12, 6],
  Durban: [-29.9, 31, 10, true, 28, 21, 23, 11],
  Bloemfontein: [-29.1, 26.2, 1395, false, 31, 15, 17, -2],
  'Córdoba, Argentina': [-31.4, -64.2, 400, false, 31, 18, 18, 5],
};

describe('a rough guess of the weather', () => {
  it('lies about as far from towns it never saw as it says it may, and within its band for nine of ten of their figures', () => {
    const errors = Object.values(TOWNS).flatMap(([latitude_deg, longitude_deg, height_m, byTheSea, ...known]) => {
      const normals = roughNormals({ latitude_deg, longitude_deg, height_m, byTheSea });
      const guessed = [normals[0]!.day_C, normals[0]!.night_C, normals[6]!.day_C, normals[6]!.night_C];
      return guessed.map((value, i) => value - known[i]!);
    });
    const rms = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / errors.length);
    expect(rms).toBeLessThan(1.15 * ROUGH_SPREAD_K);
    expect(errors.filter((e) => Math.abs(e) <= ROUGH_BAND_K).length / errors.length).toBeGreaterThan(0.88);
  });

  it('turns with the hemisphere, cools by some 3 K for a thousand metres, and swings less by the sea', () => {
    const at = (latitude_deg: number, height_m = 50, byTheSea = false) =>
      roughNormals({ latitude_deg, longitude_deg: 60, height_m, byTheSea });
    expect(at(-45)[0]!.day_C).toBeGreaterThan(at(-45)[6]!.day_C + 8);
    expect(at(45)[0]!.day_C).toBeLessThan(at(45)[6]!.day_C - 8);
    const mean = (normals: ReturnType<typeof at>) =>
      normals.reduce((sum, { day_C, night_C }) => sum + day_C + night_C, 0) / 24;
    expect(mean(at(45)) - mean(at(45, 1050))).toBeGreaterThan(2.5);
    const swing = (normals: ReturnType<typeof at>) => normals[6]!.day_C - normals[0]!.night_C;
    expect(swing(at(50, 50, true))).toBeLessThan(swing(at(50)) - 4);
  });

  it('refuses what is not on earth', () => {
    for (const site of [
      { latitude_deg: 91, longitude_deg: 0, height_m: 0 },
      { latitude_deg: 0, longitude_deg: 181, height_m: 0 },
      { latitude_deg: 0, longitude_deg: 0, height_m: 7000 },
      { latitude_deg: NaN, longitude_deg: 0, height_m: 0 },
    ])
      expect(() => roughNormals({ ...site, byTheSea: false })).toThrow(RangeError);
  });

  it('counts how far it may be off: frost lasts longer at a small risk, its band is wider, and tender plants go out later', () => {
    const normals = roughNormals({ latitude_deg: 52, longitude_deg: 0, height_m: 100, byTheSea: false });
    const of = (outsideBy: 'guess' | 'typed') => nightsKnown({ coldest_C: null, outsideBy });
    const [guess, typed] = [of('guess'), of('typed')];
    expect([guess.site_sd_K, typed.site_sd_K]).toEqual([ROUGH_SPREAD_K, 0]);
    const odds = (known: typeof guess) => springOddsFromNormals(normals, 0, false, known);
    const clear = (known: typeof guess) => odds(known).findIndex((chance) => chance <= 0.1);
    expect(clear(guess)).toBeGreaterThan(clear(typed) + 7);
    const wide = (known: typeof guess) => {
      const { from, to } = springBandFromNormals(normals, 0, false, 0.1, known);
      return to - from;
    };
    expect(wide(guess)).toBeGreaterThan(wide(typed) + 14);
    const out = (known: typeof guess, risk_frac: number) => outByNormals(normals, false, risk_frac, known);
    expect(out(guess, 0.1).tender! > out(typed, 0.1).tender!).toBe(true);
    expect(out(guess, 0.05).tender! > out(guess, 0.33).tender!).toBe(true);
    expect(out(guess, 0.1).tropical! > out(guess, 0.1).hardy!).toBe(true);
  });

  it('dates frosts in the spring and autumn of each half of the earth, and has none in the tropics', () => {
    const known = { coldest_C: null, site_sd_K: ROUGH_SPREAD_K };
    const of = (latitude_deg: number, longitude_deg: number) =>
      frostsByNormals(
        roughNormals({ latitude_deg, longitude_deg, height_m: 100, byTheSea: false }),
        latitude_deg < 0,
        known,
      );
    const north = of(52, 0);
    expect(north.lastFrost >= '03-20' && north.lastFrost <= '05-25').toBe(true);
    expect(north.firstFrost >= '09-25' && north.firstFrost <= '11-20').toBe(true);
    const south = of(-42, 172);
    expect(south.lastFrost >= '08-15' && south.lastFrost <= '11-30').toBe(true);
    expect(south.firstFrost >= '03-15' && south.firstFrost <= '06-30').toBe(true);
    expect(of(5, 0).frosty).toBe(false);
    expect(north.frosty).toBe(true);
  });
});
