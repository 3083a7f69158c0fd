import { catalogue } from '../../catalogue.ts';

/** What server/weather/siteReadings.ts says. */
export const WORDS = catalogue({
  readingsAreOfWhatWas: (day: string) => `Readings are of what was: ${day} is still to come.`,
  moreThanTenYearsAgo: 'More than ten years ago: import it as history instead.',
  thereIsNoSuchCover: 'There is no such cover.',
  correctedAlready: 'Corrected already',
  thatReadingIsNotThere: 'That reading is not there any more: someone corrected or withdrew it.',
  degreesCWhereAboutIs: (least_C: number, usual: string) =>
    `${least_C} degrees C where about ${usual} is usual; is it in Fahrenheit?`,
  thisKeyWasUsedFor: 'This key was used for another reading; use a fresh one for each.',
});
