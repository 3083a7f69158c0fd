import { catalogue } from '../../catalogue.ts';

/** What core/potting/ready.ts says. */
export const WORDS = catalogue({
  prickOut: 'Prick out',
  potUp: 'Pot up',
  potOn: 'Pot on',
  trueLeavesCounted: (leaves: number | null) => `${leaves} true leaves counted`,
  day: (seen: string) => `${seen} {day}`,
});
