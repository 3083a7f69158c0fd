import type { DayNumber } from '../core/calendar/dayNumber.ts';
import { temperatureFromShown } from '../core/units/temperature.ts';
import { csvLines, fromCell } from './csvText.ts';
import { dateOrderOf, typedDay, type DateOrder } from './typedDay.ts';
import { WORDS } from '../words/en/house/oldTrays.ts';

/** Most lines of a file of old trays: one a count. */
export const MOST_OLD_LINES = 20_000;
export const OLD_TRAY_COLUMNS = {
  required: ['crop', 'tray', 'sown_on', 'seeds', 'counted_on', 'up'],
  optional: ['variety', 'lot', 'temperature_c', 'temperature_f'],
} as const;

/** A tray as a file tells it, its lines together. */
export interface ToldTray {
  /** First line it stands on, the heading being 1. */
  readonly line: number;
  readonly crop: string;
  readonly variety: string;
  readonly lot: string;
  readonly tray: string;
  readonly sownOn: DayNumber;
  readonly seeds: number;
  readonly temperature_C: number;
  readonly counts: readonly { readonly day: DayNumber; readonly up: number }[];
}

export interface FileFault {
  readonly path: string;
  readonly message: string;
}

/**
 * Reads trays of years before from CSV (comma, semicolon or tab): a line for each count, those of one tray with the same crop,
 * variety, tray and sowing day. Whole numbers may have their thousands' marks, temperatures a decimal comma.
 * @param order which number of a date such as 03/04/2023 is the day; null: as the file's own dates say
 */
export function readOldTrays(text: string, order: DateOrder | null): { trays: ToldTray[]; faults: FileFault[] } {
  const { headings, rows } = csvLines(text, MOST_OLD_LINES);
  const only = (path: string, message: string) => ({ trays: [], faults: [{ path, message }] });
  const missing = OLD_TRAY_COLUMNS.required.filter((column) => !headings.includes(column));
  if (missing.length > 0)
    return only('heading', WORDS.theHeadingLacksItNeeds(missing.join(', '), OLD_TRAY_COLUMNS.required.join(', ')));
  const hasF = headings.includes('temperature_f');
  if (hasF === headings.includes('temperature_c')) return only('heading', WORDS.itNeedsOneColumnOf);
  if (rows.length > MOST_OLD_LINES) return only('file', WORDS.moreThanLinesCutThe(MOST_OLD_LINES));
  if (rows.length === 0) return only('file', WORDS.theFileHasAHeading);
  const found = dateOrderOf(
    rows.flatMap((row) => [row['sown_on'] ?? '', row['counted_on'] ?? '']).map((d) => d.trim()),
  );
  if (found === 'either' && order === null) return only('dateOrder', WORDS.itsDatesCanBeRead);
  const by = order ?? (found === 'dmy' || found === 'mdy' ? found : null);

  const faults: FileFault[] = [];
  const trays = new Map<string, ToldTray & { counts: { day: DayNumber; up: number }[] }>();
  rows.forEach((row, i) => {
    const line = i + 2;
    const cell = (name: string) => fromCell(row[name] ?? '').trim();
    const wrong: FileFault[] = [];
    const fault = (column: string, message: string) => wrong.push({ path: `lines.${line}.${column}`, message });
    const day = (column: string): DayNumber => {
      const read = typedDay(cell(column), by);
      if (read === null) fault(column, `${column}: ${WORDS.isNoDateWriteIt(cell(column))}`);
      return read ?? NaN;
    };
    const whole = (column: string, least: number): number => {
      const read = /^\d{1,3}([ .,']?\d{3})*$/.test(cell(column)) ? Number(cell(column).replace(/\D/g, '')) : NaN;
      if (!(read >= least && read <= 1_000_000)) fault(column, WORDS.aWholeNumberFromOn(column, least));
      return read;
    };
    const tray = cell('tray');
    if (tray === '' || tray.length > 80) fault('tray', WORDS.trayItsNameOrNumber);
    if (cell('crop') === '') fault('crop', WORDS.cropNameACropOf);
    const sownOn = day('sown_on');
    const counted = { day: day('counted_on'), up: whole('up', 0) };
    const seeds = whole('seeds', 1);
    const degrees = cell(hasF ? 'temperature_f' : 'temperature_c').replace(',', '.');
    const told = degrees === '' ? NaN : Number(degrees);
    const temperature_C = hasF ? temperatureFromShown(told, 'F') : told;
    if (!(temperature_C >= -5 && temperature_C <= 50))
      fault(hasF ? 'temperature_f' : 'temperature_c', WORDS.temperatureTheMeanOfThe);
    if (counted.day < sownOn || counted.day > sownOn + MOST_days)
      fault('counted_on', WORDS.countedOnFromTheSowing(MOST_days));
    if (counted.up > seeds) fault('up', WORDS.upOfSeedsCannotBe(counted.up, seeds));
    const key = [cell('crop'), cell('variety'), tray, sownOn].join('\n').toLowerCase();
    const known = trays.get(key);
    if (
      known &&
      (known.seeds !== seeds || Math.abs(known.temperature_C - temperature_C) > 1e-9 || known.lot !== cell('lot'))
    )
      fault('tray', WORDS.trayItsSeedsLotAnd(known.line));
    if (known?.counts.some((one) => one.day === counted.day)) fault('counted_on', WORDS.countedOnThisDayIs);
    faults.push(...wrong);
    if (wrong.length > 0) return;
    if (known) known.counts.push(counted);
    else
      trays.set(key, {
        line,
        crop: cell('crop'),
        variety: cell('variety'),
        lot: cell('lot'),
        tray,
        sownOn,
        seeds,
        temperature_C,
        counts: [counted],
      });
  });
  for (const tray of trays.values()) {
    tray.counts.sort((a, b) => a.day - b.day);
    if (tray.counts.some(({ up }, i) => i > 0 && up < tray.counts[i - 1]!.up))
      faults.push({
        path: `lines.${tray.line}.up`,
        message: `up: ${WORDS.theCountsOfTrayFall(tray.tray)}`,
      });
  }
  return { trays: [...trays.values()], faults };
}

/** Nobody counts a tray for longer. */
const MOST_days = 365;
