import { z } from 'zod';
import { dayFromIso } from '../core/calendar/dayNumber.ts';
import { isMonthDay } from '../core/calendar/monthDay.ts';

/** A whole number typed as a figure; words and blanks are refused with what to do. */
export const wholeNumber = (name: string, lo: number, hi: number) =>
  z
    .number({ error: `${name}: type a whole number from ${lo} to ${hi}` })
    .int({ error: `${name}: no fractions; a whole number from ${lo} to ${hi}` })
    .min(lo, { error: `${name}: at least ${lo}` })
    .max(hi, { error: `${name}: at most ${hi}` });

/** A figure within bounds; NaN and infinities are refused. */
export const figure = (name: string, lo: number, hi: number) =>
  z
    .number({ error: `${name}: type a figure from ${lo} to ${hi}` })
    .min(lo, { error: `${name}: at least ${lo}` })
    .max(hi, { error: `${name}: at most ${hi}` });

export const temperature_C = (name: string) => figure(`${name} in degrees C`, -40, 60);

/** A calendar day as YYYY-MM-DD that exists. */
export const isoDay = (name: string) =>
  z
    .string({ error: `${name}: a date such as 2027-05-20` })
    .refine((text) => dayFromIso(text) !== null, {
      error: `${name}: not a date of the calendar; write it as 2027-05-20`,
    })
    .meta({ format: 'date', examples: ['2027-05-20'] });

export const monthDay = (name: string) =>
  z
    .string({ error: `${name}: a month and day such as 05-12` })
    .refine(isMonthDay, { error: `${name}: a month and day such as 05-12` })
    .meta({ examples: ['05-12'] });

/** Control characters: in a name or a line they break files, calendars and labels that are made of it. */
const CONTROLS = /[\p{Cc}]/u;
const CONTROLS_BUT_LINES = /(?![\n\r\t])[\p{Cc}]/u;

export const shortText = (name: string, most: number) =>
  z
    .string({ error: `${name}: some words` })
    .trim()
    .refine((text) => !CONTROLS.test(text), { error: `${name}: one line, without control characters` })
    .min(1, { error: `${name}: must not be empty` })
    .max(most, { error: `${name}: at most ${most} letters` });

export const freeText = (name: string, most: number) =>
  z
    .string({ error: `${name}: some words` })
    .trim()
    .refine((text) => !CONTROLS_BUT_LINES.test(text), { error: `${name}: without control characters` })
    .max(most, { error: `${name}: at most ${most} letters` })
    .default('');

export const recordId = (name: string) => wholeNumber(name, 1, 2_147_483_647);
/** A version is counted up by one, so the last a column holds is not one that can be changed. */
export const version = wholeNumber('version', 1, 2_147_483_646);
