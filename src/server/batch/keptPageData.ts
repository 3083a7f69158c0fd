import type { KeptBatch } from '../../core/batch/keptBatch.ts';
import type { EventRecord } from '../../core/batch/record.ts';
import { readKept, type KeptRow } from '../../db/house/seasons.ts';
import { readEvents } from '../../db/house/world.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';

/** A batch of a closed season as its page shows it. */
export interface KeptPageData {
  readonly id: number;
  readonly code: string;
  readonly kept: KeptBatch;
  readonly seasonId: number;
  readonly seasonName: string;
  readonly events: readonly EventRecord[];
}

/** A batch of a closed season by its number; null when there is none. */
export async function keptPageData({ world }: Season, id: string): Promise<KeptPageData | null> {
  if (!/^\d{1,9}$/.test(id)) return null;
  const db = database();
  const row: KeptRow | null = await readKept(db, { id: Number(id) });
  if (!row) return null;
  const events = await readEvents(db, row.batchId, null);
  return {
    id: row.batchId,
    code: row.code,
    kept: row.kept,
    seasonId: row.seasonId,
    seasonName: world.seasons.find((one) => one.id === row.seasonId)?.name ?? '',
    events,
  };
}

/** Number of a batch of a closed season by the code on its label; null when there is none. */
export async function keptByCode(code: string): Promise<number | null> {
  return (await readKept(database(), { code }))?.batchId ?? null;
}
