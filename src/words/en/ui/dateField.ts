import { catalogue } from '../../catalogue.ts';

/** Words of ui: DateField. */
export const WORDS = catalogue({
  calendar: 'Calendar',
  calendar2: (label: string) => `Calendar: ${label}`,
});
