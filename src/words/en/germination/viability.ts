import { catalogue } from '../../catalogue.ts';

/** What core/germination/viability.ts says. */
export const WORDS = catalogue({
  seedMoisturePercent: 'seed moisture, percent',
  storageTemperatureDegreesC: 'storage temperature, degrees C',
  daysInStore: 'days in store',
  noGerminationTestWithA: 'No germination test with a date: sow a few on damp paper and count before you trust it.',
  theTestIsYearsOld: (years: number, keeps_years: number) =>
    `The test is ${years} years old, and seed of this crop usually keeps ${keeps_years}; it loses vigour before it loses life. Test again, or sow more.`,
});
