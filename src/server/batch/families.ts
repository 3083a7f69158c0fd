import { inTransaction } from '../../db/inTransaction.ts';
import { createHash } from 'node:crypto';
import { isoFromDay, requireDay } from '../../core/calendar/dayNumber.ts';
import { reduceLog } from '../../core/batch/reduce.ts';
import type { BatchInput } from '../../contracts/batch/batches.ts';
import type { FamilyInput, FamilyPatch } from '../../contracts/plan/planning.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { insertBatch, insertEvent, lockBatch, updateBatch } from '../../db/batch/batches.ts';
import { firstTime } from '../../db/batch/firstTime.ts';
import { nextFamily } from '../../db/plan/planChanges.ts';
import { readEvents } from '../../db/house/world.ts';
import { batchInputOf, newBatch, requireKnown } from './batchInput.ts';
import { logLine } from './changeBatches.ts';
import { database } from '../database.ts';
import { placeForMe } from '../plan/placeForMe.ts';
import { readSeason } from '../plan/season.ts';
import { withVersions, writeSetPoints } from '../heat/writeSetPoints.ts';
import { WORDS } from '../../words/en/batch/families.ts';

export interface FamilyMade {
  readonly familyId: number | null;
  readonly made: readonly { readonly id: number; readonly code: string }[];
  readonly repeated: boolean;
}

/** Makes a succession or an insurance pair: the first batch and those after it, each so many days later. */
export async function makeFamily(input: FamilyInput): Promise<FamilyMade> {
  const season = await readSeason();
  const { world, now } = season;
  requireKnown(world, input.batch, now.today);
  const members = membersOf(input);
  const { inputs, setPoints } = input.placed ? placeForMe(season, members) : { inputs: members, setPoints: [] };
  return inTransaction(database(), async (transaction) => {
    const hash = createHash('sha256').update(JSON.stringify(input)).digest('hex');
    const sent = { key: input.idempotencyKey, hash, batches_count: input.times };
    if (!(await firstTime(database(), sent, transaction))) return { familyId: null, made: [], repeated: true };
    const familyId = await nextFamily(database(), transaction);
    const made: { id: number; code: string }[] = [];
    if (setPoints.length > 0) await writeSetPoints(withVersions(setPoints, world), world, transaction);
    for (const member of inputs) {
      const row = await insertBatch(database(), { ...newBatch(member), familyId }, transaction);
      made.push({ id: row.id, code: row.code });
    }
    return { familyId, made, repeated: false };
  });
}

/** The batches of a family, each so many days after the one before. */
function membersOf({ batch, times, every_days, share_frac }: FamilyInput): BatchInput[] {
  const first = requireDay(batch.transplantOn);
  const { joins } = batch;
  return Array.from({ length: times }, (_, i) => {
    const shift = i * every_days;
    return {
      ...batch,
      plantsWanted: Math.max(1, Math.round(batch.plantsWanted * (i === 0 ? 1 : share_frac))),
      transplantOn: isoFromDay(first + shift),
      ...(joins ? { joins: { ...joins, on: isoFromDay(requireDay(joins.on) + shift) } } : {}),
      steps: {},
    };
  });
}

/** Changes all batches of a family that are not sown yet, all or nothing. Those sown keep their plan. */
export async function changeFamily(familyId: number, patch: FamilyPatch): Promise<{ changed: number; kept: number }> {
  const { world, now } = await readSeason();
  const versions = new Map(patch.versions.map(({ id, version }) => [id, version]));
  const members = world.batches.filter((batch) => batch.familyId === familyId && versions.has(batch.id));
  if (members.length === 0) throw new ProblemError(404, WORDS.noSuchFamily, WORDS.thereAreNoBatchesMade);
  return inTransaction(database(), async (transaction) => {
    let changed = 0;
    const stale: string[] = [];
    for (const { id } of [...members].sort((a, b) => a.id - b.id)) {
      const was = (await lockBatch(id, transaction))!;
      if (was.version !== versions.get(id)) {
        stale.push(was.code);
        continue;
      }
      const { state } = reduceLog(await readEvents(database(), id, transaction));
      if (state.phase !== 'planned') continue;
      const before = batchInputOf(was);
      const input = {
        ...before,
        ...patch.change,
        transplantOn: isoFromDay(was.plan.transplantOn + patch.shift_days),
        ...(before.joins && patch.shift_days !== 0
          ? { joins: { ...before.joins, on: isoFromDay(requireDay(before.joins.on) + patch.shift_days) } }
          : {}),
        steps: {},
      };
      requireKnown(world, input, now.today, before);
      if (!(await updateBatch(id, was.version, newBatch(input), transaction))) stale.push(was.code);
      await insertEvent(
        { ...logLine(id, 'edited', now.today, now.instant_ms), note: WORDS.changedTogetherWithItsFamily },
        transaction,
      );
      changed++;
    }
    if (stale.length > 0) {
      throw new ProblemError(409, WORDS.changedBySomeoneElse, WORDS.someoneChangedSinceYouOpened(stale.join(', ')));
    }
    return { changed, kept: members.length - changed };
  });
}
