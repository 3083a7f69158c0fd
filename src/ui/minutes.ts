import { WORDS } from '../words/en/ui/minutes.ts';

/** Minutes as they are read: "under 1 min", "25 min", "1 h 35". */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 1) return WORDS.underAMinute;
  if (whole < 60) return WORDS.minutes(whole);
  return WORDS.hours(Math.floor(whole / 60), String(whole % 60).padStart(2, '0'));
}
