import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: CompareNight. */
export const WORDS = catalogue({
  compareOnTheSameDay: 'Compare on the same day and night',
  compareOnTheSameNight: 'Compare on the same night',
  onePlan: 'One plan',
  theOther: 'The other',
  aDayAndNight: 'A day and night',
  kwh: 'kWh',
  money: 'money',
  lowest: 'lowest',
  benchAt: 'bench at',
  airFor: (a_C: string) => `air for ${a_C}`,
  houseLoses: 'House loses',
  wForEachKelvin: 'W for each kelvin',
  insteadOfSavesHeatingThe: (b_C: string, a_C: string, percent: string, decimal: string) =>
    `${b_C} instead of ${a_C} saves ${percent}. Heating the air for the same medium takes ${decimal} times the bench’s heat. Fuel heaters give carbon monoxide: never in a closed small house with people in it.`,
});
