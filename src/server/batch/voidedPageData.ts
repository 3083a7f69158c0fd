import type { EventRecord } from '../../core/batch/record.ts';
import { localTimeAt } from '../../core/calendar/localDay.ts';
import { readAllVoided, readVoided, type VoidedBatch } from '../../db/batch/batches.ts';
import { readEvents } from '../../db/house/world.ts';
import { database } from '../database.ts';
import { batchName, type Season } from '../../core/plan/season.ts';

/** A voided batch as lists name it. */
export interface VoidedLine {
  readonly id: number;
  readonly version: number;
  readonly code: string;
  readonly name: string;
  readonly voidedOn: number;
  /** Name of its season where that is closed; null: it is open, and the batch can be brought back. */
  readonly closedSeason: string | null;
}

/** A voided batch as its page shows it. */
export interface VoidedPageData extends VoidedLine {
  readonly reason: string;
  readonly events: readonly EventRecord[];
}

/** A voided batch by its number; null: there is none of it that is voided. */
export async function voidedPageData(season: Season, id: string): Promise<VoidedPageData | null> {
  if (!/^\d{1,9}$/.test(id)) return null;
  const found = await readVoided({ id: Number(id) });
  if (!found) return null;
  const events = await readEvents(database(), found.batch.id, null);
  return { ...lineOf(season, found), reason: events.findLast((e) => e.kind === 'voided')?.note ?? '', events };
}

/** Number of a voided batch by the code on its label; null: there is none. */
export async function voidedByCode(code: string): Promise<number | null> {
  return (await readVoided({ code }))?.batch.id ?? null;
}

/** All voided batches, the last first. */
export async function voidedBatches(season: Season): Promise<VoidedLine[]> {
  return (await readAllVoided()).map((found) => lineOf(season, found));
}

function lineOf({ world }: Season, { batch, voidedAt_ms }: VoidedBatch): VoidedLine {
  const crop = world.crops.find((one) => one.id === batch.cropId)?.name ?? '';
  const variety = world.varieties.find((one) => one.id === batch.varietyId)?.name ?? '';
  const season = world.seasons.find((one) => one.id === batch.seasonId);
  return {
    id: batch.id,
    version: batch.version,
    code: batch.code,
    name: batchName(crop, variety, batch.letter),
    voidedOn: localTimeAt(voidedAt_ms, world.nursery.timeZone).day,
    closedSeason: season && season.closedAt_ms !== null ? season.name : null,
  };
}
