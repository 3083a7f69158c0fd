import { shownLength, type LengthUnit } from './length.ts';
import { shownDifference, shownTemperature, type TemperatureUnit } from './temperature.ts';
import { shownWind, windUnit } from './wind.ts';
import { WORDS } from '../../words/en/units/unitsWords.ts';

/** The one way figures are written with their unit. Temperatures and wind go by the house's scale, lengths by its rule. */

const minus = (text: string): string => text.replace('-', '−');

/** A figure to so many digits after the point, without a negative nought. */
function rounded(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return minus(Number(text) === 0 ? (0).toFixed(digits) : text);
}

/** "18.5°C" or "65°F"; trailing noughts left away. */
export function temperatureWords(value_C: number, unit: TemperatureUnit, digits = unit === 'F' ? 0 : 1): string {
  return `${rounded(shownTemperature(value_C, unit), digits).replace(/\.0+$/, '')}°${unit}`;
}

/** A difference of temperatures: "2 °C", "3.6 °F". @example differenceWords(2, 'F') // '3.6 °F' */
export function differenceWords(delta_K: number, unit: TemperatureUnit, digits = 1): string {
  return `${rounded(shownDifference(delta_K, unit), digits).replace(/\.0+$/, '')} °${unit}`;
}

/** A wind speed: "30 km/h", "19 mph". */
export function windWords(speed_m_s: number, unit: TemperatureUnit): string {
  return `${Math.round(shownWind(speed_m_s, unit))} ${windUnit(unit)}`;
}

/** "10 cm", "4 in". */
export function lengthWords(length_mm: number, unit: LengthUnit): string {
  const shown = shownLength(length_mm, unit);
  return `${rounded(shown, shown < 10 ? 1 : 0).replace(/\.0$/, '')} ${unit}`;
}

/** Square feet in a square metre. @source 1 ft = 0.3048 m exactly (ISO 80000-3) */
const FT2_PER_M2 = 1 / 0.3048 ** 2;

/** "12 m²", "129 sq ft". */
export function areaWords(area_m2: number, unit: LengthUnit): string {
  const shown = unit === 'in' ? area_m2 * FT2_PER_M2 : area_m2;
  return `${rounded(shown, shown < 10 ? 1 : 0).replace(/\.0$/, '')} ${unit === 'in' ? WORDS.sqFt : 'm²'}`;
}

/** Grams in an avoirdupois pound. @source NIST Special Publication 811, appendix B.8 */
const G_PER_POUND = 453.59237;

/** "2.45 kg", "840 g"; "5.4 lb", "9.2 oz". */
export function weightWords(weight_g: number, unit: LengthUnit): string {
  if (unit === 'in')
    return Math.abs(weight_g) < G_PER_POUND
      ? `${rounded((16 * weight_g) / G_PER_POUND, 1)} oz`
      : `${rounded(weight_g / G_PER_POUND, 1)} lb`;
  return Math.abs(weight_g) < 1000 ? `${rounded(weight_g, 0)} g` : `${rounded(weight_g / 1000, 2)} kg`;
}

/** Litres in a US gallon. @source 231 cubic inches exactly (NIST Handbook 44, appendix C) */
const L_PER_GALLON = 3.785411784;

/** Pints in a US gallon. */
const PINTS = 8;

/** "12 L", "3.2 gal", "1.7 pt" under a gallon. */
export function volumeWords(volume_L: number, unit: LengthUnit): string {
  const gallons = volume_L / L_PER_GALLON;
  // What would read 1.0 gal is a gallon.
  if (unit === 'in' && gallons > 0 && gallons < 0.95) return `${rounded(PINTS * gallons, 1).replace(/\.0$/, '')} pt`;
  const shown = unit === 'in' ? gallons : volume_L;
  const digits = shown < 10 ? 1 : 0;
  return `${Number(shown.toFixed(digits)).toLocaleString('en-GB')} ${unit === 'in' ? 'gal' : 'L'}`;
}

/** "€12.50", "US$1,240"; whole units from a thousand on. @param currency three letters, ISO 4217 */
export function moneyWords(amount: number, currency: string): string {
  const digits = Math.abs(amount) >= 1000 ? 0 : 2;
  return minus(
    new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    }).format(Math.abs(amount) < 0.005 ? 0 : amount),
  );
}
