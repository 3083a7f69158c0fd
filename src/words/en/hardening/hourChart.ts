import { catalogue } from '../../catalogue.ts';

/** Words of the hardening screens: HourChart. */
export const WORDS = catalogue({
  insideByTheHourShut: 'Inside by the hour, shut, open and as advised; the same as a table below',
  shutAtTheMost: (shutMost_C: string) => `shut: ${shutMost_C} at the most`,
  outside: 'outside',
  open: 'open all day',
  asAdvised: 'as advised',
});
