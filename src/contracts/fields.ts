import { z } from 'zod';
import { dayFromIso } from '../core/calendar/dayNumber.ts';
import { isMonthDay } from '../core/calendar/monthDay.ts';
import { WORDS } from '../words/en/house/fields.ts';

/** A whole number typed as a figure; words and blanks are refused with what to do. */
export const wholeNumber = (name: string, lo: number, hi: number) =>
  z
    .number({ error: WORDS.typeAWholeNumberFrom(name, lo, hi) })
    .int({ error: WORDS.noFractionsAWholeNumber(name, lo, hi) })
    .min(lo, { error: WORDS.atLeast(name, lo) })
    .max(hi, { error: WORDS.atMost(name, hi) });

/** A figure within bounds; NaN and infinities are refused. */
export const figure = (name: string, lo: number, hi: number) =>
  z
    .number({ error: WORDS.typeAFigureFromTo(name, lo, hi) })
    .min(lo, { error: WORDS.atLeast(name, lo) })
    .max(hi, { error: WORDS.atMost(name, hi) });

export const temperature_C = (name: string) => figure(WORDS.inDegreesC(name), -40, 60);

/** A calendar day as YYYY-MM-DD that exists. */
export const isoDay = (name: string) =>
  z
    .string({ error: WORDS.aDateSuchAs2027(name) })
    .refine((text) => dayFromIso(text) !== null, {
      error: `${name}: ${WORDS.notADateOfThe}`,
    })
    .meta({ format: 'date', examples: ['2027-05-20'] });

export const monthDay = (name: string) =>
  z
    .string({ error: WORDS.aMonthAndDaySuch(name) })
    .refine(isMonthDay, { error: WORDS.aMonthAndDaySuch(name) })
    .meta({ examples: ['05-12'] });

/** Control characters: in a name or a line they break files, calendars and labels that are made of it. */
const CONTROLS = /[\p{Cc}]/u;
const CONTROLS_BUT_LINES = /(?![\n\r\t])[\p{Cc}]/u;

export const shortText = (name: string, most: number) =>
  z
    .string({ error: WORDS.someWords(name) })
    .trim()
    .refine((text) => !CONTROLS.test(text), { error: WORDS.oneLineWithoutControlCharacters(name) })
    .min(1, { error: WORDS.mustNotBeEmpty(name) })
    .max(most, { error: WORDS.atMostLetters(name, most) });

export const freeText = (name: string, most: number) =>
  z
    .string({ error: WORDS.someWords(name) })
    .trim()
    .refine((text) => !CONTROLS_BUT_LINES.test(text), { error: WORDS.withoutControlCharacters(name) })
    .max(most, { error: WORDS.atMostLetters(name, most) })
    .default('');

export const recordId = (name: string) => wholeNumber(name, 1, 2_147_483_647);
/** A version is counted up by one, so the last a column holds is not one that can be changed. */
export const version = wholeNumber('version', 1, 2_147_483_646);
