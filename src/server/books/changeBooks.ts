import { cropAs, type VarietyFigures } from '../../core/books/varietyFigures.ts';
import type { z } from 'zod';
import { ForeignKeyConstraintError } from 'sequelize';
import { stageSums } from '../../core/growth/stageSums.ts';
import { containerInput, lotInput, placeInput } from '../../contracts/books/books.ts';
import { cropInput, varietyInput } from '../../contracts/books/crops.ts';
import { type NurseryInput } from '../../contracts/house/settings.ts';
import { coverInput, programmeInput } from '../../contracts/hardening/hardening.ts';
import { houseJobInput } from '../../contracts/house/round.ts';
import { scaleInput } from '../../contracts/watering/scales.ts';
import { personInput } from '../../contracts/house/people.ts';
import { feedInput, mixInput, stockItemInput } from '../../contracts/potting/potting.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { HouseJobRecord } from '../../core/house/houseJob.ts';
import type { CropRecord, LotRecord, PlaceRecord } from '../../core/books/records.ts';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import {
  insertLine,
  updateLine,
  updateNursery,
  type BookInputs,
  type BookName,
  type BookWrite,
} from '../../db/books/books.ts';
import { database } from '../database.ts';
import { lotAnswer } from './lotAnswer.ts';
import { placeAnswer } from './placeAnswer.ts';
import { readSeason } from '../plan/season.ts';
import { type Season } from '../../core/plan/season.ts';
import { isOver } from '../../core/batch/event.ts';
import { deleteLine, retireLine } from '../../db/books/retire.ts';
import { WORDS } from '../../words/en/books/changeBooks.ts';

/** The schema of each book's lines. */
export const BOOK_SCHEMAS = {
  crops: cropInput,
  varieties: varietyInput,
  lots: lotInput,
  places: placeInput,
  containers: containerInput,
  mixes: mixInput,
  feeds: feedInput,
  stock: stockItemInput,
  covers: coverInput,
  programmes: programmeInput,
  people: personInput,
  jobs: houseJobInput,
  scales: scaleInput,
} satisfies Record<BookName, z.ZodType>;

export const BOOK_NAMES = Object.keys(BOOK_SCHEMAS) as BookName[];
const ONE: Readonly<Record<BookName, string>> = {
  crops: 'crop',
  varieties: 'variety',
  lots: 'lot',
  places: 'place',
  containers: 'container',
  mixes: 'mix',
  feeds: 'feed',
  stock: WORDS.thingInTheStock,
  covers: 'cover',
  programmes: 'programme',
  people: 'person',
  jobs: WORDS.jobOfTheHouse,
  scales: WORDS.scale,
};

/** The lines of a book as they stand. */
export async function readBook(book: BookName): Promise<readonly { id: number; version: number }[]> {
  const { world } = await readSeason();
  return book === 'jobs' ? world.houseJobs.map(houseJobAnswer) : world[book];
}

/** Adds a line to a book, or changes one read at `version`. */
export async function writeLine<B extends BookName>(
  book: B,
  input: BookInputs[B],
  existing: { id: number; version: number } | null,
): Promise<{ id: number; version: number }> {
  await requireSense(book, input);
  if (book === 'places') await requireOutside(input as BookInputs['places']);
  let write: BookWrite;
  try {
    write = existing
      ? await updateLine(database(), book, existing.id, existing.version, input)
      : await insertLine(database(), book, input);
  } catch (error) {
    if (error instanceof ForeignKeyConstraintError) {
      throw fieldProblem('cropId' in input ? 'cropId' : 'varietyId', WORDS.thatLineOfTheBooks);
    }
    throw error;
  }
  return written(book, write, existing, input);
}

/** Retires a line, from today on gone from choices, or brings it back. */
export async function retireBookLine(
  book: BookName,
  existing: { id: number; version: number },
  retired: boolean,
): Promise<{ id: number; version: number }> {
  const season = await readSeason();
  if (retired && book === 'places') requireEmpty(season, existing.id);
  const on = retired ? isoFromDay(season.now.today) : null;
  return written(book, await retireLine(database(), book, existing.id, existing.version, on), existing, { retired });
}

