import { describe, expect, it } from 'vitest';
import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  shownTemperature,
  temperatureFromShown,
} from '../units/temperature.ts';
import { millimetresFromShown, shownLength } from '../units/length.ts';
import { shortCode } from './shortCode.ts';
import { cellsToSow, slotsFor, traysFor } from './trays.ts';

const tray = { kind: 'cell-tray' as const, cells: 60, perCarryingTray: 1, footprint_slots: 1 };
const pot = { kind: 'pot' as const, cells: 1, perCarryingTray: 35, footprint_slots: 1 };

describe('trays', () => {
  it('whole cells and whole trays, without a stray one from rounding', () => {
    expect(cellsToSow({ plantsWanted: 100, spare_frac: 0.1 })).toBe(110);
    expect(cellsToSow({ plantsWanted: 1, spare_frac: 0 })).toBe(1);
    expect([traysFor(60, tray), traysFor(61, tray), traysFor(70, pot)]).toEqual([1, 2, 2]);
    expect(() => cellsToSow({ plantsWanted: NaN, spare_frac: 0 })).toThrow(RangeError);
  });
  it('64 cells become two trays of 35 pots, and twice that when spaced (common practice, no source)', () => {
    expect([slotsFor(64, pot, false), slotsFor(64, pot, true)]).toEqual([2, 4]);
  });
});

describe('short codes', () => {
  it('are all different for the first 40,000, without signs that are mistaken for others', () => {
    const codes = new Set(Array.from({ length: 40_000 }, (_, i) => shortCode(i)));
    expect(codes.size).toBe(40_000);
    for (const code of codes) expect(code).toMatch(/^[2-9A-HJ-NP-Z]{3,4}$/);
    expect(() => shortCode(-1)).toThrow(RangeError);
  });
});

describe('units', () => {
  it('by their fixed points and there and back', () => {
    expect([fahrenheitFromCelsius(0), fahrenheitFromCelsius(100), celsiusFromFahrenheit(-40)]).toEqual([32, 212, -40]);
    expect(temperatureFromShown(shownTemperature(21.5, 'F'), 'F')).toBeCloseTo(21.5, 12);
    expect([shownLength(254, 'in'), shownLength(254, 'cm'), millimetresFromShown(2, 'in')]).toEqual([10, 25.4, 50.8]);
  });
});
