import type { Sequelize, Transaction } from 'sequelize';
import { isoFromDay } from '../../core/calendar/dayNumber.ts';
import type { OldTray, OldTrayTaught } from '../../core/germination/oldTrays.ts';
import type { OldTrayFile } from '../../contracts/germination/oldTrays.ts';
import { rows, run } from '../sql.ts';

export interface OldTrayRow extends OldTray {
  readonly cropId: number;
  readonly varietyId: number | null;
  readonly lotId: number | null;
  readonly tray: string;
  readonly taught: OldTrayTaught;
}

/** Notes a file under its key. @returns its number, or the hash of the file the key was used for before */
export async function insertOldTrayFile(
  db: Sequelize,
  file: { readonly key: string; readonly requestHash: string; readonly name: string },
  transaction: Transaction,
): Promise<{ readonly id: number } | { readonly usedFor: string }> {
  const [made] = await run(
    db,
    `INSERT INTO old_tray_files (idempotency_key, request_hash, name) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING RETURNING id`,
    [file.key, file.requestHash, file.name],
    transaction,
  );
  if (made) return { id: made['id'] as number };
  const [known] = await rows(
    db,
    'SELECT request_hash FROM old_tray_files WHERE idempotency_key = $1',
    [file.key],
    transaction,
  );
  return { usedFor: known!['request_hash'] as string };
}

export async function insertOldTrays(
  db: Sequelize,
  fileId: number,
  trays: readonly OldTrayRow[],
  transaction: Transaction,
): Promise<void> {
  await run(
    db,
    `INSERT INTO old_trays (file_id, crop_id, variety_id, lot_id, tray, sown_on, seeds_count, temperature_c, counts, estimate)
     SELECT $1, (t->>'cropId')::integer, (t->>'varietyId')::integer, (t->>'lotId')::integer, t->>'tray', (t->>'sownOn')::date,
       (t->>'seeds')::integer, (t->>'temperature_C')::double precision, t->'counts', t->'taught'
     FROM jsonb_array_elements($2::jsonb) AS t`,
    [
      fileId,
      JSON.stringify(
        trays.map((tray) => ({
          ...tray,
          sownOn: isoFromDay(tray.sownOn),
          counts: tray.counts.map(({ day, up }) => ({ day: isoFromDay(day), up })),
        })),
      ),
    ],
    transaction,
  );
}

/** Trays there are already, each as "crop variety tray day" in small letters. */
export async function readOldTrayKeys(db: Sequelize, transaction: Transaction | null = null): Promise<Set<string>> {
  const found = await rows(
    db,
    `SELECT concat_ws(' ', crop_id, coalesce(variety_id, 0), lower(tray), sown_on) AS key FROM old_trays`,
    [],
    transaction,
  );
  return new Set(found.map((row) => row['key'] as string));
}

/** Names of trays by their numbers, with the year each was sown in. */
export async function readOldTrayNames(
  db: Sequelize,
  ids: readonly number[],
): Promise<ReadonlyMap<number, { readonly tray: string; readonly year: number }>> {
  if (ids.length === 0) return new Map();
  const found = await rows(
    db,
    'SELECT id, tray, extract(year FROM sown_on)::integer AS year FROM old_trays WHERE id = ANY($1::integer[])',
    [ids],
  );
  return new Map(
    found.map((row) => [row['id'] as number, { tray: row['tray'] as string, year: row['year'] as number }]),
  );
}

export async function readOldTrayFiles(db: Sequelize): Promise<OldTrayFile[]> {
  const found = await rows(
    db,
    `SELECT f.id, f.name, (extract(epoch FROM f.taken_at) * 1000)::double precision AS taken_ms, f.author_id, f.left_out,
       count(t.id)::integer AS trays, count(DISTINCT t.crop_id)::integer AS crops
     FROM old_tray_files f LEFT JOIN old_trays t ON t.file_id = f.id GROUP BY f.id ORDER BY f.id DESC`,
  );
  return found.map((row) => ({
    id: row['id'] as number,
    name: row['name'] as string,
    taken_ms: row['taken_ms'] as number,
    authorId: row['author_id'] as number | null,
    leftOut: row['left_out'] as boolean,
    trays_count: row['trays'] as number,
    crops_count: row['crops'] as number,
  }));
}

/** @returns whether there is such a file */
export async function leaveOutOldTrays(
  db: Sequelize,
  id: number,
  leftOut: boolean,
  transaction: Transaction,
): Promise<boolean> {
  const done = await run(
    db,
    'UPDATE old_tray_files SET left_out = $2 WHERE id = $1 RETURNING id',
    [id, leftOut],
    transaction,
  );
  return done.length > 0;
}
