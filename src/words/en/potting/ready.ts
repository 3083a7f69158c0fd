import { catalogue } from '../../catalogue.ts';

/** What core/potting/ready.ts says. */
export const WORDS = catalogue({
  readyByTheForecast: 'ready by the forecast {day}; look at the roots',
  prickOut: 'Prick out',
  potUp: 'Pot up',
  potOn: 'Pot on',
  trueLeavesCounted: (leaves: number | null) => `${leaves} true leaves counted`,
  day: (seen: string) => `${seen} {day}`,
});
