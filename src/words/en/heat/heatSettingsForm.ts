import { catalogue } from '../../catalogue.ts';

/** Words of the heat screens: HeatSettingsForm. */
export const WORDS = catalogue({
  tariff: 'Tariff',
  onePrice: 'one price',
  dayAndNight: 'day and night',
  aKwhCosts: 'A kWh costs',
  aKwhByDay: 'A kWh by day',
  in: (currency: string) => `in ${currency}`,
  aKwhByNight: 'A kWh by night',
  cheapFromHour: 'Cheap from, hour',
  cheapToHour: 'Cheap to, hour',
  kgCoForAKwh: 'kg CO₂ for a kWh',
  quietFromHour: 'Quiet from, hour',
  emptyNoQuietHours: 'empty: no quiet hours',
  quietToHour: 'Quiet to, hour',
  whatCanHurtPlantsSounds: 'what can hurt plants sounds all the same',
  soundAgainEveryMinutes: 'Sound again every, minutes',
  untilSomebodyTakesIt: 'until somebody takes it',
  keepEachReadingMonths: 'Keep each reading, months',
  meansByTheHourStay: 'means by the hour stay',
  save: 'Save',
  yourSuppliersFigure02: 'your supplier’s figure; 0.2 is a start, no source',
});
