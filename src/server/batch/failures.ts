import { FAILURES } from '../../core/batch/failures.ts';
import { effectiveEvents } from '../../core/batch/reduce.ts';
import type { Plants } from '../../core/batch/plants.ts';
import type { EventRecord } from '../../core/batch/record.ts';
import { EVERY_LINE, readLedger } from '../../db/batch/ledger.ts';
import { readKeptOf } from '../../db/house/seasons.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/batch/failures.ts';

/** Plants that were lost, given up or sown again. */
export interface Failure {
  readonly batchId: number;
  readonly name: string;
  readonly day: number;
  readonly cause: string;
  /** Lot, crop and variety. */
  readonly lot: string;
  readonly plants_count: number;
  /** The whole batch was given up or sown again. */
  readonly whole: boolean;
}

interface Source {
  readonly batchId: number;
  readonly name: string;
  readonly kind: string;
  readonly lotId: number | null;
  readonly plants: Plants;
  readonly events: readonly EventRecord[];
}

const CAUSES: readonly string[] = FAILURES;

/** What failed in a season, closed or open; null: in all that are open. */
export async function failuresOf(season: Season, seasonId: number | null): Promise<Failure[]> {
  const closed = season.world.seasons.find((one) => one.id === seasonId)?.closedAt_ms ?? null;
  const sources =
    seasonId !== null && closed !== null ? await sourcesOfClosed(seasonId) : sourcesOfOpen(season, seasonId);
  return sources.flatMap((source) => failuresIn(season, source));
}

const sourcesOfOpen = (season: Season, seasonId: number | null): Source[] =>
  season.batches
    .filter(({ batch }) => seasonId === null || batch.seasonId === seasonId)
    .map(({ batch, name, cropName, varietyName, plants, events }) => ({
      batchId: batch.id,
      name,
      kind: `${cropName} ${varietyName}`.trim(),
      lotId: batch.lotId,
      plants,
      events,
    }));

async function sourcesOfClosed(seasonId: number): Promise<Source[]> {
  const kept = await readKeptOf(database(), seasonId);
  const lines = await readLedger(
    database(),
    { ...EVERY_LINE, seasonId },
    { order: 'oldest', limit: 1_000_000, offset: 0 },
  );
  const byBatch = groupBy(lines, (line) => line.batchId);
  return kept.map(({ batchId, kept: { name, cropName, varietyName, plants } }) => {
    const mine = byBatch.get(batchId) ?? [];
    return {
      batchId,
      name,
      kind: `${cropName} ${varietyName}`.trim(),
      lotId: mine[0]?.lotId ?? null,
      plants,
      events: mine.map((line) => line.event),
    };
  });
}

function failuresIn({ world }: Season, { batchId, name, kind, lotId, plants, events }: Source): Failure[] {
  const lot = world.lots.find((one) => one.id === lotId)?.code ?? WORDS.noLot;
  return effectiveEvents(events)
    .filter((e) => e.kind === 'lost' || e.kind === 'ended' || (e.kind === 'note' && CAUSES.includes(e.cause)))
    .filter((e) => e.kind !== 'note' || e.note.startsWith('sown again as'))
    .map((e) => ({
      batchId,
      name,
      day: e.day,
      cause: e.cause || 'unknown',
      lot: `${lot}, ${kind}`,
      plants_count:
        e.kind === 'lost'
          ? (e.count ?? 0)
          : e.kind === 'ended'
            ? plants.sown_count - plants.out_count
            : plants.sown_count - plants.cameUp_count,
      whole: e.kind !== 'lost',
    }));
}

/** Failures added up by a key, the most plants first. */
export function failuresBy(
  failures: readonly Failure[],
  key: (failure: Failure) => string,
): {
  readonly name: string;
  readonly plants_count: number;
  readonly batches_count: number;
  readonly whole_count: number;
}[] {
  return [...groupBy(failures, key)]
    .map(([name, mine]) => ({
      name,
      plants_count: mine.reduce((sum, one) => sum + one.plants_count, 0),
      batches_count: new Set(mine.map((one) => one.batchId)).size,
      whole_count: mine.filter((one) => one.whole).length,
    }))
    .sort((a, b) => b.plants_count - a.plants_count);
}

function groupBy<T, K>(list: readonly T[], key: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of list) {
    const group = groups.get(key(one));
    if (group) group.push(one);
    else groups.set(key(one), [one]);
  }
  return groups;
}
