import { createHash } from 'node:crypto';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import type { LineBatch, LinesLooked, LinesMade, MakeLines, ReadLine } from '../../contracts/batch/batchLines.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { inUse } from '../../core/books/inUse.ts';
import { cropOf } from '../../core/books/cropOf.ts';
import { dayFromIso, isoFromDay, type DayNumber } from '../../core/calendar/dayNumber.ts';
import { USUAL_PLAN, USUAL_WINDOW } from '../../core/plan/batchPlan.ts';
import type { Placed } from '../../core/plan/placement/placeNew.ts';
import { milestoneOf, startOf } from '../../core/plan/schedule/chain.ts';
import { forwardChain } from '../../core/plan/schedule/forward.ts';
import { plannedChain } from '../../core/plan/schedule/plannedChain.ts';
import { ruleWeeks } from '../../core/growth/stageSums.ts';
import type { Season } from '../../core/plan/season.ts';
import { ALL_STAGES } from '../../core/plan/stage.ts';
import { insertBatch } from '../../db/batch/batches.ts';
import { firstTime } from '../../db/batch/firstTime.ts';
import { inTransaction } from '../../db/inTransaction.ts';
import { nextFamily } from '../../db/plan/planChanges.ts';
import { readBatchLine, type BatchLine, type LineBooks } from '../../formats/batchLine.ts';
import { database } from '../database.ts';
import { withVersions, writeSetPoints } from '../heat/writeSetPoints.ts';
import { MOST_PLACED, placeForMe } from '../plan/placeForMe.ts';
import { readSeason } from '../plan/season.ts';
import { newBatch, requireKnown } from './batchInput.ts';
import { defaultsFor } from './importBatches.ts';
import { WORDS } from '../../words/en/batch/batchLines.ts';

/** Most plants of a line; more is a slip. */
const MOST_PLANTS = 200_000;

/** What a season's books say of lines; days in figures as the house writes them. */
function booksOf({ world, now }: Season): LineBooks {
  const { temperatureUnit, lengthUnit } = world.nursery;
  return {
    crops: inUse(world.crops),
    varieties: inUse(world.varieties),
    lots: inUse(world.lots),
    today: now.today,
    first: temperatureUnit === 'F' && lengthUnit === 'in' ? 'month' : 'day',
  };
}

interface Asked {
  readonly read: BatchLine;
  readonly line: string;
  readonly problems: readonly { readonly part: string; readonly message: string }[];
  readonly inputs: readonly BatchInput[];
}

/** A line with the batches it asks for; none while something is missing or the books refuse it. */
function askedBy(line: string, season: Season, books: LineBooks): Asked {
  const read = readBatchLine(line, books);
  const { cropId, plants, day } = read;
  const problems: { part: string; message: string }[] = [...read.problems];
  if (plants !== null && (plants < 1 || plants > MOST_PLANTS))
    problems.push({ part: 'plants', message: WORDS.from1ToPlantsA(MOST_PLANTS.toLocaleString('en-GB')) });
  if (problems.length > 0 || cropId === null || plants === null || day === null)
    return { read, line, problems, inputs: [] };
  const inputs = Array.from({ length: read.times }, (_, i) =>
    inputOf(season, read, day + i * (read.every_days ?? 0), plants, cropId),
  );
  try {
    for (const input of inputs) requireKnown(season.world, input, season.now.today);
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    const { path, message } = error.problem.errors?.[0] ?? { path: 'line', message: error.problem.detail };
    const part = { transplantOn: 'date', sowContainerId: 'line' }[path] ?? 'line';
    return { read, line, problems: [{ part, message }], inputs: [] };
  }
  return { read, line, problems, inputs };
}

/** The batch of a line on a day, with the usual of its crop for all that is not said. */
function inputOf(season: Season, read: BatchLine, day: DayNumber, plants: number, cropId: number): BatchInput {
  const { world } = season;
  const crop = cropOf(season, { cropId, varietyId: read.varietyId });
  const roughOut = read.isSowing ? day + Math.round(ruleWeeks(crop) * 7) + crop.hardening_days : day;
  const { places, sowContainerId, potContainerId } = defaultsFor(season, cropId, roughOut);
  const input: BatchInput = {
    cropId,
    varietyId: read.varietyId,
    lotId: read.lotId,
    plantsWanted: plants,
    spare_frac: world.nursery.spare_frac,
    transplantOn: isoFromDay(roughOut),
    hardening_days: crop.hardening_days,
    places,
    sowContainerId: sowContainerId!,
    potContainerId,
    note: '',
    ...USUAL_WINDOW,
    weight: USUAL_PLAN.weight,
    steps: {},
  };
  return read.isSowing ? sownOn(season, input, day) : input;
}

/** A batch sown on a day that is said: it goes out when it is ready in the places it has. */
function sownOn(season: Season, input: BatchInput, day: DayNumber): BatchInput {
  const { world, tables } = season;
  const { offHeat } = world.nursery;
  const crop = cropOf(season, input);
  const { plan } = newBatch({ ...input, steps: {} });
  const chain = forwardChain({ crop, plan, offHeat, tables, sowOn: day, facts: {}, today: null, waitForDate: false });
  const out = chain.kind === 'chain' ? isoFromDay(milestoneOf(chain, 'plant')!.day) : input.transplantOn;
  return { ...input, transplantOn: out, steps: { sow: isoFromDay(day) } };
}

