import type { TemperatureUnit } from './temperature.ts';

/** Wind is read in km/h beside Celsius, in mph beside Fahrenheit. @source 1 mile = 1609.344 m exactly (ISO 80000-3) */
const PER_M_S: Readonly<Record<TemperatureUnit, number>> = { C: 3.6, F: 3600 / 1609.344 };

export const windUnit = (unit: TemperatureUnit): 'km/h' | 'mph' => (unit === 'F' ? 'mph' : 'km/h');

/** Metres a second as the house reads wind. */
export const shownWind = (speed_m_s: number, unit: TemperatureUnit): number => PER_M_S[unit] * speed_m_s;

/** Metres a second meant by a figure typed in the house's unit. */
export const windFromShown = (shown: number, unit: TemperatureUnit): number => shown / PER_M_S[unit];