/**
 * Deletes a line that nothing holds on to.
 * @throws ProblemError 409 with what does
 */
export async function deleteBookLine(book: BookName, existing: { id: number; version: number }): Promise<void> {
  const write = await deleteLine(database(), book, existing.id, existing.version);
  if (write.kind === 'used')
    throw new ProblemError(409, WORDS.inUse, WORDS.thisIsUsedAndCannot(ONE[book], write.by.join(', ')));
  await written(book, write, existing, { deleted: true });
}

/** A place is retired empty: nothing stands there, and nothing is planned to. */
function requireEmpty(season: Season, placeId: number): void {
  const there = season.batches.filter(
    ({ batch, state, progress }) =>
      !isOver(state.phase) &&
      (state.placeId === placeId ||
        Object.values(batch.plan.places).includes(placeId) ||
        progress.stands.some((stand) => stand.placeId === placeId && stand.to >= season.now.today)),
  );
  if (there.length === 0) return;
  const codes = there.map(({ batch }) => batch.code);
  throw new ProblemError(
    409,
    WORDS.plantsStandThere,
    WORDS.thereOrPlannedToPut(
      there.length,
      codes.slice(0, 8).join(', '),
      codes.length > 8 ? WORDS.andMore(codes.length - 8) : '',
    ),
  );
}

/** What a write came to, or the problem with it. */
async function written(
  book: BookName,
  write: BookWrite,
  existing: { id: number; version: number } | null,
  input: object,
): Promise<{ id: number; version: number }> {
  if (write.kind === 'taken') {
    throw fieldProblem('code' in input ? 'code' : 'name', WORDS.thereIsAOfThis(ONE[book]));
  }
  if (write.kind === 'missing')
    throw new ProblemError(404, WORDS.noSuch(ONE[book]), WORDS.thereIsNoNumber(ONE[book], existing!.id));
  if (write.kind === 'stale') {
    const current = (await readBook(book)).find((item) => item.id === existing!.id);
    throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedThisSinceYou, {
      current:
        current && book === 'places'
          ? placeAnswer(current as PlaceRecord)
          : current && book === 'lots'
            ? lotAnswer(current as LotRecord)
            : current,
      yours: { ...input, version: existing!.version },
    });
  }
  return { id: write.id, version: write.version };
}

/** Changes the nursery's settings. */
export async function writeNursery(input: NurseryInput): Promise<void> {
  const { world: before } = await readSeason();
  const { lastFrost, firstFrost } = before.nursery;
  // Dates typed by hand no longer are those taken from the site's years.
  const frost = input.lastFrost !== lastFrost || input.firstFrost !== firstFrost;
  // Figures sent back as they were shown are not the grower's own.
  const outside = JSON.stringify(input.outside) !== JSON.stringify(before.nursery.outside);
  if (await updateNursery(input, { frost, outside })) return;
  const { world } = await readSeason();
  throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedTheSettingsSince, {
    current: world.nursery,
    yours: input,
  });
}

/** A place that follows outside, or is heated above it, needs the usual temperatures outside. */
async function requireOutside(place: BookInputs['places']): Promise<void> {
  if (place.temperature.kind === 'written') return;
  const { world } = await readSeason();
  if (world.nursery.outside === null) {
    throw fieldProblem('temperature.kind', WORDS.writeDownTheUsualTemperatures);
  }
}

/** A variety's figures and its crop's together must make a crop that can be raised. */
function requireVariety(crop: CropRecord, figures: VarietyFigures): void {
  const { id: _id, version: _version, offHeat: _offHeat, retiredOn: _retired, ...own } = cropAs(crop, figures);
  const together = cropInput.safeParse(own);
  const issue = together.error?.issues[0];
  if (issue) {
    const path = issue.path.join('.');
    throw fieldProblem(path in figures ? `figures.${path}` : 'figures', WORDS.withItsCropsFigures(issue.message));
  }
  try {
    stageSums({ ...together.data!, id: 0 }, false);
  } catch (error) {
    if (error instanceof RangeError) throw fieldProblem('figures', error.message);
    throw error;
  }
}

