import { differenceWords } from '../core/units/words.ts';
import type { ExpectedOut } from '../core/batch/progress.ts';
import type { Punctuality } from '../core/batch/tolerance.ts';
import type { ExplanationInput } from '../core/explanation.ts';
import { civilFromDay, dayFromIso, weekdayOf } from '../core/calendar/dayNumber.ts';
import { shortDay } from '../core/calendar/shortDay.ts';
import type { TemperatureUnit } from '../core/units/temperature.ts';
import { temperatureWords } from '../core/units/words.ts';
import { WORDS } from '../words/en/ui/format.ts';

const MONTHS = [
  WORDS.january,
  WORDS.february,
  WORDS.march,
  WORDS.april,
  WORDS.may,
  WORDS.june,
  WORDS.july,
  WORDS.august,
  WORDS.september,
  WORDS.october,
  WORDS.november,
  WORDS.december,
];
const WEEKDAYS = [WORDS.mon, WORDS.tue, WORDS.wed, WORDS.thu, WORDS.fri, WORDS.sat, WORDS.sun];

export { shortDay };

/** "Mon 12 April". */
export function longDay(day: number): string {
  const { month, day: d } = civilFromDay(day);
  return `${WEEKDAYS[weekdayOf(day) - 1]} ${d} ${MONTHS[month - 1]}`;
}

/** A time of the day by the wall clock: "8:05". @param minute since midnight */
export const clockWords = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(Math.floor(minute % 60)).padStart(2, '0')}`;

/** "today", "tomorrow", "Thu 15 Apr", as near to speech as is clear. */
export function spokenDay(day: number, today: number): string {
  if (day === today) return WORDS.today;
  if (day === today + 1) return WORDS.tomorrow;
  if (day === today - 1) return WORDS.yesterday;
  return `${WEEKDAYS[weekdayOf(day) - 1]} ${shortDay(day, civilFromDay(today).year)}`;
}

/** Name of a month, 1-12. */
export function monthName(month: number): string {
  return MONTHS[month - 1]!;
}

/** "18°C" or "65°F" in the reader's scale; whole degrees in Fahrenheit, which are fine enough. */
export function degrees(temperature_C: number, unit: TemperatureUnit): string {
  return temperatureWords(temperature_C, unit);
}

/** A foretold or reckoned temperature: to half a degree, in Fahrenheit to a whole one, rounded once. */
export function aboutDegrees(temperature_C: number, unit: TemperatureUnit): string {
  return degrees(unit === 'F' ? temperature_C : halfDegree(temperature_C), unit);
}

/** "23°", or "16–9°" where day and night differ. */
export function dayNight(exactDay_C: number, exactNight_C: number, unit: TemperatureUnit): string {
  // A usual temperature is not known to a tenth.
  const [day_C, night_C] = [halfDegree(exactDay_C), halfDegree(exactNight_C)];
  return day_C === night_C
    ? degrees(day_C, unit)
    : `${degrees(night_C, unit).replace(/°.$/, '')}–${degrees(day_C, unit)}`;
}

const halfDegree = (t: number): number => Math.round(t * 2) / 2;

/** "1 tray", "3 trays". */
export function counted(n: number, one: string, many = `${one}s`): string {
  return `${n.toLocaleString('en-GB')} ${n === 1 ? one : many}`;
}

/** "2 days late", "on time", "3 days early". */
export function lateness(late_days: number): string {
  if (late_days === 0) return WORDS.onTime;
  return late_days > 0 ? WORDS.late(counted(late_days, WORDS.day)) : WORDS.early(counted(-late_days, WORDS.day));
}

/** How a batch stands against its date, in a word or two. */
export function punctualityWords(kind: Punctuality, late_days: number | null): string {
  switch (kind) {
    case 'cannot be':
      return WORDS.cannotBe;
    case 'not likely':
      return WORDS.notLikely;
    case 'in its days':
      return WORDS.asGood(lateness(late_days ?? 0));
    default:
      return lateness(late_days ?? 0);
  }
}

/** When it is expected out and by what, as it follows "out". */
export function outWords(out: ExpectedOut | null, today: number): string {
  if (out === null) return WORDS.noDayCanBeTold;
  if (out.on === null) return WORDS.notWithinTheWeeksLooked;
  const day = spokenDay(out.on, today);
  if (out.by === 'log') return WORDS.out(day);
  const odds = out.inTime_frac === null ? '' : WORDS.inTimeInOfSprings(Math.round(100 * out.inTime_frac));
  return WORDS.expectedOut(day, out.by === 'weather' ? WORDS.byTheWeather : '', odds);
}

/** The day it is expected out, as it follows the day asked for. */
export function expectedWords(on: number | null, today: number): string {
  return on === null ? WORDS.notLikelyInTheWeeks : WORDS.expectedOut2(spokenDay(on, today));
}

/** Puts days and temperatures where a text has {day}, {0}, {1}. */
export function fillText(
  text: string,
  day: number | null,
  temperatures_C: readonly number[],
  unit: TemperatureUnit,
  today: number,
): string {
  let filled = day === null ? text : text.replaceAll('{day}', spokenDay(day, today));
  temperatures_C.forEach((t, i) => (filled = filled.replaceAll(`{${i}}`, degrees(t, unit))));
  return filled;
}

/** An input of a because, written for the reader. */
export function explanationInput(input: ExplanationInput, unit: TemperatureUnit): string {
  if (input.temperature_C !== undefined) return `${input.name} ${degrees(input.temperature_C, unit)}`;
  if (input.degreeDays !== undefined) {
    const shown = unit === 'F' ? input.degreeDays * 1.8 : input.degreeDays;
    return WORDS.degreeDays(input.name, shown < 30 ? Math.round(shown * 10) / 10 : Math.round(shown));
  }
  if (input.difference_K !== undefined) return `${input.name} ${differenceWords(input.difference_K, unit)}`;
  if (input.date !== undefined) return `${input.name} ${shortDay(dayFromIso(input.date)!)}`;
  return `${input.name} ${input.value ?? ''}`;
}

/** Nearer to the book's time than this is as the book says. */
const AS_THE_BOOK_percent = 3;

/** How a time of the house's own stands against the book's, such as "9% slower than the book says". */
export function againstBook(factor: number): string {
  const percent = Math.round(100 * Math.abs(factor - 1));
  if (percent < AS_THE_BOOK_percent) return WORDS.asTheBookSays;
  return WORDS.thanTheBookSays(percent, factor > 1 ? 'slower' : 'quicker');
}
