import type { KeptLine } from '../../contracts/house/seasons.ts';
import type { SeasonRecord } from '../../core/house/seasonRecord.ts';
import { readKeptOf } from '../../db/house/seasons.ts';
import { database } from '../database.ts';
import type { Season } from '../../core/plan/season.ts';

/** A closed season with its batches as they are kept. */
export interface KeptSeason {
  readonly season: SeasonRecord;
  readonly lines: readonly KeptLine[];
  readonly sown_count: number;
  readonly cameUp_count: number;
  readonly out_count: number;
  readonly heat_kWh: number;
}

/** A closed season by its number; null when there is none, or it is open. */
export async function keptSeason({ world }: Season, id: string): Promise<KeptSeason | null> {
  const season = world.seasons.find((one) => String(one.id) === id);
  if (!season || season.closedAt_ms === null) return null;
  const lines = (await readKeptOf(database(), season.id)).map(({ batchId, code, kept }) => ({
    id: batchId,
    code,
    kept,
  }));
  const sum = (of: (line: KeptLine) => number) => lines.reduce((all, line) => all + of(line), 0);
  return {
    season,
    lines,
    sown_count: sum((line) => line.kept.plants.sown_count),
    cameUp_count: sum((line) => line.kept.plants.cameUp_count),
    out_count: sum((line) => line.kept.plants.out_count),
    heat_kWh: sum((line) => line.kept.heat_kWh ?? 0),
  };
}
