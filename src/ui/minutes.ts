import { WORDS } from '../words/en/ui/minutes.ts';

/** Minutes as they are read: "under 1 min", "40 min", "1 h 25 min". */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return WORDS.underAMinute;
  if (whole < 60) return WORDS.minutes(whole);
  return whole % 60 === 0 ? WORDS.hours(whole / 60) : WORDS.hoursAndMinutes(Math.floor(whole / 60), whole % 60);
}
