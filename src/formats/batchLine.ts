import * as chrono from 'chrono-node';
import { folded, plain } from './cropNames.ts';
import { civilFromDay, dayFromCivil, type DayNumber } from '../core/calendar/dayNumber.ts';
import { WORDS } from '../words/en/house/batchLine.ts';

/** What a line of a batch is read against. */
export interface LineBooks {
  readonly crops: readonly { readonly id: number; readonly name: string; readonly synonyms: string }[];
  readonly varieties: readonly { readonly id: number; readonly cropId: number; readonly name: string }[];
  readonly lots: readonly { readonly id: number; readonly varietyId: number; readonly code: string }[];
  readonly today: DayNumber;
  /** How the house writes days in figures: 3/4 is 3 April, or March 4. */
  readonly first: 'day' | 'month';
}

export type PartKind = 'times' | 'plants' | 'crop' | 'variety' | 'date' | 'every' | 'until' | 'lot' | 'way';

/** A part of the line, with what it was taken for; null: not understood. Little words between are left out. */
export interface LinePart {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  readonly as: PartKind | null;
}

/** What a line asks for. Parts not said, or not understood, are null. */
export interface BatchLine {
  readonly parts: readonly LinePart[];
  /** Batches, the first on the day. */
  readonly times: number;
  readonly every_days: number | null;
  readonly plants: number | null;
  readonly cropId: number | null;
  /** Crops of which each could be meant; the line must say which. */
  readonly crops: readonly { readonly id: number; readonly name: string }[];
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly day: DayNumber | null;
  /** Whether the day is that of sowing; else of going out. */
  readonly isSowing: boolean;
  readonly problems: readonly LineProblem[];
}

export interface LineProblem {
  readonly part: PartKind | 'line';
  readonly message: string;
}

/** Most letters of a line. */
export const MOST_LETTERS = 300;
/** Batches of a line that repeats and does not say how often. */
const USUAL_TIMES = 4;
const MOST_TIMES = 60;
const MOST_EVERY_days = 365;
const WEEK_days = 7;

const LITTLE = new Set(WORDS.aAnAndAtBy.split(' '));

interface Scan {
  readonly parts: LinePart[];
  /** The line with what is understood put out by dots, letters at their places. */
  left: string;
}
/** Stands for what is understood already: no part of a word, a number or a day. */
const OUT = '·';

/**
 * Reads a line such as "3 x 200 lettuce every 2 weeks from 1 April, lot 12": how many plants, of what, for when.
 * Days without a year are the next there are; a day is that of going out unless the line says "sow".
 */
