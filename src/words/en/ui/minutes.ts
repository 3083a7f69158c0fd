import { catalogue } from '../../catalogue.ts';

/** What ui/minutes.ts says. */
export const WORDS = catalogue({
  underAMinute: 'under 1 min',
  minutes: (minutes: number) => `${minutes} min`,
  hours: (hours: number) => `${hours} h`,
  hoursAndMinutes: (hours: number, minutes: number) => `${hours} h ${minutes} min`,
});
