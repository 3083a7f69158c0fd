import { addTime, getTimes } from 'suncalc';
import { describe, expect, it } from 'vitest';
import { dailyLight_mol_m2, photothermalRatio } from '../../src/core/weather/light.ts';
import {
  dayLength_h,
  declination_rad,
  extraterrestrial_MJ_m2,
  relativeDistance,
  saturation_kPa,
  solar_MJ_m2,
  sunsetAngle_rad,
} from '../../src/core/weather/sun.ts';

// FAO Irrigation and Drainage Paper 56 (Allen, Pereira, Raes & Smith 1998), worked examples 3 and 8 to 10 (from memory).
describe('the worked examples of FAO-56, to the printed digit', () => {
  it('example 8: 3 September at 20 degrees south', () => {
    expect(relativeDistance(246).toFixed(3)).toBe('0.985');
    expect(declination_rad(246).toFixed(3)).toBe('0.120');
    expect(sunsetAngle_rad(-20, 246).toFixed(3)).toBe('1.527');
    expect(extraterrestrial_MJ_m2(-20, 246).toFixed(1)).toBe('32.2');
  });
  it('example 9: daylight of that day', () => expect(dayLength_h(-20, 246).toFixed(1)).toBe('11.7'));
  it('example 10: Rio de Janeiro, 22 degrees 54 minutes south, 15 May, 7.1 hours of sun', () => {
    expect(extraterrestrial_MJ_m2(-22.9, 135).toFixed(1)).toBe('25.1');
    expect(dayLength_h(-22.9, 135).toFixed(1)).toBe('10.9');
    expect(solar_MJ_m2(-22.9, 135, 7.1 / 10.9).toFixed(1)).toBe('14.5');
  });
  it('example 3: vapour pressure at 24.5 and 15 degrees', () => {
    expect(saturation_kPa(24.5).toFixed(3)).toBe('3.075');
    expect(saturation_kPa(15).toFixed(3)).toBe('1.705');
  });
});

describe('day length against a sun library', () => {
  // The library's sun at altitude 0; it counts refraction (about 4 minutes at each end at middle latitudes), FAO-56 does not.
  it.each([
    [0, 6],
    [-20, 7],
    [30, 8],
    [-45, 10],
    [52, 14],
    [60, 20],
  ])('at %d degrees: within %d minutes through the year', (latitude, minutes) => {
    addTime(-0.0001, 'up', 'down');
    let most = 0;
    for (let day = 1; day <= 365; day += 3) {
      const { up, down } = getTimes(new Date(Date.UTC(2027, 0, day, 12)), latitude, 0) as unknown as Record<
        string,
        Date
      >;
      const hours = (down!.getTime() - up!.getTime()) / 3_600_000;
      most = Math.max(most, Math.abs(hours - dayLength_h(latitude, day)) * 60);
    }
    expect(most).toBeLessThan(minutes);
  });
  it('no sunrise and no sunset are 0 and 24 hours, not NaN', () => {
    expect(dayLength_h(75, 355)).toBe(0);
    expect(dayLength_h(75, 172)).toBe(24);
    expect(dayLength_h(-90, 355)).toBe(24);
    expect(extraterrestrial_MJ_m2(75, 355)).toBe(0);
    expect(() => dayLength_h(95, 1)).toThrow(RangeError);
  });
});

describe('light and warmth', () => {
  it('lamps alone: 150 micromol for 14 hours are 7.56 mol', () => {
    const at = {
      latitude_deg: 52,
      dayOfYear: 30,
      sunshine_frac: 0.3,
      cover_frac: 0,
      lamps_umol_m2_s: 150,
      lamps_h: 14,
    };
    expect(dailyLight_mol_m2(at)).toBeCloseTo(7.56, 9);
    expect(dailyLight_mol_m2({ ...at, cover_frac: 0.6 })).toBeGreaterThan(8.5);
    expect(() => dailyLight_mol_m2({ ...at, lamps_h: 25 })).toThrow(RangeError);
  });
  it('photothermal ratio: less light or more warmth is leggier; none when too cold to grow', () => {
    expect(photothermalRatio(6, 20, 8)).toBe(0.5);
    expect(photothermalRatio(3, 24, 8)!).toBeLessThan(photothermalRatio(6, 18, 8)!);
    expect(photothermalRatio(6, 8, 8)).toBeNull();
  });
});
