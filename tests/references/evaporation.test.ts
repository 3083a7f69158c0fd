import psychrolib from 'psychrolib';
import { describe, expect, it } from 'vitest';
import {
  deficit_kPa,
  hargreaves_mm,
  netHour_MJ_m2,
  psychrometric_kPa_K,
  referenceDay_mm,
  referenceHour_mm,
  saturationSlope_kPa_K,
  vapour_kPa,
} from '../../src/core/watering/evaporation.ts';
import { saturation_kPa } from '../../src/core/weather/sun.ts';

// Allen, Pereira, Raes & Smith 1998, Crop evapotranspiration, FAO Irrigation and Drainage Paper 56. The inputs and results of its worked
// examples are from memory.

describe('worked examples of FAO-56', () => {
  it('example 2: the psychrometric constant at 1,800 m is 0.054 kPa/K', () => {
    expect(psychrometric_kPa_K(1800)).toBeCloseTo(0.054, 3);
  });

  it('example 17: Bangkok in April by monthly means, 5.72 mm a day', () => {
    const at = { most_C: 34.8, least_C: 25.6, vapour_kPa: 2.85, wind_m_s: 2, net_MJ_m2: 14.33, ground_MJ_m2: 0.14 };
    expect(saturationSlope_kPa_K(30.2)).toBeCloseTo(0.246, 3);
    expect(referenceDay_mm({ ...at, height_m: 2 })).toBeCloseTo(5.72, 1);
  });

  it('example 18: Uccle on 6 July by the day, 3.88 mm', () => {
    const at = { most_C: 21.5, least_C: 12.3, vapour_kPa: 1.409, wind_m_s: 2.078, net_MJ_m2: 13.28 };
    expect(saturationSlope_kPa_K(16.9)).toBeCloseTo(0.122, 3);
    expect(psychrometric_kPa_K(100)).toBeCloseTo(0.0666, 4);
    expect(referenceDay_mm({ ...at, height_m: 100 })).toBeCloseTo(3.88, 1);
  });

  it('example 19: N’Diaye by the hour, 0.63 mm at three in the afternoon and none at night', () => {
    const noon = { temp_C: 38, vapour_kPa: vapour_kPa(38, 0.52), wind_m_s: 3.3, net_MJ_m2: 1.749, height_m: 8 };
    const night = { temp_C: 28, vapour_kPa: vapour_kPa(28, 0.9), wind_m_s: 1.9, net_MJ_m2: -0.1, height_m: 8 };
    expect(vapour_kPa(38, 0.52)).toBeCloseTo(3.445, 2);
    expect(referenceHour_mm(noon)).toBeCloseTo(0.63, 2);
    expect(referenceHour_mm(night)).toBeCloseTo(0, 2);
    // Its net radiation from 2.45 MJ of sun: 1.749.
    expect(netHour_MJ_m2(2.45, 0.92, 38, 3.445)).toBeCloseTo(1.749, 1);
  });

  it('example 20: Lyon in July by temperatures alone, 5.0 mm by Hargreaves', () => {
    expect(hargreaves_mm(26.6, 14.8, 40.55)).toBeCloseTo(5, 1);
  });
});

describe('moist air against a psychrometrics library (PsychroLib, ASHRAE 2017)', () => {
  psychrolib.SetUnitSystem(psychrolib.SI);
  it.each([0, 5, 12, 20, 28, 38])('saturation at %i degrees within 0.5%', (temp) => {
    const theirs = psychrolib.GetSatVapPres(temp) / 1000;
    expect(Math.abs(saturation_kPa(temp) / theirs - 1)).toBeLessThan(0.005);
  });
  it.each([
    [20, 0.5],
    [25, 0.8],
    [10, 0.95],
  ])('vapour and deficit at %i degrees and %f', (temp, humidity) => {
    const theirs = psychrolib.GetVapPresFromRelHum(temp, humidity) / 1000;
    expect(vapour_kPa(temp, humidity)).toBeCloseTo(theirs, 2);
    expect(deficit_kPa(temp, vapour_kPa(temp, humidity))).toBeCloseTo(
      psychrolib.GetVaporPressureDeficit(temp, psychrolib.GetHumRatioFromRelHum(temp, humidity, 101325), 101325) / 1000,
      2,
    );
  });
});
