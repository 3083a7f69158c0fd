import type { LengthUnit } from '../core/units/length.ts';
import { areaWords, differenceWords, lengthWords, moneyWords, volumeWords, weightWords } from '../core/units/words.ts';
import { measureUnit, type Measure } from '../core/units/measure.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';

/** How the house reads figures. One nursery an application, so that a page needs not hand it to each of its parts. */
export interface HouseReads {
  readonly unit: TemperatureUnit;
  readonly lengthUnit: LengthUnit;
  readonly currency: string;
  /** ISO day of the nursery. */
  readonly today: string;
  /** 1 is Monday. */
  readonly firstWeekday: number;
  /** Frost of the house's settings, "MM-DD". */
  readonly lastFrost: string;
  readonly firstFrost: string;
}

const UNTOLD: HouseReads = {
  unit: 'C',
  lengthUnit: 'cm',
  currency: 'EUR',
  today: '2027-01-01',
  firstWeekday: 1,
  lastFrost: '05-12',
  firstFrost: '10-05',
};
let told: HouseReads = UNTOLD;

/** On the server: what the settings say, before a page is drawn. */
export function tellHouse(reads: Partial<HouseReads>): void {
  told = { ...UNTOLD, ...reads };
}

/** The settings: in the browser as the page brings them, on the server as told. */
export function house(): HouseReads {
  if (typeof document === 'undefined') return told;
  const { unit, length, currency, today, week, lastFrost, firstFrost } = document.documentElement.dataset;
  return {
    unit: unit === 'F' ? 'F' : 'C',
    lengthUnit: length === 'in' ? 'in' : 'cm',
    currency: currency && /^[A-Z]{3}$/.test(currency) ? currency : told.currency,
    today: today ?? told.today,
    firstWeekday: Number(week ?? told.firstWeekday),
    lastFrost: lastFrost ?? told.lastFrost,
    firstFrost: firstFrost ?? told.firstFrost,
  };
}

/** In figures the house writes the day first, or the month where Fahrenheit and inches are read. */
export const firstOfFigures = ({ unit, lengthUnit }: HouseReads = house()): 'day' | 'month' =>
  unit === 'F' && lengthUnit === 'in' ? 'month' : 'day';

export const money = (amount: number): string => moneyWords(amount, house().currency);
export const area = (area_m2: number): string => areaWords(area_m2, house().lengthUnit);
export const length = (length_mm: number): string => lengthWords(length_mm, house().lengthUnit);
export const weight = (weight_g: number): string => weightWords(weight_g, house().lengthUnit);
export const volume = (volume_L: number): string => volumeWords(volume_L, house().lengthUnit);
/** The unit a measure is typed in. */
export const unitOf = (measure: Measure): string => measureUnit(measure, house().lengthUnit);
export const difference = (delta_K: number, digits = 1): string => differenceWords(delta_K, house().unit, digits);