/** All lines with where the planner would put their batches, in their order. */
function placed(season: Season, asked: readonly Asked[]) {
  const open = asked.flatMap(({ inputs }) => inputs);
  if (open.length > MOST_PLACED)
    throw new ProblemError(422, WORDS.tooManyAtOnce, WORDS.theseLinesAskForBatches(open.length, MOST_PLACED));
  const found = placeForMe(season, open);
  let next = 0;
  const lines = asked.map((one) => ({
    ...one,
    batches: one.inputs.map((input) => {
      const i = next++;
      const [withPlaces, placed] = [found.inputs[i]!, found.placed[i]!];
      // The day to sow is the grower's; the places are those in which the planner found room for about these weeks.
      const sow = one.read.isSowing ? dayFromIso(input.steps?.sow ?? '') : null;
      return sow === null
        ? { input: withPlaces, placed, isSowing: false }
        : { input: sownOn(season, withPlaces, sow), placed, isSowing: true };
    }),
  }));
  return { lines, setPoints: found.setPoints };
}

/** Looks at lines: what was understood, what is missing, and where and when each batch would be raised. */
export async function lookAtBatchLines(lines: readonly string[]): Promise<LinesLooked> {
  const season = await readSeason();
  const books = booksOf(season);
  const { lines: looked } = placed(
    season,
    lines.map((line) => askedBy(line, season, books)),
  );
  const { world } = season;
  return {
    lines: looked.map(({ read, line, problems, batches }): ReadLine => ({
      line,
      parts: read.parts.map(({ from, to, as }) => ({ from, to, as })),
      problems,
      crops: read.crops.map(({ name }) => name),
      crop: world.crops.find(({ id }) => id === read.cropId)?.name ?? null,
      variety: world.varieties.find(({ id }) => id === read.varietyId)?.name ?? null,
      lot: world.lots.find(({ id }) => id === read.lotId)?.code ?? null,
      plants: read.plants,
      times: read.times,
      every_days: read.every_days,
      day: read.day === null ? null : isoFromDay(read.day),
      isSowing: read.isSowing,
      batches: batches.map((one) => lineBatch(season, one)),
    })),
  };
}

interface Found {
  readonly input: BatchInput;
  readonly placed: Placed;
  readonly isSowing: boolean;
}

function lineBatch(season: Season, { input, placed: found, isSowing }: Found): LineBatch {
  const { world, tables } = season;
  const way = found.ways[0];
  const name = (id: number | null | undefined) => world.places.find((place) => place.id === id)?.name;
  const most = way?.lacks.reduce((a, b) => (b.slots > a.slots ? b : a), way.lacks[0]!);
  const chain = plannedChain({
    crop: cropOf(season, input),
    plan: newBatch(input).plan,
    offHeat: world.nursery.offHeat,
    tables,
  });
  // What is sown on a day that is said is late for nothing.
  const late = isSowing ? 0 : (way?.late_days ?? 0);
  return {
    transplantOn: way && !isSowing ? isoFromDay(way.out) : input.transplantOn,
    sowOn: input.steps?.sow ?? (chain.kind === 'chain' ? isoFromDay(startOf(chain).day) : null),
    places: [...new Set(ALL_STAGES.flatMap((stage) => name(input.places[stage]) ?? []))],
    late_days: late,
    lack: !way
      ? WORDS.noPlaceWillDoFor
      : chain.kind === 'unreachable'
        ? chain.reason
        : most
          ? WORDS.traySpacesShortInFrom(Math.ceil(most.slots), name(most.placeId), isoFromDay(most.from))
          : null,
  };
}

/**
 * Makes the batches of lines, all or none; those of one line are a family.
 * @throws ProblemError 422 with a path per line that cannot be made
 */
export async function makeBatchLines({ idempotencyKey: key, lines }: MakeLines): Promise<LinesMade> {
  const season = await readSeason();
  const books = booksOf(season);
  const asked = lines.map((line) => askedBy(line, season, books));
  const errors = asked.flatMap(({ problems }, i) =>
    problems.map(({ part, message }) => ({ path: `lines.${i}.${part}`, message })),
  );
  if (errors.length > 0)
    throw new ProblemError(422, WORDS.nothingWasMade, WORDS.someLinesCannotBeMade, {
      errors,
    });
  const { lines: found, setPoints } = placed(season, asked);
  const hash = createHash('sha256').update(JSON.stringify(lines)).digest('hex');
  const batches_count = found.reduce((n, { batches }) => n + batches.length, 0);
  return inTransaction(database(), async (transaction) => {
    if (!(await firstTime(database(), { key, hash, batches_count }, transaction))) return { made: [], repeated: true };
    if (setPoints.length > 0) await writeSetPoints(withVersions(setPoints, season.world), season.world, transaction);
    const made: { id: number; code: string }[] = [];
    for (const { batches } of found) {
      const familyId = batches.length > 1 ? await nextFamily(database(), transaction) : null;
      for (const { input } of batches) {
        const row = await insertBatch(database(), { ...newBatch(input), familyId }, transaction);
        made.push({ id: row.id, code: row.code });
      }
    }
    return { made, repeated: false };
  });
}
