import type { ReadLine, SaidPart } from '../../contracts/batch/batchLines.ts';
import { dayFromIso } from '../../core/calendar/dayNumber.ts';
import { counted, shortDay } from '../../ui/format.ts';
import { WORDS } from '../../words/en/batch/batchLine.ts';

/** A part of the sentence a line was read as, to be tapped and changed. */
export interface Phrase {
  readonly part: NonNullable<SaidPart['as']>;
  readonly words: string;
  /** Whether the line says it; else it is the usual. */
  readonly isSaid: boolean;
}

/** How often, in words: "every 2 weeks". */
export function everyWords(days: number): string {
  if (days % 7 !== 0) return WORDS.every(counted(days, WORDS.day)).replace('every 1 day', 'every day');
  return days === 7 ? WORDS.everyWeek : WORDS.everyWeeks(days / 7);
}

/** The sentence of a line: what was understood, in one order whatever the order it was said in. */
export function phrasesOf(line: ReadLine, year: number): Phrase[] {
  const isSaid = (part: Phrase['part']) => line.parts.some(({ as }) => as === part);
  const phrases: Phrase[] = [];
  if (line.times > 1 || line.every_days !== null)
    phrases.push({ part: 'times', words: counted(line.times, WORDS.batch, WORDS.batches), isSaid: isSaid('times') });
  phrases.push({
    part: 'plants',
    words:
      line.plants === null ? WORDS.howMany : `${counted(line.plants, WORDS.plant)}${line.times > 1 ? ' each' : ''}`,
    isSaid: line.plants !== null,
  });
  phrases.push({ part: 'crop', words: line.crop ?? WORDS.whichCrop, isSaid: line.crop !== null });
  if (line.variety) phrases.push({ part: 'variety', words: line.variety, isSaid: true });
  if (line.lot) phrases.push({ part: 'lot', words: WORDS.lot(line.lot), isSaid: true });
  const day = line.day === null ? null : dayFromIso(line.day);
  phrases.push({
    part: 'date',
    words: day === null ? WORDS.when : line.isSowing ? WORDS.sown(shortDay(day, year)) : WORDS.out(shortDay(day, year)),
    isSaid: day !== null,
  });
  if (line.every_days !== null) phrases.push({ part: 'every', words: everyWords(line.every_days), isSaid: true });
  return phrases;
}

/** How a part is written into a line, by what is chosen for it. */
export function writtenPart(part: Phrase['part'], value: string): string {
  if (part === 'times') return WORDS.times(value);
  if (part === 'every') return WORDS.everyDays(value);
  if (part === 'lot') return WORDS.lot2(value);
  return value;
}

/** The line with a part changed to something else; a part it did not say is put at its end. */
export function withPart(line: ReadLine, part: Phrase['part'], value: string): string {
  const text = writtenPart(part, value);
  const at = line.parts.find(({ as }) => as === part);
  if (at) return `${line.line.slice(0, at.from)}${text}${line.line.slice(at.to)}`;
  // A crop that could be two, or was not understood, stands where the first unknown word does.
  const unknown = part === 'crop' ? line.parts.find(({ as }) => as === null) : undefined;
  if (unknown) return `${line.line.slice(0, unknown.from)}${text}${line.line.slice(unknown.to)}`;
  return `${line.line.trimEnd()} ${text}`.trimStart();
}
