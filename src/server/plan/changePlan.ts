import { inTransaction } from '../../db/inTransaction.ts';
import { createHash } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { PlanChangeInput, PlanChangeLine, UndoInput } from '../../contracts/plan/planning.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import type { BatchRecord } from '../../core/batch/record.ts';
import { insertEvent, lockBatch, updateBatch } from '../../db/batch/batches.ts';
import { insertPlanChange, listPlanChanges, lockPlan, readPlanChange } from '../../db/plan/planChanges.ts';
import type { World } from '../../core/house/world.ts';
import { batchInputOf, newBatch, requireKnown } from '../batch/batchInput.ts';
import { logLine } from '../batch/changeBatches.ts';
import { database } from '../database.ts';
import { readSeason } from './season.ts';
import { alike, placesOf, requireUnchanged, writePlaces, type PlacePart } from '../heat/writeSetPoints.ts';
import { WORDS } from '../../words/en/plan/changePlan.ts';

/** One batch before and after a change: its plan as a person would send it. */
interface BatchPart {
  readonly id: number;
  readonly version: number;
  readonly input: BatchInput;
}
interface Part {
  readonly batches: readonly BatchPart[];
  readonly places: readonly PlacePart[];
}

export interface PlanChanged {
  readonly changeId: number;
  readonly repeated: boolean;
}

/**
 * Takes over a plan of the season in one step, all or nothing. If a batch or place has changed since the plan was made
 * nothing is written and the answer names what changed.
 */
export async function changePlan(input: PlanChangeInput): Promise<PlanChanged> {
  const { world, now } = await readSeason();
  const hash = hashOf(input);
  requireOnce(input);
  return inTransaction(database(), async (transaction) => {
    await lockPlan(database(), transaction);
    const known = await readPlanChange(database(), { key: input.idempotencyKey }, transaction);
    if (known) {
      if (known.request_hash !== hash) throw fieldProblem('idempotencyKey', WORDS.thisKeyWasUsedFor);
      return { changeId: known.id, repeated: true };
    }
    const wanted: Part = {
      batches: input.batches.map(({ id, version, ...change }) => ({ id, version, input: change as BatchInput })),
      places: placesOf(input, world),
    };
    const done = await write(wanted, world, input.words, now.today, now.instant_ms, transaction);
    const changeId = await insertPlanChange(
      database(),
      { key: input.idempotencyKey, hash, words: input.words, ...done, undoesId: null },
      transaction,
    );
    return { changeId, repeated: false };
  });
}

/** Puts back what a change of the plan changed, if nothing of it has been changed again since. */
export async function undoPlan(input: UndoInput): Promise<PlanChanged> {
  const { world, now } = await readSeason();
  const hash = hashOf(input);
  return inTransaction(database(), async (transaction) => {
    await lockPlan(database(), transaction);
    const repeated = await readPlanChange(database(), { key: input.idempotencyKey }, transaction);
    if (repeated) return { changeId: repeated.id, repeated: true };
    const change = await readPlanChange(database(), { id: input.changeId }, transaction);
    if (!change) throw new ProblemError(404, WORDS.noSuchChange, WORDS.thereIsNoChangeNumber(input.changeId));
    if (change.undone) throw new ProblemError(409, WORDS.undoneAlready, WORDS.someoneHasUndoneThisLook);
    const before = change.before as Part;
    const after = change.after as Part;
    const words = WORDS.undone(change.words).slice(0, 400);
    const done = await write(before, world, words, now.today, now.instant_ms, transaction, after);
    const changeId = await insertPlanChange(
      database(),
      { key: input.idempotencyKey, hash, words, ...done, undoesId: change.id },
      transaction,
    );
    return { changeId, repeated: false };
  });
}

/** The last changes of the plan, newest first. */
export async function planChanges(): Promise<PlanChangeLine[]> {
  const rows = await listPlanChanges(database(), 20);
  return rows.map((row) => ({
    id: row.id,
    words: row.words,
    doneAt: new Date(row.done_at).toISOString(),
    undone: row.undone,
    undoesId: row.undoes_id,
    batches_count: (row.after as Part).batches.length,
    authorId: row.author_id,
  }));
}

async function write(
  wanted: Part,
  world: World,
  words: string,
  today: number,
  instant_ms: number,
  transaction: Transaction,
  /** What must stand there now, whatever its version: for undoing one change after another. */
  left: Part | null = null,
): Promise<{ before: Part; after: Part }> {
  const before: { batches: BatchPart[]; places: PlacePart[] } = { batches: [], places: [] };
  const after: { batches: BatchPart[]; places: PlacePart[] } = { batches: [], places: [] };
  const changed: string[] = [];
  // In one order, so that two at once cannot wait for each other.
  for (const part of [...wanted.batches].sort((a, b) => a.id - b.id)) {
    const was = await lockBatch(part.id, transaction);
    if (!was) throw new ProblemError(404, WORDS.noSuchBatch, WORDS.thereIsNoBatchNumber(part.id));
    const asLeft = left?.batches.find((one) => one.id === part.id)?.input;
    if (left ? !alike(batchInputOf(was), asLeft) : was.version !== part.version) {
      changed.push(was.code);
      continue;
    }
    const input = { ...batchInputOf(was), ...part.input };
    requireKnown(world, input, today, batchInputOf(was));
    const written = await updateBatch(was.id, was.version, newBatch(input), transaction);
    if (!written) {
      changed.push(was.code);
      continue;
    }
    before.batches.push({ id: was.id, version: was.version, input: batchInputOf(was) });
    after.batches.push({ id: was.id, version: written.version, input: batchInputOf(written as BatchRecord) });
    await insertEvent({ ...logLine(was.id, 'edited', today, instant_ms), note: WORDS.seasonPlan(words) }, transaction);
  }
  const places = await writePlaces(wanted.places, world, transaction, changed, left?.places ?? null);
  before.places.push(...places.before);
  after.places.push(...places.after);
  requireUnchanged(changed);
  return { before, after };
}

function requireOnce(input: PlanChangeInput): void {
  const ids = input.batches.map((batch) => batch.id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0) throw fieldProblem(`batches.${twice}.id`, WORDS.thisBatchIsNamedTwice);
  if (ids.length === 0 && input.setPoints.length === 0 && input.rooms.length === 0) {
    throw fieldProblem('batches', WORDS.thereIsNothingInThis);
  }
}

const hashOf = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');
