import { catalogue } from '../../catalogue.ts';

/** What contracts/weather/forecast.ts says. */
export const WORDS = catalogue({
  anInstantSuchAs2027: (name: string) => `${name}: an instant such as 2027-04-12T06:00:00Z`,
  anInstantWithItsOffset: (name: string) => `${name}: an instant with its offset, such as 2027-04-12T06:00:00Z`,
  formatItMustSay: (part: string) => `format: it must say "${part}"`,
  hoursSixAtLeast: 'hours: six at least',
  hoursAtMost: (part: number) => `hours: at most ${part}`,
  observedAtMost60Days: 'observed: at most 60 days',
  lowestInDegreesC: 'lowest in degrees C',
  highestInDegreesC: 'highest in degrees C',
  gustsInMS: 'gusts in m/s',
  highestNotBelowTheLowest: 'highest: not below the lowest',
  daysOneAtLeast: 'days: one at least',
  daysAtMost10: 'days: at most 10',
  daysInOrderEachOnce: 'days: in order, each once',
  fileItIsEmpty: 'file: it is empty',
  fileAtMost256Kb: 'file: at most 256 KB',
});
