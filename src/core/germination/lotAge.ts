import type { CropRecord, LotRecord } from '../books/records.ts';
import type { DayNumber } from '../calendar/dayNumber.ts';
import { seedAge, type SeedAge } from './viability.ts';

/** Share of a lot's seeds that germinated in its last test; a ball of several seeds that gives more than one plant is one. null: no test. */
export function testedShare_frac(lot: Pick<LotRecord, 'germination_percent'> | null): number | null {
  return lot?.germination_percent == null ? null : Math.min(1, lot.germination_percent / 100);
}

/** What the age of a lot says on a day, by its last test and how it is kept. */
export function ageOfLot(
  lot: Pick<LotRecord, 'germination_percent' | 'testedOn' | 'storage_C' | 'moisture_percent'> | null,
  crop: Pick<CropRecord, 'name' | 'storage_years'>,
  today: DayNumber,
): SeedAge {
  return seedAge({
    cropName: crop.name,
    tested_frac: testedShare_frac(lot),
    sinceTest_days: lot?.testedOn == null ? null : today - lot.testedOn,
    storage_C: lot?.storage_C ?? null,
    moisture_percent: lot?.moisture_percent ?? null,
    keeps_years: crop.storage_years,
  });
}
