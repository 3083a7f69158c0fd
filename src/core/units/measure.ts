import type { LengthUnit } from './length.ts';
import { WORDS } from '../../words/en/units/measure.ts';

/** Kinds of figures people type with a rule, a can or a scale, as they are kept: named by their metric unit. */
export type Measure = 'mm' | 'cm' | 'm' | 'm2' | 'L' | 'g' | 'kg' | 'W_m2' | 'm3_h' | 'm2K_W' | 'perL' | 'kg_L';

/** Unit words in a house of centimetres and of inches, and how much of the second makes one of the first. */
const MEASURES: Readonly<Record<Measure, readonly [metric: string, inch: string, factor: number]>> = {
  mm: ['mm', 'in', 1 / 25.4],
  cm: ['cm', 'in', 1 / 2.54],
  m: ['m', 'ft', 1 / 0.3048],
  m2: ['m²', WORDS.sqFt, 1 / 0.3048 ** 2],
  L: ['L', 'gal', 1 / 3.785411784],
  g: ['g', 'oz', 1 / 28.349523125],
  kg: ['kg', 'lb', 1 / 0.45359237],
  W_m2: ['W/m²', WORDS.wSqFt, 0.3048 ** 2],
  m3_h: ['m³/h', WORDS.cuFtMin, 1 / 0.3048 ** 3 / 60],
  // One hour square foot degree Fahrenheit to a British thermal unit (international table) is 0.17611 m²K/W.
  m2K_W: ['m² K/W', WORDS.rHSqFtF, 1 / 0.17611018],
  perL: ['to a litre', 'to a gallon', 3.785411784],
  kg_L: ['kg a litre', 'lb a gallon', 3.785411784 / 0.45359237],
};

/** How a measure is written in a house: 'mm' or 'in', 'm²' or 'sq ft'. */
export function measureUnit(measure: Measure, unit: LengthUnit): string {
  return MEASURES[measure][unit === 'in' ? 1 : 0];
}

/**
 * A metric figure as a house of inches reads it, and the same figure in a house of centimetres.
 * @source NIST Special Publication 811, appendix B.8 (exact foot, pound and gallon; R-value)
 */
export function shownMeasure(value: number, measure: Measure, unit: LengthUnit): number {
  return unit === 'in' ? value * MEASURES[measure][2] : value;
}

/** The metric figure meant by one typed in the house's unit. */
export function measureFromShown(shown: number, measure: Measure, unit: LengthUnit): number {
  return unit === 'in' ? shown / MEASURES[measure][2] : shown;
}

/** A metric figure as it stands in a field: to four figures in inches, as it is in metric. */
export function typedMeasure(value: number, measure: Measure, unit: LengthUnit): string {
  return String(unit === 'in' ? Number(shownMeasure(value, measure, unit).toPrecision(4)) : value);
}
