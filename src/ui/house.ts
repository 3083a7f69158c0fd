import type { LengthUnit } from '../core/units/length.ts';
import { areaWords, differenceWords, lengthWords, moneyWords, volumeWords } from '../core/units/words.ts';
import { measureUnit, type Measure } from '../core/units/measure.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';

/** How the house reads figures. One nursery an application, so that a page needs not hand it to each of its parts. */
export interface HouseReads {
  readonly unit: TemperatureUnit;
  readonly lengthUnit: LengthUnit;
  readonly currency: string;
}

let told: HouseReads = { unit: 'C', lengthUnit: 'cm', currency: 'EUR' };

/** On the server: what the settings say, before a page is drawn. */
export function tellHouse(reads: HouseReads): void {
  told = reads;
}

/** The settings: in the browser as the page brings them, on the server as told. */
export function house(): HouseReads {
  if (typeof document === 'undefined') return told;
  const { unit, length, currency } = document.documentElement.dataset;
  return {
    unit: unit === 'F' ? 'F' : 'C',
    lengthUnit: length === 'in' ? 'in' : 'cm',
    currency: currency && /^[A-Z]{3}$/.test(currency) ? currency : told.currency,
  };
}

export const money = (amount: number): string => moneyWords(amount, house().currency);
export const area = (area_m2: number): string => areaWords(area_m2, house().lengthUnit);
export const length = (length_mm: number): string => lengthWords(length_mm, house().lengthUnit);
export const volume = (volume_L: number): string => volumeWords(volume_L, house().lengthUnit);
/** The unit a measure is typed in. */
export const unitOf = (measure: Measure): string => measureUnit(measure, house().lengthUnit);
export const difference = (delta_K: number, digits = 1): string => differenceWords(delta_K, house().unit, digits);
