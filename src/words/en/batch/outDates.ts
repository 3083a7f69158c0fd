import { catalogue } from '../../catalogue.ts';

/** Words of the batch screens: OutDates. */
export const WORDS = catalogue({
  firstDayOutHereFrost: (round: number) =>
    `First day out here, frost that hurts it in no more than ${round} years of 100:`,
  open: 'Open',
  earlier: (sooner_days: string) => `, ${sooner_days} earlier`,
  day: 'day',
});
