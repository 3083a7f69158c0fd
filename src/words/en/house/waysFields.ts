import { catalogue } from '../../catalogue.ts';

/** Words of the house screens: WaysFields. */
export const WORDS = catalogue({
  monday: 'Monday',
  tuesday: 'Tuesday',
  wednesday: 'Wednesday',
  thursday: 'Thursday',
  friday: 'Friday',
  saturday: 'Saturday',
  sunday: 'Sunday',
  asYourCountryDoesIt: 'As your country does: it follows from the town.',
  theWeekFrom: (part: undefined | string) => `the week from ${part}`,
  change: 'Change',
  temperatures: 'Temperatures',
  celsius: 'Celsius',
  fahrenheit: 'Fahrenheit',
  lengths: 'Lengths',
  money: 'Money',
  weekBeginsOn: 'Week begins on',
  timeZone: 'Time zone',
  inches: 'inches',
  centimetres: 'centimetres',
});
