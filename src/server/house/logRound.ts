import { isInUse } from '../../core/books/inUse.ts';
import { requireDay } from '../../core/calendar/dayNumber.ts';
import { roundLog } from '../../core/house/roundLine.ts';
import type { z } from 'zod';
import type { roundLineInput, WalkInput } from '../../contracts/house/round.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import { insertRoundLine, linesOfJob, lockJob, roundLineByKey, writeWalk } from '../../db/house/round.ts';
import { ageOfWrite_ms, inTransaction } from '../../db/inTransaction.ts';
import { tappedAt } from '../batch/changeBatches.ts';
import { requireNear } from '../batch/batchInput.ts';
import { database } from '../database.ts';
import { readForLog, readSeason } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { WORDS } from '../../words/en/house/logRound.ts';

/** What became of a line of the round. */
export interface RoundLogged {
  readonly lineId: number;
  readonly repeated: boolean;
}

/**
 * Writes a line of the round. The same key twice writes once; a job that somebody has done is not done twice, and a line is taken back
 * once.
 */
export async function logRound(input: z.output<typeof roundLineInput>): Promise<RoundLogged> {
  const own = /^own\/(\d+)\//.exec(input.jobKey);
  const houseJobId = own ? Number(own[1]) : null;
  // A job of the house that was added just now is not in what was read before.
  const { world, now } = await (houseJobId === null ? readForLog() : readSeason());
  const requestHash = hashOf(input);
  const on = requireDay(input.day);
  if (on > now.today) throw fieldProblem('day', WORDS.aDayToCome);
  requireNear('day', input.day, now.today);
  const person = (id: number) => world.people.find((one) => one.id === id);
  if (input.forPersonId !== null && !(person(input.forPersonId) && isInUse(person(input.forPersonId)!)))
    throw fieldProblem('forPersonId', WORDS.nobodyOfThisNumber);
  if (houseJobId !== null && !world.houseJobs.some((job) => job.id === houseJobId))
    throw fieldProblem('jobKey', WORDS.noSuchJob);
  return inTransaction(database(), async (transaction) => {
    await lockJob(database(), input.jobKey, transaction);
    const known = await roundLineByKey(input.idempotencyKey, transaction);
    if (known) {
      if (known.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.keyUsed);
      return { lineId: known.id, repeated: true };
    }
    const lines = await linesOfJob(input.jobKey, transaction);
    const stands = roundLog(lines);
    if (input.kind === 'done') {
      const before = stands.done.get(input.jobKey);
      if (before) {
        const by = before.authorId === null ? null : (person(before.authorId)?.name ?? null);
        throw new ProblemError(409, WORDS.doneAlready, by === null ? WORDS.somebodyDidIt : WORDS.didIt(by));
      }
    }
    if (input.kind === 'withdrawn' && !stands.lines.some(({ id }) => id === input.correctsId))
      throw fieldProblem('correctsId', WORDS.noSuchLine);
    const { idempotencyKey, kind, jobKey, forPersonId, minutes, work, trays, look, note, correctsId } = input;
    const waited = tappedAt(ageOfWrite_ms(), now.instant_ms);
    const lineId = await insertRoundLine(
      {
        idempotencyKey,
        requestHash,
        kind,
        jobKey,
        on,
        houseJobId,
        forPersonId,
        minutes,
        work,
        trays,
        look,
        note,
        correctsId,
        waited: 'tappedAt_ms' in waited,
        tappedAt_ms: waited.tappedAt_ms ?? null,
      },
      transaction,
    );
    return { lineId, repeated: false };
  });
}

/** Puts the places in walking order, with doors and levels. */
export async function putInWalkingOrder({ was, places }: WalkInput): Promise<void> {
  const done = await inTransaction(database(), (transaction) => writeWalk(was, places, transaction));
  if (!done) throw new ProblemError(409, WORDS.walkChanged, WORDS.walkChangedSince);
}
