import { requireRange } from '../numerics/guard.ts';
import { normalCdf, normalQuantile } from '../numerics/normal.ts';
import { WORDS } from '../../words/en/germination/viability.ts';

/** Viability constants of a species, as published. */
export interface ViabilityConstants {
  readonly K_E: number;
  readonly C_W: number;
  readonly C_H: number;
  readonly C_Q: number;
  readonly source: string;
}

/**
 * Species whose constants are published and known here. For all others there is a plain caution and no figure.
 * Values from memory of the papers named.
 */
const PUBLISHED: Readonly<Record<string, ViabilityConstants>> = {
  onion: {
    K_E: 6.975,
    C_W: 3.47,
    C_H: 0.04,
    C_Q: 0.000428,
    source: 'Ellis & Roberts 1981, Seed Sci. & Technol. 9, 373-409; values from memory',
  },
  lettuce: {
    K_E: 8.218,
    C_W: 4.797,
    C_H: 0.0489,
    C_Q: 0.000365,
    source: 'Kraak & Vos 1987, Ann. Bot. 59, 343-349; values from memory',
  },
};

/** Storage temperatures the viability equation is used for. */
const COLDEST_C = -20;
const WARMEST_C = 60;

/** Constants for a crop by its name, or null. */
export function viabilityConstants(cropName: string): ViabilityConstants | null {
  return PUBLISHED[cropName.trim().toLowerCase()] ?? null;
}

/**
 * Days for viability to fall by one probit: sigma = 10^(K_E - C_W log10 m - C_H t - C_Q t^2).
 * @param moisture_percent seed moisture, fresh weight, 2 to 25
 * @param temperature_C storage, -20 to 60
 * @throws RangeError outside those ranges
 * @source Ellis & Roberts 1980, Ann. Bot. 45, 13-30, improved viability equation
 */
export function probitDays(k: ViabilityConstants, moisture_percent: number, temperature_C: number): number {
  requireRange(WORDS.seedMoisturePercent, moisture_percent, 2, 25);
  requireRange(WORDS.storageTemperatureDegreesC, temperature_C, COLDEST_C, WARMEST_C);
  return (
    10 ** (k.K_E - k.C_W * Math.log10(moisture_percent) - k.C_H * temperature_C - k.C_Q * temperature_C * temperature_C)
  );
}

/**
 * Share still viable after so many days in store: v = K_i - p / sigma in probits, K_i from the last test.
 * @param tested_frac share that germinated in the test, above 0 and below 1
 * @param days since the test, 0 or more
 */
export function viableAfter(
  k: ViabilityConstants,
  tested_frac: number,
  days: number,
  moisture_percent: number,
  temperature_C: number,
): number {
  requireRange(WORDS.daysInStore, days, 0, 100_000);
  const start = Math.min(0.999, Math.max(0.001, tested_frac));
  return normalCdf(normalQuantile(start) - days / probitDays(k, moisture_percent, temperature_C));
}

export type SeedAge =
  | { readonly kind: 'reckoned'; readonly viable_frac: number; readonly probit_days: number; readonly source: string }
  | { readonly kind: 'caution'; readonly words: string }
  | { readonly kind: 'fresh' }
  | { readonly kind: 'unknown'; readonly words: string };

/**
 * What the age of a lot says: a figure where constants are published and the storage is written down, else a caution.
 * @param tested_frac last test; null = none
 * @param sinceTest_days days from the test to today; null = not known
 */
export function seedAge(lot: {
  readonly cropName: string;
  readonly tested_frac: number | null;
  readonly sinceTest_days: number | null;
  readonly storage_C: number | null;
  readonly moisture_percent: number | null;
  /** How long seed of its crop usually keeps, years: older than that it gets a caution. */
  readonly keeps_years: number;
}): SeedAge {
  const { tested_frac, sinceTest_days, storage_C, moisture_percent, keeps_years } = lot;
  if (tested_frac === null || sinceTest_days === null) {
    return {
      kind: 'unknown',
      words: WORDS.noGerminationTestWithA,
    };
  }
  const constants = viabilityConstants(lot.cropName);
  if (constants && storage_C !== null && moisture_percent !== null) {
    // Colder than the equation reaches keeps no worse: it is taken at its coldest.
    const at_C = Math.min(WARMEST_C, Math.max(COLDEST_C, storage_C));
    const viable_frac = viableAfter(constants, tested_frac, Math.max(0, sinceTest_days), moisture_percent, at_C);
    const probit_days = probitDays(constants, moisture_percent, at_C);
    return { kind: 'reckoned', viable_frac, probit_days, source: constants.source };
  }
  if (sinceTest_days > keeps_years * 365.25) {
    const years = Math.round(sinceTest_days / 36.525) / 10;
    return {
      kind: 'caution',
      words: WORDS.theTestIsYearsOld(years, keeps_years),
    };
  }
  return { kind: 'fresh' };
}
