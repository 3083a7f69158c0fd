import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import { inUse } from '../../core/books/inUse.ts';
import { expectedShare } from '../../core/germination/learned.ts';
import { taughtByOldTray } from '../../core/germination/oldTrays.ts';
import { plainCropOf } from '../../core/books/cropOf.ts';
import type { Season } from '../../core/plan/season.ts';
import { fieldProblem, ProblemError, type FieldError } from '../../contracts/problem.ts';
import type {
  OldTrayFile,
  OldTraysAnswer,
  OldTraysInput,
  OldTraysOfCrop,
  OldTraysPatch,
} from '../../contracts/germination/oldTrays.ts';
import {
  insertOldTrayFile,
  insertOldTrays,
  leaveOutOldTrays,
  readOldTrayFiles as readFiles,
  readOldTrayKeys,
  type OldTrayRow,
} from '../../db/germination/oldTrays.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { readOldTrays, type ToldTray } from '../../formats/oldTrays.ts';
import { database } from '../database.ts';
import { readSeason } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { WORDS } from '../../words/en/germination/oldTraysServer.ts';

/**
 * Reads trays of years before from a file. A preview says what they teach and what is wrong, line by line; a commit takes all
 * of them or none. What each teaches is worked out now, by its own temperature, and kept.
 */
export async function importOldTrays(input: OldTraysInput): Promise<OldTraysAnswer> {
  const season = await readSeason();
  const { idempotencyKey: key, ...asked } = input;
  if (input.commit && !key) throw fieldProblem('idempotencyKey', WORDS.sendAFreshKeyWith);
  const { trays, faults } = readOldTrays(input.text, input.dateOrder ?? null);
  const db = database();
  return inTransaction(db, async (transaction) => {
    const file =
      input.commit && key
        ? await insertOldTrayFile(db, { key, requestHash: hashOf(asked), name: input.name }, transaction)
        : null;
    if (file && 'usedFor' in file) {
      if (file.usedFor !== hashOf(asked)) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
      return { crops: [], errors: [], taken: trays.length, repeated: true };
    }
    const there = await readOldTrayKeys(db, transaction);
    const errors: FieldError[] = [...faults];
    const taken = trays.flatMap((tray) => {
      const row = rowOf(tray, season, there);
      if (!('path' in row)) return [row];
      errors.push(row);
      return [];
    });
    const crops = byCrop(taken, season);
    if (!file) return { crops, errors, taken: 0, repeated: false };
    if (errors.length > 0)
      throw new ProblemError(422, WORDS.nothingWasReadIn, WORDS.someLinesAreWrongMend, {
        errors,
      });
    await insertOldTrays(db, file.id, taken, transaction);
    return { crops, errors, taken: taken.length, repeated: false };
  });
}

/** A tray with its names found in the books and what it teaches, or what is wrong with it. */
function rowOf(told: ToldTray, season: Season, there: ReadonlySet<string>): OldTrayRow | FieldError {
  const { world, now } = season;
  const fault = (column: string, message: string): FieldError => ({ path: `lines.${told.line}.${column}`, message });
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
  const crop = world.crops.find((one) => same(one.name, told.crop));
  if (!crop) return fault('crop', `crop: ${WORDS.theBookHasNoWrite(told.crop)}`);
  const ofCrop = world.varieties.filter((one) => one.cropId === crop.id);
  const variety = told.variety === '' ? null : ofCrop.find((one) => same(one.name, told.variety));
  if (variety === undefined)
    return fault(
      'variety',
      `variety: ${WORDS.hasNoInTheBook(
        crop.name,
        told.variety,
        inUse(ofCrop)
          .map((one) => one.name)
          .slice(0, 8)
          .join(', ') || 'none',
      )}`,
    );
  const lot =
    told.lot === '' ? null : world.lots.find((one) => one.varietyId === variety?.id && same(one.code, told.lot));
  if (lot === undefined) return fault('lot', `lot: ${WORDS.noLotOfThatVariety(told.lot)}`);
  const lastDay = told.counts.at(-1)!.day;
  if (lastDay > now.today) return fault('counted_on', WORDS.countedOnIsStillTo(isoFromDay(lastDay)));
  const key = [crop.id, variety?.id ?? 0, told.tray.toLowerCase(), isoFromDay(told.sownOn)].join(' ');
  if (there.has(key)) return fault('tray', WORDS.traySownWasReadIn(told.tray, isoFromDay(told.sownOn)));
  const names = { cropId: crop.id, varietyId: variety?.id ?? null };
  const taught = taughtByOldTray(plainCropOf(world, names), told, expectedShare(lot));
  if (typeof taught === 'string') return fault('up', WORDS.tray(told.tray, taught));
  const { tray, sownOn, seeds, temperature_C, counts } = told;
  return { ...names, lotId: lot?.id ?? null, tray, sownOn, seeds, temperature_C, counts, taught };
}

/** What the trays of each crop say together, by name. */
function byCrop(trays: readonly OldTrayRow[], { world }: Season): OldTraysOfCrop[] {
  return world.crops
    .flatMap((crop): OldTraysOfCrop[] => {
      const own = trays.filter((tray) => tray.cropId === crop.id);
      if (own.length === 0) return [];
      const times = own.map(({ taught }) => taught.logTime).sort((a, b) => a - b);
      const days = own.map(({ sownOn }) => sownOn);
      return [
        {
          crop: crop.name,
          trays_count: own.length,
          from: isoFromDay(Math.min(...days)),
          to: isoFromDay(Math.max(...days)),
          time_factor: Math.exp((times[(times.length - 1) >> 1]! + times[times.length >> 1]!) / 2),
        },
      ];
    })
    .sort((a, b) => a.crop.localeCompare(b.crop));
}

/** Leaves a file's trays out of what the house learns, or takes them in again. */
export async function leaveOutFile(id: number, { leftOut }: OldTraysPatch): Promise<void> {
  const db = database();
  const found = await inTransaction(db, (transaction) => leaveOutOldTrays(db, id, leftOut, transaction));
  if (!found) throw new ProblemError(404, WORDS.noSuchFile, WORDS.noFileOfOldTrays(id));
}

/** Files read in before, the latest first. */
export const readOldTrayFiles = (): Promise<OldTrayFile[]> => readFiles(database());
