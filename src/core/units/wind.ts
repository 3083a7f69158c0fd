import { windFrom, type WindUnit } from '../weather/siteWind.ts';
import type { TemperatureUnit } from './temperature.ts';

/** Wind is read in km/h beside Celsius, in mph beside Fahrenheit. @source 1 mile = 1609.344 m exactly (ISO 80000-3) */
const PER_M_S: Readonly<Record<TemperatureUnit, number>> = { C: 3.6, F: 3600 / 1609.344 };

export const windUnit = (unit: TemperatureUnit): 'km/h' | 'mph' => (unit === 'F' ? 'mph' : 'km/h');

/** Metres a second as the house reads wind. */
export const shownWind = (speed_m_s: number, unit: TemperatureUnit): number => PER_M_S[unit] * speed_m_s;

/** Metres a second meant by a figure typed in the house's unit. */
export const windFromShown = (shown: number, unit: TemperatureUnit): number => shown / PER_M_S[unit];

/** What people write behind a wind, or before it. */
const WORDS: readonly (readonly [RegExp, WindUnit])[] = [
  [/^(m\/s|ms)$/i, 'm/s'],
  [/^(km\/h|kmh|kph)$/i, 'km/h'],
  [/^mph$/i, 'mph'],
  [/^(kn|kt|kts|knots?)$/i, 'knots'],
  [/^(bft?|beaufort|force)$/i, 'Beaufort'],
];

/** A wind as typed, m/s: "40", "25 knots", "Beaufort 6"; without a unit the house's. What is no wind is given back as it is. */
export function windFromText(text: string, unit: TemperatureUnit): number | string {
  const match = /^\s*([a-z/]*)\s*(\d+(?:[.,]\d+)?)\s*([a-z/]*)\s*$/i.exec(text);
  if (!match || (match[1] && match[3])) return text;
  const value = Number(match[2]!.replace(',', '.'));
  const word = match[1] || match[3];
  if (!word) return windFromShown(value, unit);
  const found = WORDS.find(([pattern]) => pattern.test(word));
  return found ? windFrom(value, found[1]) : text;
}
