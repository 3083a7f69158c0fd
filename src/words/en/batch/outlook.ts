import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the batch screens: Outlook. */
export const WORDS = catalogue({
  typeACropAndThe:
    'Type a crop and the day it is to go out. Every date back to sowing appears here, from the temperatures your places really have.',
  chainOfDates: 'Chain of dates',
  boughtInReadyToGo: (stage: string, day: string) => `Bought in ${stage}; ready to go out ${day}.`,
  readyForThePot: 'ready for the pot',
  toGrowOn: 'to grow on',
  theRuleOfWeeksSays: (ruleSowOn: Part, laterThanRule_days: Part) =>
    rich`The rule of weeks says ${ruleSowOn}: ${laterThanRule_days}`,
  thisCannotBeReached: 'This cannot be reached.',
  noPlace: 'No place',
  theseWouldDo: 'These would do:',
  takeThatDay: 'Take that day',
  earliestOut: (earliest: string) => `Earliest: out ${earliest}`,
  sownTodayItCouldGo: 'Sown today it could go out ',
  pressADateForIts: 'Press a date for its reason. The forecast is arithmetic on your temperatures: look at the plants.',
  theSameDay: 'the same day.',
  youMaySowLaterYour: (later_days: string) =>
    `you may sow ${later_days} later, your places are warmer than the rule assumes.`,
  sowSoonerYourPlacesAre: (counted: string) => `sow ${counted} sooner, your places are cooler than the rule assumes.`,
  day: 'day',
});