export function readBatchLine(line: string, books: LineBooks): BatchLine {
  // The reader of days takes a long space for the end of the text.
  const left = line.slice(0, MOST_LETTERS).replaceAll(/\s+/g, (space) => ` ${OUT.repeat(space.length - 1)}`);
  const scan: Scan = { parts: [], left: left.replace(/ $/, OUT) };
  const problems: LineProblem[] = [];
  if (line.length > MOST_LETTERS) problems.push({ part: 'line', message: WORDS.onlyTheFirstLettersAre(MOST_LETTERS) });

  const lotCode = take(scan, 'lot', /\blot\s+(?:no\.?\s*|number\s+|#\s*)?([\p{L}\d][\p{L}\d/_-]*)/iu)?.[1] ?? null;
  const every = take(scan, 'every', /\bevery\s+(?:(\d{1,3}|two|three|four|other)\s+)?(day|week|fortnight|month)s?\b/i);
  const timesMatch =
    take(scan, 'times', /\b(\d{1,3})\s*(?:x|×|times)\s*(?=\d)/i) ?? take(scan, 'times', /\b(\d{1,3})\s*times\b/i);
  const isSowing = take(scan, 'way', /\b(?:to\s+be\s+)?(?:sow|sown|sowing)\b/i) !== null;
  const dates = takeDates(scan, books);
  const range = dates[0]?.end ?? null;

  const named = takeCrop(scan, books);
  const plants = takePlants(scan);
  // A figure that is not the number of plants is nothing known.
  for (const word of scan.left.matchAll(/[\p{L}\p{N}][\p{L}\p{N}'’.-]*/gu))
    if (!LITTLE.has(word[0].toLowerCase())) part(scan, null, word.index, word[0].length);
  const unknown = scan.parts.filter(({ as }) => as === null);
  if (unknown.length > 0)
    problems.push({
      part: 'line',
      message: WORDS.notUnderstoodTakeItOut(unknown.map(({ text }) => `“${text}”`).join(', ')),
    });

  const every_days = every ? daysOf(every) : null;
  if (every_days !== null && every_days > MOST_EVERY_days)
    problems.push({ part: 'every', message: WORDS.atMostAYearApart });
  const day = dates[0]?.day ?? null;
  const until = range ?? (dates.length > 1 ? dates[1]!.day : null);
  let times = timesMatch ? Number(timesMatch[1]) : 1;
  if (every_days !== null && !timesMatch)
    times = until !== null && day !== null ? Math.floor(Math.max(0, until - day) / every_days) + 1 : USUAL_TIMES;
  if (times > MOST_TIMES || times < 1) problems.push({ part: 'times', message: WORDS.from1ToBatchesA(MOST_TIMES) });

  if (named.crops.length > 0)
    problems.push({
      part: 'crop',
      message: WORDS.whichDoYouMean(named.crops.map(({ name }) => name).join(', ')),
    });
  else if (named.cropId === null)
    problems.push({
      part: 'crop',
      message: WORDS.sayTheCropSuchAs,
    });
  if (plants === null) problems.push({ part: 'plants', message: WORDS.sayHowManyPlantsSuch });
  if (day === null) problems.push({ part: 'date', message: WORDS.sayWhenTheyAreTo });
  else if (day < books.today) problems.push({ part: 'date', message: WORDS.thatDayIsPast });

  const lot = lotCode === null ? null : lotOf(lotCode, named, books);
  if (lotCode !== null && lot === null) problems.push({ part: 'lot', message: WORDS.thereIsNoLotOf(lotCode) });
  return {
    parts: scan.parts.sort((a, b) => a.from - b.from),
    times: Math.min(MOST_TIMES, Math.max(1, times)),
    every_days,
    plants,
    cropId: named.cropId,
    crops: named.crops,
    varietyId: lot?.varietyId ?? named.varietyId,
    lotId: lot?.id ?? null,
    day,
    isSowing,
    problems,
  };
}

/** Marks a stretch as understood (or not) and puts it out of what is left. */
function part(scan: Scan, as: PartKind | null, from: number, length: number): void {
  const raw = scan.left.slice(from, from + length);
  const text = raw.trim();
  const start = from + raw.indexOf(text);
  scan.parts.push({ from: start, to: start + text.length, text, as });
  scan.left = scan.left.slice(0, from) + OUT.repeat(length) + scan.left.slice(from + length);
}

function take(scan: Scan, as: PartKind, pattern: RegExp): RegExpMatchArray | null {
  const found = scan.left.match(pattern);
  if (found) part(scan, as, found.index!, found[0].length);
  return found;
}

function daysOf(every: RegExpMatchArray): number {
  const words: Readonly<Record<string, number>> = { two: 2, other: 2, three: 3, four: 4 };
  const n = every[1] === undefined ? 1 : (words[every[1].toLowerCase()] ?? Number(every[1]));
  const unit = { day: 1, week: WEEK_days, fortnight: 2 * WEEK_days, month: 30 }[every[2]!.toLowerCase()]!;
  return Math.max(1, n * unit);
}

interface TakenDate {
  readonly day: DayNumber;
  readonly end: DayNumber | null;
}

/** Days in the line: "24 May", "5/24", "2027-05-24", "in six weeks", "next Monday", "week 20". */
function takeDates(scan: Scan, { today, first }: LineBooks): TakenDate[] {
  const found: TakenDate[] = [];
  const week = scan.left.match(/\b(?:in\s+)?week\s+(\d{1,2})\b/i);
  if (week && Number(week[1]) >= 1 && Number(week[1]) <= 53) {
    part(scan, 'date', week.index!, week[0].length);
    found.push({ day: mondayOfWeek(Number(week[1]), today), end: null });
  }
  const leap = scan.left.match(LEAP_DAY);
  if (leap) {
    part(scan, 'date', leap.index!, leap[0].length);
    found.push({ day: nextLeapDay(today), end: null });
  }
  const { year, month, day } = civilFromDay(today);
  const reader = first === 'month' ? chrono.en.casual : chrono.en.GB;
  // Noon of the day, in this machine's own zone: only days are read out of it again.
  // "From 20 May" is no hour of the day.
  const text = scan.left.replaceAll(/\b(from|on|by|at|for|starting|beginning|out)\b(?=\s+\d)/gi, (word) =>
    OUT.repeat(word.length),
  );
  const read = reader.parse(text, new Date(year, month - 1, day, 12), { forwardDate: true });
  for (const one of read) {
    const sure = one.start.isCertain('day') && (one.start.isCertain('month') || /\d/.test(one.text));
    const spoken = /\b(in|next|this|on|tomorrow|today|after)\b/i.test(one.text);
    // "Sun" and "May" are also parts of names.
    if (!sure && !spoken) continue;
    if (found.length >= 2) break;
    part(scan, found.length === 0 ? 'date' : 'until', one.index, one.text.length);
    found.push({ day: dayOf(one.start), end: one.end ? dayOf(one.end) : null });
  }
  return found;
}

/** Without a year it is a day of most years that is none. */
const LEAP_DAY = /\b(?:29(?:th)?\s+(?:of\s+)?feb(?:ruary)?|feb(?:ruary)?\s+29(?:th)?)\b(?!,?\s*\d{4})/i;

function nextLeapDay(today: DayNumber): DayNumber {
  for (let year = civilFromDay(today).year; ; year++) {
    const march = dayFromCivil(year, 3, 1);
    if (civilFromDay(march - 1).day === 29 && march - 1 >= today) return march - 1;
  }
}

const dayOf = (read: chrono.ParsedComponents): DayNumber =>
  dayFromCivil(read.get('year')!, read.get('month')!, read.get('day')!);

/** The next Monday of an ISO week that is not past. */
function mondayOfWeek(week: number, today: DayNumber): DayNumber {
  for (let year = civilFromDay(today).year; ; year++) {
    const fourth = dayFromCivil(year, 1, 4);
    const first = fourth - ((fourth + 3) % WEEK_days);
    const monday = first + (week - 1) * WEEK_days;
    if (monday + WEEK_days > today) return monday;
  }
}

/** A number of plants: "120", "1,200", "1.200", "1 200". */
function takePlants(scan: Scan): number | null {
  const found = scan.left.match(/(?<![\p{L}\d])(\d{1,3}(?:[,.' ]\d{3})+|\d+)(?![\p{L}\d])/u);
  if (!found) return null;
  const plants = Number(found[1]!.replaceAll(/[,.' ]/g, ''));
  part(scan, 'plants', found.index!, found[0].length);
  return plants;
}

interface Named {
  readonly cropId: number | null;
  readonly crops: readonly { readonly id: number; readonly name: string }[];
  readonly varietyId: number | null;
}

const names = new WeakMap<LineBooks['crops'], Map<string, Set<number>>>();

/** Crops by each of their names, in the singular. */
function namesOf(crops: LineBooks['crops']): Map<string, Set<number>> {
  const known = names.get(crops);
  if (known) return known;
  const byName = new Map<string, Set<number>>();
  const add = (name: string, id: number) => {
    const key = plain(name);
    if (key !== '') byName.set(key, (byName.get(key) ?? new Set()).add(id));
  };
  for (const { id, name, synonyms } of crops) for (const one of [name, ...synonyms.split(';')]) add(one, id);
  names.set(crops, byName);
  return byName;
}

/** The longest run of words that names a crop, and one that names a variety of it; a variety alone says its crop as well. */
function takeCrop(scan: Scan, { crops, varieties }: LineBooks): Named {
  const byName = namesOf(crops);
  const bySlug = new Map<string, (typeof varieties)[number][]>();
  for (const variety of varieties) {
    const key = plain(variety.name);
    bySlug.set(key, [...(bySlug.get(key) ?? []), variety]);
  }
  const crop = longest(scan, (text) => byName.has(text));
  const ids = crop ? [...byName.get(crop.text)!] : [];
  if (crop) part(scan, 'crop', crop.from, crop.to - crop.from);
  const variety = longest(scan, (text) =>
    (bySlug.get(text) ?? []).some((one) => ids.length === 0 || ids.includes(one.cropId)),
  );
  const found = variety ? bySlug.get(variety.text)!.filter((one) => ids.length === 0 || ids.includes(one.cropId)) : [];
  if (variety) part(scan, 'variety', variety.from, variety.to - variety.from);
  const meant = found.length > 0 ? [...new Set(found.map(({ cropId }) => cropId))] : ids;
  const exact = crop ? meant.filter((id) => plain(crops.find((one) => one.id === id)!.name) === crop.text) : [];
  const left = exact.length === 1 ? exact : meant;
  if (left.length === 1)
    return { cropId: left[0]!, crops: [], varietyId: found.find(({ cropId }) => cropId === left[0])?.id ?? null };
  if (left.length > 1) return { cropId: null, crops: crops.filter(({ id }) => left.includes(id)), varietyId: null };
  return { cropId: null, crops: guesses(scan, crops), varietyId: null };
}

const MOST_WORDS = 5;

function longest(
  scan: Scan,
  known: (text: string) => boolean,
): { readonly text: string; readonly from: number; readonly to: number } | null {
  const words = [...scan.left.matchAll(/[\p{L}\p{N}'’()-]+/gu)].map((m) => ({
    from: m.index,
    to: m.index + m[0].length,
  }));
  for (let n = Math.min(MOST_WORDS, words.length); n > 0; n--)
    for (let i = 0; i + n <= words.length; i++) {
      const [from, to] = [words[i]!.from, words[i + n - 1]!.to];
      const raw = scan.left.slice(from, to);
      // Not over a stretch that is something else.
      if (/[·,;]/.test(raw)) continue;
      const text = plain(raw);
      if (text !== '' && known(text)) return { text, from, to };
    }
  return null;
}

const LEAST_LETTERS = 4;
const MOST_GUESSES = 8;

/** Crops one of whose names begins as a word of the line does. */
function guesses(scan: Scan, crops: LineBooks['crops']): LineBooks['crops'] {
  const words = [...scan.left.matchAll(/\p{L}+/gu)].map((m) => plain(m[0])).filter((w) => w.length >= LEAST_LETTERS);
  const fits = (name: string) => words.some((word) => name.split(' ').some((one) => one.startsWith(word.slice(0, -1))));
  const found = crops.filter(({ name, synonyms }) => [name, ...synonyms.split(';')].some((one) => fits(plain(one))));
  return found.length > MOST_GUESSES ? [] : found;
}

function lotOf(
  code: string,
  { cropId, varietyId }: Named,
  { lots, varieties }: LineBooks,
): LineBooks['lots'][number] | null {
  const cropOf = new Map(varieties.map((variety) => [variety.id, variety.cropId]));
  const fits = lots.filter(
    (lot) =>
      folded(lot.code) === folded(code) &&
      (varietyId === null ? cropId === null || cropOf.get(lot.varietyId) === cropId : lot.varietyId === varietyId),
  );
  return fits.length === 1 ? fits[0]! : null;
}
