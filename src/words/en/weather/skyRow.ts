import { catalogue, rich, type Part } from '../../catalogue.ts';

/** Words of the weather screens: SkyRow. */
export const WORDS = catalogue({
  groundFrost: 'ground frost',
  strongSun: 'strong sun',
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
  today: 'Today',
  noForecastUntilThenThe: (problem: Part, link: Part) =>
    rich`No forecast.${problem} ${link}; until then the ladders hold.`,
  theService: (problem: string) => ` The service: ${problem}.`,
  typeOneOrReadA: 'Type one or read a file',
  lessThanAnHourOld: 'less than an hour old',
  hOld: (age_h: number) => `${age_h} h old`,
  daysOld: (round: number) => `${round} days old`,
  forecast: (source: string, age: string) => `Forecast: ${source}, ${age}.`,
  theForecastIs: (age: Part, stale: Part, failures: Part, short_days: Part, link: Part) =>
    rich`The forecast is ${age}${stale}. ${failures}${short_days} ${link}`,
  lookAtTheSky: ': look at the sky',
  itEndsEarlyOfTen: (short_days: number) => `It ends early: ${short_days} of ten days are told.`,
  forecast2: 'Forecast',
  frost: 'frost',
  gale: 'gale',
  heat: 'heat',
  serviceFails: (why: string | null) => `The service fails (${why}); this is the last good one. `,
});
