import type { BatchTaught } from '../../core/germination/learned.ts';
import type { Season } from '../../core/plan/season.ts';
import { readKeptNames } from '../../db/house/seasons.ts';
import { readOldTrayNames } from '../../db/germination/oldTrays.ts';
import { database } from '../database.ts';
import { WORDS } from '../../words/en/germination/keptTrays.ts';

/** A tray of a lot that is no longer worked out: of a closed season, or read from a file. */
export interface KeptTray {
  /** null: read from a file. */
  readonly batchId: number | null;
  readonly name: string;
  /** Its season, or the year it was sown in. */
  readonly of: string;
  readonly temperature_C: number;
  readonly up: number;
  readonly sown: number;
  /** Days to half of those that came, by what was kept of it. */
  readonly half_days: number;
}

/** What was kept of the trays of a lot in closed seasons and years before, the coolest first. */
export async function keptTraysOf({ world, taught, batches }: Season, lotId: number): Promise<KeptTray[]> {
  const open = new Set(batches.map(({ batch }) => batch.id));
  const own = taught.filter((one) => one.lotId === lotId && !open.has(one.batchId) && one.book_days !== null);
  if (own.length === 0) return [];
  const db = database();
  const ids = own.map(({ batchId }) => batchId);
  const [names, old] = await Promise.all([
    readKeptNames(
      db,
      ids.filter((id) => id > 0),
    ),
    readOldTrayNames(
      db,
      ids.filter((id) => id < 0).map((id) => -id),
    ),
  ]);
  const seasonName = (id: number | undefined) => world.seasons.find((one) => one.id === id)?.name ?? '';
  return own
    .map((one: BatchTaught): KeptTray => {
      const kept = names.get(one.batchId);
      const file = old.get(-one.batchId);
      return {
        batchId: one.batchId > 0 ? one.batchId : null,
        name: kept?.name ?? file?.tray ?? '',
        of: file ? WORDS.sownIn(file.year) : WORDS.season(seasonName(kept?.seasonId)),
        temperature_C: one.temperature_C,
        up: one.up,
        sown: one.sown,
        half_days: one.book_days! * Math.exp(one.logTime),
      };
    })
    .sort((a, b) => a.temperature_C - b.temperature_C);
}
