import type { EventRecord } from '../../core/batch/record.ts';
import { LEDGER } from '../../words/en/ledger.ts';
import { saidOf } from '../../words/en/codes.ts';
import { LEDGER_LINES, ledgerAsked, MOST_LEDGER_LINES, type LedgerView } from '../../contracts/batch/ledger.ts';
import { ProblemError } from '../../contracts/problem.ts';
import { batchName, type Season } from '../../core/plan/season.ts';
import { batchesOfLots, countLedger, readLedger, type LedgerFilter } from '../../db/batch/ledger.ts';
import { database } from '../database.ts';
import { WORDS } from '../../words/en/batch/ledgerServer.ts';

/**
 * The ledger, newest line first: of one season and of some days where they are asked for.
 * @throws ProblemError 422 with a path for what is asked wrongly
 */
export async function ledgerView(season: Season, url: URL): Promise<LedgerView> {
  const read = ledgerAsked.safeParse(
    Object.fromEntries(['season', 'from', 'to'].map((key) => [key, url.searchParams.get(key) ?? ''])),
  );
  if (!read.success)
    throw new ProblemError(422, WORDS.pleaseLookAgain, WORDS.theLedgerCannotBeAsked, {
      errors: read.error.issues.map(({ path, message }) => ({ path: path.join('.'), message })),
    });
  const { season: seasonId, from, to } = read.data;
  const filter: LedgerFilter = { seasonId: seasonId || null, from: from || null, to: to || null };
  const limit = from || to ? MOST_LEDGER_LINES : LEDGER_LINES;
  const { world, batches } = season;
  const [count, lines] = await Promise.all([
    countLedger(database(), filter),
    readLedger(database(), filter, { order: 'newest', limit, offset: 0 }),
  ]);
  const places = new Map(world.places.map(({ id, name }) => [id, name]));
  const people = new Map(world.people.map(({ id, name }) => [id, name]));
  const open = new Set(batches.map(({ batch }) => batch.id));
  return {
    count,
    lines: lines.map(({ event, batchId, code, cropName, varietyName, letter, replaced, voided }) => ({
      id: event.id,
      day: event.day,
      batchId,
      batch: batchName(cropName, varietyName, letter),
      code,
      kind: event.kind,
      correctsId: event.correctsId,
      count: event.count,
      place: places.get(event.placeId ?? 0) ?? '',
      note: [saidOf(event.cause), event.note].filter(Boolean).join(': '),
      by: people.get(event.authorId ?? 0) ?? '',
      tapped: tappedWords(event, world.nursery.timeZone),
      counts: !replaced && !voided,
      isOpen: open.has(batchId),
    })),
  };
}

/** How many batches were made of each lot, over all seasons. */
export const timesLotsWereSown = (): Promise<ReadonlyMap<number, number>> => batchesOfLots(database());

/** When a line that waited on a device was tapped; nothing of one that did not wait. */
export function tappedWords({ tappedAt_ms }: EventRecord, timeZone: string): string {
  if (tappedAt_ms === undefined) return '';
  if (tappedAt_ms === null) return LEDGER.clockDoubted;
  const at = new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'short', hour: '2-digit', minute: '2-digit' });
  return LEDGER.tappedAt(at.format(tappedAt_ms));
}