/** What Zod cannot see: whether the figures together make a crop that can be raised, and days in order. */
async function requireSense<B extends BookName>(book: B, input: BookInputs[B]): Promise<void> {
  if (book === 'crops') {
    try {
      stageSums({ ...(input as BookInputs['crops']), id: 0 }, false);
    } catch (error) {
      if (error instanceof RangeError) throw fieldProblem('weeksLow', error.message);
      throw error;
    }
  }
  if (book === 'varieties') {
    const { cropId, figures } = input as BookInputs['varieties'];
    const crop = (await readSeason()).world.crops.find((c) => c.id === cropId);
    if (crop) requireVariety(crop, figures);
  }
  if (book === 'mixes') {
    const { world } = await readSeason();
    (input as BookInputs['mixes']).parts.forEach(({ itemId }, i) => {
      if (world.stock.find((item) => item.id === itemId)?.kind !== 'part')
        throw fieldProblem(`parts.${i}.itemId`, WORDS.chooseAPartOfMixes);
    });
  }
  if (book === 'stock') {
    const item = input as BookInputs['stock'];
    const { world } = await readSeason();
    if (item.containerId !== null && !world.containers.some((c) => c.id === item.containerId))
      throw fieldProblem('containerId', WORDS.thereIsNoSuchContainer);
    if ((item.kind === 'pot' || item.kind === 'tray') && item.containerId === null)
      throw fieldProblem('containerId', WORDS.sayWhichContainerOfThe);
    if (item.feedId != null && !world.feeds.some((feed) => feed.id === item.feedId))
      throw fieldProblem('feedId', WORDS.thereIsNoSuchFeed);
    if (item.feedId != null && (item.kind !== 'feed' || !['g', 'mL'].includes(item.unit)))
      throw fieldProblem('feedId', WORDS.feedIsWeighedOrMeasured);
    if (item.held_frac != null && item.kind !== 'part') throw fieldProblem('held_frac', WORDS.onlyPartsOfMixesHold);
    if (item.kind === 'part' && item.unit !== 'L') throw fieldProblem('unit', WORDS.partsOfMixesAreMeasured);
  }
  if (book === 'scales') {
    const { batchId } = input as BookInputs['scales'];
    const { world } = await readSeason();
    if (batchId !== null && !world.batches.some(({ id }) => id === batchId))
      throw fieldProblem('batchId', WORDS.noSuchLineChooseAnother);
  }
  if (book === 'jobs') await requireJob(input as BookInputs['jobs']);
  if (book === 'lots') {
    const lot = input as BookInputs['lots'];
    if ((lot.germination_percent ?? 0) > 100) {
      const { world } = await readSeason();
      const cropId = world.varieties.find((v) => v.id === lot.varietyId)?.cropId;
      if (!world.crops.find((c) => c.id === cropId)?.seedBalls) {
        throw fieldProblem('germination_percent', WORDS.overIsForSeedBalls);
      }
    }
    if (lot.receivedOn && lot.testedOn && requireDay(lot.testedOn) < requireDay(lot.receivedOn) - 3650) {
      throw fieldProblem('testedOn', WORDS.theTestIsMoreThan);
    }
  }
}

/** A job of the house as it is sent: its days as dates. */
export const houseJobAnswer = ({ firstOn, lastOn, ...job }: HouseJobRecord) => ({
  ...job,
  firstOn: isoFromDay(firstOn),
  lastOn: lastOn === null ? null : isoFromDay(lastOn),
});

/** What a job of the house names must be there. */
async function requireJob(job: BookInputs['jobs']): Promise<void> {
  const { world } = await readSeason();
  const named = [
    ['placeId', world.places],
    ['batchId', world.batches],
    ['cropId', world.crops],
    ['personId', world.people],
  ] as const;
  for (const [path, lines] of named)
    if (job[path] !== null && !lines.some(({ id }: { id: number }) => id === job[path]))
      throw fieldProblem(path, WORDS.noSuchLineChooseAnother);
}
